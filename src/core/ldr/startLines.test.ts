import { describe, expect, it } from 'vitest';
import type { CommonError, Observation } from './observation';
import { prepare } from './observation';
import { LDR_PRIORS } from './priors';
import { floorStarts, likeliest, lineStart, pairStarts, type Start } from './starts';

const onLine = (lux: number, times = 1, gamma = 0.8): Observation => ({
  ...{ lux, ohms: times * 10_000 * (lux / 10) ** -gamma },
  ...{ sigma: 0.03, above: false },
});
const prepared = (observations: readonly Observation[], common: readonly CommonError[] = []) =>
  prepare(observations, common, { hasPriors: true });
const usual = [LDR_PRIORS.lnDark.mean, LDR_PRIORS.lnBright.mean] as const;

describe('the straight line that a search begins with', () => {
  it('goes through the readings, leaning a little towards the usual slope', () => {
    const readings = prepared([2, 20, 200].map((lux) => onLine(lux)));
    const { theta, doubted } = lineStart(readings);
    const squares = 2 * Math.log(10) ** 2;
    const gamma = (0.05 * LDR_PRIORS.gamma.mean + 0.8 * squares) / (0.05 + squares);
    expect(theta[1]).toBeCloseTo(gamma, 9);
    // Through the middle of them: at 20 lx.
    expect(theta[0]! - gamma * Math.log(2)).toBeCloseTo(Math.log(10_000) - 0.8 * Math.log(2), 9);
    expect([theta[2], theta[3]]).toEqual(usual);
    expect(doubted.size).toBe(0);
  });

  it('takes the usual slope for one reading, keeps to slopes that there are, and begins common errors at what is thought of them', () => {
    const one = lineStart(prepared([onLine(50)])).theta;
    expect(one[1]).toBeCloseTo(LDR_PRIORS.gamma.mean, 12);
    expect(one[0]! - one[1]! * Math.log(5)).toBeCloseTo(Math.log(onLine(50).ohms), 9);
    expect(lineStart(prepared([1, 100].map((lux) => onLine(lux, 1, -0.5)))).theta[1]).toBe(0.1);
    expect(lineStart(prepared([1, 100].map((lux) => onLine(lux, 1, 6)))).theta[1]).toBe(2.5);
    const readings = prepared([onLine(50)], [{ mean: 0.3, std: 0.1 }]);
    expect(lineStart(readings).theta[4]).toBe(0.3);
    expect(readings.priorMean[0]).toBe(0);
  });

  it('asks nothing of readings over range', () => {
    const over: Observation = { lux: 0.01, ohms: 2e6, sigma: 0.03, above: true };
    const readings = [2, 20, 200].map((lux) => onLine(lux));
    expect(lineStart(prepared([...readings, over])).theta).toEqual(lineStart(prepared(readings)).theta);
  });
});

describe('lines through two readings each', () => {
  it('find the one that explains all but a mistake, and doubt that alone', () => {
    const readings = [1, 4, 16, 64, 256, 1000].map((lux, index) => onLine(lux, index === 2 ? 100 : 1));
    const [best, ...others] = pairStarts(prepared(readings));
    expect(best?.theta[0]).toBeCloseTo(Math.log(10_000), 9);
    expect(best?.theta[1]).toBeCloseTo(0.8, 9);
    expect([...(best?.doubted ?? [])]).toEqual([2]);
    const keys = [best!, ...others].map(({ doubted }) => [...doubted].join());
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.length).toBeLessThanOrEqual(8);
    expect(keys.length).toBeGreaterThan(1);
  });

  it('are drawn through no two at one light, nor where resistance rises or falls too fast', () => {
    expect(pairStarts(prepared([onLine(10), onLine(10, 1.1)]))).toEqual([]);
    expect(pairStarts(prepared([1, 100].map((lux) => onLine(lux, 1, -0.5))))).toEqual([]);
    expect(pairStarts(prepared([1, 100].map((lux) => onLine(lux, 1, 2.6))))).toEqual([]);
    expect(pairStarts(prepared([1, 100].map((lux) => onLine(lux, 1, 2.4)))).length).toBe(1);
    expect(pairStarts(prepared([1, 100].map((lux) => onLine(lux, 1, 0.05))))).toEqual([]);
  });

  it('come from readings spread over all, where there are many, in whatever order', () => {
    const lights = Array.from({ length: 40 }, (_, index) => 0.1 * 1.4 ** index);
    // The readings at both ends alone are right: a line through them is among the starts.
    const readings = lights.map((lux, index) =>
      onLine(lux, index === 0 || index === 39 ? 1 : 1 + 0.3 * Math.sin(7 * index)),
    );
    const starts = pairStarts(prepared(readings.toReversed()));
    expect(starts.length).toBeGreaterThan(0);
    for (const { theta } of starts) {
      expect(theta.every(Number.isFinite)).toBe(true);
      expect(Math.abs(theta[1]! - 0.8)).toBeLessThan(0.2);
    }
  });
});

describe('the likeliest of several starts', () => {
  const readings = prepared([1, 10, 100, 1000].map((lux) => onLine(lux)));
  const start = (lnR10: number, gamma: number): Start => ({
    theta: Float64Array.of(lnR10, gamma, ...usual),
    doubted: new Set(),
  });
  const right = start(Math.log(10_000), 0.8);
  const [near, far] = [start(Math.log(10_500), 0.8), start(Math.log(90_000), 0.4)];

  it('are those that explain the readings best, the best first', () => {
    expect(likeliest(readings, 'power', [far, near, right], 1)).toEqual([right]);
    expect(likeliest(readings, 'power', [far, near, right], 2)).toEqual([right, near]);
  });

  it('are all of them, as they are, where no more are asked for', () => {
    expect(likeliest(readings, 'power', [far, right], 2)).toEqual([far, right]);
    expect(likeliest(readings, 'power', [far], 3)).toEqual([far]);
  });
});

describe('floors to begin with', () => {
  const readings = prepared([onLine(1), onLine(1000), { ...onLine(0.01), above: true }]);
  const [max, min] = [Math.log(onLine(1).ohms), Math.log(onLine(1000).ohms)];
  const darks = [usual[0], max + 0.3, max + 1.5];
  const brights = [usual[1], min - 0.3, min - 1.5];

  it('are the usual ones and some beyond the readings, of those that the kind has', () => {
    expect(floorStarts('power', readings)).toEqual([[usual[0], usual[1]]]);
    expect(floorStarts('dark', readings)).toEqual(darks.map((dark) => [dark, usual[1]]));
    expect(floorStarts('bright', readings)).toEqual(brights.map((bright) => [usual[0], bright]));
    expect(floorStarts('both', readings)).toEqual(
      darks.flatMap((dark) => brights.map((bright) => [dark, bright])),
    );
  });

  it('are those alone with one farther out, where that is asked for', () => {
    const [farDark, farBright] = [max + 1.5, min - 1.5];
    expect(floorStarts('power', readings, 'farther out')).toEqual([]);
    expect(floorStarts('dark', readings, 'farther out')).toEqual([[farDark, usual[1]]]);
    expect(floorStarts('bright', readings, 'farther out')).toEqual([[usual[0], farBright]]);
    expect(floorStarts('both', readings, 'farther out')).toEqual([
      [usual[0], farBright],
      [max + 0.3, farBright],
      ...brights.map((bright) => [farDark, bright]),
    ]);
  });
});
