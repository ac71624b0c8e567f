import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceFor, parseDistance, planLadder, relativeLightAt } from './ladder';

describe('a ladder of distances', () => {
  it('halves the light with every rung, to the 5 mm that a hand can set', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 12 }),
        (near, stops) => {
          const { metres } = planLadder(near, stops, 0.005);
          expect(metres).toHaveLength(stops + 1);
          metres.slice(1).forEach((distance, index) => {
            const ratio = relativeLightAt(metres[index] ?? NaN) / relativeLightAt(distance);
            expect(Math.abs(ratio / 2 - 1)).toBeLessThan(0.11);
          });
        },
      ),
    );
  });

  it('is found back from its light, to those 5 mm', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.03, max: 10, noNaN: true }), (metres) => {
        expect(Math.abs(distanceFor(relativeLightAt(metres)) - metres)).toBeLessThanOrEqual(0.002501);
      }),
    );
    expect(distanceFor(1e6)).toBe(0.02);
  });

  it('says when the first rung is too near for the lamp', () => {
    expect(planLadder(0.3, 4, 0.06).tooNear).toBe(true);
    expect(planLadder(0.6, 4, 0.06).tooNear).toBe(false);
  });
});

describe('parseDistance', () => {
  it('takes centimetres without a unit, and any with one', () => {
    for (const text of ['50', '50 cm', '0.5m', '0,5 m', '500mm'])
      expect(parseDistance(text)).toEqual({ ok: true, metres: 0.5 });
  });

  it('refuses what is none', () => {
    expect(parseDistance(' ')).toEqual({ ok: false, reason: 'empty' });
    expect(parseDistance('near')).toEqual({ ok: false, reason: 'not-a-distance' });
    expect(parseDistance('-5')).toEqual({ ok: false, reason: 'not-a-distance' });
    expect(parseDistance('0')).toEqual({ ok: false, reason: 'too-near' });
    expect(parseDistance('500 m')).toEqual({ ok: false, reason: 'too-far' });
  });
});
