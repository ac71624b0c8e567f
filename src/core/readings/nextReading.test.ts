import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { luxBand } from '../ldr/model';
import { measuredLdr } from './ldrOf';
import { nextReading as whatNext } from './nextReading';
import type { Measurement } from './reading';
import { repeatsOf } from './repeats';
import { lux, measurementOf, readCurve, readingOf } from './testMeasurement';

const nextReading = (measurement: Measurement, goalLux: number) => {
  const next = whatNext(measurement, goalLux);
  return next?.says === 'read' ? next : null;
};
const curve: LdrCurve = { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 };

describe('the next reading', () => {
  it('lies near the goal, or beyond it, when the readings lie far off', () => {
    const noise = normals(8);
    const bright = readCurve(curve, [300, 500, 900, 1500], () => 0.04 * noise());
    const next = nextReading(bright, 2);
    expect(next?.lux).toBeLessThan(5);
    expect(next?.thenRatio).toBeLessThan(next?.nowRatio ?? 0);
  });

  it('tells the range that the switching light has now', () => {
    const noise = normals(9);
    const measurement = readCurve(curve, [2, 30, 200, 900], () => 0.05 * noise());
    const { high } = luxBand(measuredLdr(measurement).model, 12);
    expect(nextReading(measurement, 12)?.nowRatio).toBeCloseTo(high / 12, 6);
  });

  it('does what it promises, within what chance allows: taking it narrows the range', () => {
    const noise = normals(10);
    let narrower = 0;
    for (let round = 0; round < 100; round++) {
      const measurement = readCurve(curve, [40, 150, 600, 2400], () => 0.05 * noise());
      const next = nextReading(measurement, 3);
      if (!next) continue;
      const taken = readingOf('next', lux(next.lux), ldrOhmsAt(curve, next.lux) * Math.exp(0.05 * noise()));
      const { model } = measuredLdr({ ...measurement, readings: [...measurement.readings, taken] });
      if (luxBand(model, 3).high / 3 < next.nowRatio) narrower += 1;
    }
    expect(narrower).toBeGreaterThan(85);
  });

  it('is worth something for an LDR that nobody has read, and for one read often it is not', () => {
    expect(nextReading(measurementOf([]), 20)?.lux).toBeGreaterThan(5);
    const noise = normals(11);
    const many = readCurve(
      curve,
      Array.from({ length: 200 }, (_, i) => 1.02 ** (i * 2)),
      () => 0.03 * noise(),
    );
    expect(nextReading(many, 60)).toBeNull();
  });

  it('never promises a wider range, whatever the readings', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 1e4, noNaN: true }), { minLength: 2, maxLength: 9 }),
        fc.double({ min: 0.1, max: 1e4, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (lights, goal, seed) => {
          const noise = normals(seed);
          const next = nextReading(
            readCurve(curve, lights, () => 0.05 * noise()),
            goal,
          );
          if (next) expect(next.thenRatio).toBeLessThan(next.nowRatio);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('repeats at one light', () => {
  it('are kept together with their scatter', () => {
    const readings = [
      readingOf('a', lux(5), 10_000),
      readingOf('b', lux(50), 2000),
      readingOf('c', lux(5), 11_000),
      readingOf('d', lux(5), 2e6, { above: true }),
    ];
    const [five, fifty] = repeatsOf({ readings });
    expect(five).toMatchObject({ light: lux(5), indices: [0, 2, 3] });
    expect(five?.scatter).toBeCloseTo(Math.log(1.1) / Math.SQRT2, 12);
    expect(fifty?.scatter).toBeNull();
  });
});
