import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { around, findCrossing, firstPassing } from './crossing';

const range = { minLux: 0.1, maxLux: 1e5 };
const anyLux = fc.double({ min: -4, max: 8, noNaN: true }).map((power) => 10 ** power);

describe('where a light is looked for', () => {
  it('is about a light, and within the range, wherever that light is', () => {
    fc.assert(
      fc.property(anyLux, fc.double({ min: 1.01, max: 10, noNaN: true }), (lux, factor) => {
        const { minLux, maxLux } = around(lux, factor, range);
        expect(minLux).toBeGreaterThanOrEqual(range.minLux);
        expect(maxLux).toBeLessThanOrEqual(range.maxLux);
        expect(minLux).toBeLessThan(maxLux);
        if (lux > range.minLux && lux < range.maxLux) {
          expect(minLux).toBe(Math.max(range.minLux, lux / factor));
          expect(maxLux).toBe(Math.min(range.maxLux, lux * factor));
        }
      }),
    );
  });

  it('gives the crossing of what is monotone, wherever it was looked for first, and none outside the range', () => {
    fc.assert(
      fc.property(anyLux, anyLux, (level, near) => {
        const found = findCrossing((lux) => Math.log(lux / level), range, around(near, 2, range));
        if (level > range.minLux && level < range.maxLux)
          expect(found.ok && Math.abs(Math.log(found.lux / level)) < 1e-6).toBe(true);
        else
          expect(found).toEqual({ ok: false, reason: level < range.minLux ? 'stays-above' : 'stays-below' });
      }),
    );
  });

  it('is between the darkest two lights on either side of a level', () => {
    const lux = [1, 2, 4, 8, 16];
    expect(firstPassing(lux, [0, 1, 3, 1, 0], 2)).toEqual({ minLux: 2, maxLux: 4 });
    expect(firstPassing(lux, [3, 3, 3, 1, 3], 2)).toEqual({ minLux: 4, maxLux: 8 });
    // At the level counts as over it.
    expect(firstPassing(lux, [0, 2, 2, 2, 2], 2)).toEqual({ minLux: 1, maxLux: 2 });
    expect(firstPassing(lux, [0, 1, 1, 1, 0], 2)).toBeUndefined();
  });
});
