import { describe, expect, it } from 'vitest';
import { normals, uniforms } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { ldrOhmsAt, ldrLuxAt, type LdrCurve } from './curve';
import { fitLdr } from './fitLdr';
import { floorKinds, hasBrightFloor, hasDarkFloor } from './kinds';
import { fitErrors, ldrModelOf, luxBand, lnOhmsBand, type LdrModel } from './model';
import type { Observation } from './observation';

const SETS = 2000;
/** What readings by hand scatter, by the person: standard deviation of ln R. */
const HANDS = [0.025, 0.03, 0.04, 0.05] as const;
const ranges = { room: [1, 5000], wide: [0.01, 40_000] } as const;

/** Made-up LDRs, a quarter of each kind, with floors of every size that parts on sale have. */
function someLdr(round: number, normal: () => number, uniform: () => number): LdrCurve {
  const kind = floorKinds[round % 4]!;
  return {
    r10Ohms: 14_000 * Math.exp(0.4 * normal()),
    gamma: 0.5 + 0.4 * uniform(),
    darkOhms: hasDarkFloor(kind) ? 5e5 * 40 ** uniform() : null,
    brightOhms: hasBrightFloor(kind) ? 20 * 10 ** uniform() : 0,
  };
}

interface Coverage {
  readonly isGiven: boolean;
  readonly range: keyof typeof ranges;
  /** The light meter may be off by this, as a share. */
  readonly tolerance: number;
}

/** Shares of made-up LDRs whose truth lies in the 95 % intervals; 4–12 readings each. */
function coverage({ isGiven, range, tolerance }: Coverage, sets: number) {
  const [normal, uniform] = [normals(77), uniforms(78)];
  const hits = { gamma: 0, r10: 0, light: 0, beyond: 0 };
  const [min, max] = ranges[range];
  const fitted = sets;
  for (let round = 0; round < sets; round++) {
    const truth = someLdr(round, normal, uniform);
    const count = 4 + (Math.floor(round / 4) % 9);
    const hand = HANDS[Math.floor(round / 36) % HANDS.length]!;
    const meter = Math.exp((tolerance / 2) * normal());
    const observations = Array.from({ length: count }, (_, index): Observation => {
      const lux = min * (max / min) ** ((index + 0.6 * (uniform() - 0.5)) / (count - 1));
      const ohms = ldrOhmsAt(truth, lux) * Math.exp(hand * normal());
      return { lux: lux * meter, ohms, sigma: 0.03, above: false };
    });
    const model = ldrModelOf(observations, {
      lightStd: tolerance / 2,
      ...(isGiven ? { kind: floorKinds[round % 4]! } : {}),
    });
    if (model.source !== 'measured') throw new Error(model.source);
    const errors = fitErrors(model.fit);
    const off = (lux: number) => Math.abs(Math.log(ldrOhmsAt(model.curve, lux) / ldrOhmsAt(truth, lux)));
    if (Math.abs(model.curve.gamma - truth.gamma) <= errors.gamma) hits.gamma += 1;
    if (off(10) <= lnOhmsBand(model, 10)) hits.r10 += 1;
    if (holdsLight(model, truth, min * (max / min) ** uniform())) hits.light += 1;
    const beyond = uniform() < 0.5 ? min / 10 : max * 10;
    if (off(beyond) <= lnOhmsBand(model, beyond)) hits.beyond += 1;
  }
  const share = (count: number) => count / fitted;
  return {
    gamma: share(hits.gamma),
    r10: share(hits.r10),
    light: share(hits.light),
    beyond: share(hits.beyond),
  };
}

/** Whether the true light of a resistance lies in the interval told for it. */
function holdsLight(model: LdrModel, truth: LdrCurve, lux: number): boolean {
  const told = ldrLuxAt(model.curve, ldrOhmsAt(truth, lux));
  if (told === null) return false;
  const { low, high } = luxBand(model, told);
  return low <= lux && lux <= high;
}

const cases = [false, true].flatMap((isGiven) =>
  (['room', 'wide'] as const).flatMap((range) =>
    [0, 0.1, 0.2].map((tolerance) => ({ isGiven, range, tolerance })),
  ),
);

describe('95 % intervals over made-up LDRs of every kind, 4–12 readings, hands of several sorts', () => {
  it.each(cases)('hold the truth: kind given $isGiven, $range, light meter off by $tolerance', (one) => {
    const sets = runs(SETS);
    const found = coverage(one, sets);
    // A share of the whole number shows only what is far off.
    const room = sets < SETS ? 0.06 : 0;
    const [min, max] = one.isGiven ? [0.93, 0.97] : [0.91, 0.98];
    const name = `${one.isGiven ? 'kind given' : 'kind chosen'}, ${ranges[one.range].join('–')} lx, light meter ± ${one.tolerance * 100} %`;
    for (const key of ['gamma', 'r10', 'light'] as const) {
      promised(
        `95 % interval of ${key} holds the truth (${name})`,
        (100 * found[key]).toFixed(1),
        `${100 * min}–${100 * max}`,
      );
      expect(found[key], key).toBeGreaterThanOrEqual(min - room);
      if (sets === SETS) expect(found[key], key).toBeLessThanOrEqual(max);
    }
    promised(
      `band one decade beyond the readings holds the truth (${name})`,
      (100 * found.beyond).toFixed(1),
      '≥ 90',
    );
    expect(found.beyond).toBeGreaterThanOrEqual(0.9 - room);
  });
});

describe('a mistake among the readings', () => {
  const SLIPS = [0.001, 0.01, 0.1, 10, 100, 1000] as const;

  /** Readings of which one is wrong: by decades, or over range because a lead came off. */
  function spoil(observations: readonly Observation[], index: number, round: number): readonly Observation[] {
    return observations.map((observation, place) => {
      if (place !== index) return observation;
      if (round % 2 === 0)
        return { ...observation, ohms: observation.ohms * SLIPS[(round / 2) % SLIPS.length]! };
      // The knob is on a range that would have shown it, or on the one above.
      const range =
        2 * 10 ** (Math.ceil(Math.log10((observation.ohms * 1.2) / 2)) + (round % 4 === 1 ? 0 : 1));
      return { ...observation, ohms: range, above: true };
    });
  }

  it('is named, and hardly moves the light where it switches; clean readings are left alone', () => {
    const [normal, uniform] = [normals(31), uniforms(32)];
    const sets = runs(SETS);
    let [named, flagged] = [0, 0];
    const [clean, spoiled]: [number[], number[]] = [[], []];
    for (let round = 0; round < sets; round++) {
      const truth = someLdr(Math.floor(round / 4), normal, uniform);
      const [min, max] = ranges[round % 3 === 0 ? 'wide' : 'room'];
      const count = 5 + (round % 8);
      const observations = Array.from({ length: count }, (_, index): Observation => {
        const lux = min * (max / min) ** ((index + 0.6 * (uniform() - 0.5)) / (count - 1));
        return { lux, ohms: ldrOhmsAt(truth, lux) * Math.exp(0.03 * normal()), sigma: 0.03, above: false };
      });
      const culprit = Math.floor(uniform() * count);
      const goal = min * 2 * (max / min / 4) ** uniform();
      const ohmsAtGoal = ldrOhmsAt(truth, goal);
      const errorOf = (set: readonly Observation[]) => {
        const fitted = fitLdr(set);
        if (!fitted.ok) return { error: 9, doubted: [] };
        const lux = ldrLuxAt(fitted.fit.curve, ohmsAtGoal);
        const doubted = [...fitted.fit.sound.keys()].filter((index) => fitted.fit.sound[index]! <= 0.5);
        return { error: lux === null ? 9 : Math.abs(Math.log(lux / goal)), doubted };
      };
      const [right, wrong] = [errorOf(observations), errorOf(spoil(observations, culprit, round))];
      clean.push(right.error);
      spoiled.push(wrong.error);
      if (wrong.doubted.includes(culprit)) named += 1;
      if (right.doubted.length > 0) flagged += 1;
    }
    const median = (values: number[]) => values.sort((one, other) => one - other)[Math.floor(sets / 2)]!;
    const ratio = median(spoiled) / median(clean);
    promised(
      'a decade slip or a false overrange among 5–12 readings is named',
      ((100 * named) / sets).toFixed(1),
      '≥ 95',
    );
    promised('median error of the light with it, over that of the clean set', ratio.toFixed(2), '< 1.2');
    promised('clean sets in which a reading is doubted', ((100 * flagged) / sets).toFixed(1), '≤ 2');
    expect(named / sets).toBeGreaterThanOrEqual(sets < SETS ? 0.93 : 0.95);
    expect(ratio).toBeLessThan(sets < SETS ? 1.4 : 1.2);
    expect(flagged / sets).toBeLessThanOrEqual(0.02);
  });
});
