import { describe, expect, it } from 'vitest';
import { compileCircuit, nodeNumber, nodeVolts } from '../circuit/circuit';
import { currentFrom, type Solution } from '../circuit/currents';
import type { Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { defaultDetectors } from '../detectors/registry';
import { assemble } from './assemble';
import { withinLimits, type Limit, type SolveWith } from './limit';
import { Operation } from './operation';
import { simpleInput } from './testCircuits';

const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
  ...{ kind: 'resistor', name, a, b, ohms },
});

/** Supplies `a` and `b` with 1 Ω inside each, or none, and what hangs on them. */
function limited(
  volts: { readonly a: number; readonly b: number },
  amps: { readonly a: number; readonly b: number },
  elements: readonly Element[],
  {
    order = ['a', 'b'],
    innerOhms = 1,
  }: { readonly order?: readonly ('a' | 'b')[]; readonly innerOhms?: number } = {},
): Solution {
  const feed = (rail: 'a' | 'b') => (innerOhms > 0 ? `${rail}.feed` : rail);
  const inner = order.flatMap((rail) =>
    innerOhms > 0 ? [resistor(`inner.${rail}`, feed(rail), rail, innerOhms)] : [],
  );
  const circuit = compileCircuit({
    supplies: (['a', 'b'] as const).map((rail) => ({ node: feed(rail), volts: volts[rail] })),
    elements: [...inner, ...elements],
  });
  const solve: SolveWith = (values, start) => {
    const whole = { ...circuit.nominal, ...values };
    const point = solveOperatingPoint(circuit, whole, start);
    return point.ok ? { circuit, values: whole, volts: point.volts } : null;
  };
  const full = solve(circuit.nominal, new Float64Array(circuit.nodeIndex.size));
  if (!full) throw new Error('no operating point');
  const limits: Limit[] = order.map((rail) => ({
    feed: feed(rail),
    amps: amps[rail],
    inner: innerOhms > 0 ? { name: `inner.${rail}`, rail, ohms: innerOhms } : null,
  }));
  const found = withinLimits(full, limits, solve);
  if (!found) throw new Error('no answer');
  return found;
}
const open = ({ circuit, values }: Solution, node: string) => values.fixedVolts[nodeNumber(circuit, node)]!;

/** 10 Ω on either supply, and 5 Ω between the two. */
const bridged = [resistor('R1', 'a', '0', 10), resistor('R2', 'b', '0', 10), resistor('R3', 'a', 'b', 5)];

describe('two supplies with limits', () => {
  it.each([['a', 'b'] as const, ['b', 'a'] as const])(
    'each give just their own where both are asked for more, in either order: %s first',
    (...order) => {
      const found = limited({ a: 10, b: 8 }, { a: 0.1, b: 0.2 }, bridged, { order });
      expect(currentFrom(found, 'a.feed')).toBeCloseTo(0.1, 9);
      expect(currentFrom(found, 'b.feed')).toBeCloseTo(0.2, 9);
      // By hand: Va/10 + (Va − Vb)/5 = 0.1 and Vb/10 + (Vb − Va)/5 = 0.2 give 1.4 V and 1.6 V; 1 Ω inside each.
      expect(nodeVolts(found.circuit, found.volts, 'a')).toBeCloseTo(1.4, 8);
      expect(nodeVolts(found.circuit, found.volts, 'b')).toBeCloseTo(1.6, 8);
      expect(open(found, 'a.feed')).toBeCloseTo(1.5, 8);
      expect(open(found, 'b.feed')).toBeCloseTo(1.8, 8);
      expect(Object.keys(found.asked ?? {}).sort()).toEqual(['a.feed', 'b.feed']);
    },
  );

  it('come to the same without resistance inside', () => {
    const found = limited({ a: 10, b: 8 }, { a: 0.1, b: 0.2 }, bridged, { innerOhms: 0 });
    expect(open(found, 'a')).toBeCloseTo(1.4, 6);
    expect(open(found, 'b')).toBeCloseTo(1.6, 6);
  });

  it('are left alone where only the other one is let down, which is all that is told to have been asked for more', () => {
    const found = limited({ a: 10, b: 8 }, { a: 0.1, b: 5 }, bridged);
    expect(currentFrom(found, 'a.feed')).toBeCloseTo(0.1, 9);
    expect(open(found, 'b.feed')).toBe(8);
    expect(Object.keys(found.asked ?? {})).toEqual(['a.feed']);
    const whole = limited({ a: 10, b: 8 }, { a: 5, b: 5 }, bridged);
    expect(whole.asked).toBeUndefined();
    expect(open(whole, 'a.feed')).toBe(10);
  });

  it.each([1, 0])(
    'come back to their own volts where the other one’s lack is what they needed, with %s Ω inside',
    (innerOhms) => {
      // A gate on the one turns on a load of the other; without it nothing is asked of that.
      const found = limited(
        { a: 10, b: 12 },
        { a: 0.01, b: 0.1 },
        [
          resistor('Ra', 'a', '0', 20),
          resistor('Rb', 'b', 'drain', 10),
          {
            ...{ kind: 'nmos', name: 'Q1', drain: 'drain', gate: 'a', source: '0' },
            ...{ thresholdVolts: 2, ampsPerVoltSquared: 1, celsius: 25 },
          },
        ],
        { order: ['b', 'a'], innerOhms },
      );
      const feedOf = (rail: string) => (innerOhms > 0 ? `${rail}.feed` : rail);
      expect(currentFrom(found, feedOf('a'))).toBeCloseTo(0.01, 8);
      expect(open(found, feedOf('b'))).toBe(12);
      expect(Object.keys(found.asked ?? {})).toEqual([feedOf('a')]);
    },
  );
});

describe('a circuit put together', () => {
  it('is no circuit without a load, nor with another part in the LDR’s place', () => {
    const assembly = assemble(simpleInput);
    expect(() => new Operation({ ...assembly, ldr: 'D1' })).toThrow('D1 is no resistor');
    expect(() => new Operation({ ...assembly, ldr: 'X9' })).toThrow('X9 is no resistor');
  });

  it('has as its rails what feeds it, and not what a load brings along', () => {
    const pin = { kind: 'logic', supplyVolts: 3.3, pullOhms: 47_000, lowVolts: 0.8, highVolts: 2 } as const;
    const assembly = assemble({ ...simpleInput, loads: [pin] });
    expect(assembly.parts.filter(({ kind }) => kind === 'supply')).toHaveLength(2);
    expect(assembly.rails.map(({ role }) => role)).toEqual(['supply']);
    const two = assemble({
      ...simpleInput,
      loads: [pin],
      loadSupply: { volts: 9, ohms: 0, commonGround: true },
    });
    expect(two.rails.map(({ role }) => role)).toEqual(['supply', 'load-supply']);
  });

  it('has roles for what stands before a base', () => {
    const roles = (baseOhms: number | null) =>
      assemble({ ...simpleInput, baseOhms }).parts.map(({ role, designator }) => `${role} ${designator}`);
    expect(roles(1000)).toContain('base R3');
    expect(roles(null).some((role) => role.startsWith('base'))).toBe(false);
    const { comparator } = defaultDetectors;
    const output = { to: 'transistor', loadRail: 'supply', releaseOhms: 47_000 } as const;
    const released = assemble({ ...simpleInput, baseOhms: 1000, detector: { ...comparator, output } });
    expect(released.parts.find(({ role }) => role === 'release')).toMatchObject({
      ...{ designator: 'R6', ohms: 47_000, a: 'base', b: '0' },
    });
  });
});
