import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import figures from '../../checkFigures.json';
import { DEFAULT_STOCK, valuesIn } from '../../series/stock';
import { capacitorKindOf } from '../../parts/kinds/capacitor';
import { leaksAway, offeredFarads, oneShotSeconds, partsForPulse, pulseRange, pulseTable } from './oneShot';

describe('a one-shot', () => {
  it.each(figures.oneShot)('lasts as long as an independent solver says: %o', ({ ohms, farads, seconds }) => {
    expect(oneShotSeconds(ohms, farads) / seconds).toBeCloseTo(1, 4);
  });

  it('gets parts in stock about as near to its time as any two come, and never ones that leak away', () => {
    const stocked = valuesIn(DEFAULT_STOCK).filter((ohms) => ohms >= 1000 && ohms <= 1e6);
    fc.assert(
      fc.property(fc.double({ min: -3.5, max: 1.7, noNaN: true }), (power) => {
        const seconds = 10 ** power;
        const off = (ohms: number, farads: number) =>
          Math.abs(Math.log(oneShotSeconds(ohms, farads) / seconds));
        const parts = partsForPulse(DEFAULT_STOCK, seconds);
        if (!parts.ok) throw new Error(parts.reason);
        const [best] = parts.found;
        const nearest = Math.min(
          ...offeredFarads.flatMap((farads) =>
            stocked.map((ohms) => (leaksAway(ohms, farads) ? Infinity : off(ohms, farads))),
          ),
        );
        // A smaller capacitor, up to a millionth, is worth 1.5 % of the time.
        expect(off(best!.ohms, best!.farads)).toBeLessThan(Math.max(0.02, nearest) + 0.015 + 1e-9);
        expect(nearest).toBeLessThan(0.09);
        parts.found.forEach(({ ohms, farads }) => expect(leaksAway(ohms, farads)).toBe(false));
      }),
    );
  });

  it('spreads by −20 and +50 % with an electrolytic, little with film, and says what leaks', () => {
    expect(capacitorKindOf(1e-4)).toBe('electrolytic');
    const wide = pulseRange(1e5, 1e-4, 0.05);
    const seconds = oneShotSeconds(1e5, 1e-4);
    expect(wide.min / seconds).toBeCloseTo(0.76, 2);
    expect(wide.max / seconds).toBeCloseTo(1.575, 2);
    expect(pulseRange(1e5, 1e-7, 0.01).max / oneShotSeconds(1e5, 1e-7)).toBeLessThan(1.07);
    expect(leaksAway(1e6, 1e-4)).toBe(true);
    expect(leaksAway(1e5, 1e-4)).toBe(false);
  });

  it('is not made up where no parts reach the time, or none are in stock', () => {
    const long = partsForPulse(DEFAULT_STOCK, 20_000);
    if (long.ok || long.reason !== 'out-of-reach') throw new Error('a pulse of hours');
    // The nearest is told: 1 MΩ with what it still charges, 68 µF.
    expect(long.nearest?.seconds).toBeCloseTo(oneShotSeconds(1e6, 6.8e-5), 9);
    const empty = { ...DEFAULT_STOCK, series: 'own' as const, ownOhms: [] };
    expect(partsForPulse(empty, 1)).toEqual({ ok: false, reason: 'empty-stock' });
  });

  it('lists its time for every other capacitor, rising', () => {
    const rows = pulseTable(100_000);
    expect(rows.length).toBeGreaterThan(8);
    rows.forEach(({ seconds }, index) => expect(seconds).toBeGreaterThan(rows[index - 1]?.seconds ?? 0));
  });
});
