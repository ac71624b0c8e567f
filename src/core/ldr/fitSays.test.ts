import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from './curve';
import { fitLdr, type FitOptions, type LdrFit } from './fitLdr';
import type { Observation } from './observation';

/** By hand, with scatter as hands have it. */
const OFF = [1.02, 0.97, 1.01, 1.03, 0.98, 0.99] as const;
const readings = [300, 1, 4, 20, 90, 1500].map((lux, index): Observation => ({
  ...{ lux, ohms: OFF[index]! * 12_000 * (lux / 10) ** -0.72 },
  ...{ sigma: 0.03, above: false },
}));
const over: Observation = { lux: 0.05, ohms: 2e5, sigma: 0.03, above: true };

function fitOf(observations: readonly Observation[], options?: FitOptions): LdrFit {
  const found = fitLdr(observations, options);
  if (!found.ok) throw new Error(found.reason);
  return found.fit;
}

describe('what a fit says of its readings', () => {
  it('is how many they are, from which light to which, and how far each lies off', () => {
    const fit = fitOf([...readings, over]);
    expect([fit.count, fit.aboveCount, fit.minLux, fit.maxLux]).toEqual([6, 1, 1, 1500]);
    fit.residuals.forEach((residual, index) => {
      const { lux, ohms, above } = [...readings, over][index]!;
      if (above) expect(residual).toBeNull();
      else expect(residual).toBeCloseTo(Math.log(ohms / ldrOhmsAt(fit.curve, lux)), 12);
    });
    expect(fit.sound.every((belief) => belief > 0.9)).toBe(true);
  });

  it('is their scatter, from three on', () => {
    expect(fitOf(readings.slice(0, 2)).residualStd).toBeNull();
    expect(fitOf(readings.slice(0, 3)).residualStd).not.toBeNull();
    const { residualStd } = fitOf(readings);
    expect(residualStd).toBeGreaterThan(0.015);
    expect(residualStd).toBeLessThan(0.045);
    // Told to scatter twice as much they scatter no less.
    const wide = fitOf(readings.map((reading) => ({ ...reading, sigma: 0.06 }))).residualStd!;
    expect(wide / residualStd!).toBeGreaterThan(1);
    expect(wide / residualStd!).toBeLessThan(2);
  });

  it('is a belief in each kind, most first, together all of it; a kind that is given is believed alone', () => {
    const { kind, alternatives } = fitOf(readings);
    expect(alternatives.length).toBeGreaterThan(1);
    expect(alternatives[0]?.kind).toBe(kind);
    const weights = alternatives.map(({ weight }) => weight);
    expect(weights.reduce((total, weight) => total + weight, 0)).toBeCloseTo(1, 9);
    expect(weights).toEqual([...weights].sort((one, other) => other - one));
    expect(Math.min(...weights)).toBeGreaterThan(1e-4);
    const given = fitOf(readings, { kind: 'dark' });
    expect(given.alternatives.map(({ kind: one, weight }) => [one, weight])).toEqual([['dark', 1]]);
    expect([given.kind, given.curve.brightOhms]).toEqual(['dark', 0]);
    expect(fitOf(readings, { kind: 'power' }).curve).toMatchObject({ darkOhms: null, brightOhms: 0 });
  });

  it('is what the common errors came to: no surer than before where nothing shows them', () => {
    const shifted = readings.map((reading) => ({ ...reading, lightShifts: [1], ohmsShifts: [0] }));
    const { common, lnR10StdError } = fitOf(shifted, { common: [{ mean: 0.1, std: 0.05 }] });
    expect(common[0]?.value).toBeCloseTo(0.1, 2);
    expect(common[0]?.std).toBeCloseTo(0.05, 3);
    // A light meter that may be off leaves R10 as uncertain as its factor to the power of γ.
    const alone = fitOf(readings).lnR10StdError;
    expect(lnR10StdError / Math.hypot(alone, 0.72 * 0.05)).toBeCloseTo(1, 1);
  });

  it('is nothing where resistance rises with light, or all but a mistake lie at one light', () => {
    const rising = [1, 10, 100, 1000].map((lux): Observation => ({
      ...{ lux, ohms: 1000 * lux ** 0.7, sigma: 0.03, above: false, trusted: true },
    }));
    expect(fitLdr(rising)).toEqual({ ok: false, reason: 'not-falling' });
    expect(fitLdr(rising.slice(0, 2))).toEqual({ ok: false, reason: 'not-falling' });
    expect(fitLdr([over])).toEqual({ ok: false, reason: 'all-above' });
    expect(fitLdr([readings[0]!, { ...readings[0]!, ohms: 400 }, over])).toEqual({
      ok: false,
      reason: 'one-light',
    });
  });
});
