import fc from 'fast-check';
import type { SeriesName } from './series';
import { describe, expect, it } from 'vitest';
import {
  atOrAbove,
  nearestIn,
  stepIn,
  toleranceOf,
  DEFAULT_STOCK,
  valuesIn,
  type ResistorStock,
} from './stock';

const own = (...ownOhms: number[]): ResistorStock => ({ ...DEFAULT_STOCK, series: 'own', ownOhms });
const found = (drawer: ResistorStock, ohms: number) => {
  const nearest = nearestIn(drawer, ohms);
  if (!nearest.ok) throw new Error(nearest.reason);
  return nearest.found;
};

describe('a drawer of resistors', () => {
  it('holds a series from 10 Ω to 10 MΩ, or what its owner says', () => {
    expect(valuesIn({ ...DEFAULT_STOCK, series: 'E6' })).toHaveLength(37);
    expect(valuesIn({ ...DEFAULT_STOCK, series: 'E96' })).toHaveLength(577);
    expect(valuesIn(own(4700, 1000, 4700))).toEqual([1000, 4700]);
    expect(toleranceOf(DEFAULT_STOCK)).toBe(0.1);
    expect(toleranceOf(own(1))).toBe(0.05);
  });

  it('offers the values on either side, one where it fits, and says when it is empty', () => {
    expect(found(DEFAULT_STOCK, 15_600).map(({ ohms }) => ohms)).toEqual([15_000, 18_000]);
    expect(found(DEFAULT_STOCK, 15_000).map(({ ohms }) => ohms)).toEqual([15_000]);
    expect(found(own(1000, 2200), 9000).map(({ ohms }) => ohms)).toEqual([2200]);
    expect(nearestIn(own(), 1000)).toEqual({ ok: false, reason: 'empty-stock' });
  });

  it('puts two together where that comes nearer', () => {
    const pairs = found({ ...own(1000, 4700, 10_000), pairs: true }, 5700);
    expect(pairs).toContainEqual({ ohms: 5700, how: 'series', parts: [4700, 1000] });
    const halves = found({ ...own(10_000), pairs: true }, 5000);
    expect(halves).toContainEqual({ ohms: 5000, how: 'parallel', parts: [10_000, 10_000] });
  });

  it('never offers a pair that is no nearer than a single one, and pairs are what they say', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 5e6, noNaN: true }), (ohms) => {
        const all = found({ ...DEFAULT_STOCK, pairs: true }, ohms);
        const off = (value: number) => Math.abs(Math.log(value / ohms));
        const single = Math.min(...all.filter(({ how }) => how === 'single').map((entry) => off(entry.ohms)));
        for (const { how, parts, ohms: value } of all) {
          const [first = 0, second = 0] = parts;
          if (how === 'single') continue;
          expect(off(value)).toBeLessThan(single);
          const real = how === 'series' ? first + second : (first * second) / (first + second);
          expect(value / real).toBeCloseTo(1, 9);
        }
      }),
    );
  });
});

describe('a decade box', () => {
  const values = valuesIn(DEFAULT_STOCK);
  it('steps along its values, from between two to the next, and stops at the ends', () => {
    expect(stepIn(values, 10_000, 1)).toBe(12_000);
    expect(stepIn(values, 10_000, -1)).toBe(8200);
    expect(stepIn(values, 11_000, 1)).toBe(12_000);
    expect(stepIn(values, 11_000, -1)).toBe(10_000);
    expect(stepIn(values, 1e7, 3)).toBe(1e7);
    expect(stepIn(values, 10, -3)).toBe(10);
    expect(stepIn(values, 5e7, -1)).toBe(1e7);
  });

  it('comes back where it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...values.slice(13, -13)),
        fc.integer({ min: 1, max: 12 }),
        (ohms, steps) => {
          expect(stepIn(values, stepIn(values, ohms, steps), -steps)).toBe(ohms);
        },
      ),
    );
  });
});

describe('a resistor that keeps a current down', () => {
  it('is never under the exact value, and nothing in stock lies between', () => {
    const anyOhms = fc.double({ min: 1, max: 6.9, noNaN: true }).map((power) => 10 ** power);
    fc.assert(
      fc.property(anyOhms, fc.constantFrom<SeriesName>('E6', 'E12', 'E24', 'E96'), (ohms, series) => {
        const drawer = { ...DEFAULT_STOCK, series };
        const real = atOrAbove(drawer, ohms)?.ohms ?? NaN;
        expect(real).toBeGreaterThanOrEqual(ohms * (1 - 1e-9));
        expect(valuesIn(drawer).some((value) => value >= ohms && value < real)).toBe(false);
      }),
    );
  });

  it('is none where the stock has none as large, and may be a pair', () => {
    const own = { ...DEFAULT_STOCK, series: 'own', ownOhms: [100, 220], pairs: false } as const;
    expect(atOrAbove(own, 230)).toBeNull();
    expect(atOrAbove({ ...own, ownOhms: [] }, 230)).toBeNull();
    expect(atOrAbove({ ...own, pairs: true }, 310)).toMatchObject({ ohms: 320, how: 'series' });
  });
});
