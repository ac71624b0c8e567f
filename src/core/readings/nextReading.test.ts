import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normals, uniforms } from '../numeric/random';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import type { Alternative } from '../ldr/fitLdr';
import { curveOf } from '../ldr/kinds';
import { lnOhmsBand, luxBand } from '../ldr/model';
import { at } from '../result';
import { promised, runs } from '../testRuns';
import { lightsAtHand } from './lightsAtHand';
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
    expect(whatNext(many, 60)).toMatchObject({ says: 'enough', isKnown: true });
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

describe('held against brute force', () => {
  const SIMULATIONS = runs(200);
  const SITUATIONS = SIMULATIONS < 200 ? 4 : 10;

  /** Band of the goal's light to expect after a reading: the reading really taken so many times, and all fitted anew. */
  function simulated(measurement: Measurement, goalLux: number, light: number, seed: number): number {
    const [normal, uniform] = [normals(seed), uniforms(seed + 1)];
    const { model } = measuredLdr(measurement);
    if (model.source !== 'measured') throw new Error(model.source);
    const { alternatives, residualStd } = model.fit;
    let total = 0;
    for (let round = 0; round < SIMULATIONS; round++) {
      const truth = drawn(alternatives, uniform, normal);
      const ohms = ldrOhmsAt(truth, light) * Math.exp((residualStd ?? 0.03) * normal());
      const readings = [...measurement.readings, readingOf('next', lux(light), ohms)];
      total += lnOhmsBand(measuredLdr({ ...measurement, readings }).model, goalLux);
    }
    return total / SIMULATIONS;
  }

  it('lies within 10 % of the best light in at least 9 of 10 situations', () => {
    const [normal, uniform] = [normals(41), uniforms(42)];
    let [near, tried] = [0, 0];
    for (let situation = 0; situation < SITUATIONS; situation++) {
      const truth: LdrCurve = {
        r10Ohms: 14_000 * Math.exp(0.4 * normal()),
        gamma: 0.5 + 0.4 * uniform(),
        darkOhms: 5e5 * 40 ** uniform(),
        brightOhms: 20 * 10 ** uniform(),
      };
      const count = 3 + (situation % 4);
      const from = 2 * 10 ** uniform();
      const lights = Array.from({ length: count }, (_, i) => Number((from * 6 ** i).toPrecision(2)));
      const goal = Number((from * 10 ** (3 * uniform() - 1)).toPrecision(2));
      const measurement = readCurve(truth, lights, () => 0.03 * normal());
      const next = nextReading(measurement, goal);
      if (!next) continue;
      tried += 1;
      const others = lightsAtHand(measurement, measuredLdr(measurement), goal).filter((_, i) => i % 4 === 0);
      const best = Math.min(...others.map((at) => simulated(measurement, goal, at.lux, 7)));
      if (simulated(measurement, goal, next.lux, 7) <= 1.1 * best) near += 1;
    }
    promised('what next lies within 10 % of the best light by brute force', `${near} of ${tried}`, '9 of 10');
    expect(tried).toBeGreaterThan(1);
    expect(near / tried).toBeGreaterThanOrEqual(SITUATIONS < 10 ? 0.7 : 0.9);
  });
});

/** A curve as the fit believes it could be: a kind by its weight, its parameters by their covariance. */
function drawn(alternatives: readonly Alternative[], uniform: () => number, normal: () => number): LdrCurve {
  let left = uniform();
  const {
    kind,
    curve: middle,
    covariance,
  } = alternatives.find(({ weight }) => (left -= weight) <= 0) ?? at(alternatives, 0);
  const p = Math.sqrt(covariance.length);
  const root = new Float64Array(p * p);
  for (let row = 0; row < p; row++)
    for (let column = 0; column <= row; column++) {
      let entry = at(covariance, row * p + column);
      for (let k = 0; k < column; k++) entry -= at(root, row * p + k) * at(root, column * p + k);
      root[row * p + column] =
        row === column ? Math.sqrt(Math.max(1e-12, entry)) : entry / at(root, column * p + column);
    }
  const z = Array.from({ length: p }, () => normal());
  const theta = [
    middle.r10Ohms,
    Math.exp(middle.gamma),
    middle.darkOhms ?? 1,
    Math.max(1, middle.brightOhms),
  ].map(
    (value, row) =>
      Math.log(value) + z.reduce((sum, one, k) => sum + (k <= row ? at(root, row * p + k) * one : 0), 0),
  );
  return curveOf(kind, theta);
}

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
