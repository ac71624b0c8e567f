import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyseCircuit } from '../analyse/analyseCircuit';
import { analyse } from '../design';
import { IDEAL_SOURCE } from '../loads/supply';
import { changeDivider, takeSource } from '../project/edits';
import type { Project } from '../project/project';
import { OFFERED_OHMS } from '../series/stock';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';

function sizeOf(project: Project) {
  const analysis = analyse(project);
  return analysis.ok ? analysis.design : null;
}

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

  it('ends just where the least or the most resistor switches, or the axis does, on a supply that stays as it is', () => {
    let [asked, told] = [0, 0];
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(2000, 25); seed++) {
      const some = someProject(900_000 + seed);
      const project = takeSource(
        IDEAL_SOURCE,
        some.divider.supplyVolts,
      )({
        ...some,
        feedbackLux: 0,
        goal: { ...some.goal, lux: seed % 2 ? 0.1 : 100_000, offLux: null },
      });
      const { exactFixed, range } = sizeOf(project) ?? {};
      if (!exactFixed || exactFixed.ok || exactFixed.reason !== 'goal-out-of-reach' || !range) continue;
      asked += 1;
      const { reach } = exactFixed;
      if (!reach) continue;
      told += 1;
      const ends = [OFFERED_OHMS.min, OFFERED_OHMS.max].flatMap((fixedOhms) => {
        const found = analyseCircuit(changeDivider({ fixedOhms, trimmer: null })(project));
        return found.ok && found.analysis.half.ok ? [found.analysis.half.lux] : [];
      });
      const isEnd = (lux: number) =>
        [range.minLux, range.maxLux, ...ends].some((end) => Math.abs(Math.log(lux / end)) < 1e-4);
      if (!isEnd(reach.minLux) || !isEnd(reach.maxLux) || reach.maxLux < reach.minLux * 1.001)
        wrong.push(`${seed}: ${JSON.stringify(reach)} of ${ends.join(' to ')}`);
    }
    promised('ends of what resistors reach, exact', `${told - wrong.length} of ${told}`, 'all');
    expect(told).toBeGreaterThan(5);
    expect(asked).toBeGreaterThanOrEqual(told);
    expect(wrong).toEqual([]);
  });
});
