import { describe, expect, it } from 'vitest';
import { inOrderOfComing, ladder } from './definition';
import { defaultLadder } from './settings';

describe('the steps of a ladder', () => {
  it('are numbered as they come: from the brightest where more are on in the dark', () => {
    const inLight = inOrderOfComing(defaultLadder).map(({ lux, step }) => [step, lux]);
    expect(inLight[0]).toEqual([1, 10]);
    const inDark = inOrderOfComing({ ...defaultLadder, moreIn: 'dark' });
    expect(inDark[0]).toEqual({ lux: 1000, index: 4, step: 1 });
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
