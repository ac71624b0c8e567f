import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { ldrOhmsAt, type LdrCurve } from './curve';
import { fitLdr } from './fitLdr';
import type { FloorKind } from './maximumLikelihood';
import { studentT975 } from '../numeric/studentT';

const kinds: readonly FloorKind[] = ['power', 'dark', 'bright', 'both'];

/** Share of made-up LDRs whose true γ and R10 lie in the 95 % interval, with the kind given or chosen. */
function coverage(isGiven: boolean) {
  const normal = normals(77);
  let [gammas, resistances, fitted] = [0, 0, 0];
  for (let round = 0; round < 2000; round++) {
    const kind = kinds[round % 4] as FloorKind;
    const curve: LdrCurve = {
      r10Ohms: 12_000 * Math.exp(0.4 * normal()),
      gamma: Math.min(0.95, Math.max(0.5, 0.7 + 0.08 * normal())),
      darkOhms: kind === 'dark' || kind === 'both' ? 1.5e6 * Math.exp(0.5 * normal()) : null,
      brightOhms: kind === 'bright' || kind === 'both' ? 90 * Math.exp(0.4 * normal()) : 0,
    };
    const observations = Array.from({ length: 12 }, (_, index) => {
      const lux = 0.01 * 10 ** ((6.6 * index) / 11);
      return { lux, ohms: ldrOhmsAt(curve, lux) * Math.exp(0.05 * normal()), sigma: 0.05, above: false };
    });
    const result = fitLdr(observations, isGiven ? kind : undefined);
    if (!result.ok) continue;
    fitted += 1;
    const { fit } = result;
    const t = studentT975(fit.degrees);
    if (Math.abs(fit.curve.gamma - curve.gamma) <= t * (fit.gammaStdError ?? 0)) gammas += 1;
    const off = Math.abs(Math.log(fit.curve.r10Ohms / curve.r10Ohms));
    if (off <= t * (fit.lnR10StdError ?? 0)) resistances += 1;
  }
  return { gamma: gammas / 2000, r10: resistances / 2000, fitted: fitted / 2000 };
}

describe('95 % intervals over 2000 made-up LDRs, half of them with a dark floor and half with a bright one', () => {
  it('hold the true γ and R10 in 93 to 97 of 100, the kind of curve given', () => {
    const { gamma, r10, fitted } = coverage(true);
    for (const share of [gamma, r10]) {
      expect(share).toBeGreaterThanOrEqual(0.93);
      expect(share).toBeLessThanOrEqual(0.97);
    }
    expect(fitted).toBeGreaterThan(0.995);
  });

  it('hold them in at least 90 of 100, the kind chosen by AICc', () => {
    const { gamma, r10, fitted } = coverage(false);
    expect(gamma).toBeGreaterThanOrEqual(0.9);
    expect(r10).toBeGreaterThanOrEqual(0.9);
    expect(fitted).toBe(1);
  });
});
