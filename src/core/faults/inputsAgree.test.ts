import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { detectorKinds } from '../detectors/kinds';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { takeTransistor } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { runs } from '../testRuns';
import { FaultyCircuit } from './circuit/faultyCircuit';
import { benchOf } from './testBenches';

/** So far over one another two inputs count as that: past an offset, in V. */
const CLEAR = 0.02;

/** What an IC of a project, wired as it is drawn, would give another level at than its detector says. */
function disagreeing(project: Project): { readonly seen: number; readonly wrong: readonly string[] } {
  const wrong: string[] = [];
  let seen = 0;
  if (!analyse(project).ok) return { seen, wrong };
  const { bench } = benchOf(project, 1);
  const circuit = new FaultyCircuit(bench.wiring, bench.setup);
  const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
  for (const light of bench.lights.keys()) {
    const settled = circuit.settle(made, light);
    const levels = settled && bench.wiring.switching?.states[settled.position];
    if (!levels) continue;
    for (const { part } of bench.wiring.parts) {
      if (!('units' in part) || part.role === 'amplifier') continue;
      for (const { key, plus, minus } of part.units) {
        const over = circuit.volts(settled, plus) - circuit.volts(settled, minus);
        if (levels[key] === undefined || Math.abs(over) < CLEAR) continue;
        seen += 1;
        if (levels[key] !== (over > 0 ? 'high' : 'low'))
          wrong.push(`${project.name}: ${part.designator} in light ${light}, ${over.toFixed(3)} V`);
      }
    }
  }
  return { seen, wrong };
}

describe('an IC as it is wired', () => {
  it.each(detectorKinds.flatMap((detector) => transistorKinds.map((driver) => ({ detector, driver }))))(
    'gives at its output what its inputs say: $detector, $driver',
    ({ detector, driver }) => {
      const project = takeTransistor(defaultTransistor(driver))(sampleNamed('Platform lamps'));
      expect(disagreeing(chooseDetector(detector)(project)).wrong).toEqual([]);
    },
  );

  it('does so in every random project', () => {
    const all = Array.from({ length: runs(3000, 300) }, (_, seed) => disagreeing(someProject(seed)));
    expect(all.reduce((sum, { seen }) => sum + seen, 0)).toBeGreaterThan(all.length / 3);
    expect(all.flatMap(({ wrong }) => wrong)).toEqual([]);
  });
});
