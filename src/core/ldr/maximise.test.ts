import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { invertPositive } from '../numeric/linear';
import { ldrOhmsAt } from './curve';
import { evaluate, evaluation } from './likelihood';
import { maximise, workspaceFor, type Estimate, type MaximiseOptions } from './maximise';
import { prepare, type Observation } from './observation';
import { SCATTER_DEGREES } from './priors';
import { lineStart } from './starts';

const curve = { r10Ohms: 12_000, gamma: 0.72, darkOhms: 2e6, brightOhms: 70 };
const readingsOf = (seed: number, scatter: number): Observation[] => {
  const normal = normals(seed);
  return [0.05, 0.4, 2, 11, 60, 300, 2000, 9000].map((lux) => ({
    ...{ lux, ohms: ldrOhmsAt(curve, lux) * Math.exp(scatter * normal()), sigma: 0.04 },
    above: false,
  }));
};
const preparedOf = (seed: number, scatter = 0.05) =>
  prepare(readingsOf(seed, scatter), [{ std: 0.05 }], { hasPriors: true });
const prepared = preparedOf(8);
const start = lineStart(prepared).theta;
const options: MaximiseOptions = { kind: 'both', start, scale: 1, mayErr: true, isScaleTold: true };
const found = (of: Partial<MaximiseOptions> = {}, its = prepared): Estimate => {
  const estimate = maximise(its, { ...options, ...of });
  if (!estimate) throw new Error('not told');
  return estimate;
};
const p = prepared.parameters;
const at = (estimate: Estimate, its = prepared) => {
  const { kind, scale, theta } = estimate;
  return evaluate(its, theta, { kind, scale, mayErr: true }, evaluation(its));
};

describe('the top of a posterior', () => {
  it('is where nothing leads higher, whatever the start', () => {
    for (const seed of [8, 9, 10, 11, 12]) {
      const its = preparedOf(seed);
      const one = found({ start: lineStart(its).theta }, its);
      const { score } = at(one, its);
      for (let i = 0; i < p; i++)
        expect(Math.abs(score[i]!) * Math.sqrt(one.covariance[i * p + i]!), `${seed} ${i}`).toBeLessThan(
          2e-3,
        );
      const moved = lineStart(its).theta.map((value, i) => value + [0.5, -0.2, 1.5, 1, 0.02][i]!);
      const other = found({ start: moved, scale: 3 }, its);
      for (let i = 0; i < p; i++) {
        const off = Math.abs(other.theta[i]! - one.theta[i]!);
        expect(off / Math.sqrt(one.covariance[i * p + i]!), `${seed} ${i}`).toBeLessThan(5e-3);
      }
      expect(other.scale / one.scale).toBeCloseTo(1, 3);
    }
  });

  it('is reached from far away, where a whole step would lead further down', () => {
    const plain = { mayErr: false, isScaleTold: false } as const;
    const best = found(plain);
    const far = [
      [9.4, 0.7, Math.log(3e4), Math.log(3000), 0],
      [7, 0.2, Math.log(5e3), Math.log(9000), 0.3],
      [13, 1.9, Math.log(1e8), Math.log(1), -0.4],
      [5, 2.2, Math.log(1e3), Math.log(20_000), 1],
      [16, 0.1, Math.log(4e6), Math.log(60), 0],
    ];
    for (const theta of far) {
      const one = found({ ...plain, start: Float64Array.from(theta) });
      expect(one.top, theta.join()).toBeCloseTo(best.top, 5);
    }
  });

  it('has the scatter that the readings show there, with what the parameters take of them', () => {
    const top = found();
    const { squares, weight, told, information } = at(top);
    const inverted = information.slice();
    invertPositive(inverted, p);
    const taken = told.reduce((sum, value, index) => sum + value * inverted[index]!, 0);
    expect(top.degrees).toBeCloseTo(SCATTER_DEGREES + weight - taken, 6);
    expect(top.scale).toBeCloseTo(Math.sqrt((SCATTER_DEGREES + squares) / top.degrees), 6);
    // Wider readings have a wider one.
    const wide = preparedOf(8, 0.15);
    expect(found({ start: lineStart(wide).theta }, wide).scale).toBeGreaterThan(1.8 * top.scale);
    expect(found({ isScaleTold: false, scale: 1.7 }).scale).toBe(1.7);
  });

  it('has its height with the prior of the scatter, and an evidence less by half of ln of the information', () => {
    const top = found();
    const { value, information } = at(top);
    const prior =
      -(SCATTER_DEGREES + 1) * Math.log(top.scale) - SCATTER_DEGREES / (2 * top.scale * top.scale);
    expect(top.top).toBeCloseTo(value + prior, 8);
    const inverted = information.slice();
    const lnDeterminant = invertPositive(inverted, p) ?? NaN;
    expect(top.evidence).toBeCloseTo(top.top - 0.5 * lnDeterminant, 8);
    top.covariance.forEach((each, index) => expect(each).toBeCloseTo(inverted[index]!, 10));
    const given = found({ isScaleTold: false });
    expect(given.top).toBeCloseTo(at(given).value, 8);
  });

  it('is none where the readings do not tell the parameters apart', () => {
    const [one] = readingsOf(3, 0);
    const alone = prepare(one ? [one] : [], [], { hasPriors: false });
    const theta = Float64Array.of(9, 0.7, Math.log(4e6), Math.log(60));
    expect(maximise(alone, { ...options, kind: 'power', start: theta, mayErr: false })).toBeNull();
  });
});

describe('a search that comes to a top that is known', () => {
  const again = (known: readonly Estimate[]) => {
    const moved = start.map((value, i) => value + (i < 2 ? 0.1 : 0));
    return maximise(prepared, { ...options, start: moved, known });
  };
  const aside = (top: Estimate, i: number, errors: number): Estimate => {
    const theta = top.theta.slice();
    theta[i]! += errors * Math.sqrt(top.covariance[i * p + i]!);
    return { ...top, theta };
  };

  it('ends there, with that very one', () => {
    const top = found();
    expect(again([top])).toBe(top);
    const near = aside(top, 0, 0.02);
    expect(again([near])).toBe(near);
    expect(again([aside(top, 1, 5), top])).toBe(top);
  });

  it('goes on past what is none: another curve, another scatter, other beliefs', () => {
    const top = found();
    const others: Estimate[] = [
      ...Array.from({ length: p }, (_, i) => [aside(top, i, 0.3), aside(top, i, -0.3)]).flat(),
      { ...top, scale: top.scale * 1.2 },
      { ...top, scale: top.scale / 1.2 },
      { ...top, sound: top.sound.map((belief, index) => (index === 0 ? belief - 0.2 : belief)) },
      { ...top, sound: top.sound.map((belief, index) => (index === 7 ? belief - 0.2 : belief)) },
    ];
    const fresh = again([]);
    for (const other of others) {
      expect(others).not.toContain(again([other]));
      expect(again([other])?.theta).toEqual(fresh?.theta);
    }
  });
});

describe('readings that are doubted at first', () => {
  const readings = readingsOf(8, 0.02).map((one, index) =>
    index === 3 ? { ...one, ohms: one.ohms * 100 } : one,
  );
  const its = prepare(readings, [], { hasPriors: true });
  const from = { start: lineStart(its).theta, scale: 2 };

  it('leave the curve to the others, and are mistakes at the end where they are none of them', () => {
    const one = found({ ...from, doubted: new Set([3]) }, its);
    expect(one.sound[3]).toBeLessThan(0.01);
    for (const [index, belief] of one.sound.entries()) if (index !== 3) expect(belief).toBeGreaterThan(0.9);
    expect(Math.exp(one.theta[0]!) / curve.r10Ohms).toBeCloseTo(1, 1);
  });

  it('are believed again where they fit, and nothing of one search is left in the next', () => {
    const top = found();
    const workspace = workspaceFor(prepared);
    const doubting = maximise(prepared, { ...options, doubted: new Set([3]) }, workspace);
    const kept = doubting?.sound.slice();
    const then = maximise(prepared, options, workspace);
    expect(then?.theta).toEqual(top.theta);
    expect(then?.sound).toEqual(top.sound);
    expect(doubting?.sound).toEqual(kept);
    expect(doubting?.sound[3]).toBeGreaterThan(0.9);
  });
});
