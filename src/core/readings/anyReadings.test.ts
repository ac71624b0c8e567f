import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { fitErrors, lnOhmsBand, luxBand } from '../ldr/model';
import { promised, runs } from '../testRuns';
import { judge } from './judge';
import { measuredLdr } from './ldrOf';
import { nextReading } from './nextReading';
import { lampKinds, type Measurement, type Reading, type ReadingLight } from './reading';
import { lux, measurementOf, readingOf } from './testMeasurement';

const anyLight: fc.Arbitrary<ReadingLight> = fc.oneof(
  fc.double({ min: 0.0001, max: 1e6, noNaN: true }).map((value) => ({ kind: 'lux' as const, lux: value })),
  fc.record({
    kind: fc.constant('lamp' as const),
    metres: fc.double({ min: 0.005, max: 100, noNaN: true }),
    layers: fc.integer({ min: 0, max: 50 }),
  }),
  fc.constant({ kind: 'lamp-off' as const }),
  fc.constantFrom('hall', 'attic', 'gone').map((level) => ({ kind: 'level' as const, level })),
  fc.double({ min: 1, max: 1e9, noNaN: true }).map((ohms) => ({ kind: 'ldr' as const, ohms })),
);
const anyReading = fc.record({
  light: anyLight,
  ohms: fc.double({ min: 1, max: 1e9, noNaN: true }),
  above: fc.boolean(),
  rangeOhms: fc.constantFrom(null, 200, 20_000, 2e7),
  lamp: fc.constantFrom(null, ...lampKinds),
  setAside: fc.boolean(),
  trusted: fc.boolean(),
  unsettledStd: fc.constantFrom(0, 0.1, 5),
});
const anyMeasurement: fc.Arbitrary<Measurement> = fc.record({
  readings: fc
    .array(anyReading, { maxLength: 12 })
    .map((list): readonly Reading[] =>
      list.map((one, index) => readingOf(`r${index}`, one.light, one.ohms, one)),
    ),
  meter: fc.constantFrom(null, 'manual-2000' as const, 'auto-6000' as const),
  lightTolerance: fc.constantFrom(0, 0.1, 1),
  levels: fc.constant([
    { id: 'hall', name: 'hall', lux: 60 },
    { id: 'attic', name: 'attic', lux: null },
  ]),
  lampMetres: fc.constantFrom(0.0005, 0.02, 2),
  lightLdr: fc.constantFrom(null, {
    name: 'First',
    curve: { r10Ohms: 14_000, gamma: 0.7, darkOhms: 2e6, brightOhms: 60 },
    pivotLux: 30,
    pivotStd: 0.1,
    tiltStd: 0.05,
  }),
  plan: fc.constant([]),
});

/** Of one seed: a share of the runs is the same every time. */
const FROM = { seed: 1019969557 };

describe('whatever was read', () => {
  it('the LDR has figures and bands that are some, and judging says something of readings that are there', () => {
    const count = runs(2000);
    fc.assert(
      fc.property(anyMeasurement, fc.double({ min: 0.01, max: 1e5, noNaN: true }), (measurement, goal) => {
        const { model, resolved, used } = measuredLdr(measurement);
        expect(model.curve.gamma).toBeGreaterThan(0);
        for (const light of [0.001, 1, 10, 1000, 1e5]) {
          expect(ldrOhmsAt(model.curve, light)).toBeGreaterThan(0);
          for (const luxOf of ['meter', 'true'] as const) {
            expect(lnOhmsBand(model, light, luxOf)).toBeGreaterThanOrEqual(0);
            expect(Number.isFinite(lnOhmsBand(model, light, luxOf))).toBe(true);
          }
        }
        for (const index of used) expect(resolved.lights[index]).toBeGreaterThan(0);
        const ids = new Set(measurement.readings.map(({ id }) => id));
        for (const flag of judge(measurement).flags) expect(ids.has(flag.id)).toBe(true);
        const next = nextReading(measurement, goal);
        if (next?.says === 'read') {
          expect(next.lux).toBeGreaterThan(0);
          expect(next.thenRatio).toBeLessThan(next.nowRatio);
          expect(next.several.ratio).toBeLessThanOrEqual(next.thenRatio);
        }
      }),
      { numRuns: count, endOnFailure: true, ...FROM },
    );
    promised('random measurements, made of anything a document takes, with sound answers', count, 'all');
  });

  it('is said where it is not enough', () => {
    const reason = (readings: readonly Reading[]) => {
      const { model } = measuredLdr(measurementOf([...readings]));
      return 'why' in model ? model.why : model.source;
    };
    expect(reason([])).toBe('no-readings');
    expect(reason([readingOf('a', lux(5), 9000)])).toBe('one-light');
    expect(reason([1, 2, 3].map((value) => readingOf(`o${value}`, lux(value), 2e6, { above: true })))).toBe(
      'all-above',
    );
    expect(reason([readingOf('a', lux(5), 9000), readingOf('b', lux(50), 30_000)])).toBe('not-falling');
  });

  it('a light meter that may be off by more leaves more doubt of R10, and none where it cancels', () => {
    const readings = [2, 9, 40, 170, 700].map((value, index) =>
      readingOf(`r${index}`, lux(value), 14_000 * (value / 10) ** -0.7),
    );
    const modelBy = (lightTolerance: number) =>
      measuredLdr(measurementOf(readings, { lightTolerance })).model;
    const bands = [0, 0.1, 0.2, 1].map((tolerance) => lnOhmsBand(modelBy(tolerance), 10));
    expect([...bands].sort((one, other) => one - other)).toEqual(bands);
    expect(bands[3]! / bands[0]!).toBeGreaterThan(5);
    expect(lnOhmsBand(modelBy(1), 10, 'meter')).toBeCloseTo(bands[0]!, 12);
    const { low, high } = luxBand(modelBy(0.2), 40);
    expect(high / 40).toBeGreaterThan(1.19);
    expect(low).toBeLessThan(40 / 1.19);
    const [sure, unsure] = [modelBy(0), modelBy(1)];
    if (sure.source !== 'measured' || unsure.source !== 'measured') throw new Error('not measured');
    expect(fitErrors(unsure.fit).gamma).toBeCloseTo(fitErrors(sure.fit).gamma, 12);
  });
});
