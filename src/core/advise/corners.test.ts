import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { analyseCircuit } from '../analyse/analyseCircuit';
import { DesignCircuit } from '../analyse/designCircuit';
import type { Conditions } from '../operate/operation';
import type { Project } from '../project/project';
import { judge } from '../readings/judge';
import { sizeDesign } from '../size/sized';
import { promised, runs } from '../testRuns';
import type { CornerPlace } from './advice';
import { adviseOn } from './advise';
import { atCorner, cornersOf } from './corners';
import { curesOf, editTo } from './remedies';
import { someProject } from './testProjects';

/** What cannot work under other conditions, solved by itself from the beginning. */
function cannotsUnder(project: Project, conditions: Partial<Conditions>): readonly string[] {
  const sized = sizeDesign(project, conditions);
  if (!sized.ok) throw new Error(sized.reason);
  const codes = adviseOn(project, { ...sized.design, judgement: judge(project) })
    .filter(({ state }) => state === 'cannot')
    .map(({ code }) => code);
  // Solved by itself it is told of R1, whose light is out of reach there; that it never switches is so all the same.
  return sized.design.half.ok ? codes : [...codes, 'never-switches'];
}

/** The same at a share of the way to an end. @param beyond 1 at the end itself, 0 for the last that works */
function cannotsAt(project: Project, place: CornerPlace, isAtEnd: boolean): readonly string[] {
  switch (place.corner) {
    case 'flat':
    case 'fresh': {
      const side = place.feeds === 'load' ? 'load' : 'sensor';
      const { volts } =
        side === 'load' && project.loadSupply ? project.loadSupply : { volts: project.divider.supplyVolts };
      const source = side === 'load' && project.loadSupply ? project.loadSupply.source : project.source;
      const share = place.corner === 'flat' ? source.lowShare : source.highShare;
      const ends = place.endsVolts * (place.volts > 0 ? (volts * share) / place.volts : 1);
      const way = isAtEnd ? 1 : (ends / volts - 1) / (share - 1);
      return cannotsUnder(atCorner(project, place.corner, side, way), {});
    }
    case 'cold':
    case 'hot':
      return cannotsUnder(project, { celsius: isAtEnd ? place.celsius : place.endsCelsius });
    case 'weak':
    case 'strong':
      return cannotsUnder(project, isAtEnd ? { grade: place.corner === 'weak' ? 'min' : 'max' } : {});
  }
}

/** Random projects, each after the first buttons of what cannot work: many work then, and may fail at an end. */
function* someDesigns(count: number): Generator<Project> {
  for (let seed = 1; seed <= count; seed++) {
    const project = someProject(seed);
    const cure = curesOf(project)[0]?.remedies[0];
    yield cure ? editTo(cure)(project) : project;
  }
}

describe('the ends of what a design may meet', () => {
  it('are said where a solution of their own fails, and not where the job is said to go on', () => {
    const [seen, kinds] = [{ said: 0, agree: 0 }, new Set<string>()];
    for (const project of someDesigns(runs(2000, 100)))
      for (const said of cornersOf(project)) {
        if (said.code !== 'at-corner') continue;
        seen.said += 1;
        kinds.add(said.corner);
        expect(cannotsAt(project, said, true)).toContain(said.inner.code);
        expect(cannotsAt(project, said, false)).not.toContain(said.inner.code);
        seen.agree += 1;
      }
    promised('ends that agree with a solution of their own', `${seen.agree} of ${seen.said}`, 'all');
    expect(seen.said).toBeGreaterThan(3);
    expect(kinds.size).toBeGreaterThan(2);
  });

  it('are judged by the part and the warmth that they say, and by no other', () => {
    let [strong, warm] = [0, 0];
    for (let seed = 1; seed <= runs(2000, 40); seed++) {
      const project = someProject(seed);
      const solved = (conditions: Partial<Conditions>) => {
        const { ok, ...rest } = analyseCircuit(project, conditions);
        return ok && 'analysis' in rest ? rest.analysis : null;
      };
      for (const given of [{ grade: 'max' }, { grade: 'min' }, { celsius: 50 }, { celsius: 0 }] as const) {
        const there = solved(given);
        if (!there?.assembly.driver) continue;
        const conditions: Partial<Conditions> = { grade: 'min', ...given };
        const { ldr, range, full, drive } = there;
        const on = DesignCircuit.of(project, ldr, conditions).solveOn(range);
        const what = [seed, JSON.stringify(given)] as const;
        expect([...what, drive.guaranteedAmps]).toEqual([...what, Math.min(on!.loadAmps(), full.amps)]);
        expect([...what, drive.baseAmps]).toEqual([...what, on!.driver().baseAmps]);
        if ('celsius' in given) warm += 1;
        const { part } = project.driver;
        // A threshold is 3 mV lower for each degree.
        if ('maxThresholdVolts' in part) {
          const own = conditions.grade === 'max' ? part.minThresholdVolts : part.maxThresholdVolts;
          expect(drive.maxThresholdVolts).toBeCloseTo(own - 0.003 * ((conditions.celsius ?? 25) - 25), 9);
        }
        if (!('maxBeta' in part) || !('grade' in given)) continue;
        strong += 1;
        expect(drive.minBeta).toBe(given.grade === 'max' ? part.maxBeta : part.minBeta);
      }
    }
    expect(strong).toBeGreaterThan(20);
    expect(warm).toBeGreaterThan(20);
  });

  it('warm a transistor and weaken it in the circuit itself', () => {
    const project = someProject(3);
    const at = (conditions: Partial<Conditions>) => {
      const solved = analyseCircuit(project, conditions);
      return solved.ok && solved.analysis.half.ok ? solved.analysis.half.lux : NaN;
    };
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(at({})).toBe(analysis.design.half.ok ? analysis.design.half.lux : NaN);
    const lights: readonly number[] = [at({}), at({ celsius: 0 }), at({ celsius: 50 }), at({ grade: 'min' })];
    expect(new Set(lights).size).toBe(4);
  });
});
