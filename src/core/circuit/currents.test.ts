import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from './circuit';
import {
  bipolarCurrents,
  kirchhoffResidualAmps,
  currentFrom,
  lampAmps,
  channelCurrents,
  resistorAmps,
} from './currents';
import { GROUND, type Element } from './netlist';
import { solved } from './testSolve';

const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  name,
  a,
  b,
  ohms,
});

const under = (volts: number, elements: readonly Element[]) =>
  solved({ supplies: [{ node: 'plus', volts }], elements });

const transistor = { saturationAmps: 2e-14, forwardBeta: 150, reverseBeta: 4, celsius: 25 } as const;
const supply = fc.double({ min: 2, max: 20, noNaN: true });
const ohms = fc.double({ min: 2, max: 6, noNaN: true }).map((power) => 10 ** power);

describe('currents of a PNP', () => {
  it('mirror those of an NPN in the mirrored circuit', () => {
    fc.assert(
      fc.property(supply, ohms, ohms, (volts, baseOhms, loadOhms) => {
        const npn = under(volts, [
          resistor('RB', 'plus', 'base', baseOhms),
          resistor('RC', 'plus', 'collector', loadOhms),
          { kind: 'npn', name: 'Q', collector: 'collector', base: 'base', emitter: GROUND, ...transistor },
        ]);
        const pnp = under(volts, [
          resistor('RB', GROUND, 'base', baseOhms),
          resistor('RC', GROUND, 'collector', loadOhms),
          { kind: 'pnp', name: 'Q', collector: 'collector', base: 'base', emitter: 'plus', ...transistor },
        ]);
        const [one, other] = [bipolarCurrents(npn, 'Q'), bipolarCurrents(pnp, 'Q')];
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
        const solution = under(volts, [
          resistor('R', 'plus', 'drain', loadOhms),
          {
            kind: 'nmos',
            name: 'Q',
            drain: 'drain',
            gate: 'plus',
            source: 'source',
            thresholdVolts: 1.5,
            ampsPerVoltSquared: 0.3,
            celsius: 25,
          },
          { kind: 'lamp', name: 'L', a: 'source', b: GROUND, ratedVolts: 6, ratedAmps: 0.1 },
        ]);
        const amps = resistorAmps(solution, 'R');
        const at = (node: string) => nodeVolts(solution.circuit, solution.volts, node);
        const room = 1e-9 + 1e-6 * Math.abs(amps);
        expect(Math.abs(channelCurrents(solution, 'Q').drainAmps - amps)).toBeLessThan(room);
        expect(Math.abs(lampAmps(solution, 'L') - amps)).toBeLessThan(room);
        expect(channelCurrents(solution, 'Q').watts).toBeCloseTo(amps * (at('drain') - at('source')), 6);
      }),
    );
  });
});

describe('what a supply gives', () => {
  it('is what comes back to ground, through parts of every kind', () => {
    fc.assert(
      fc.property(supply, ohms, ohms, (volts, one, other) => {
        const solution = under(volts, [
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
        const given = currentFrom(solution, 'plus');
        expect(Math.abs(given + currentFrom(solution, GROUND))).toBeLessThan(1e-9 + 1e-7 * given);
        expect(given).toBeGreaterThan(0.001);
        expect(Math.abs(currentFrom(solution, 'a'))).toBeLessThan(1e-9);
      }),
    );
  });
});

describe('the balance of currents', () => {
  it('is seen to fail as soon as a voltage is not the solution’s', () => {
    fc.assert(
      fc.property(supply, ohms, ohms, (volts, one, other) => {
        const solution = under(volts, [resistor('R1', 'plus', 'a', one), resistor('R2', 'a', GROUND, other)]);
        expect(kirchhoffResidualAmps(solution)).toBeLessThan(1e-9);
        const moved = Float64Array.from(solution.volts, (value, node) =>
          node < solution.circuit.unknowns ? value + 0.01 : value,
        );
        const off = kirchhoffResidualAmps({ ...solution, volts: moved });
        expect(off / (0.01 * (1 / one + 1 / other))).toBeCloseTo(1, 3);
      }),
    );
  });
});
