import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyseCircuit } from '../analyse/analyseCircuit';
import { analyse } from '../design';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { OFFERED_OHMS } from '../series/stock';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';

/** So many resistors are tried, one after another. */
const TRIED = 140;
/** A goal this near would have been reached; the ends of what can be reached are told within the other; both as ratios. */
const [NEAR, END] = [1.08, 1.25];

/** The lights at which the design switches with any of many resistors, solved each by itself. */
function lightsOf(project: Project, action: Project['goal']['action']): readonly number[] {
  const { min, max } = OFFERED_OHMS;
  return Array.from({ length: TRIED }, (_, index) => min * (max / min) ** (index / (TRIED - 1))).flatMap(
    (fixedOhms) => {
      const found = analyseCircuit(changeDivider({ fixedOhms, trimmer: null })(project));
      return found.ok && found.analysis.half.ok && found.analysis.action === action
        ? [found.analysis.half.lux]
        : [];
    },
  );
}

describe('a goal that no resistor is said to reach', () => {
  it('is reached by none of many that are tried, and what they reach is what is said', () => {
    let asked = 0;
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(3000, 60); seed++) {
      const project = { ...(seed % 3 === 0 ? unusualProject : someProject)(700_000 + seed), feedbackLux: 0 };
      const analysis = analyse(project);
      const found = analysis.ok
        ? analysis.design.advice.find((advice) => advice.code === 'goal-out-of-reach')
        : undefined;
      if (!analysis.ok || found?.code !== 'goal-out-of-reach') continue;
      asked += 1;
      const { goalLux, reach } = found;
      const lights = lightsOf(project, analysis.design.action);
      const [least, most] = [Math.min(...lights), Math.max(...lights)];
      const isReached = lights.some((lux) => Math.abs(Math.log(lux / goalLux)) < Math.log(NEAR));
      const isBeyond = reach ? least < reach.minLux / END || most > reach.maxLux * END : lights.length > 0;
      if (isReached || isBeyond)
        wrong.push(`${seed}: ${goalLux} of ${JSON.stringify(reach)}, by trying ${least} to ${most}`);
    }
    promised('goals out of reach, by trying resistors', `${asked - wrong.length} of ${asked}`, 'all');
    expect(asked).toBeGreaterThan(0);
    expect(wrong).toEqual([]);
  });
});
