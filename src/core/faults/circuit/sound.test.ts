import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { detectorOf } from '../../detectors/registry';
import { DesignCircuit } from '../../analyse/designCircuit';
import { analyse } from '../../design';
import { promised, runs } from '../../testRuns';
import { unusualProject } from '../../testUnusual';
import { benchOf } from '../testBenches';
import { FaultyCircuit } from './faultyCircuit';

/** What leads take of a supply, and what a detector’s amplifier makes of its own bias current, is no other circuit. */
const isAlike = (here: number, there: number) => Math.abs(here - there) < 0.05 + 0.05 * Math.abs(there);

interface Compared {
  readonly seen: number;
  readonly off: readonly string[];
  readonly lights: number;
  readonly otherStates: number;
}

/** What the test bench says otherwise of a sound circuit than its analysis does, where a meter can tell. */
function compared(seed: number): Compared {
  const project = someProject(seed);
  const off: string[] = [];
  let [seen, lights, otherStates] = [0, 0, 0];
  if (!analyse(project).ok) return { seen, off, lights, otherStates };
  const { bench, design } = benchOf(project, 1);
  const live = DesignCircuit.of(project, design.ldr);
  const circuit = new FaultyCircuit(bench.wiring, bench.setup);
  const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
  for (const [light, { name, lux, holds }] of bench.lights.entries()) {
    const settled = holds ? null : circuit.settle(made, light);
    const other = settled && live.settle(settled.position, lux);
    if (!settled || !other) continue;
    lights += 1;
    if (other.position !== settled.position) {
      otherStates += 1;
      continue;
    }
    for (const net of bench.setup.nets) {
      const loaded = circuit.settle(made, light, net, settled);
      const volts = circuit.volts(settled, net);
      if (net === 'amplified' || !loaded || !isAlike(circuit.volts(loaded, net), volts)) continue;
      seen += 1;
      const told = other.readout.volts(net);
      if (!isAlike(volts, told)) off.push(`${seed} ${name} ${net}: ${volts} V, ${told} V`);
    }
  }
  return { seen, off, lights, otherStates };
}

describe('a sound circuit on the test bench', () => {
  it('of a detector that hears changes is fired all the time just where that is said', () => {
    let [count, agreed, fired] = [0, 0, 0];
    for (let seed = 0; seed < runs(6000, 25); seed++) {
      const project = unusualProject(seed);
      const analysis = detectorOf(project.detector, 'change') ? analyse(project) : null;
      const { advice = [] } = analysis?.ok ? analysis.design : {};
      // An amplifier on a supply that it is not made for is another matter.
      if (!analysis?.ok || advice.some(({ code }) => code === 'comparator-supply')) continue;
      const { bench } = benchOf(project, 1);
      const circuit = new FaultyCircuit(bench.wiring, bench.setup);
      const settled = circuit.settle(circuit.made(bench.draws[0] ?? new Float64Array(0)), 0);
      const { hears } = bench.wiring.switching ?? {};
      if (!settled || !hears) continue;
      const isFired = settled.position === hears.fired;
      const isSaid = advice.some((one) => one.code === 'rest-fires' && one.isAlways);
      count += 1;
      if (isFired) fired += 1;
      if (isFired === isSaid) agreed += 1;
    }
    promised(
      'change detectors fired in steady light, just where that is said',
      `${agreed} of ${count}`,
      'all',
    );
    expect(fired).toBeGreaterThan(0);
    expect(agreed).toBeGreaterThanOrEqual(0.98 * count);
  });

  it('has the voltages that its analysis has: supplies, their limits, every state', () => {
    const all = Array.from({ length: runs(3000, 300) }, (_, at) => compared(60_000 + at));
    const sum = (of: (one: Compared) => number) => all.reduce((total, one) => total + of(one), 0);
    const seen = sum((one) => one.seen);
    const off = all.flatMap((one) => one.off);
    promised('voltages of sound circuits as analysed', `${seen - off.length} of ${seen}`, '99.9 %');
    expect(seen).toBeGreaterThan(80);
    expect(off.length / seen, off.slice(0, 20).join('\n')).toBeLessThan(0.001);
    // One whose supply falls when its load comes on may stand in neither.
    expect(sum((one) => one.otherStates) / sum((one) => one.lights)).toBeLessThan(0.005);
  });
});
