import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import figures from '../../checkFigures.json';
import { DEFAULT_STOCK, valuesIn } from '../../series/stock';
import { capacitorKindOf } from '../../parts/kinds/capacitor';
import { controlShare, defaultTimer, pulseSeconds, TWO_THIRDS } from '../../parts/kinds/timer';
import { runs } from '../../testRuns';
import { leaksAway, offeredFarads, partsForPulse, pulseRange, pulseTable, timedBy } from './oneShot';

describe('a one-shot', () => {
  it.each(figures.oneShot)('lasts as long as an independent solver says: %o', ({ ohms, farads, seconds }) => {
    expect(pulseSeconds(ohms, farads) / seconds).toBeCloseTo(1, 4);
  });

  it('gets parts in stock about as near to its time as any two come, and never ones that leak away', () => {
    const stocked = valuesIn(DEFAULT_STOCK).filter((ohms) => ohms >= 1000 && ohms <= 1e6);
    fc.assert(
      fc.property(fc.double({ min: -3.5, max: 1.7, noNaN: true }), (power) => {
        const seconds = 10 ** power;
        const off = (ohms: number, farads: number) =>
          Math.abs(Math.log(pulseSeconds(ohms, farads) / seconds));
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
    const exact = { share: TWO_THIRDS, spread: 0 };
    const wide = pulseRange({ ohms: 1e5, farads: 1e-4, ...exact }, 0.05);
    const seconds = pulseSeconds(1e5, 1e-4);
    expect(wide.min / seconds).toBeCloseTo(0.76, 2);
    expect(wide.max / seconds).toBeCloseTo(1.575, 2);
    expect(
      pulseRange({ ohms: 1e5, farads: 1e-7, ...exact }, 0.01).max / pulseSeconds(1e5, 1e-7),
    ).toBeLessThan(1.07);
    // A timer's own inner resistors are in it.
    const { min, max } = pulseRange({ ohms: 1e5, farads: 1e-7, ...timedBy(defaultTimer) }, 0);
    const film = pulseRange({ ohms: 1e5, farads: 1e-7, ...exact }, 0);
    expect([film.min / min, max / film.max].map((each) => each > 1.07 && each < 1.08)).toEqual([true, true]);
    expect(leaksAway(1e6, 1e-4)).toBe(true);
    expect(leaksAway(1e5, 1e-4)).toBe(false);
  });

  it('lasts until its capacitor is at the control pin, whatever is joined to that', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.5, max: 6, noNaN: true }),
        fc.constantFrom('ground' as const, 'supply' as const),
        (power, to) => {
          const share = controlShare(defaultTimer, { ohms: 10 ** power, to });
          // Charged in small steps through 1 MΩ into 1 µF, by the trapezoidal rule, until it is there.
          const step = 1e-3;
          let [volts, seconds] = [0, 0];
          while (volts < share) {
            volts = (volts * (1 - step / 2) + step) / (1 + step / 2);
            seconds += step;
          }
          expect(pulseSeconds(1e6, 1e-6, share)).toBeGreaterThan(seconds - 1.01 * step);
          expect(pulseSeconds(1e6, 1e-6, share)).toBeLessThan(seconds + 0.01 * step);
          expect(to === 'ground' ? share < TWO_THIRDS : share > TWO_THIRDS).toBe(true);
        },
      ),
      { numRuns: runs(2000, 50) },
    );
    // 5 kΩ above and 10 kΩ below: 10 kΩ to 0 V makes ½ of it, 5 kΩ to plus ⅘.
    expect(controlShare(defaultTimer, { ohms: 10_000, to: 'ground' })).toBeCloseTo(1 / 2, 12);
    expect(controlShare(defaultTimer, { ohms: 5000, to: 'supply' })).toBeCloseTo(4 / 5, 12);
  });

  it('is not made up where no parts reach the time, or none are in stock', () => {
    const long = partsForPulse(DEFAULT_STOCK, 20_000);
    if (long.ok || long.reason !== 'out-of-reach') throw new Error('a pulse of hours');
    // The nearest is told: 1 MΩ with what it still charges, 68 µF.
    expect(long.nearest?.seconds).toBeCloseTo(pulseSeconds(1e6, 6.8e-5), 9);
    const empty = { ...DEFAULT_STOCK, series: 'own' as const, ownOhms: [] };
    expect(partsForPulse(empty, 1)).toEqual({ ok: false, reason: 'empty-stock' });
  });

  it('lists its time for every other capacitor, rising', () => {
    const rows = pulseTable(100_000);
    expect(rows.length).toBeGreaterThan(8);
    rows.forEach(({ seconds }, index) => expect(seconds).toBeGreaterThan(rows[index - 1]?.seconds ?? 0));
  });
});
