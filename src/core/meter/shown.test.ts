import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bestRange,
  meterOf,
  rangeOf,
  resolutionOhms,
  shippedMeters,
  uncertaintyOhms,
  type Meter,
} from './meter';
import { betterRange, formatShown, isCoarse, parseShown, rangeFormat } from './shown';

const manual = meterOf('manual-2000');
const on = (fullOhms: number, meter: Meter = manual) => {
  const range = rangeOf(meter, fullOhms);
  if (!range) throw new Error(`no range ${fullOhms}`);
  return range;
};
const read = (text: string, fullOhms: number) => parseShown(text, manual, on(fullOhms), { min: 1, max: 1e9 });

describe('a figure on a range', () => {
  it('is in the unit of the range', () => {
    expect(read('12.34', 20_000)).toEqual({ ok: true, ohms: 12_340, above: false, rangeOhms: 20_000 });
    expect(read('0,456', 2e6)).toMatchObject({ ohms: 456_000 });
    expect(read('.456', 2e6)).toMatchObject({ ohms: 456_000 });
    expect(read('123.4', 200)).toMatchObject({ ohms: 123.4 });
    expect(rangeFormat(manual, on(2000))).toEqual({ exponent: 3, decimals: 3 });
    expect(rangeFormat(manual, on(2e7))).toEqual({ exponent: 6, decimals: 2 });
  });

  it('may say its own prefix', () => {
    expect(read('12k3', 20_000)).toMatchObject({ ohms: 12_300 });
    expect(read('470R', 2000)).toMatchObject({ ohms: 470, rangeOhms: 2000 });
  });

  it('is over the range as OL or a lone 1, which says “above this range”', () => {
    for (const text of ['OL', 'o.l', '0L', '0.L', '0l', '1', '1.']) {
      expect(read(text, 20_000)).toEqual({ ok: true, ohms: 20_000, above: true, rangeOhms: 20_000 });
    }
    expect(read('1.000', 20_000)).toMatchObject({ ohms: 1000, above: false });
    expect(read('>2M', 20_000)).toMatchObject({ ohms: 2e6, above: true });
    expect(read('>20', 20_000)).toMatchObject({ ohms: 20_000, above: true });
    expect(read('> 1,5', 2e6)).toMatchObject({ ohms: 1.5e6, above: true });
  });

  it('cannot be more than the range shows: the range that could is named', () => {
    expect(read('15.6', 2000)).toEqual({
      ok: false,
      reason: 'beyond-range',
      fullOhms: 2000,
      ohms: 15_600,
      betterOhms: 20_000,
      plainOhms: 15.6,
    });
    // 4700 was meant in Ω: the display of this range has no room for it.
    expect(read('4700', 20_000)).toMatchObject({ ohms: 4.7e6, betterOhms: 2e7, plainOhms: 4700 });
    expect(read('82k', 20_000)).toMatchObject({ ohms: 82_000, betterOhms: 200_000, plainOhms: null });
    expect(read('250', 200)).toMatchObject({ betterOhms: 2000, plainOhms: null });
    expect(read('1.999', 2000).ok).toBe(true);
    expect(read('2.000', 2000)).toMatchObject({ reason: 'beyond-range', betterOhms: 20_000 });
    expect(read('30', 2e7)).toMatchObject({ reason: 'beyond-range', betterOhms: null });
    // In Ω it would be too much for the range as well, or under what is taken.
    expect(read('470000', 20_000)).toMatchObject({ reason: 'beyond-range', plainOhms: null });
    expect(read('19995', 20_000)).toMatchObject({ plainOhms: null });
    expect(read('19994', 20_000)).toMatchObject({ plainOhms: 19_994 });
    const high = (text: string) => parseShown(text, manual, on(20_000), { min: 4700, max: 1e9 });
    expect(high('4700')).toMatchObject({ plainOhms: 4700 });
    expect(high('4699')).toMatchObject({ reason: 'beyond-range', plainOhms: null });
    expect(parseShown('20', manual, on(20_000), {})).toMatchObject({ plainOhms: 20 });
  });

  it('is what the range writes for it, whichever the meter: parse ∘ format is the identity', () => {
    const anyCount = fc.constantFrom(...shippedMeters).chain((meter) =>
      fc.record({
        meter: fc.constant(meter),
        range: fc.constantFrom(...meter.ranges),
        count: fc.integer({ min: 1, max: meter.counts - 1 }),
      }),
    );
    fc.assert(
      fc.property(anyCount, ({ meter, range, count }) => {
        const ohms = count * resolutionOhms(meter, range);
        const shown = parseShown(formatShown(meter, range, ohms), meter, range, {});
        if (!shown.ok) throw new Error(`${shown.reason} ${formatShown(meter, range, ohms)}`);
        expect(shown.ohms / ohms).toBeCloseTo(1, 9);
        expect(shown.above).toBe(false);
      }),
    );
    expect(formatShown(manual, on(2000), 2500)).toBe('OL');
  });
});

describe('a meter that finds its range, or that nobody knows', () => {
  it('takes figures with their prefix, and OL above its top', () => {
    const auto = meterOf('auto-6000');
    expect(parseShown('4k7', auto, null, {})).toEqual({
      ok: true,
      ohms: 4700,
      above: false,
      rangeOhms: 6000,
    });
    expect(parseShown('OL', auto, null, {})).toEqual({ ok: true, ohms: 6e7, above: true, rangeOhms: 6e7 });
    expect(parseShown('1', auto, null, {})).toMatchObject({ ohms: 1, above: false });
    expect(parseShown('4k7', null, null, {})).toEqual({
      ok: true,
      ohms: 4700,
      above: false,
      rangeOhms: null,
    });
    expect(parseShown('OL', null, null, {})).toEqual({ ok: false, reason: 'over-range' });
  });

  it('refuses what is no figure', () => {
    expect(parseShown('>', null, null, {})).toEqual({ ok: false, reason: 'empty' });
    expect(parseShown('>x', null, null, {})).toEqual({ ok: false, reason: 'not-a-number' });
    expect(parseShown('>2G', null, null, { min: 1, max: 1e9 })).toMatchObject({ reason: 'above-max' });
  });
});

describe('a range', () => {
  it('is named when it would show more, and not when it is the best', () => {
    expect(betterRange(manual, on(2e6), 12_000)?.fullOhms).toBe(20_000);
    expect(betterRange(manual, on(20_000), 12_000)).toBeNull();
    expect(isCoarse(manual, on(2e6), 12_000)).toBe(true);
    expect(isCoarse(manual, on(20_000), 12_000)).toBe(false);
  });

  it('is never worse than a higher one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedMeters),
        fc.double({ min: 1, max: 1e7, noNaN: true }),
        (meter, ohms) => {
          const best = bestRange(meter, ohms);
          if (!best) return;
          for (const range of meter.ranges.filter(({ fullOhms }) => fullOhms > best.fullOhms)) {
            expect(uncertaintyOhms(meter, range, ohms)).toBeGreaterThan(uncertaintyOhms(meter, best, ohms));
          }
        },
      ),
    );
  });
});
