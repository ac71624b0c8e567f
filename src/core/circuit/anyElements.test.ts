import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  compileCircuit,
  nodeNumber,
  nodeVolts,
  setAmps,
  setOhms,
  setSupply,
  valuesFor,
  type Circuit,
} from './circuit';
import {
  bipolarCurrents,
  currentFrom,
  currentsFromNodes,
  kirchhoffResidualAmps,
  type Solution,
} from './currents';
import { channelAmps, lampCurrent } from './fieldEffect';
import { GROUND, type Element, type Netlist } from './netlist';
import { AS_METERED } from './newton';
import { ohmsBetween, solveOperatingPoint } from './operatingPoint';
import { runs } from '../testRuns';
import { copyValues, LAMP_FIGURES, CHANNEL_FIGURES } from './values';

const UNKNOWN = ['a', 'b', 'c', 'd', 'e'] as const;
const anyNode = fc.constantFrom<string>(...UNKNOWN, 'plus', 'minus', GROUND);
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const power = (min: number, max: number) => between(min, max).map((exponent) => 10 ** exponent);
const two = fc.tuple(anyNode, anyNode).filter(([one, other]) => one !== other);
const three = fc.tuple(anyNode, anyNode, anyNode).filter((pins) => new Set(pins).size === 3);
const celsius = between(0, 60);

const anyElement: fc.Arbitrary<Element> = fc.oneof(
  fc.record({ pins: two, ohms: power(1, 7) }).map(({ pins: [a, b], ohms }): Element => ({ kind: 'resistor', name: '', a, b, ohms })),
  fc.record({ pins: two, amps: between(-0.01, 0.01) }).map(({ pins: [from, to], amps }): Element => ({ kind: 'current', name: '', from, to, amps })),
  fc.record({ pins: two, saturationAmps: power(-18, -12), ideality: between(1, 2), celsius })
    .map(({ pins: [anode, cathode], ...figures }): Element => ({ kind: 'diode', name: '', anode, cathode, ...figures })),
  fc.record({ kind: fc.constantFrom('npn' as const, 'pnp' as const), pins: three, saturationAmps: power(-15, -12), forwardBeta: between(20, 500), reverseBeta: between(1, 10), celsius })
    .map(({ pins: [collector, base, emitter], ...figures }): Element => ({ name: '', collector, base, emitter, ...figures })),
  fc.record({ kind: fc.constantFrom('nmos' as const, 'pmos' as const), pins: three, thresholdVolts: between(0.8, 4), ampsPerVoltSquared: between(0.01, 2), celsius })
    .map(({ pins: [drain, gate, source], ...figures }): Element => ({ name: '', drain, gate, source, ...figures })),
  fc.record({ pins: two, ratedVolts: between(2, 24), ratedAmps: between(0.02, 1) })
    .map(({ pins: [a, b], ...figures }): Element => ({ kind: 'lamp', name: '', a, b, ...figures })),
); // prettier-ignore

/** Any circuit of every kind of element, each unknown node with a way to ground. */
const anyNetlist: fc.Arbitrary<Netlist> = fc
  .record({
    elements: fc.array(anyElement, { minLength: 3, maxLength: 12 }),
    ground: fc.array(power(2, 6), { minLength: UNKNOWN.length, maxLength: UNKNOWN.length }),
    plus: between(1, 24),
    minus: between(-12, -1),
  })
  .map(({ elements, ground, plus, minus }) => ({
    supplies: [
      { node: 'plus', volts: plus },
      { node: 'minus', volts: minus },
    ],
    elements: [
      ...elements.map((element, index) => ({ ...element, name: `E${index}` })),
      ...UNKNOWN.map((a, index): Element => ({
        ...{ kind: 'resistor', name: `G${a}`, a, b: GROUND },
        ohms: ground[index] ?? 1000,
      })),
    ],
  }));

const THERMAL = (kelvinFrom: number) => (1.380649e-23 * (kelvinFrom + 273.15)) / 1.602176634e-19;

/** What an element takes out of each of its nodes at these voltages, by the formulas of its datasheet and not by the solver's code. */
function takenBy(
  element: Element,
  solution: Solution,
  at: (node: string) => number,
): readonly [string, number][] {
  const { values, circuit } = solution;
  const index = circuit.elementIndex.get(element.name)?.index ?? -1;
  const pair = (a: string, b: string, amps: number): readonly [string, number][] => [
    [a, amps],
    [b, -amps],
  ];
  switch (element.kind) {
    case 'resistor':
      return pair(element.a, element.b, (at(element.a) - at(element.b)) / element.ohms);
    case 'current':
      return pair(element.from, element.to, element.amps);
    case 'lamp': {
      const [hot, rated] = values.lamps.subarray(index * LAMP_FIGURES, (index + 1) * LAMP_FIGURES);
      return pair(element.a, element.b, lampCurrent(hot ?? 0, rated ?? 0, at(element.a) - at(element.b)));
    }
    case 'diode': {
      const across = at(element.anode) - at(element.cathode);
      const emission = element.ideality * THERMAL(element.celsius);
      const saturation = values.diodes[index * 3] ?? 0;
      return pair(
        element.anode,
        element.cathode,
        saturation * Math.expm1(across / emission) + 1e-12 * across,
      );
    }
    case 'npn':
    case 'pnp': {
      const sign = element.kind === 'npn' ? 1 : -1;
      const vt = THERMAL(element.celsius);
      const from = (node: string) => sign * (at(element.base) - at(node));
      const [vbe, vbc] = [from(element.emitter), from(element.collector)];
      const saturation = values.bipolars[index * 5] ?? 0;
      const [forward, reverse] = [Math.expm1(vbe / vt), Math.expm1(vbc / vt)];
      const intoEmitter = (saturation / element.forwardBeta) * forward + 1e-12 * vbe;
      const intoCollector = (saturation / element.reverseBeta) * reverse + 1e-12 * vbc;
      const transport = saturation * (forward - reverse);
      return [
        [element.collector, sign * (transport - intoCollector)],
        [element.base, sign * (intoEmitter + intoCollector)],
        [element.emitter, -sign * (transport + intoEmitter)],
      ];
    }
    case 'nmos':
    case 'pmos': {
      const sign = element.kind === 'nmos' ? 1 : -1;
      const [threshold, k, knee] = values.channels.subarray(index * CHANNEL_FIGURES);
      const half = (end: string) =>
        channelAmps(threshold ?? 0, k ?? 0, knee ?? 0, sign * (at(element.gate) - at(end)));
      const amps = sign * (half(element.source) - half(element.drain));
      return pair(element.drain, element.source, amps + 1e-12 * (at(element.drain) - at(element.source)));
    }
  }
}

function solutionOf(
  circuit: Circuit,
  values = circuit.nominal,
): { solution: Solution; iterations: number } | null {
  const point = solveOperatingPoint(circuit, values);
  return point.ok
    ? { solution: { circuit, values, volts: point.volts }, iterations: point.iterations }
    : null;
}

describe('any circuit of every kind of element', () => {
  it('has what its elements take by their own formulas balanced at every node, and at its supplies what they give', () => {
    let [solved, balanced] = [0, 0];
    const steps: number[] = [];
    fc.assert(
      fc.property(anyNetlist, (netlist) => {
        const circuit = compileCircuit(netlist);
        const found = solutionOf(circuit);
        if (!found) return;
        const { solution, iterations } = found;
        solved += 1;
        const at = (node: string) => nodeVolts(circuit, solution.volts, node);
        expect([at('plus'), at('minus'), at(GROUND)]).toEqual([
          ...netlist.supplies.map(({ volts }) => volts),
          0,
        ]);
        const [sums, sizes] = [new Map<string, number>(), new Map<string, number>()];
        for (const element of netlist.elements)
          for (const [node, amps] of takenBy(element, solution, at)) {
            sums.set(node, (sums.get(node) ?? 0) + amps);
            sizes.set(node, Math.max(sizes.get(node) ?? 0, Math.abs(amps)));
          }
        // Some short a supply by a junction: no part survives it, and nobody asks.
        if (Math.max(...sizes.values()) > 1000) return;
        balanced += 1;
        steps.push(iterations);
        for (const [node, sum] of sums) {
          const isFixed = !UNKNOWN.some((unknown) => unknown === node);
          // A junction far beyond any part's rating is a difference of two huge currents.
          const near = 1e-9 + 1e-6 * (sizes.get(node) ?? 0) + 1e-9 * Math.max(...sizes.values());
          expect(Math.abs(isFixed ? currentFrom(solution, node) - sum : sum), node).toBeLessThan(near);
        }
        expect(kirchhoffResidualAmps(solution)).toBeLessThan(1e-9 + 1e-6 * Math.max(...sizes.values()));
      }),
      { numRuns: 400, seed: 7 },
    );
    expect(solved).toBeGreaterThan(350);
    expect(balanced).toBeGreaterThan(200);
    // Newton's steps are tangents: they are few.
    expect(steps.reduce((sum, each) => sum + each, 0) / steps.length).toBeLessThan(15.5);
  });

  it('tells the current out of every node at once as of each by itself', () => {
    fc.assert(
      fc.property(anyNetlist, (netlist) => {
        const circuit = compileCircuit(netlist);
        const found = solutionOf(circuit);
        if (!found) return;
        // Away from the solution nothing is balanced: every element must be counted at each of its ends.
        const volts = found.solution.volts.map((each, node) =>
          node < circuit.unknowns ? each + 0.01 * (node + 1) : each,
        );
        const off = { ...found.solution, volts };
        const all = new Float64Array(volts.length).fill(1);
        currentsFromNodes(off, all);
        for (const [name, node] of circuit.nodeIndex) {
          const own = currentFrom(off, name);
          expect(Math.abs((all[node] ?? 0) - own)).toBeLessThan(1e-12 + 1e-9 * Math.abs(own));
        }
        const largest = all.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
        expect(Math.abs(all.reduce((sum, each) => sum + each, 0))).toBeLessThan(1e-9 + 1e-9 * largest);
      }),
      { numRuns: 150, seed: 8 },
    );
  });

  it('has each transistor as warm as what it takes from its three nodes', () => {
    let warm = 0;
    fc.assert(
      fc.property(anyNetlist, (netlist) => {
        const circuit = compileCircuit(netlist);
        const found = solutionOf(circuit);
        if (!found) return;
        const at = (node: string) => nodeVolts(circuit, found.solution.volts, node);
        for (const element of netlist.elements) {
          if (element.kind !== 'npn' && element.kind !== 'pnp') continue;
          const taken = takenBy(element, found.solution, at);
          const largest = Math.max(...taken.map(([node, amps]) => Math.abs(at(node) * amps)));
          if (largest > 1000) continue;
          const { watts } = bipolarCurrents(found.solution, element.name);
          const given = taken.reduce((sum, [node, amps]) => sum + at(node) * amps, 0);
          expect(Math.abs(watts - given)).toBeLessThan(1e-9 + 1e-6 * largest);
          if (watts > 1e-6) warm += 1;
        }
      }),
      { numRuns: 120, seed: 9 },
    );
    expect(warm).toBeGreaterThan(30);
  });

  it('has between two nodes the resistance that a small current finds there', () => {
    let told = 0;
    fc.assert(
      fc.property(anyNetlist, fc.constantFrom<string>(...UNKNOWN), anyNode, (netlist, from, to) => {
        if (from === to) return;
        const probe: Element = { kind: 'current', name: 'probe', from: to, to: from, amps: 0 };
        const circuit = compileCircuit({ ...netlist, elements: [...netlist.elements, probe] });
        const found = solutionOf(circuit)?.solution;
        if (!found || kirchhoffResidualAmps(found) > 1e-10) return;
        const between = (volts: Float64Array) =>
          nodeVolts(circuit, volts, from) - nodeVolts(circuit, volts, to);
        const pair = [from, to].map((node) => nodeNumber(circuit, node));
        const ohms = ohmsBetween(circuit, found.values, found.volts, pair)?.[0] ?? NaN;
        // So little that nothing bends: a thousandth of what a junction needs.
        const amps = 2e-5 / Math.abs(ohms);
        const values = copyValues(found.values);
        setAmps(circuit, values, 'probe', amps);
        const moved = solveOperatingPoint(circuit, values, found.volts);
        if (!moved.ok || ohms < 0.1) return;
        told += 1;
        const there = (between(moved.volts) - between(found.volts)) / amps;
        expect(Math.abs(there / ohms - 1), `${there} Ω, ${ohms} Ω`).toBeLessThan(0.01);
      }),
      { numRuns: 300, seed: 9 },
    );
    expect(told).toBeGreaterThan(150);
  });

  it('is found as near as a meter shows in fewer steps, and no farther off than it shows', () => {
    const steps = { exact: 0, metered: 0 };
    fc.assert(
      fc.property(anyNetlist, (netlist) => {
        const circuit = compileCircuit(netlist);
        const exact = solveOperatingPoint(circuit);
        const metered = solveOperatingPoint(circuit, circuit.nominal, undefined, AS_METERED);
        if (!exact.ok || !metered.ok) return;
        // Where a junction shorts a supply, neither is a figure that anybody asks for.
        const { volts } = exact;
        if (Math.abs(currentFrom({ circuit, values: circuit.nominal, volts }, 'plus')) > 100) return;
        steps.exact += exact.iterations;
        steps.metered += metered.iterations;
        metered.volts.forEach((volts, node) =>
          expect(Math.abs(volts - (exact.volts[node] ?? NaN))).toBeLessThan(1e-4),
        );
      }),
      { numRuns: 300, seed: 10 },
    );
    expect(steps.metered).toBeLessThan(0.95 * steps.exact);
    expect(steps.metered).toBeGreaterThan(1000);
  });

  it('is as near to the voltages themselves as it says, from wherever it was looked for', () => {
    let told = 0;
    const numRuns = runs(20_000, 50);
    fc.assert(
      fc.property(anyNetlist, power(1, 6), power(-9, 0), (netlist, ohms, off) => {
        const circuit = compileCircuit(netlist);
        const values = copyValues(circuit.nominal);
        setOhms(circuit, values, 'Ga', ohms);
        const near = solveOperatingPoint(circuit);
        if (!near.ok) return;
        const beside = near.volts.map((volts, node) => volts + (node % 2 === 0 ? off : -off));
        for (const start of [undefined, near.volts, beside]) {
          const found = solveOperatingPoint(circuit, values, start);
          if (!found.ok) continue;
          // Where a junction shorts a supply, no figure is asked for.
          const most = Math.max(
            ...['plus', 'minus'].map((node) =>
              Math.abs(currentFrom({ circuit, values, volts: found.volts }, node)),
            ),
          );
          if (most > 100) continue;
          // Steps from there until they move nothing at all.
          const further = { lastVolts: 1e-12, weakVolts: 1e-13 };
          const last = solveOperatingPoint(circuit, values, found.volts, further);
          if (!last.ok) throw new Error(last.reason);
          found.volts.forEach((volts, node) => {
            const apart = Math.abs(volts - (last.volts[node] ?? NaN));
            expect(apart).toBeLessThan(1e-10 + 1e-12 * Math.abs(volts));
          });
          told++;
        }
      }),
      { numRuns, seed: 13 },
    );
    expect(told).toBeGreaterThan(2 * numRuns);
  });

  it('takes other values for one solve as if it had been compiled with them', () => {
    fc.assert(
      fc.property(anyNetlist, power(1, 6), between(0.5, 20), (netlist, ohms, volts) => {
        const circuit = compileCircuit(netlist);
        const values = copyValues(valuesFor(circuit, netlist));
        setOhms(circuit, values, 'Ga', ohms);
        setSupply(circuit, values, 'plus', volts);
        const source = netlist.elements.find(({ kind }) => kind === 'current');
        if (source) setAmps(circuit, values, source.name, 0.002);
        const changed: Netlist = {
          supplies: netlist.supplies.map((each) => (each.node === 'plus' ? { ...each, volts } : each)),
          elements: netlist.elements.map((element) =>
            element.name === 'Ga' && element.kind === 'resistor'
              ? { ...element, ohms }
              : element === source && element.kind === 'current'
                ? { ...element, amps: 0.002 }
                : element,
          ),
        };
        expect(valuesFor(circuit, changed)).toEqual(values);
        const [one, other] = [solutionOf(circuit, values), solutionOf(compileCircuit(changed))];
        expect(one?.solution.volts ?? null).toEqual(other?.solution.volts ?? null);
      }),
      { numRuns: 60, seed: 9 },
    );
  });
});
