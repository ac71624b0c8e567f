import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { changeDetector } from '../project/detectorEdits';
import { checkProject, type Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { sizingMethodsOf } from '../size/sizingMethods';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { recommendedMethod } from './recommendedMethod';

/** A trimmer at its end, a load that passes half its current twice, a threshold beyond the range: its row once told another light than its design. */
const SAID_OTHERWISE = [257, 714, 2986] as const;
/** A load that gets a picoampere: nothing of it is half. */
const NEXT_TO_NOTHING = 689;

const platform = sampleNamed('Platform lamps');

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

const recommended = (project: Project) =>
  recommendedMethod(project, sizingMethodsOf(project, designOf(project)));

const cannotsOf = (project: Project) =>
  new Set(designOf(project).advice.flatMap(({ code, state }) => (state === 'cannot' ? [code] : [])));

describe('the sizing method that is recommended', () => {
  it('is the threshold where that is fixed, the steepest point where a reference is put, the swing where codes are read', () => {
    expect(recommended(platform)).toBe('own-threshold');
    expect(recommended(chooseDetector('timer')(platform))).toBe('own-threshold');
    expect(recommended(chooseDetector('comparator')(platform))).toBe('equal-at-goal');
    expect(recommended(chooseDetector('controller')(platform))).toBe('geometric-mean');
  });

  it('reckons with a reference that stands elsewhere: the steepest midpoint lies beside the goal then', () => {
    const low = changeDetector('comparator', {
      reference: { topOhms: 33_000, bottomOhms: 10_000, trimmer: null },
    });
    expect(recommended(low(chooseDetector('comparator')(platform)))).toBe('own-threshold');
  });

  it('is not said to be in use while the string or the codes are others than it would find', () => {
    let [inUse, others] = [0, 0];
    for (const seed of [...SAID_OTHERWISE, ...Array.from({ length: runs(3000, 100) }, (_, at) => at + 1)]) {
      const project = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const { half } = designOf(project);
      for (const method of sizingMethodsOf(project, designOf(project))) {
        if (!method.ok || method.trimmer) continue;
        if (!method.isInUse) others += 1;
        else {
          inUse += 1;
          const { switching } = method.figures;
          expect(switching.ok, `seed ${seed} ${method.id}`).toBe(half.ok);
          if (switching.ok && half.ok)
            expect(Math.abs(Math.log(switching.lux / half.lux)), `seed ${seed}`).toBeLessThan(0.005);
        }
      }
    }
    expect(Math.min(inUse, others)).toBeGreaterThan(20);
    const meter = sampleNamed('Drying rack meter');
    const taken = sizingMethodsOf(meter, designOf(meter))[0];
    if (!taken?.ok) throw new Error('no method');
    const own = taken.edit(meter);
    const [after] = sizingMethodsOf(own, designOf(own));
    expect(after?.ok && after.isInUse).toBe(true);
    const even = changeDetector('ladder', { stringOhms: [1000, 1000, 1000, 1000, 1000, 1000] })(own);
    const [off] = sizingMethodsOf(even, designOf(even));
    expect(off?.ok && off.isInUse).toBe(false);
  });

  it('puts the goal where its row says, near the goal, and brings nothing new that cannot work, in any project', () => {
    let [said, right] = [0, 0];
    for (const seed of [NEXT_TO_NOTHING, ...Array.from({ length: runs(3000, 100) }, (_, at) => at + 1)]) {
      const project = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const methods = sizingMethodsOf(project, designOf(project));
      const id = recommendedMethod(project, methods);
      const method = methods.find((one) => one.id === id);
      if (!method?.ok) continue;
      said += 1;
      const taken = method.edit(project);
      expect(checkProject(taken).ok).toBe(true);
      const { half } = designOf(taken);
      const { switching } = method.figures;
      expect(half.ok, `seed ${seed}`).toBe(switching.ok);
      if (half.ok && switching.ok) {
        expect(Math.abs(Math.log(half.lux / switching.lux)), `seed ${seed}`).toBeLessThan(0.005);
        expect(Math.abs(Math.log(half.lux / project.goal.lux)), `seed ${seed}`).toBeLessThan(Math.log(1.21));
      }
      const before = cannotsOf(project);
      expect(
        [...cannotsOf(taken)].filter((code) => !before.has(code)),
        `seed ${seed}`,
      ).toEqual([]);
      right += 1;
    }
    promised(
      'recommended resistors that hit the goal and bring nothing new that cannot work',
      `${right} of ${said}`,
      'all',
    );
    expect(said).toBeGreaterThan(20);
  });
});
