import { analyse } from '../design';
import { changeLoad } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { thermalVolts } from '../circuit/junction';
import { LED_CELSIUS, LED_IDEALITY, LED_SERIES_OHMS, ledSaturationAmps } from '../parts/kinds/led';
import { ledKinds } from './led';
import { RATING_SHARE, RESISTOR_RATINGS_WATTS, resistorRatingFor } from './powerRating';

describe('an own LED', () => {
  it('is said to get too much from what its datasheet says on, and never where that is not said', () => {
    const platform = sampleNamed('Platform lamps');
    const said = (seriesOhms: number, maxAmps: number | null) => {
      const own = {
        led: 'own',
        forwardVolts: 3,
        atAmps: 0.02,
        wantedAmps: 0.03,
        seriesOhms,
        maxAmps,
      } as const;
      const analysis = analyse(changeLoad(own)(platform));
      if (!analysis.ok) throw new Error(analysis.reason);
      const { advice, full } = analysis.design;
      const over = advice.some(({ code }) => code === 'led-over-maximum');
      return { over, amps: full.loadAmps[0] ?? 0 };
    };
    for (const seriesOhms of [56, 68, 82, 100, 120, 150, 180, 220, 330]) {
      const { amps } = said(seriesOhms, null);
      expect(said(seriesOhms, null).over).toBe(false);
      expect(said(seriesOhms, amps * 0.99).over).toBe(true);
      expect(said(seriesOhms, amps * 1.01).over).toBe(false);
    }
  });
});

describe('the LED model', () => {
  it('passes through the point it is given', () => {
    const point = fc.record({
      forwardVolts: fc.double({ min: 1, max: 12, noNaN: true }),
      atAmps: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
    });
    fc.assert(
      fc.property(point, (led) => {
        const junction = led.forwardVolts - led.atAmps * LED_SERIES_OHMS;
        const amps =
          ledSaturationAmps(led) * Math.expm1(junction / (LED_IDEALITY * thermalVolts(LED_CELSIUS)));
        expect(amps / led.atAmps).toBeCloseTo(1, 9);
      }),
    );
  });

  it('knows the usual order of the colours', () => {
    const volts = Object.fromEntries(ledKinds.map((kind) => [kind.id, kind.forwardVolts]));
    expect(volts.infrared).toBeLessThan(volts.red ?? 0);
    expect(volts.red).toBeLessThan(volts.green ?? 0);
    expect(volts.green).toBeLessThan(volts.blue ?? 0);
  });
});

describe('resistor ratings', () => {
  it('leave room to stay cool', () => {
    expect(resistorRatingFor(0.05)).toEqual({ ok: true, watts: 0.125 });
    expect(resistorRatingFor(0.15)).toEqual({ ok: true, watts: 0.25 });
    expect(resistorRatingFor(0.16)).toEqual({ ok: true, watts: 0.5 });
    expect(resistorRatingFor(9)).toEqual({ ok: false, reason: 'above-all-ratings' });
  });

  it('take each rating up to its share and no further', () => {
    for (const watts of RESISTOR_RATINGS_WATTS) {
      expect(resistorRatingFor(watts * RATING_SHARE)).toEqual({ ok: true, watts });
      expect(resistorRatingFor(watts * RATING_SHARE * 1.001)).not.toEqual({ ok: true, watts });
    }
  });
});
