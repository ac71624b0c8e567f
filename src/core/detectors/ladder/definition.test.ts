import { describe, expect, it } from 'vitest';
import { changeGoal } from '../../project/edits';
import { sampleNamed } from '../../project/testSamples';
import { inOrderOfComing, ladder } from './definition';
import { defaultLadder } from './settings';

describe('the steps of a ladder', () => {
  it('are numbered as they come: from the brightest where more are on in the dark', () => {
    const inLight = inOrderOfComing(defaultLadder).map(({ lux, step }) => [step, lux]);
    expect(inLight[0]).toEqual([1, 10]);
    const inDark = inOrderOfComing({ ...defaultLadder, moreIn: 'dark' });
    expect(inDark[0]).toEqual({ lux: 1000, index: 4, step: 1 });
  });

  it('go with the goal, which is the first of them, as far apart as they were', () => {
    for (const moreIn of ['light', 'dark'] as const) {
      const settings = { ...defaultLadder, moreIn };
      const moved = ladder.atGoal(settings, 37.25);
      expect(inOrderOfComing(moved)[0]?.lux).toBe(37.25);
      const times = 37.25 / (inOrderOfComing(settings)[0]?.lux ?? 1);
      moved.stepLux.forEach((lux, index) =>
        expect(lux / (settings.stepLux[index] ?? 1) / times).toBeCloseTo(1, 2),
      );
      expect(ladder.atGoal(moved, 37.25)).toBe(moved);
    }
    const dragged = changeGoal({ lux: 500 })(sampleNamed('Drying rack meter'));
    expect(dragged.detector).toMatchObject({ stepLux: [500, 1250, 3000, 6250, 11_250] });
    const far = Array.from({ length: 60 }, (_, index) => 500 * 1.05 ** (index + 1)).reduce(
      (project, lux) => changeGoal({ lux: Number(lux.toPrecision(3)) })(project),
      dragged,
    );
    const spacing = (project: typeof dragged) =>
      'stepLux' in project.detector ? (project.detector.stepLux[4] ?? 0) / project.goal.lux : NaN;
    expect(spacing(far) / spacing(dragged)).toBeCloseTo(1, 2);
    // The other end of a goal, or its action, leaves them alone.
    expect(changeGoal({ offLux: 3 })(dragged).detector).toBe(dragged.detector);
  });

  it('turned round lie as far on the other side of the first one, and back again', () => {
    const turned = ladder.swapped(defaultLadder);
    if (!turned) throw new Error('a ladder turns round');
    expect(turned.moreIn).toBe('dark');
    // The first stays at 10 lx; what was ten times brighter is ten times darker.
    expect(turned.stepLux.at(-1)).toBe(10);
    expect(turned.stepLux[2]).toBeCloseTo(1, 12);
    const back = ladder.swapped(turned);
    expect(back?.stepLux.map((lux) => Math.round(lux))).toEqual([...defaultLadder.stepLux]);
  });
});
