import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileCircuit, hasNode, nodeVolts, setOhms, setSupply } from './circuit';
import { diodeAmps, resistorAmps } from './currents';
import { GROUND, type Element } from './netlist';
import { solveOperatingPoint } from './operatingPoint';
import { solved } from './testSolve';
import { copyValues } from './values';

const ohms = fc.double({ min: 10, max: 1e6, noNaN: true });

/** A ladder of resistors from the supply: series arms between nodes n0, n1 …, a shunt from each to ground. */
function ladder(arms: readonly number[], shunts: readonly number[], volts: number) {
  const elements = arms.flatMap((arm, index): Element[] => [
    {
      kind: 'resistor',
      name: `arm${index}`,
      a: index === 0 ? 'supply' : `n${index - 1}`,
      b: `n${index}`,
      ohms: arm,
    },
    { kind: 'resistor', name: `shunt${index}`, a: `n${index}`, b: GROUND, ohms: shunts[index] ?? 1000 },
  ]);
  return { supplies: [{ node: 'supply', volts }], elements };
}

describe('a circuit of resistors', () => {
  const rungs = fc.array(fc.tuple(ohms, ohms), { minLength: 1, maxLength: 6 });

  it('takes from the supply exactly the power that its resistors turn into heat', () => {
    fc.assert(
      fc.property(rungs, fc.double({ min: 1, max: 40, noNaN: true }), (pairs, volts) => {
        const solution = solved(
          ladder(
            pairs.map(([arm]) => arm),
            pairs.map(([, shunt]) => shunt),
            volts,
          ),
        );
        const heat = pairs.flatMap(([arm, shunt], index) => [
          resistorAmps(solution, `arm${index}`) ** 2 * arm,
          resistorAmps(solution, `shunt${index}`) ** 2 * shunt,
        ]);
        const taken = resistorAmps(solution, 'arm0') * volts;
        expect(heat.reduce((total, watts) => total + watts, 0) / taken).toBeCloseTo(1, 9);
      }),
    );
  });

  it('answers twice the supply with twice the voltages', () => {
    fc.assert(
      fc.property(rungs, (pairs) => {
        const [arms, shunts] = [pairs.map(([arm]) => arm), pairs.map(([, shunt]) => shunt)];
        const [one, two] = [solved(ladder(arms, shunts, 3)), solved(ladder(arms, shunts, 6))];
        one.volts.forEach((volts, node) => expect(two.volts[node]).toBeCloseTo(2 * volts, 9));
      }),
    );
  });

  it('takes other values for one solution, and keeps its own', () => {
    const circuit = compileCircuit(ladder([1000], [1000], 5));
    const values = copyValues(circuit.nominal);
    setOhms(circuit, values, 'shunt0', 4000);
    const point = solveOperatingPoint(circuit, values);
    expect(point.ok && nodeVolts(circuit, point.volts, 'n0')).toBeCloseTo(4, 12);
    const asItWas = solveOperatingPoint(circuit);
    expect(asItWas.ok && nodeVolts(circuit, asItWas.volts, 'n0')).toBeCloseTo(2.5, 12);
  });
});

describe('a circuit with a diode', () => {
  it('puts the same current through diode and resistor', () => {
    const reach = fc.record({ volts: fc.double({ min: -20, max: 20, noNaN: true }), series: ohms });
    fc.assert(
      fc.property(reach, ({ volts, series }) => {
        const solution = solved({
          supplies: [{ node: 'supply', volts }],
          elements: [
            { kind: 'resistor', name: 'R', a: 'supply', b: 'anode', ohms: series },
            {
              kind: 'diode',
              name: 'D',
              anode: 'anode',
              cathode: GROUND,
              saturationAmps: 1e-14,
              ideality: 1,
              celsius: 25,
            },
          ],
        });
        const [through, into] = [diodeAmps(solution, 'D'), resistorAmps(solution, 'R')];
        expect(Math.abs(through - into)).toBeLessThan(1e-9 + 1e-6 * Math.abs(into));
      }),
      { numRuns: 300 },
    );
  });
});

describe('a netlist that is a caller’s mistake', () => {
  const resistor = (name: string, value: number): Element => ({
    kind: 'resistor',
    name,
    a: 'x',
    b: GROUND,
    ohms: value,
  });
  it('is not solved but asserted', () => {
    expect(() => compileCircuit({ supplies: [], elements: [resistor('R', 0)] })).toThrow('above 0');
    expect(() => compileCircuit({ supplies: [], elements: [resistor('R', 1), resistor('R', 2)] })).toThrow(
      'two parts',
    );
    const circuit = compileCircuit({ supplies: [], elements: [resistor('R', 1)] });
    expect(() => nodeVolts(circuit, circuit.nominal.fixedVolts, 'nowhere')).toThrow('unknown node');
    expect(() => setOhms(circuit, circuit.nominal, 'Q', 5)).toThrow('none of the resistors is named Q');
    for (const ohms of [0, -1, NaN])
      expect(() => setOhms(circuit, circuit.nominal, 'R', ohms)).toThrow('R needs a resistance above 0');
    for (const node of ['x', GROUND])
      expect(() => setSupply(circuit, circuit.nominal, node, 5)).toThrow(`${node} is no supply`);
    expect(['x', GROUND, 'y'].map((name) => hasNode(circuit, name))).toEqual([true, true, false]);
  });
});
