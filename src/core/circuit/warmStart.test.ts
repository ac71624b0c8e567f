import { describe, expect, it } from 'vitest';
import { WarmStart } from './warmStart';

const volts = (...each: number[]) => Float64Array.of(...each);

describe('where the next solution is looked for', () => {
  it('is nowhere before the first, and at the first before the second', () => {
    const warm = new WarmStart();
    expect(warm.startAt(1)).toBeUndefined();
    const first = volts(1, 2);
    warm.keep(0, first);
    expect(warm.startAt(5)).toBe(first);
  });

  it('lies in line with the last two, before, between and beyond them', () => {
    const warm = new WarmStart();
    warm.keep(0, volts(1, 10));
    warm.keep(2, volts(2, 8));
    for (const [at, one, other] of [
      [3, 2.5, 7],
      [1, 1.5, 9],
      [0, 1, 10],
      [-1, 0.5, 11],
    ] as const)
      expect([...warm.startAt(at)!]).toEqual([one, other]);
  });

  it('lies in line with the nearest two, whichever came last, where the third is far', () => {
    const warm = new WarmStart();
    for (const [at, one] of [
      [4, 40],
      [0, 0],
      [1, 1],
      [5, 60],
    ] as const)
      warm.keep(at, volts(one));
    expect([...warm.startAt(0.5)!]).toEqual([0.5]);
    expect([...warm.startAt(4.5)!]).toEqual([50]);
    expect([...warm.startAt(-1)!]).toEqual([-1]);
  });

  it('lies on the parabola through the nearest three where they stand near each other', () => {
    const curve = (at: number) => 3 - 2 * at + 5 * at * at;
    const warm = new WarmStart();
    // One farther off, which is not on it.
    warm.keep(0.5, volts(100, 1));
    for (const at of [0, 0.1, 0.05]) warm.keep(at, volts(curve(at), 7));
    for (const at of [-0.05, 0.02, 0.1, 0.12, 0.15]) {
      const [one, other] = warm.startAt(at)!;
      expect(one).toBeCloseTo(curve(at), 12);
      expect(other).toBeCloseTo(7, 12);
    }
  });

  it('is in line with the nearest two where the third is far, or stands so close to another that their last digits would count', () => {
    for (const third of [0.45, 0.1 + 1e-9]) {
      const warm = new WarmStart();
      warm.keep(third, volts(50));
      warm.keep(0, volts(1));
      warm.keep(0.1, volts(2));
      expect(warm.startAt(0.04)![0]).toBeCloseTo(1.4, 9);
    }
  });

  it('is the nearest one itself where the line would lead far away, or there is none', () => {
    const warm = new WarmStart();
    const first = volts(1);
    warm.keep(0, first);
    const again = volts(3);
    warm.keep(0, again);
    expect(warm.startAt(2)).toBe(again);
    const last = volts(2);
    warm.keep(1, last);
    expect(warm.startAt(3.5)).toBe(last);
    expect(warm.startAt(-2.5)).toBe(again);
  });

  it('forgets what is long past', () => {
    const warm = new WarmStart();
    for (let at = 0; at <= 20; at++) warm.keep(at, volts(at * at));
    // The oldest two that are left.
    expect(warm.startAt(0)).toEqual(volts(13 * 13));
    expect(warm.latest).toEqual(volts(400));
  });

  it('leaves the solutions that it was given alone', () => {
    const warm = new WarmStart();
    const [first, second] = [volts(1), volts(2)];
    warm.keep(0, first);
    warm.keep(1, second);
    warm.startAt(2)![0] = 99;
    expect([first[0], second[0]]).toEqual([1, 2]);
    expect(warm.startAt(2)![0]).toBe(3);
  });
});
