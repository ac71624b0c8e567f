import { describe, expect, it } from 'vitest';
import type { FindingCode } from '../advise/advice';
import { someProject } from '../advise/testProjects';
import { analyse, type Design } from '../design';
import { uniforms } from '../numeric/random';
import { changeLoadSupply } from '../project/edits';
import type { Project } from '../project/project';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { machineOf, type Machine } from './machine';
import { Simulation } from './simulation';

/** From here a load is on, and up to there off, as shares of its full light. */
const [ON, OFF] = [0.75, 0.095];

/** What each load is at, at one end of the range, at the other, and back: its level after it has come to rest. Shape: [3][loads]. */
function throughRange(machine: Machine, { range }: Design): readonly (readonly number[])[] {
  const simulation = new Simulation(machine, range.minLux);
  return [range.minLux, range.maxLux, range.minLux].map((lux) => {
    simulation.run(200, lux);
    simulation.run(4000, lux);
    return [...simulation.loads.keys()].map((index) => simulation.levelOf(index));
  });
}

/** What would have to happen in time for what is said to be false; `null` where it cannot be told so. */
type Refuted = (levels: readonly (readonly number[])[], project: Project) => boolean;

const allOff = (levels: readonly number[]) => levels.every((level) => level < OFF);
const allOn = (levels: readonly number[]) => levels.every((level) => level > ON);

/** It was on at one end, and is off at the other. */
const turnsOff: Refuted = ([, bright, dark]) =>
  bright !== undefined &&
  dark !== undefined &&
  ((allOn(bright) && allOff(dark)) || (allOn(dark) && allOff(bright)));

const REFUTED: Partial<Record<FindingCode, Refuted>> = {
  'lifted-reference': turnsOff,
  'never-releases': turnsOff,
  'stays-lit': turnsOff,
  'relay-never-drops-out': turnsOff,
  'never-switches': turnsOff,
  'direct-dead': (levels) => levels.some((each) => each.some((level) => level > ON)),
  'wrong-action': ([, bright, dark], { goal }) => {
    if (!dark || !bright) return false;
    return goal.action === 'on-in-dark' ? allOn(dark) && allOff(bright) : allOn(bright) && allOff(dark);
  },
};

/** A load on a supply of its own, somewhat above the detector’s, in one of three: a switch may be held on by it. */
function lifted(project: Project, uniform: () => number): Project {
  if (uniform() > 1 / 3) return project;
  const volts = Number((project.divider.supplyVolts * (1 + 0.7 * uniform())).toPrecision(3));
  return changeLoadSupply({ source: project.source, volts, commonGround: true })(project);
}

describe('what is said never to work', () => {
  it('does not, in time, in any project', () => {
    const uniform = uniforms(77);
    const said = new Map<string, number>();
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(6000, 80); seed++) {
      const some = (seed % 3 === 0 ? unusualProject : someProject)(90_000 + seed);
      const project = { ...lifted(some, uniform), feedbackLux: 0 };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const cannot = design.advice.flatMap(({ state, code }) =>
        state === 'cannot' && REFUTED[code] ? [code] : [],
      );
      // A pin is read by its volts, whatever flows in it; several edges or steps have more than two states.
      if (cannot.length === 0 || design.loads.some(({ pin }) => pin)) continue;
      if (design.thresholds && design.thresholds.boundaries.length > 1) continue;
      // What a load makes of current that flows through it backwards, into its supply, is not followed in time.
      if (design.advice.some(({ code }) => code === 'supply-fed-back')) continue;
      const machine = machineOf(project, design);
      if (machine.stage.kind !== 'follows') continue;
      const levels = throughRange(machine, design);
      for (const code of cannot) {
        said.set(code, (said.get(code) ?? 0) + 1);
        if (REFUTED[code]?.(levels, project))
          wrong.push(
            `${seed} ${code}: ${levels.map((each) => each.map((level) => level.toFixed(3)).join('/')).join(', ')}`,
          );
      }
    }
    const count = [...said.values()].reduce((sum, each) => sum + each, 0);
    promised('said never to work, and does not in time', `${count - wrong.length} of ${count}`, 'all');
    expect(said.size).toBeGreaterThan(3);
    expect(wrong).toEqual([]);
  });
});
