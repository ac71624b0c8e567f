import fc from 'fast-check';
import { settingsIn } from '../testSettings';
import { describe, expect, it } from 'vitest';
import { changeDetector } from '../project/detectorEdits';
import { changeGoal, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { valuesIn } from '../series/stock';
import { analyse } from '../design';
import { chooseDetector } from './chooseDetector';
import { stringFor } from '../detectors/string';
import { benchOf } from '../analyse/bench';
import { detectorOf } from '../detectors/registry';
import { changeSteps } from './changeSteps';
import { sizeDetector } from './resize';

const [platform] = sampleProjects;
const stock = { ...platform.resistors, series: 'E24' as const, pairs: false };
const ladder: Project = { ...chooseDetector('ladder')(platform), resistors: stock };
const windowed: Project = { ...chooseDetector('window')(platform), resistors: stock };
const stringOf = (project: Project, lights: readonly number[]) =>
  stringFor(detectorOf(project.detector, 'ladder')!.part, benchOf(project), lights);
const boundariesOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design.thresholds!.boundaries;
};

describe('a string for wanted lights', () => {
  it('puts every step of a ladder at its light, as near as it says, solved in the whole circuit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1.5, max: 3, noNaN: true }), { minLength: 2, maxLength: 5 }),
        fc.double({ min: 8, max: 40, noNaN: true }),
        (ratios, first) => {
          const lights = ratios.map((_, index) =>
            ratios.slice(0, index).reduce((lux, ratio) => lux * ratio, first),
          );
          const project = changeSteps(lights)(ladder);
          const search = stringOf(project, lights);
          if (!search.ok) throw new Error(search.reason);
          const found = boundariesOf(sizeDetector(project)).map(({ rising }) =>
            rising.ok ? rising.lux : NaN,
          );
          found.forEach((lux, index) => {
            const error = Math.abs(Math.log(lux / lights[index]!));
            // The search takes the bare divider; bias and the supply's own resistance add little to it.
            expect(error).toBeLessThan(search.choice.error + 0.03);
          });
          expect(search.choice.error).toBeLessThan(0.15);
        },
      ),
      { numRuns: 25, seed: 5 },
    );
  });

  it('is made of values that are in stock', () => {
    const search = stringOf(ladder, [20, 60, 200]);
    if (!search.ok) throw new Error(search.reason);
    const values = valuesIn(stock);
    for (const ohms of search.choice.ohms) expect(values).toContain(ohms);
  });

  it('takes the lights in any order', () => {
    expect(stringOf(ladder, [200, 20, 60])).toEqual(stringOf(ladder, [20, 60, 200]));
  });

  it('is at least as near with pairs', () => {
    const single = stringOf(ladder, [20, 60, 200]);
    const paired = stringOf({ ...ladder, resistors: { ...stock, pairs: true } }, [20, 60, 200]);
    if (!single.ok || !paired.ok) throw new Error('none');
    expect(paired.choice.error).toBeLessThanOrEqual(single.choice.error);
  });

  it('says so where two steps want one light, or nothing is in stock', () => {
    expect(stringOf(ladder, [50, 50])).toEqual({ ok: false, reason: 'out-of-reach' });
    const empty: Project = { ...ladder, resistors: { ...stock, series: 'own', ownOhms: [] } };
    expect(stringOf(empty, [20, 60])).toEqual({ ok: false, reason: 'empty-stock' });
  });
});

describe('a window’s string', () => {
  it('has the load on between the goal’s two lights, and off on either side', () => {
    const project = together(changeGoal({ lux: 40, offLux: 160 }), sizeDetector)(windowed);
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    const { turnOn, turnOff } = analysis.design.thresholds!;
    if (!turnOn.ok || !turnOff.ok) throw new Error('not passed');
    expect(Math.abs(Math.log(turnOn.lux / 40))).toBeLessThan(0.15);
    expect(Math.abs(Math.log(turnOff.lux / 160))).toBeLessThan(0.15);
  });

  it('is four times as wide as it begins where nobody has said, and writes that down', () => {
    const project = together(changeGoal({ lux: 40, offLux: null }), sizeDetector)(windowed);
    expect(project.goal.offLux).toBe(160);
  });

  it('stays as it was where there is none, and where something else decides', () => {
    const empty: Project = { ...windowed, resistors: { ...stock, series: 'own', ownOhms: [] } };
    expect(settingsIn(sizeDetector(empty), 'window').topOhms).toBe(settingsIn(empty, 'window').topOhms);
    expect(sizeDetector(platform)).toBe(platform);
  });
});

describe('steps of a ladder', () => {
  const stepsOf = (project: Project) => settingsIn(project, 'ladder');

  it('are kept rising, and the goal is the first to come', () => {
    const up = changeSteps([300, 20, 90])(changeDetector('ladder', { moreIn: 'light' })(ladder));
    expect([stepsOf(up).stepLux, up.goal.lux]).toEqual([[20, 90, 300], 20]);
    const down = changeSteps([300, 20, 90])(changeDetector('ladder', { moreIn: 'dark' })(ladder));
    expect(down.goal.lux).toBe(300);
  });

  it('have a string of one resistor more, whatever there was before', () => {
    for (const steps of [
      [10, 20],
      [1, 2, 3, 4, 5, 6, 7, 8],
    ])
      expect(stepsOf(changeSteps(steps)(ladder)).stringOhms.length).toBe(steps.length + 1);
    const same = changeSteps([1, 2, 3, 4, 5])(ladder);
    expect(stepsOf(same).stringOhms).toBe(stepsOf(ladder).stringOhms);
  });
});
