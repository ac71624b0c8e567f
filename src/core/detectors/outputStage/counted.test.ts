import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse } from '../../design';
import { capacitorKindOf, capacitorKinds } from '../../parts/kinds/capacitor';
import { countedSeconds, SWING_TOLERANCE } from '../../parts/kinds/counter';
import { changeOutputStage } from '../../project/detectorEdits';
import { takeLoad, takeSource, together } from '../../project/edits';
import { sampleNamed } from '../../project/testSamples';
import { DEFAULT_STOCK } from '../../series/stock';
import { chooseDetector } from '../../size/chooseDetector';
import { defaultLoads } from '../../loads/registry';
import { IDEAL_SOURCE } from '../../loads/supply';
import { COUNTED_LIMITS, countedRange, partsForCount } from './counted';

const lantern = chooseDetector('comparator')(sampleNamed('Hedgehog hut lamp'));

describe('minutes and hours by a counter', () => {
  it('last 2¹³ swings of its oscillator', () => {
    expect(countedSeconds(100_000, 1e-7)).toBeCloseTo(8192 * 2.3 * 0.01, 9);
    const { min, max } = countedRange(100_000, 1e-7, 0.05);
    expect(min).toBeLessThan(countedSeconds(100_000, 1e-7));
    expect(max / min).toBeGreaterThan(1.3);
  });

  it('are found for any time from seconds to hours, within 5.5 % by E24 resistors, of parts that it may have', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 12_000, noNaN: true }), (seconds) => {
        const parts = partsForCount({ ...DEFAULT_STOCK, series: 'E24' }, seconds);
        if (!parts.ok) throw new Error(parts.reason);
        const { ohms, farads } = parts.found;
        expect(Math.abs(countedSeconds(ohms, farads) / seconds - 1)).toBeLessThan(0.055);
        expect(ohms).toBeGreaterThanOrEqual(COUNTED_LIMITS.ohms.min);
        expect(ohms).toBeLessThanOrEqual(COUNTED_LIMITS.ohms.max);
        expect(farads).toBeLessThan(1e-6);
      }),
      { numRuns: 200 },
    );
    const days = partsForCount(DEFAULT_STOCK, 86_000);
    expect(days.ok).toBe(false);
    if (!days.ok && days.reason === 'out-of-reach') expect(days.nearest?.seconds).toBeGreaterThan(10_000);
  });

  it('are of parts that its oscillator works with, the smaller capacitor of two that are as near', () => {
    const own = (...ownOhms: number[]) => ({ ...DEFAULT_STOCK, series: 'own' as const, ownOhms });
    const found = (stock: typeof DEFAULT_STOCK, seconds: number) => {
      const parts = partsForCount(stock, seconds);
      return parts.ok ? { ohms: parts.found.ohms, farads: parts.found.farads } : parts.reason;
    };
    expect(found(own(9_900, 1_010_000), 30)).toBe('empty-stock');
    expect(found(own(10_000, 1_010_000), countedSeconds(10_000, 1e-7))).toEqual({ ohms: 1e4, farads: 1e-7 });
    expect(found(own(10_000, 100_000), countedSeconds(10_000, 1e-7))).toEqual({ ohms: 1e5, farads: 1e-8 });
    // Between two of the drawer the nearer by ratio, below or above what would be exact.
    const at = (ohms: number) => found(own(90_000, 110_000), countedSeconds(ohms, 4.7e-7));
    expect([at(91_000), at(109_000)]).toEqual([
      { ohms: 90_000, farads: 4.7e-7 },
      { ohms: 110_000, farads: 4.7e-7 },
    ]);
    // A fifth off is as far as anything is offered.
    const only = (times: number) => found(own(1_000_000), times * countedSeconds(1e6, 6.8e-7));
    expect([only(1.19), only(1.21)]).toEqual([{ ohms: 1e6, farads: 6.8e-7 }, 'out-of-reach']);
    const { min, max } = countedRange(100_000, 1e-7, 0.05);
    const { low, high } = capacitorKinds[capacitorKindOf(1e-7)];
    const seconds = countedSeconds(100_000, 1e-7);
    expect(min).toBeCloseTo((seconds * 0.95 * (1 + low)) / (1 + SWING_TOLERANCE), 9);
    expect(max).toBeCloseTo(seconds * 1.05 * (1 + high) * (1 + SWING_TOLERANCE), 9);
  });

  it('switch at the same light as without, and end what may be on for moments only', () => {
    const halfOf = (project: typeof lantern) => {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(analysis.reason);
      return analysis.design.half.ok ? analysis.design.half.lux : NaN;
    };
    const counted = changeOutputStage({ kind: 'counted', ohms: 1e5, farads: 1e-9 });
    expect(halfOf(counted(lantern)) / halfOf(lantern)).toBeCloseTo(1, 4);
    const latch = together(
      takeSource(IDEAL_SOURCE, 12),
      takeLoad({ ...defaultLoads.solenoid, maxOnSeconds: 5 }),
      counted,
    )(lantern);
    const analysis = analyse(latch);
    if (!analysis.ok) throw new Error(analysis.reason);
    // 1.9 s of the 5 s that it may.
    expect(analysis.design.advice.map(({ code }) => code)).not.toContain('solenoid-held-on');
  });
});
