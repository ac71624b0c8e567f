import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { ldrOhmsAt, type LdrCurve } from './curve';
import { fitPowerLaw } from './fit';
import { fitLdr, type LdrFit } from './fitLdr';
import { normals } from '../numeric/random';
import type { FloorKind } from './kinds';
import { curveOf } from './kinds';
import { maximise } from './maximise';
import { prepare, type Observation } from './observation';

const fitOf = (observations: readonly Observation[]): LdrFit => {
  const fitted = fitLdr(observations);
  if (!fitted.ok) throw new Error(fitted.reason);
  return fitted.fit;
};
const read = (curve: LdrCurve, lights: readonly number[], noise: () => number, sigma = 0.04): Observation[] =>
  lights.map((lux) => ({
    lux,
    ohms: ldrOhmsAt(curve, lux) * Math.exp(sigma * noise()),
    sigma,
    above: false,
  }));

const linear: LdrCurve = { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 };

/** Plain maximum likelihood, every σ as it is: no priors, no mistakes. */
function mostLikely(
  observations: readonly Observation[],
  kind: FloorKind,
  start: readonly number[],
): LdrCurve {
  const prepared = prepare(observations, [], { hasPriors: false });
  const theta = Float64Array.of(...start, Math.log(4e6), Math.log(60));
  const found = maximise(prepared, { kind, start: theta, scale: 1, mayErr: false, isScaleTold: false });
  if (!found) throw new Error('not told');
  return curveOf(kind, found.theta);
}

describe('maximum likelihood with overrange readings', () => {
  const rows = [...checks.tobit, ...checks.tobitAtLimit].map((row) => ({
    ...row,
    observations: row.points.map(({ lux, ohms, overrange }) => ({
      lux,
      ohms,
      sigma: 0.05,
      above: overrange,
    })),
  }));

  it('agrees with the check figures', () => {
    for (const row of rows) {
      const curve = mostLikely(row.observations, 'power', [Math.log(10_000), 0.7]);
      expect(Math.abs(curve.r10Ohms / row.r10 - 1)).toBeLessThan(1e-3);
      expect(Math.abs(curve.gamma / row.gamma - 1)).toBeLessThan(1e-3);
    }
  });

  it('takes limits that lie near the curve for what they are: without them γ would be another', () => {
    for (const row of rows.slice(checks.tobit.length)) {
      const figures = row.observations.filter(({ above }) => !above);
      const figuresOnly = mostLikely(figures, 'power', [Math.log(10_000), 0.7]);
      expect(Math.abs(figuresOnly.gamma / row.gamma - 1)).toBeGreaterThan(5e-3);
    }
  });

  it('comes to the same from any sensible start', () => {
    const observations = read(linear, [0.5, 3, 20, 150, 900], normals(3));
    for (const start of [
      [7, 0.3],
      [11, 1.4],
      [9.4, 0.7],
    ]) {
      const exact = fitPowerLaw(observations);
      const { gamma } = mostLikely(observations, 'power', start);
      expect(exact.ok && gamma / exact.fit.curve.gamma).toBeCloseTo(1, 7);
    }
  });
});

describe('fitLdr', () => {
  it('believes most in the kind of curve that the readings show, and tells the mean of all by their belief', () => {
    const bent = { ...linear, darkOhms: 300_000 };
    const fit = fitOf(read(bent, [0.05, 0.2, 1, 5, 20, 80, 300, 1200], normals(5)));
    const { alternatives, kind, curve } = fit;
    expect(['dark', 'both']).toContain(kind);
    expect(alternatives[0]?.kind).toBe(kind);
    expect(alternatives.reduce((total, { weight }) => total + weight, 0)).toBeCloseTo(1, 12);
    const gamma = alternatives.reduce((total, other) => total + other.weight * other.curve.gamma, 0);
    expect(curve.gamma).toBeCloseTo(gamma, 12);
    expect(alternatives.find((other) => other.kind === 'power')?.weight ?? 0).toBeLessThan(0.02);
  });

  it('is near the straight line where the readings leave no room for floors', () => {
    const line = fitPowerLaw(read(linear, [2, 9, 30, 120, 600], normals(4)));
    const fit = fitOf(read(linear, [2, 9, 30, 120, 600], normals(4)));
    if (!line.ok) throw new Error(line.reason);
    expect(Math.abs(fit.curve.gamma - line.fit.curve.gamma)).toBeLessThan(2 * fit.gammaStdError);
  });

  it('knows both floors of a noise-free curve', () => {
    const truth: LdrCurve = { r10Ohms: 14_000, gamma: 0.887, darkOhms: 2.19e6, brightOhms: 124 };
    for (const lights of [
      [0.03, 0.3, 3, 30, 300, 3000, 30_000],
      [0.01, 0.05, 0.3, 2, 10, 60, 400, 2500, 15_000, 40_000],
    ])
      expect(Math.abs(fitOf(read(truth, lights, () => 0)).curve.gamma - 0.887)).toBeLessThan(0.02);
  });

  it('finds floors where there are any', () => {
    const nonlinear: LdrCurve = { r10Ohms: 9000, gamma: 0.72, darkOhms: 800_000, brightOhms: 90 };
    const lights = [0.005, 0.02, 0.1, 0.5, 3, 15, 80, 400, 2500, 12_000, 60_000];
    const fit = fitOf(read(nonlinear, lights, normals(11), 0.02));
    expect(fit.alternatives[0]?.weight).toBeGreaterThan(0.9);
    expect(fit.kind).toBe('both');
    expect((fit.curve.darkOhms ?? 0) / 800_000).toBeCloseTo(1, 0);
    expect(fit.curve.brightOhms / 90).toBeCloseTo(1, 0);
    expect(Math.abs(fit.curve.gamma - 0.72)).toBeLessThan(0.03);
  });

  it('lets an overrange reading pull the dark end up, and never counts it as a figure', () => {
    const flat: Observation[] = [
      { lux: 1, ohms: 40_000, sigma: 0.05, above: false },
      { lux: 30, ohms: 6000, sigma: 0.05, above: false },
      { lux: 300, ohms: 1500, sigma: 0.05, above: false },
    ];
    const without = fitOf(flat);
    const withAbove = fitOf([...flat, { lux: 0.05, ohms: 2e6, sigma: 0.05, above: true }]);
    expect(withAbove.curve.gamma).toBeGreaterThan(without.curve.gamma);
    expect(withAbove).toMatchObject({ count: 3, aboveCount: 1 });
    expect(withAbove.residuals[3]).toBeNull();
    // One that says nothing new changes nothing.
    const idle = fitOf([...flat, { lux: 0.01, ohms: 20_000, sigma: 0.05, above: true }]);
    expect(idle.curve.gamma).toBeCloseTo(without.curve.gamma, 4);
  });

  it('trusts a coarse reading less', () => {
    const exact = read(linear, [1, 10, 100, 1000], () => 0);
    const off = exact.map((o, index) => (index === 3 ? { ...o, ohms: o.ohms * 1.12 } : o));
    const coarse = off.map((o, index) => (index === 3 ? { ...o, sigma: 0.5 } : o));
    const moved = (set: readonly Observation[]) =>
      Math.abs(fitOf(set).curve.gamma - fitOf(exact).curve.gamma);
    expect(moved(coarse)).toBeLessThan(moved(off) / 3);
  });

  it('refuses what cannot be fitted', () => {
    expect(fitLdr([{ lux: 1, ohms: 2e6, sigma: 0.1, above: true }])).toEqual({
      ok: false,
      reason: 'all-above',
    });
    expect(fitLdr([])).toEqual({ ok: false, reason: 'no-readings' });
    expect(fitLdr([{ lux: 1, ohms: 2e4, sigma: 0.1, above: false }])).toEqual({
      ok: false,
      reason: 'one-light',
    });
  });
});
