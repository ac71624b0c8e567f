import { describe, expect, it } from 'vitest';
import { analyse } from '../../design';
import { ldrOhmsAt } from '../../ldr/curve';
import { defaultTransistor } from '../../drivers/registry';
import { detectorKinds } from '../../detectors/kinds';
import { transistorKinds } from '../../drivers/kinds';
import { takeTransistor } from '../../project/edits';
import { sampleNamed } from '../../project/testSamples';
import { chooseDetector } from '../../size/chooseDetector';
import { promised, runs } from '../../testRuns';
import { drawnOf } from '../../spread/drawn';
import type { Factor } from '../../spread/factors';
import type { Draw } from '../draws';
import type { Wiring } from './wiring';
import { keyOf } from '../fault';
import { faultsOf } from '../list';
import { probesOf } from '../predict';
import { rowOf } from '../row';
import { benchOf } from '../testBenches';
import { withFault } from './apply';
import { FaultyCircuit, luxAt } from './faultyCircuit';
import { Ohmmeter } from './ohmmeter';
import { pinsOf } from '../../parts/registry';

const percent = (share: number) => `${(100 * share).toFixed(2)} %`;

/** A circuit whose resistors are those of a build. */
function builtBy(wiring: Wiring, factors: readonly Factor[], draw: Draw): Wiring {
  const times = new Map(
    factors.flatMap((factor, at): [string, number][] =>
      factor.of === 'resistor'
        ? factor.elements.map((name) => [name, 1 + factor.tolerance * (draw[at] ?? 0)])
        : [],
    ),
  );
  return {
    ...wiring,
    parts: wiring.parts.map(({ elements, ...one }) => ({
      ...one,
      elements: elements.map((each) =>
        each.kind === 'resistor' ? { ...each, ohms: each.ohms * (times.get(each.name) ?? 1) } : each,
      ),
    })),
  };
}

const isWhole = runs(200) === 200;

/** Every way of switching with every switch; a few of them, and of their faults, with `npm test`. */
const benches = detectorKinds.flatMap((detector, row) =>
  transistorKinds.flatMap((driver, column) => {
    if (!isWhole && (row + column) % 8 !== 1) return [];
    const project = chooseDetector(detector)(
      takeTransistor(defaultTransistor(driver))(sampleNamed('Platform lamps')),
    );
    return analyse(project).ok ? [{ name: `${detector} ${driver}`, ...benchOf(project) }] : [];
  }),
);

describe('what is predicted of a fault', () => {
  it('is what each build shows when it is solved with the voltmeter at it', () => {
    let [alike, all] = [0, 0];
    for (const { bench } of benches) {
      const probes = probesOf(bench, []).filter((probe) => probe.kind === 'volts');
      for (const [index, listed] of faultsOf(bench.assembly, null).entries()) {
        if (listed.fault.kind === 'unlisted' || (!isWhole && index % 12 !== 0)) continue;
        const row = rowOf(bench, listed, probes);
        const circuit = new FaultyCircuit(withFault(bench.wiring, listed.fault), bench.setup);
        for (const [at, draw] of bench.draws.entries()) {
          if (at % 5 !== 1) continue;
          const made = circuit.made(draw);
          probes.forEach((probe, one) => {
            const free = circuit.settle(made, probe.light);
            const settled = free && circuit.settle(made, probe.light, probe.net, free);
            if (!settled) return;
            all += 1;
            const volts = circuit.volts(settled, probe.net);
            const told = row[one]?.[at] ?? NaN;
            if (Math.abs(told - volts) < 0.05 + 0.02 * Math.abs(volts)) alike += 1;
          });
        }
      }
    }
    promised(
      'voltages of faulty builds as solved with the meter',
      `${((100 * alike) / all).toFixed(2)} %`,
      '99.5 %',
    );
    expect(all).toBeGreaterThan(1000);
    expect(alike / all).toBeGreaterThan(0.995);
  });

  it('is the same whatever was asked of the circuit before', () => {
    let asked = 0;
    for (const { bench } of benches) {
      const fresh = (listed: (typeof faults)[number]) =>
        new FaultyCircuit(withFault(bench.wiring, listed.fault), bench.setup, bench.standing);
      const faults = faultsOf(bench.assembly, null).filter(({ fault }) => fault.kind !== 'unlisted');
      for (const listed of faults) {
        const used = fresh(listed);
        // Others first, in every light and with the meter at one net after another.
        for (const draw of bench.draws.slice(1, 4))
          bench.lights.forEach((_, light) => {
            const one = used.settle(used.made(draw), light);
            used.settle(used.made(draw), light, bench.setup.nets[light] ?? null, one);
          });
        const [last = new Float64Array(0)] = bench.draws.slice(-1);
        bench.lights.forEach((_, light) => {
          const alone = fresh(listed);
          const [one, other] = [used, alone].map((circuit) => circuit.settle(circuit.made(last), light));
          expect(one?.position).toBe(other?.position);
          one?.solution.volts.forEach((volts, node) => {
            expect(volts, keyOf(listed.fault)).toBe(other?.solution.volts[node]);
          });
          asked += 1;
        });
      }
    }
    expect(asked).toBeGreaterThan(200);
  });

  it.each([
    ['a transistor', sampleNamed('Platform lamps')],
    ['a window', chooseDetector('window')(sampleNamed('Platform lamps'))],
    ['what hears changes', chooseDetector('change')(sampleNamed('Platform lamps'))],
  ])('has of a resistance what an ohmmeter finds in each build: %s', (_, project) => {
    const { bench } = benchOf(project);
    const probes = probesOf(bench, []).filter((probe) => probe.kind === 'ohms');
    const asked = faultsOf(bench.assembly, null).filter(({ fault }) =>
      /exchanged.*LDR1|shaded|stray|"open","designator":"R1"/.test(JSON.stringify(fault)),
    );
    expect(asked.length).toBeGreaterThan(3);
    let [count, farthest] = [0, 0];
    for (const listed of asked) {
      const wiring = withFault(bench.wiring, listed.fault);
      const row = rowOf(bench, listed, probes);
      probes.forEach((probe, one) => {
        const part = bench.assembly.parts.find(({ designator }) => designator === probe.designator);
        const [a, b] = part ? pinsOf(part).map(({ net }) => net) : [];
        if (!part || !a || !b) return;
        for (const [at, draw] of bench.draws.entries()) {
          const ldrOhms = ldrOhmsAt(
            drawnOf(bench.setup.factors, draw, bench.setup.curve).curve,
            luxAt(wiring, bench.setup, draw, probe.light),
          );
          const ohms =
            new Ohmmeter(builtBy(wiring, bench.setup.factors, draw), [a, b]).between(
              [[a, b]],
              ldrOhms,
            )?.[0] ?? NaN;
          const told = Math.exp(row[one]?.[at] ?? NaN);
          if (told > 1e9 || ohms < 0.1) continue;
          expect(Math.abs(told / ohms - 1), `${keyOf(listed.fault)} ${probe.designator}`).toBeLessThan(0.01);
          farthest = Math.max(farthest, Math.abs(told / ohms - 1));
          count += 1;
        }
      });
    }
    expect(count).toBeGreaterThan(100);
    promised(
      'resistances as found with each build’s own resistors',
      `within ${percent(farthest)}`,
      'within 1 %',
    );
  });
});
