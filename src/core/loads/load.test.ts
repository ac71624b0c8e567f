import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contactRatingAmps } from './relay';
import { contactUses } from './contacts';
import { loadKinds } from './kinds';
import { loudnessChange } from './buzzer';
import { defaultLoads } from './registry';
import { LOAD_LIMITS } from './limits';
import { readsAs } from './logic';
import { loadDefinition, type Load } from './registry';

const nominalAmps = (load: Load) => loadDefinition(load).nominalAmps(load);
const voltsOf = (load: Load) => loadDefinition(load).volts(load);

describe('a load of any kind', () => {
  it('has a default one whose voltages are in order', () => {
    for (const kind of loadKinds) {
      const load = defaultLoads[kind];
      expect(load.kind).toBe(kind);
      expect(nominalAmps(load)).toBeGreaterThan(0);
      const volts = voltsOf(load);
      if (!volts) continue;
      expect(volts.min).toBeLessThan(volts.rated);
      expect(volts.max).toBeGreaterThan(volts.rated);
    }
    const unrated = loadKinds.filter((kind) => voltsOf(defaultLoads[kind]) === null);
    expect(unrated).toEqual(['led', 'logic']);
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
  it('are rated less for lamps and motors than for a resistive load, and less on the spring’s side', () => {
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

describe('a logic input', () => {
  const pin = { ...defaultLoads.logic, lowVolts: 0.8, highVolts: 2 };
  it('is read as low up to V_IL, as high from V_IH, and as neither between', () => {
    expect([0, 0.8, 0.81, 1.99, 2, 3.3].map((volts) => readsAs(pin, volts))).toEqual([
      'low',
      'low',
      'undefined',
      'undefined',
      'high',
      'high',
    ]);
  });

  it('runs on 1.5 V at least, with a pull-up of its own', () => {
    expect(LOAD_LIMITS.logicVolts.min).toBe(1.5);
    expect(nominalAmps({ ...pin, supplyVolts: 1.5, pullOhms: 15_000 })).toBeCloseTo(1e-4, 12);
  });
});
