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
      if (!found.ok || found.analysis.action !== action) return [];
      const { half, extremes } = found.analysis;
      // Where it turns off again as its supply gives way is not where it switches.
      const { darkAmps, brightAmps } = extremes.load;
      const isThatWay = action === 'on-in-dark' ? darkAmps > brightAmps : brightAmps > darkAmps;
      return half.ok && isThatWay ? [half.lux] : [];
    },
  );
}

/** What is said that cannot be reached, held against trying; `null` where nothing is said so. */
function wrongReach(project: Project): string | null | undefined {
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const { exactFixed, action, assembly } = analysis.design;
  if (exactFixed.ok || exactFixed.reason !== 'goal-out-of-reach' || assembly.switching?.hears) return null;
  const { reach } = exactFixed;
  const lights = lightsOf(project, action);
  const [least, most] = [Math.min(...lights), Math.max(...lights)];
  const goalLux = project.goal.lux;
  const isNear = lights.some((lux) => Math.abs(Math.log(lux / goalLux)) < Math.log(NEAR));
  const isReached = isNear && least <= goalLux && most >= goalLux;
  const isBeyond = reach ? least < reach.minLux / END || most > reach.maxLux * END : lights.length > 0;
  return isReached || isBeyond
    ? `${goalLux} of ${JSON.stringify(reach)}, by trying ${least} to ${most}`
    : undefined;
}

/** Cells that give way: with a small R1 the divider takes what the load should have, so that more of it turns the load on and off again. */
const GIVES_WAY = [2290, 2296, 2836, 3010, 3619] as const;

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

  it('is so with a supply that gives way, where more of R1 turns it over more than once', () => {
    let asked = 0;
    const wrong: string[] = [];
    for (const seed of [...GIVES_WAY, ...Array.from({ length: runs(1000, 120) }, (_, at) => at + 1)]) {
      const project = (seed % 3 === 0 ? unusualProject : someProject)(seed);
      const says = wrongReach({
        ...{ ...project, feedbackLux: 0, loadSupply: null },
        source: { ...project.source, ohms: [50, 300, 1000][seed % 3] ?? 300 },
        goal: { ...project.goal, lux: [0.2, 50_000, 3][seed % 3] ?? 1 },
      });
      if (says === null) continue;
      asked += 1;
      if (says) wrong.push(`${seed}: ${says}`);
    }
    promised(
      'goals out of reach of a weak supply, by trying resistors',
      `${asked - wrong.length} of ${asked}`,
      'all',
    );
    expect(asked).toBeGreaterThan(3);
    expect(wrong).toEqual([]);
  });
});
