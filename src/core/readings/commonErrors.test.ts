import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { TYPICAL_LDR } from '../ldr/typical';
import { meterOf } from '../meter/meter';
import { at } from '../result';
import {
  commonErrorsOf,
  HAND_SCATTER,
  LAMP_KIND_STD,
  lightStdOf,
  movedLadder,
  type CommonShift,
} from './commonErrors';
import type { Measurement, Reading, ReadingLight } from './reading';
import { resolveLights } from './resolveLights';
import { lux, measurementOf, readingOf, rung } from './testMeasurement';

/** A lamp of 25 lx at 1 m that leaves 0.06 of that when it is off, seen through layers that let 0.4 through; two readings have lux. */
const lightOf = (light: ReadingLight): number => {
  if (light.kind === 'lux') return light.lux;
  if (light.kind === 'lamp') return 25 * (1 / light.metres ** 2 + 0.06) * 0.4 ** light.layers;
  return 25 * 0.06;
};
const lights: readonly ReadingLight[] = [
  rung(0.4),
  rung(0.7),
  rung(1.1),
  rung(1.8),
  rung(0.7, 1),
  rung(0.7, 2),
  { kind: 'lamp-off' },
  lux(30),
  lux(90),
];
const ladderOf = (change: Partial<Measurement> = {}) =>
  measurementOf(
    lights.map((light, index) => readingOf(`r${index}`, light, ldrOhmsAt(TYPICAL_LDR, lightOf(light)))),
    change,
  );
const measurement = ladderOf();
const resolved = resolveLights(measurement);
const used = lights.map((_, index) => index);
const errors = commonErrorsOf(measurement, resolved, used);
const errorOf = (kind: CommonShift['kind'], among = errors) => {
  const found = among.find((error) => error.kind === kind);
  if (!found) throw new Error(`no ${kind}`);
  return found;
};
const lnLights = (of: readonly (number | null)[]) => of.map((light) => Math.log(light ?? NaN));

describe('what moves several readings together', () => {
  it('of a ladder are its unknowns: each moves the lights as it says', () => {
    const { ladder } = resolved;
    if (!ladder) throw new Error('no ladder');
    expect(errors.map(({ kind }) => kind)).toEqual(['lamp-zero', 'background', 'layer', 'anchor']);
    const before = lnLights(resolved.lights);
    for (const kind of ['background', 'layer', 'anchor'] as const) {
      const by = 1e-5;
      const found = errors.map((error) => ({ value: error.kind === kind ? by : 0 }));
      const moved = movedLadder(ladder, errors, found);
      expect(moved.isFar).toBe(false);
      const after = lnLights(resolveLights(measurement, moved.ladder).lights);
      errorOf(kind).shifts.forEach((shift, index) =>
        expect((after[index]! - before[index]!) / by, `${kind} ${index}`).toBeCloseTo(shift, 3),
      );
    }
  });

  it('of a lamp that hangs a little nearer is more at each distance, the more the nearer', () => {
    const { ladder } = resolved;
    if (!ladder) throw new Error('no ladder');
    const by = 1e-6;
    const nearer: Measurement = {
      ...measurement,
      readings: measurement.readings.map((reading) =>
        reading.light.kind === 'lamp'
          ? { ...reading, light: { ...reading.light, metres: reading.light.metres + by } }
          : reading,
      ),
    };
    const [before, after] = [measurement, nearer].map((each) => lnLights(resolveLights(each, ladder).lights));
    const { shifts, std } = errorOf('lamp-zero');
    shifts.forEach((shift, index) => expect((after![index]! - before![index]!) / by).toBeCloseTo(shift, 3));
    // Half of the lamp is two standard deviations.
    expect(std).toBeCloseTo(measurement.lampMetres / 4, 12);
  });

  it('is expected about what is usual, and by little more', () => {
    const { ladder } = resolved;
    if (ladder?.layerShare === null || !ladder) throw new Error('no layers');
    const { mean = NaN } = errorOf('layer');
    expect(ladder.layerShare * Math.exp(mean)).toBeCloseTo(0.5, 12);
    const background = errorOf('background');
    // A small part of the dimmest rung.
    const left = (ladder.background ?? NaN) * Math.exp(background.mean ?? NaN);
    expect(left).toBeGreaterThan(0);
    expect(left).toBeLessThan(0.4 / 1.8 ** 2);
    for (const kind of ['anchor', 'layer', 'background'] as const)
      expect(errorOf(kind).std).toBeGreaterThan(1);
  });

  it('is no background, layer or anchor where there is none of them', () => {
    const kindsOf = (keep: (light: ReadingLight) => boolean) => {
      const readings = measurement.readings.filter(({ light }) => keep(light));
      const few = measurementOf(readings);
      return commonErrorsOf(
        few,
        resolveLights(few),
        readings.map((_, index) => index),
      ).map(({ kind }) => kind);
    };
    expect(kindsOf((light) => light.kind !== 'lux')).toEqual(['lamp-zero', 'background', 'layer']);
    expect(kindsOf((light) => light.kind === 'lamp' && light.layers === 0)).not.toContain('layer');
    expect(kindsOf((light) => light.kind === 'lux')).toEqual([]);
  });

  it('still moves while any of the unknowns does, and goes where they are found', () => {
    const { ladder } = resolved;
    if (!ladder) throw new Error('no ladder');
    for (const kind of ['background', 'layer', 'anchor'] as const)
      for (const [value, isFar] of [
        [0.002, false],
        [-0.002, false],
        [0.004, true],
        [-0.004, true],
      ] as const) {
        const found = errors.map((error) => ({ value: error.kind === kind ? value : 0 }));
        expect(movedLadder(ladder, errors, found).isFar).toBe(isFar);
      }
    // What a ladder has not, nothing moves.
    const bare = { ...ladder, background: null, layerShare: null, lampLux: null };
    expect(movedLadder(bare, [], []).ladder).toEqual(bare);
  });

  it('is one factor for each kind of lamp beside the one that most were read under', () => {
    const under = (lamps: readonly Reading['lamp'][]) => {
      const readings = lamps.map((lamp, index) => readingOf(`r${index}`, lux(10 + index), 9000, { lamp }));
      const few = measurementOf(readings);
      return commonErrorsOf(
        few,
        resolveLights(few),
        readings.map((_, index) => index),
      );
    };
    const mixed = under(['torch', 'daylight', 'daylight', null, 'white-led', 'daylight', 'torch']);
    expect(mixed).toEqual([
      { kind: 'lamp-kind', lamp: 'torch', std: LAMP_KIND_STD, shifts: [1, 0, 0, 0, 0, 0, 1] },
      { kind: 'lamp-kind', lamp: 'white-led', std: LAMP_KIND_STD, shifts: [0, 0, 0, 0, 1, 0, 0] },
    ]);
    expect(under(['torch', 'torch', null])).toEqual([]);
  });

  it('is the offset and the tilt of an LDR that serves as light meter, from its pivot on', () => {
    const lightLdr = { name: 'First', curve: TYPICAL_LDR, pivotLux: 30, pivotStd: 0.1, tiltStd: 0.05 };
    const readings = [lux(5), { kind: 'ldr' as const, ohms: ldrOhmsAt(TYPICAL_LDR, 120) }].map(
      (light, index) => readingOf(`r${index}`, light, 9000),
    );
    const by = (change: Partial<Measurement>, list = readings) => {
      const few = measurementOf(list, change);
      return commonErrorsOf(
        few,
        resolveLights(few),
        list.map((_, index) => index),
      );
    };
    const [offset, tilt] = by({ lightLdr });
    expect(offset).toEqual({ kind: 'ldr-offset', std: 0.1, shifts: [0, 1] });
    expect(tilt).toMatchObject({ kind: 'ldr-tilt', std: 0.05 });
    expect(tilt?.shifts[0]).toBe(0);
    expect(tilt?.shifts[1]).toBeCloseTo(Math.log(4), 9);
    expect(by({ lightLdr }, readings.slice(0, 1))).toEqual([]);
    expect(by({ lightLdr: null }, readings.slice(0, 1))).toEqual([]);
  });

  it('is one gain of each range of the meter with several readings, where that is more than their scatter', () => {
    const ranges = [20_000, 20_000, 2e6, 20_000, 200_000, 200_000];
    const readings = ranges.map((rangeOhms, index) =>
      readingOf(`r${index}`, lux(10 * 2 ** index), rangeOhms * 0.6, { rangeOhms }),
    );
    const few = measurementOf(readings, { meter: 'manual-2000' });
    const gains = commonErrorsOf(
      few,
      resolveLights(few),
      readings.map((_, index) => index),
    );
    const meter = meterOf('manual-2000');
    const shareOf = (fullOhms: number) =>
      at(
        meter.ranges.filter((range) => range.fullOhms === fullOhms),
        0,
      ).accuracyShare;
    const expected = [20_000, 200_000].filter(
      (full) =>
        shareOf(full) / 2 > (0.2 * HAND_SCATTER) / Math.sqrt(ranges.filter((other) => other === full).length),
    );
    expect(gains).toEqual(
      expected.map((rangeOhms) => ({
        kind: 'ohms-gain',
        rangeOhms,
        std: shareOf(rangeOhms) / 2,
        shifts: ranges.map((other) => (other === rangeOhms ? 1 : 0)),
      })),
    );
    expect(gains.length).toBeGreaterThan(0);
  });

  it('is what a light meter may be off by, where it has read any that counts', () => {
    const stdOf = (readings: readonly Reading[], change: Partial<Measurement> = {}) => {
      const few = measurementOf(readings, { lightTolerance: 0.2, ...change });
      return lightStdOf(few, resolveLights(few));
    };
    const [one, two] = [readingOf('a', lux(5), 9000), readingOf('b', lux(50), 2000)];
    expect(stdOf([one, two])).toBeCloseTo(0.1, 12);
    expect(stdOf([one, { ...two, setAside: true }])).toBeCloseTo(0.1, 12);
    expect(stdOf([])).toBe(0);
    expect(stdOf([{ ...one, setAside: true }])).toBe(0);
    const lightLdr = { name: 'First', curve: TYPICAL_LDR, pivotLux: 30, pivotStd: 0.1, tiltStd: 0.05 };
    expect(stdOf([readingOf('l', { kind: 'ldr', ohms: 5000 }, 9000)], { lightLdr })).toBe(0);
  });
});
