import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileCircuit, nodeVolts } from './circuit';
import { bipolarCurrents, currentFrom, lampAmps, mosCurrents, resistorAmps } from './currents';
import { GROUND, type Element } from './netlist';
import { solveOperatingPoint } from './operatingPoint';

const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  name,
  a,
  b,
  ohms,
});

function solved(volts: number, elements: readonly Element[]) {
  const circuit = compileCircuit({ supplies: [{ node: 'plus', volts }], elements });
  const point = solveOperatingPoint(circuit);
  if (!point.ok) throw new Error(point.reason);
  return { circuit, volts: point.volts };
}

const transistor = { saturationAmps: 2e-14, forwardBeta: 150, reverseBeta: 4, celsius: 25 } as const;
const supply = fc.double({ min: 2, max: 20, noNaN: true });
const ohms = fc.double({ min: 2, max: 6, noNaN: true }).map((power) => 10 ** power);

describe('currents of a PNP', () => {
  it('mirror those of an NPN in the mirrored circuit', () => {
    fc.assert(
      fc.property(supply, ohms, ohms, (volts, baseOhms, loadOhms) => {
        const npn = solved(volts, [
          resistor('RB', 'plus', 'base', baseOhms),
          resistor('RC', 'plus', 'collector', loadOhms),
          { kind: 'npn', name: 'Q', collector: 'collector', base: 'base', emitter: GROUND, ...transistor },
        ]);
        const pnp = solved(volts, [
          resistor('RB', GROUND, 'base', baseOhms),
          resistor('RC', GROUND, 'collector', loadOhms),
          { kind: 'pnp', name: 'Q', collector: 'collector', base: 'base', emitter: 'plus', ...transistor },
        ]);
        const [one, other] = [
          bipolarCurrents(npn.circuit, npn.volts, 'Q'),
          bipolarCurrents(pnp.circuit, pnp.volts, 'Q'),
        ];
        expect(other.collectorAmps / one.collectorAmps).toBeCloseTo(1, 5);
        expect(other.baseAmps / one.baseAmps).toBeCloseTo(1, 5);
        expect(other.watts / one.watts).toBeCloseTo(1, 5);
      }),
    );
  });
});

describe('currents of a MOSFET and a lamp', () => {
  it('are those of the resistor in the same way', () => {
    fc.assert(
      fc.property(supply, ohms, (volts, loadOhms) => {
        const { circuit, volts: at } = solved(volts, [
          resistor('R', 'plus', 'drain', loadOhms),
          { kind: 'nmos', name: 'Q', drain: 'drain', gate: 'plus', source: 'source', thresholdVolts: 1.5, ampsPerVoltSquared: 0.3, celsius: 25 }, // prettier-ignore
          { kind: 'lamp', name: 'L', a: 'source', b: GROUND, ratedVolts: 6, ratedAmps: 0.1 },
        ]);
        const amps = resistorAmps(circuit, at, 'R');
        const room = 1e-9 + 1e-6 * Math.abs(amps);
        expect(Math.abs(mosCurrents(circuit, at, 'Q').drainAmps - amps)).toBeLessThan(room);
        expect(Math.abs(lampAmps(circuit, at, 'L') - amps)).toBeLessThan(room);
        expect(mosCurrents(circuit, at, 'Q').watts).toBeCloseTo(
          amps * (nodeVolts(circuit, at, 'drain') - nodeVolts(circuit, at, 'source')),
          6,
        );
      }),
    );
  });
});

describe('what a supply gives', () => {
  it('is what comes back to ground, through parts of every kind', () => {
    fc.assert(
      fc.property(supply, ohms, ohms, (volts, one, other) => {
        const { circuit, volts: at } = solved(volts, [
          resistor('R1', 'plus', 'a', one),
          resistor('R2', 'a', GROUND, other),
          {
            kind: 'diode',
            name: 'D',
            anode: 'a',
            cathode: GROUND,
            saturationAmps: 1e-14,
            ideality: 1,
            celsius: 25,
          },
          { kind: 'npn', name: 'Q', collector: 'plus', base: 'a', emitter: 'e', ...transistor },
          { kind: 'lamp', name: 'L', a: 'e', b: GROUND, ratedVolts: 6, ratedAmps: 0.1 },
          { kind: 'current', name: 'I', from: 'plus', to: GROUND, amps: 0.001 },
        ]);
        const given = currentFrom(circuit, at, 'plus');
        expect(Math.abs(given + currentFrom(circuit, at, GROUND))).toBeLessThan(1e-9 + 1e-7 * given);
        expect(given).toBeGreaterThan(0.001);
        expect(Math.abs(currentFrom(circuit, at, 'a'))).toBeLessThan(1e-9);
      }),
    );
  });
});
