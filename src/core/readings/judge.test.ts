import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { judge } from './judge';
import { lux, measurementOf, readCurve, readingOf } from './testMeasurement';
import type { Measurement } from './reading';

const linear: LdrCurve = { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 };
const lights = [0.5, 2, 8, 30, 120, 500, 2000];
const change = (measurement: Measurement, index: number, factor: number): Measurement => ({
  ...measurement,
  readings: measurement.readings.map((reading, at) =>
    at === index ? { ...reading, ohms: reading.ohms * factor } : reading,
  ),
});
const codes = (measurement: Measurement) => judge(measurement).flags.map(({ code }) => code);

/** Made-up LDRs and sets of lights, the same ones every time. */
function* sets(seed: number, count: number) {
  const normal = normals(seed);
  for (let round = 0; round < count; round++) {
    const curve: LdrCurve = {
      r10Ohms: 12_000 * Math.exp(0.4 * normal()),
      gamma: Math.min(0.95, Math.max(0.5, 0.7 + 0.08 * normal())),
      darkOhms: round % 3 === 0 ? 2e6 * Math.exp(0.5 * normal()) : null,
      brightOhms: round % 4 === 0 ? 80 : 0,
    };
    const n = 5 + (round % 7);
    const spread = Array.from({ length: n }, (_, i) => 0.3 * 10 ** ((4.3 * i) / (n - 1) + 0.05 * normal()));
    yield { curve, measurement: readCurve(curve, spread, () => 0.05 * normal()), n, round };
  }
}

describe('a reading a decade or more off', () => {
  it('is found, with what it is off by, in at least 95 of 100 sets', () => {
    const factors = [0.001, 0.01, 0.1, 10, 100, 1000];
    let found = 0;
    let total = 0;
    for (const { measurement, n, round } of sets(5, runs(900))) {
      const index = (round * 5) % n;
      const factor = factors[round % 6] ?? NaN;
      const flags = judge(change(measurement, index, factor)).flags;
      total += 1;
      const slip = flags.find((flag) => flag.id === `r${index}` && flag.code === 'slip');
      if (slip && 'factor' in slip && Math.abs(slip.factor / factor - 1) < 1e-9) found += 1;
    }
    expect(found / total).toBeGreaterThanOrEqual(total < 900 ? 0.93 : 0.95);
  });

  it('is cured by its own button, in every set in which one was found', () => {
    const count = runs(900);
    let cured = 0;
    let told = 0;
    for (const { measurement, n, round } of sets(9, count)) {
      const spoiled = change(measurement, (round * 3) % n, [0.01, 0.1, 10, 100][round % 4]!);
      for (const flag of judge(spoiled).flags) {
        if (flag.code !== 'slip') continue;
        told += 1;
        const readings = spoiled.readings.map((reading) =>
          reading.id === flag.id ? { ...reading, ohms: flag.fixedOhmsOf } : reading,
        );
        if (!judge({ ...spoiled, readings }).flags.some(({ id }) => id === flag.id)) cured += 1;
      }
    }
    promised('"Make it …" leaves no doubt of that reading', ((100 * cured) / told).toFixed(1), '≥ 99');
    expect(told).toBeGreaterThan(count / 2);
    expect(cured / told).toBeGreaterThanOrEqual(count < 900 ? 0.97 : 0.99);
  });

  it('is never found where there is none: at most 5 of 100 clean sets have any flag', () => {
    let flagged = 0;
    let total = 0;
    for (const { measurement } of sets(6, runs(900))) {
      total += 1;
      if (codes(measurement).length > 0) flagged += 1;
    }
    expect(flagged / total).toBeLessThanOrEqual(0.05);
  });

  it('is called an outlier by chance in few clean sets that scatter four times as much as a hand', () => {
    const normal = normals(21);
    let flagged = 0;
    const total = runs(1600, 40);
    for (let round = 0; round < total; round++) {
      const measurement = readCurve(linear, lights, () => 0.12 * normal());
      if (codes(measurement).includes('outlier')) flagged += 1;
    }
    expect(flagged / total).toBeLessThanOrEqual(0.06);
  });

  it('comes with the fixed figure', () => {
    const measurement = change(
      readCurve(linear, lights, () => 0),
      3,
      1000,
    );
    const [flag] = judge(measurement).flags;
    expect(flag).toMatchObject({ id: 'r3', code: 'slip', factor: 1000 });
    expect(flag && 'fixedOhmsOf' in flag && flag.fixedOhmsOf).toBeCloseTo(ldrOhmsAt(linear, 30), 6);
  });

  it('is found twice in one set', () => {
    const twice = change(
      change(
        readCurve(linear, lights, (i) => 0.02 * (i % 2)),
        1,
        0.001,
      ),
      5,
      10,
    );
    expect(judge(twice).flags).toMatchObject([
      { id: 'r1', code: 'slip', factor: 0.001 },
      { id: 'r5', code: 'slip', factor: 10 },
    ]);
  });
});

describe('other odd readings', () => {
  const noise = (index: number) => [0.02, -0.03, 0.01, 0.03, -0.02, 0.01, -0.02][index] ?? 0;
  const clean = readCurve(linear, lights, noise);

  it('tells a far outlier', () => {
    expect(judge(change(clean, 4, 1.7)).flags).toMatchObject([{ id: 'r4', code: 'outlier' }]);
  });

  it('tells skin in parallel from any other low reading', () => {
    // Another reading in the same dark tells it from a dark floor.
    const dark = readCurve(linear, [0.02, 0.02, ...lights], noise);
    const true0 = ldrOhmsAt(linear, 0.02);
    const withSkin = change(dark, 0, 1 / (1 + true0 / 800_000));
    expect(judge(withSkin).flags).toMatchObject([{ id: 'r0', code: 'skin' }]);
    const [flag] = judge(withSkin).flags;
    expect(flag?.code === 'skin' && flag.parallelOhms / 800_000).toBeGreaterThan(0.7);
    expect(flag?.code === 'skin' && flag.parallelOhms / 800_000).toBeLessThan(1.4);
  });

  it('tells an overrange reading that contradicts the others', () => {
    const bright = readingOf('ol', lux(1000), 2e6, { above: true });
    const flags = judge({ ...clean, readings: [...clean.readings, bright] }).flags;
    expect(flags).toMatchObject([{ id: 'ol', code: 'above-contradicts' }]);
    const dark = readingOf('ol', lux(0.01), 1.2e6, { above: true });
    expect(judge({ ...clean, readings: [...clean.readings, dark] }).flags).toEqual([]);
  });

  it('tells two that stand in the wrong order', () => {
    const swapped = measurementOf([
      readingOf('a', lux(1), 20_000),
      readingOf('b', lux(1.3), 27_000),
      readingOf('c', lux(100), 1500),
    ]);
    const named = judge(swapped).flags.flatMap((flag) =>
      'otherId' in flag ? [flag.id, flag.otherId] : [flag.id],
    );
    expect(named.some((id) => id === 'a' || id === 'b')).toBe(true);
  });

  it('tells which two stand in the wrong order where no curve fits them, whichever was written down first', () => {
    const two = (darkOhms: number, brightOhms: number, brightLux = 50) => [
      readingOf('dark', lux(5), darkOhms),
      readingOf('bright', lux(brightLux), brightOhms),
    ];
    const flagsOf = (...args: Parameters<typeof two>) =>
      [two(...args), two(...args).toReversed()].map((readings) => judge(measurementOf(readings)).flags);
    const wrong = [{ id: 'bright', code: 'out-of-order', otherId: 'dark' }];
    expect(flagsOf(9000, 30_000)).toEqual([wrong, wrong]);
    // Within what two readings by hand differ, at one light, or as they ought to be: nothing.
    expect(flagsOf(9000, 9100)).toEqual([[], []]);
    expect(flagsOf(9000, 30_000, 5.001)).toEqual([[], []]);
    expect(flagsOf(9000, 2000)).toEqual([[], []]);
  });

  it('leaves two neighbours in order alone where a third is out of it', () => {
    const readings = [
      readingOf('a', lux(1), 9000),
      readingOf('b', lux(10), 5000),
      readingOf('c', lux(100), 40_000),
    ];
    const { flags } = judge(measurementOf(readings));
    expect(flags.map(({ id }) => id)).toEqual(['c']);
  });

  it('tells one that was not settled, by twice how far it still went, unless something worse is wrong with it', () => {
    const going = (measurement: Measurement) => ({
      ...measurement,
      readings: measurement.readings.map((reading, index) =>
        index === 4 || index === 1 ? { ...reading, unsettledStd: 0.04 * index } : reading,
      ),
    });
    expect(judge(going(clean)).flags).toEqual([
      { id: 'r1', code: 'unsettled', offShare: 0.08 },
      { id: 'r4', code: 'unsettled', offShare: 0.32 },
    ]);
    expect(judge(going(change(clean, 1, 1000))).flags).toMatchObject([
      { id: 'r1', code: 'slip' },
      { id: 'r4', code: 'unsettled' },
    ]);
  });

  it('takes no low reading for skin in bright light, where a body tells nothing', () => {
    // 800 kΩ in parallel would hardly be seen; what is a third low here is something else.
    const flags = judge(change(clean, 4, 0.6)).flags;
    expect(flags).toMatchObject([{ id: 'r4', code: 'outlier' }]);
    expect(flags[0]?.code === 'outlier' && flags[0].offShare).toBeLessThan(-0.3);
    // In the dark, but by far more than a body lets through, and by less than it can.
    const dark = readCurve(linear, [0.02, 0.02, ...lights], noise);
    const [true0, beside] = [ldrOhmsAt(linear, 0.02), 60_000];
    expect(judge(change(dark, 0, 1 / (1 + true0 / beside))).flags[0]?.code).not.toBe('skin');
    expect(judge(change(dark, 0, 1.8)).flags[0]?.code).not.toBe('skin');
  });

  it('tells coarse digits, and the range that would show more', () => {
    const coarse = readCurve(linear, lights, noise);
    const readings = coarse.readings.map((reading, index) =>
      index === 4 ? { ...reading, rangeOhms: 2e6, ohms: 2000 } : reading,
    );
    expect(judge({ ...coarse, readings, meter: 'manual-2000' }).flags).toMatchObject([
      { id: 'r4', code: 'coarse', betterOhms: 20_000 },
    ]);
    // On the best range that the meter has there is none to change to.
    const steep = readCurve({ ...linear, r10Ohms: 1700 }, [...lights, 90_000], () => 0);
    const low: Measurement = {
      ...steep,
      readings: steep.readings.map((reading, index) =>
        index === 7 ? { ...reading, id: 'low', rangeOhms: 200 } : reading,
      ),
    };
    const of = judge({ ...low, meter: 'manual-2000' }).flags.filter(({ id }) => id === 'low');
    expect(of).toEqual([{ id: 'low', code: 'coarse', betterOhms: null }]);
  });

  it('tells mixed lamps and a slope that no LDR has', () => {
    const lamps = clean.readings.map((reading, index) => ({
      ...reading,
      lamp: index < 3 ? ('daylight' as const) : ('warm-lamp' as const),
    }));
    expect(judge({ ...clean, readings: lamps }).set).toEqual([
      { code: 'mixed-lamps', lamps: ['daylight', 'warm-lamp'] },
    ]);
    for (const [gamma, isPossible] of [
      [1.7, false],
      [1.4, true],
      [0.25, true],
      [0.12, false],
    ] as const) {
      const { set } = judge(readCurve({ ...linear, gamma }, lights, () => 0));
      expect(set, String(gamma)).toMatchObject(isPossible ? [] : [{ code: 'gamma-impossible' }]);
    }
    // One sort of lamp, or one that is not told of some, is no mixture.
    const one = clean.readings.map((reading, index) => ({
      ...reading,
      lamp: index < 3 ? ('daylight' as const) : null,
    }));
    expect(judge({ ...clean, readings: one }).set).toEqual([]);
  });

  it('tells how many readings nothing puts on the others’ scale', () => {
    const named = [1, 2, 3].map((index) =>
      readingOf(`n${index}`, { kind: 'level', level: `l${index}` }, 1000 * index),
    );
    expect(judge({ ...clean, readings: [...clean.readings, ...named] }).set).toEqual([
      { code: 'left-out', count: 3 },
    ]);
    expect(judge(clean).set).toEqual([]);
  });

  it('names both leads that came off, and is not led astray by them', () => {
    const off = [3, 5].map((index) => lights[index]!);
    const leads = off.map((light, index) => readingOf(`ol${index}`, lux(light), 2e7, { above: true }));
    const flags = judge({ ...clean, readings: [...clean.readings, ...leads] }).flags;
    expect(flags).toMatchObject([
      { id: 'ol0', code: 'above-contradicts' },
      { id: 'ol1', code: 'above-contradicts' },
    ]);
  });

  it('lets a reading that is trusted stand', () => {
    const far = change(clean, 4, 1.7);
    const readings = far.readings.map((reading, index) => ({ ...reading, trusted: index === 4 }));
    expect(judge({ ...far, readings }).flags.some(({ id }) => id === 'r4')).toBe(false);
  });

  it('judges no reading that was set aside, and none of a project without light figures', () => {
    const aside = change(clean, 4, 1000).readings.map((reading, index) => ({
      ...reading,
      setAside: index === 4,
    }));
    expect(judge({ ...clean, readings: aside }).flags).toEqual([]);
    const named = clean.readings.map((reading, index) => ({
      ...reading,
      light: { kind: 'level' as const, level: `l${index}` },
    }));
    expect(judge({ ...clean, readings: named }).flags).toEqual([]);
  });
});
