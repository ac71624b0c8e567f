import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { gradientFor } from '../ldr/fitBand';
import { measuredLdr } from './ldrOf';
import { lightsAtHand } from './lightsAtHand';
import { expectedVariance, nextReading } from './nextReading';
import { lux, measurementOf, readCurve, readingOf } from './testMeasurement';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyCurve: fc.Arbitrary<LdrCurve> = fc.record({
  r10Ohms: between(2000, 60_000),
  gamma: between(0.45, 0.95),
  darkOhms: between(3e5, 1e7),
  brightOhms: between(20, 300),
});
/** Any covariance of four parameters: a root times itself. Shape: 4 × 4. */
const anyCovariance = fc.array(between(-0.15, 0.15), { minLength: 16, maxLength: 16 }).map((root) =>
  Float64Array.from({ length: 16 }, (_, index) => {
    const [row, column] = [Math.floor(index / 4), index % 4];
    let sum = row === column ? 1e-4 : 0;
    for (let k = 0; k < 4; k++) sum += root[row * 4 + k]! * root[column * 4 + k]!;
    return sum;
  }),
);
const anyLux = between(-0.5, 3.5).map((power) => 10 ** power);

interface Believed {
  readonly weight: number;
  readonly curve: LdrCurve;
  readonly covariance: Float64Array;
}
/** What a reading of ln R does to one kind of curve, for whatever it shows: the reading by rule of two variables that vary together. */
function joint({ curve, covariance }: Believed, goalLux: number, light: number, scatter: number) {
  const [goal, there] = [gradientFor(curve, goalLux, covariance), gradientFor(curve, light, covariance)];
  const together = (one: readonly number[], other: readonly number[]) => {
    let sum = 0;
    one.forEach((a, row) => other.forEach((b, column) => (sum += a * b * covariance[row * 4 + column]!)));
    return sum;
  };
  const shownVariance = together(there, there) + scatter ** 2;
  return {
    shown: Math.log(ldrOhmsAt(curve, light)),
    shownVariance,
    goalAt: (read: number) =>
      Math.log(ldrOhmsAt(curve, goalLux)) +
      (together(goal, there) / shownVariance) * (read - Math.log(ldrOhmsAt(curve, light))),
    left: together(goal, goal) - together(goal, there) ** 2 / shownVariance,
    before: together(goal, goal),
  };
}

describe('the variance to expect after a reading', () => {
  it('of one kind of curve is what the reading leaves of it, never more than before, all of it where the reading tells nothing', () => {
    fc.assert(
      fc.property(
        anyCurve,
        anyCovariance,
        anyLux,
        anyLux,
        between(0.005, 0.3),
        (curve, covariance, goal, light, scatter) => {
          const belief = { weight: 1, curve, covariance };
          const { left, before } = joint(belief, goal, light, scatter);
          const expected = expectedVariance([belief], goal, light, scatter);
          expect(expected).toBeCloseTo(left, 10);
          expect(expected).toBeLessThanOrEqual(before + 1e-12);
          expect(expectedVariance([belief], goal, light, 1e6)).toBeCloseTo(before, 9);
          // A reading just there leaves no more than its own scatter.
          expect(expectedVariance([belief], goal, goal, scatter)).toBeLessThan(scatter ** 2 + 1e-12);
        },
      ),
    );
  });

  it('of several kinds is that of a mixture, gone through figure by figure', () => {
    const differences: number[] = [];
    fc.assert(
      fc.property(
        anyCurve,
        anyCurve,
        anyCovariance,
        anyCovariance,
        between(0.1, 0.9),
        anyLux,
        anyLux,
        between(0.02, 0.2),
        (curve, otherCurve, covariance, otherCovariance, weight, goal, light, scatter) => {
          const beliefs = [
            { weight, curve, covariance },
            { weight: 1 - weight, curve: otherCurve, covariance: otherCovariance },
          ];
          const parts = beliefs.map((belief) => ({
            weight: belief.weight,
            ...joint(belief, goal, light, scatter),
          }));
          const chance = (read: number) =>
            parts.map(
              ({ weight: its, shown, shownVariance }) =>
                (its * Math.exp(-((read - shown) ** 2) / (2 * shownVariance))) /
                Math.sqrt(2 * Math.PI * shownVariance),
            );
          const widest = Math.max(...parts.map(({ shownVariance }) => Math.sqrt(shownVariance)));
          const from = Math.min(...parts.map(({ shown }) => shown)) - 7 * widest;
          const to = Math.max(...parts.map(({ shown }) => shown)) + 7 * widest;
          const steps = 4000;
          let sum = 0;
          for (let step = 0; step < steps; step++) {
            const read = from + ((step + 0.5) * (to - from)) / steps;
            const each = chance(read);
            const total = each[0]! + each[1]!;
            if (!(total > 0)) continue;
            const goals = parts.map(({ goalAt }) => goalAt(read));
            const mean = (each[0]! * goals[0]! + each[1]! * goals[1]!) / total;
            const spread = parts.reduce(
              (all, { left }, index) => all + (each[index]! / total) * (left + (goals[index]! - mean) ** 2),
              0,
            );
            sum += (total * spread * (to - from)) / steps;
          }
          differences.push(Math.abs(expectedVariance(beliefs, goal, light, scatter) / sum - 1));
        },
      ),
      { numRuns: 60, seed: 4 },
    );
    differences.sort((one, other) => one - other);
    // Five points stand for all that each kind may show.
    expect(differences[30]).toBeLessThan(0.03);
    expect(differences[54]).toBeLessThan(0.2);
  });

  it('is next to that of each where a reading tells the kinds apart, and all between them where it does not', () => {
    const covariance = Float64Array.from({ length: 16 }, (_, index) => (index % 5 === 0 ? 1e-6 : 0));
    const of = (r10Ohms: number, gamma: number) => ({ r10Ohms, gamma, darkOhms: 1e9, brightOhms: 0.001 });
    const beliefs = [
      { weight: 0.3, curve: of(10_000, 0.6), covariance },
      { weight: 0.7, curve: of(10_000, 0.8), covariance },
    ];
    const apart = Math.log(10 ** 0.2) ** 2;
    // At 10 lx they show the same, at 1000 lx they are far apart.
    expect(expectedVariance(beliefs, 100, 10, 0.02)).toBeCloseTo(0.3 * 0.7 * apart, 3);
    expect(expectedVariance(beliefs, 100, 1000, 0.02)).toBeLessThan(1e-4);
  });
});

describe('what to read next', () => {
  const curve: LdrCurve = { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 };
  const off = [0.04, -0.03, 0.05, -0.02];
  const measurement = readCurve(curve, [40, 150, 600, 2400], (index) => off[index]!);

  it('is the light of those at hand with the least variance to expect, and tells the range that it leaves', () => {
    const { model } = measuredLdr(measurement);
    if (model.source !== 'measured') throw new Error(model.source);
    const next = nextReading(measurement, 3);
    if (next?.says !== 'read') throw new Error('nothing to read');
    const { alternatives, residualStd } = model.fit;
    const expected = (light: number) => expectedVariance(alternatives, 3, light, residualStd ?? NaN);
    for (const { lux: light } of lightsAtHand(measurement, measuredLdr(measurement), 3))
      expect(expected(next.lux)).toBeLessThanOrEqual(expected(light));
    // More readings, more of the same: each narrows it, the first the most.
    expect(next.several.count).toBe(3);
    expect(next.several.ratio).toBeLessThan(next.thenRatio);
    expect(Math.log(next.several.ratio)).toBeGreaterThan(0.3 * Math.log(next.thenRatio));
  });

  it('starts from what a bag says of an LDR that is not read, and from what is usual without one', () => {
    const bagOf = (lnR10Std: number) => ({
      lnR10Mean: Math.log(12_000),
      lnR10Std,
      gammaMean: 0.7,
      gammaStd: 0.01,
      count: 30,
    });
    const ratios = [0.01, 0.1, 0.4].map((std) => {
      const next = nextReading({ ...measurementOf([]), ...{ bag: bagOf(std) } }, 10);
      if (!next) throw new Error('none');
      return next;
    });
    // Known to 2 % either way a reading with a hand's scatter adds little; a wide bag is narrowed to the hand's.
    expect(ratios.map(({ says }) => says)).toEqual(['enough', 'read', 'read']);
    const [, narrow, wide] = ratios;
    const usual = nextReading(measurementOf([]), 10);
    if (narrow?.says !== 'read' || wide?.says !== 'read' || usual?.says !== 'read') throw new Error('none');
    expect(usual.nowRatio).toBeGreaterThan(narrow.nowRatio);
    expect(usual.nowRatio).toBeLessThan(wide.nowRatio);
    expect(wide.thenRatio).toBeLessThan(usual.nowRatio);
    expect(wide.several.count).toBeGreaterThan(0);
  });

  it('is nothing for an LDR whose lights have only names', () => {
    const named = ['hall', 'attic'].map((level, index) =>
      readingOf(level, { kind: 'level', level }, 1000 * (index + 1)),
    );
    expect(nextReading(measurementOf(named), 10)).toBeNull();
    expect(nextReading(measurementOf([readingOf('a', lux(5), 9000)]), 10)).not.toBeNull();
  });
});
