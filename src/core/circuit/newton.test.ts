import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileCircuit, nodeVolts, setOhms, type Circuit } from './circuit';
import { GROUND, type Element, type Netlist } from './netlist';
import { kirchhoffResidualAmps } from './currents';
import { solveOperatingPoint } from './operatingPoint';
import { copyValues } from './values';

const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  kind: 'resistor',
  name,
  a,
  b,
  ohms,
});
const led = (name: string, anode: string, cathode: string): Element => ({
  kind: 'diode',
  name,
  anode,
  cathode,
  saturationAmps: 1e-20,
  ideality: 1.8,
  celsius: 25,
});
const under = (volts: number, elements: readonly Element[]): Netlist => ({
  supplies: [{ node: 'supply', volts }],
  elements,
});
const solved = (circuit: Circuit, start?: Float64Array, values = circuit.nominal) => {
  const point = solveOperatingPoint(circuit, values, start);
  if (!point.ok) throw new Error(point.reason);
  return point;
};
const changed = (circuit: Circuit, name: string, ohms: number) => {
  const values = copyValues(circuit.nominal);
  setOhms(circuit, values, name, ohms);
  return values;
};
const decades = (from: number, to: number) =>
  fc.double({ min: from, max: to, noNaN: true }).map((power) => 10 ** power);

describe('Newton’s steps', () => {
  it('are one where all is linear, from wherever they start', () => {
    fc.assert(
      fc.property(
        decades(1, 6),
        decades(1, 6),
        decades(1, 6),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (one, two, three, from) => {
          const circuit = compileCircuit(
            under(9, [
              resistor('R1', 'supply', 'a', one),
              resistor('R2', 'a', 'b', two),
              resistor('R3', 'b', GROUND, three),
            ]),
          );
          const start = Float64Array.from(circuit.nominal.fixedVolts);
          for (let node = 0; node < circuit.unknowns; node++) start[node] = from;
          const { volts, iterations } = solved(circuit, start);
          // A step or two more where a node is bound by far less than another.
          const isEven = Math.max(one, two, three) < 1e3 * Math.min(one, two, three);
          expect(iterations).toBeLessThanOrEqual(isEven ? 1 : 3);
          const amps = 9 / (one + two + three);
          expect(nodeVolts(circuit, volts, 'a') / (amps * (two + three))).toBeCloseTo(1, 9);
          expect(nodeVolts(circuit, volts, 'b') / (amps * three)).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('are one where only the linear part of a circuit has moved', () => {
    const circuit = compileCircuit(
      under(5, [
        resistor('LDR1', 'mid', GROUND, 1000),
        resistor('R1', 'supply', 'mid', 10_000),
        resistor('R2', 'supply', 'lamp', 330),
        led('D1', 'lamp', GROUND),
      ]),
    );
    const first = solved(circuit);
    expect(first.iterations).toBeGreaterThan(2);
    const next = solved(circuit, first.volts, changed(circuit, 'LDR1', 47_000));
    expect(next.iterations).toBe(1);
    expect(nodeVolts(circuit, next.volts, 'mid')).toBeCloseTo((5 * 47) / 57, 9);
    expect(nodeVolts(circuit, next.volts, 'lamp')).toBeCloseTo(nodeVolts(circuit, first.volts, 'lamp'), 7);
  });

  it('go on where the LED itself has to follow', () => {
    const circuit = compileCircuit(
      under(5, [resistor('R2', 'supply', 'lamp', 330), led('D1', 'lamp', GROUND)]),
    );
    const first = solved(circuit);
    const next = solved(circuit, first.volts, changed(circuit, 'R2', 33_000));
    expect(next.iterations).toBeGreaterThan(1);
    expect(nodeVolts(circuit, next.volts, 'lamp')).toBeLessThan(
      nodeVolts(circuit, first.volts, 'lamp') - 0.1,
    );
  });

  it('come to the same place from a solution nearby as from nothing, with the currents balanced', () => {
    fc.assert(
      fc.property(
        fc.array(decades(1.5, 5), { minLength: 1, maxLength: 5 }),
        decades(2, 6),
        decades(2, 6),
        decades(2, 6),
        fc.double({ min: 2.5, max: 24, noNaN: true }),
        (rows, base, ldr, later, supply) => {
          // A divider on the base of an NPN that feeds rows of LEDs: linear and nonlinear parts, joined.
          const circuit = compileCircuit(
            under(supply, [
              resistor('R1', 'supply', 'mid', base),
              resistor('LDR1', 'mid', GROUND, ldr),
              {
                kind: 'npn',
                name: 'Q1',
                collector: 'low',
                base: 'mid',
                emitter: GROUND,
                saturationAmps: 1e-14,
                forwardBeta: 200,
                reverseBeta: 4,
                celsius: 25,
              },
              ...rows.flatMap((ohms, row) => [
                resistor(`RL${row}`, 'supply', `top${row}`, ohms),
                led(`D${row}`, `top${row}`, 'low'),
              ]),
            ]),
          );
          const near = solved(circuit);
          const values = changed(circuit, 'LDR1', later);
          const [warm, cold] = [solved(circuit, near.volts, values), solved(circuit, undefined, values)];
          expect(kirchhoffResidualAmps({ circuit, values, volts: warm.volts })).toBeLessThan(1e-9);
          const mid = (volts: Float64Array) => nodeVolts(circuit, volts, 'mid');
          expect(mid(warm.volts)).toBeCloseTo(mid(cold.volts), 6);
          // With Q1 off the node between floats on leaks of teraohms: there the currents are what counts.
          rows.forEach((ohms, row) => {
            const amps = (volts: Float64Array) => (supply - nodeVolts(circuit, volts, `top${row}`)) / ohms;
            expect(Math.abs(amps(warm.volts) - amps(cold.volts))).toBeLessThan(
              1e-9 + 1e-6 * amps(cold.volts),
            );
          });
        },
      ),
      { numRuns: 400, seed: 12 },
    );
  });

  it('are few from nothing: with an LED that lights, with one behind a transistor that is off, with several of either', () => {
    const q1 = (base: string): Element => ({
      ...{ kind: 'npn', name: 'Q1', collector: 'low', base, emitter: GROUND },
      ...{ saturationAmps: 2e-14, forwardBeta: 200, reverseBeta: 4, celsius: 25 },
    });
    const rows = (count: number) =>
      Array.from({ length: count }, (_, row) => [
        resistor(`R${row + 2}`, 'supply', `top${row}`, 330 * (row + 1)),
        led(`D${row + 1}`, `top${row}`, 'low'),
      ]).flat();
    for (const volts of [3, 5, 12])
      for (const count of [1, 4]) {
        const stepsWith = (r1: number) =>
          solved(
            compileCircuit(
              under(volts, [
                resistor('R1', 'supply', 'mid', r1),
                resistor('LDR1', 'mid', GROUND, 1000),
                q1('mid'),
                ...rows(count),
              ]),
            ),
          ).iterations;
        // Off, and on.
        expect(stepsWith(1e6)).toBeLessThanOrEqual(12);
        expect(stepsWith(1500)).toBeLessThanOrEqual(12);
      }
  });
});

describe('what leaks across a junction or a channel', () => {
  const TERAOHM = 1e12;
  const voltsOf = (elements: readonly Element[], node: string) => {
    const circuit = compileCircuit(under(6, [resistor('R1', 'supply', 'x', TERAOHM), ...elements]));
    return nodeVolts(circuit, solved(circuit).volts, node);
  };

  it('is a teraohm’s worth, and all that flows where nothing else does', () => {
    const bipolar = { saturationAmps: 1e-14, forwardBeta: 100, reverseBeta: 4, celsius: 25 };
    const channel = { thresholdVolts: 2, ampsPerVoltSquared: 0.1, celsius: 25 };
    // Across a channel that is off, of either kind, and neither into its gate nor out of it.
    expect(
      voltsOf([{ kind: 'nmos', name: 'Q1', drain: 'x', gate: GROUND, source: GROUND, ...channel }], 'x'),
    ).toBeCloseTo(3, 6);
    expect(
      voltsOf([{ kind: 'pmos', name: 'Q1', drain: GROUND, gate: 'supply', source: 'x', ...channel }], 'x'),
    ).toBeCloseTo(3, 6);
    // Of a PNP's base in reverse to either end: three teraohms to share.
    expect(
      voltsOf([{ kind: 'pnp', name: 'Q1', collector: GROUND, base: 'x', emitter: GROUND, ...bipolar }], 'x'),
    ).toBeCloseTo(2, 2);
  });
});
