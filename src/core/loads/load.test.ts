import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  contactRatingAmps,
  contactUses,
  minVolts,
  loadKinds,
  loudnessChange,
  maxVolts,
  nominalAmps,
  ratedVolts,
  defaultLoads,
} from './load';

describe('a load of any kind', () => {
  it('has a usual one whose voltages stand in order', () => {
    for (const kind of loadKinds) {
      const load = defaultLoads[kind];
      expect(load.kind).toBe(kind);
      expect(nominalAmps(load)).toBeGreaterThan(0);
      if (kind === 'led') {
        expect([ratedVolts(load), minVolts(load), maxVolts(load)]).toEqual([null, null, null]);
      } else {
        expect(minVolts(load)).toBeLessThan(ratedVolts(load) ?? 0);
        expect(maxVolts(load)).toBeGreaterThan(ratedVolts(load) ?? Infinity);
      }
    }
  });

  it('takes its nominal current from its own figures', () => {
    expect(nominalAmps({ ...defaultLoads.led, wantedAmps: 0.01, strings: 3, inSeries: 2 })).toBeCloseTo(
      0.03,
      12,
    );
    expect(nominalAmps({ ...defaultLoads.relay, coilVolts: 12, coilOhms: 400 })).toBeCloseTo(0.03, 12);
    expect(nominalAmps({ ...defaultLoads.module, inputAmps: 0.004 })).toBe(0.004);
    expect(nominalAmps({ ...defaultLoads.motor, ratedAmps: 0.2 })).toBe(0.2);
  });
});

describe('contacts', () => {
  it('bear less of lamps and motors than of a plain resistance, and less on the spring’s side', () => {
    const rating = (use: (typeof contactUses)[number], contact: 'no' | 'nc') =>
      contactRatingAmps({ ...defaultLoads.relay, contactAmps: 10, use, contact });
    expect(rating('resistive', 'no')).toBe(10);
    expect(rating('lamp', 'no')).toBe(1);
    expect(rating('motor', 'no')).toBe(2.5);
    for (const use of contactUses) expect(rating(use, 'nc')).toBeLessThan(rating(use, 'no'));
  });
});

describe('loudness', () => {
  it('goes by 6 dB for each doubling, and there and back', () => {
    expect(loudnessChange(10, 5)).toBeCloseTo(6.02, 2);
    const volts = fc.double({ min: 1, max: 30, noNaN: true });
    fc.assert(
      fc.property(volts, volts, (one, other) => {
        expect(loudnessChange(one, other) + loudnessChange(other, one)).toBeCloseTo(0, 9);
      }),
    );
  });
});
