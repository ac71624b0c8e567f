import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { ldrOhmsAt, type LdrCurve } from './curve';
import { fitPowerLaw } from './fit';
import { fitLdr, type LdrFit } from './fitLdr';
import { normals } from '../numeric/random';
import { maximiseLikelihood, type Observation } from './maximumLikelihood';

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

describe('maximum likelihood with overrange readings', () => {
  it('agrees with the check figures', () => {
    for (const row of checks.tobit) {
      const observations = row.points.map(({ lux, ohms, overrange }) => ({
        lux,
        ohms,
        sigma: 0.05,
        above: overrange,
      }));
      const { curve } = maximiseLikelihood(observations, 'power', [Math.log(10_000), 0.7], 1);
      expect(Math.abs(curve.r10Ohms / row.r10 - 1)).toBeLessThan(1e-3);
      expect(Math.abs(curve.gamma / row.gamma - 1)).toBeLessThan(1e-3);
    }
  });

  it('takes limits that lie near the curve for what they are: without them R10 and γ would be others', () => {
    for (const row of checks.tobitAtLimit) {
      const observations = row.points.map(({ lux, ohms, overrange }) => ({
        lux,
        ohms,
        sigma: 0.05,
        above: overrange,
      }));
      const fit = (list: typeof observations) =>
        maximiseLikelihood(list, 'power', [Math.log(10_000), 0.7], 1).curve;
      const whole = fit(observations);
      expect(Math.abs(whole.r10Ohms / row.r10 - 1)).toBeLessThan(1e-3);
      expect(Math.abs(whole.gamma / row.gamma - 1)).toBeLessThan(1e-3);
      const figuresOnly = fit(observations.filter(({ above }) => !above));
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
      const { curve } = maximiseLikelihood(observations, 'power', start, 1);
      const exact = fitPowerLaw(observations);
      expect(exact.ok && curve.gamma / exact.fit.curve.gamma).toBeCloseTo(1, 7);
    }
  });
});

describe('fitLdr', () => {
  it('believes kinds of curve by exp(−ΔAICc/2), the better the more', () => {
    const bent = { ...linear, darkOhms: 300_000 };
    const { alternatives, kind } = fitOf(read(bent, [0.05, 0.2, 1, 5, 20, 80, 300, 1200], normals(5)));
    expect(alternatives.length).toBeGreaterThan(1);
    const [best, ...others] = alternatives;
    expect(best?.kind).toBe(kind);
    for (const { aicc, weight } of others) {
      expect(weight).toBeLessThan(best?.weight ?? 0);
      expect(weight / (best?.weight ?? 0)).toBeCloseTo(Math.exp(((best?.aicc ?? 0) - aicc) / 2), 9);
    }
    expect(alternatives.reduce((total, { weight }) => total + weight, 0)).toBeCloseTo(1, 12);
  });

  it('is the straight line with equal weights, errors and all', () => {
    for (const row of checks.fit) {
      const fit = fitOf(row.points.slice(0, 4).map((point) => ({ ...point, sigma: 0.1, above: false })));
      const line = fitPowerLaw(row.points.slice(0, 4));
      if (!line.ok) throw new Error(line.reason);
      expect(fit.kind).toBe('power');
      expect(fit.curve.gamma / line.fit.curve.gamma).toBeCloseTo(1, 7);
      expect((fit.gammaStdError ?? 0) / (line.fit.gammaStdError ?? 1)).toBeCloseTo(1, 5);
      expect((fit.lnR10StdError ?? 0) / (line.fit.lnR10StdError ?? 1)).toBeCloseTo(1, 5);
      expect((fit.residualStd ?? 0) / (line.fit.residualStd ?? 1)).toBeCloseTo(1, 5);
    }
  });

  it('finds floors where there are any', () => {
    const nonlinear: LdrCurve = { r10Ohms: 9000, gamma: 0.72, darkOhms: 800_000, brightOhms: 90 };
    const lights = [0.005, 0.02, 0.1, 0.5, 3, 15, 80, 400, 2500, 12_000, 60_000];
    const fit = fitOf(read(nonlinear, lights, normals(11), 0.02));
    expect(fit.kind).toBe('both');
    expect((fit.curve.darkOhms ?? 0) / 800_000).toBeCloseTo(1, 0);
    expect(fit.curve.brightOhms / 90).toBeCloseTo(1, 0);
    expect(Math.abs(fit.curve.gamma - 0.72)).toBeLessThan(0.03);
    expect(fit.alternatives[0]?.kind).toBe('both');
  });

  it('adds none to a straight line in nine of ten sets', () => {
    const noise = normals(17);
    let nonlinear = 0;
    for (let round = 0; round < 100; round++) {
      if (fitOf(read(linear, [1, 4, 15, 60, 250, 1000], noise)).kind !== 'power') nonlinear += 1;
    }
    expect(nonlinear).toBeLessThan(10);
  });

  it('covers the true γ and R10 in about 95 of 100 sets', () => {
    const noise = normals(23);
    const t = 3.182;
    let gammas = 0;
    let resistances = 0;
    const rounds = 2000;
    for (let round = 0; round < rounds; round++) {
      const fit = fitOf(read(linear, [2, 9, 30, 120, 600], noise));
      // Five readings are too few for a floor, so the right kind of curve is given.
      expect(fit.kind).toBe('power');
      if (Math.abs(fit.curve.gamma - 0.7) <= t * (fit.gammaStdError ?? 0)) gammas += 1;
      if (Math.abs(Math.log(fit.curve.r10Ohms / 12_000)) <= t * (fit.lnR10StdError ?? 0)) resistances += 1;
    }
    for (const share of [gammas / rounds, resistances / rounds]) {
      expect(share).toBeGreaterThan(0.93);
      expect(share).toBeLessThan(0.97);
    }
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
    expect(idle.curve.gamma).toBeCloseTo(without.curve.gamma, 6);
  });

  it('trusts a coarse reading less', () => {
    const exact = read(linear, [1, 10, 100, 1000], () => 0);
    const off = exact.map((o, index) => (index === 3 ? { ...o, ohms: o.ohms * 1.5 } : o));
    const coarse = off.map((o, index) => (index === 3 ? { ...o, sigma: 0.5 } : o));
    expect(Math.abs(fitOf(coarse).curve.gamma - 0.7)).toBeLessThan(
      Math.abs(fitOf(off).curve.gamma - 0.7) / 10,
    );
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
