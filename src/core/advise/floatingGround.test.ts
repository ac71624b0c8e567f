import { describe, expect, it } from 'vitest';
import { DesignCircuit } from '../analyse/designCircuit';
import { analyse } from '../design';
import { changeLoadSupply } from '../project/edits';
import type { Project } from '../project/project';
import { promised, runs } from '../testRuns';
import { someProject } from './testProjects';

/** What flows from the load's own supply where the loads are on, in A; whether grounds are said to be apart. */
function onIn(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const { ldr, assembly, range, advice } = analysis.design;
  const on = DesignCircuit.of(project, ldr, {}, assembly).solveOn(range);
  const isSaid = advice.some(({ code }) => code === 'floating-ground');
  return on && { amps: Math.abs(on.supplyAmps(1)), isSaid };
}

describe('two supplies whose grounds are apart', () => {
  it('are said to be just where that takes the current from the loads', () => {
    let [asked, said, idle] = [0, 0, 0];
    for (let seed = 1; seed <= runs(3000, 80); seed++) {
      const base = someProject(seed);
      const { source } = base;
      const apart = changeLoadSupply({ volts: base.loadSupply?.volts ?? 12, source, commonGround: false })(
        base,
      );
      const found = onIn(apart);
      const joined = onIn(changeLoadSupply({ ...apart.loadSupply!, commonGround: true })(apart));
      if (!found || !joined) continue;
      asked += 1;
      if (found.isSaid) said += 1;
      expect([seed, joined.isSaid]).toEqual([seed, false]);
      // What is fed from elsewhere gets nothing from there with the grounds joined, too.
      if (!found.isSaid) expect([seed, joined.amps < 1e-8]).toEqual([seed, true]);
      else if (joined.amps < 1e-6) idle += 1;
    }
    promised(
      'grounds said to be apart where that matters',
      `${said - idle} of ${said}; unsaid ${asked - said}`,
      '≥ 95 %',
    );
    // A few have another fault besides that keeps them off.
    expect(idle / said).toBeLessThan(0.05);
    expect(said).toBeGreaterThan(asked / 4);
  });
});
