import type { Ok, Refused } from '../result';
import type { LdrCurve } from './curve';

/** What a bag of measured LDRs has in common, and how far they differ. */
export interface BagSpread {
  /** How many LDRs it is from, at least 3. */
  readonly count: number;
  /** Mean and standard deviation (n − 1) of ln R10. */
  readonly lnR10Mean: number;
  readonly lnR10Std: number;
  readonly gammaMean: number;
  readonly gammaStd: number;
}

/** Fewer LDRs than this tell no spread. */
export const MIN_BAG = 3;

/** R10 and γ of a bag of LDRs: mean and scatter. @returns `too-few` under three */
export function bagSpreadOf(
  curves: readonly LdrCurve[],
): Ok<{ spread: BagSpread }> | Refused<'too-few', { min: number }> {
  if (curves.length < MIN_BAG) return { ok: false, reason: 'too-few', min: MIN_BAG };
  const lnR10 = moments(curves.map((curve) => Math.log(curve.r10Ohms)));
  const gamma = moments(curves.map((curve) => curve.gamma));
  return {
    ok: true,
    spread: {
      count: curves.length,
      lnR10Mean: lnR10.mean,
      lnR10Std: lnR10.std,
      gammaMean: gamma.mean,
      gammaStd: gamma.std,
    },
  };
}

function moments(values: readonly number[]) {
  const mean = values.reduce((total, value) => total + value, 0) / values.length;
  const squares = values.reduce((total, value) => total + (value - mean) ** 2, 0);
  return { mean, std: Math.sqrt(squares / (values.length - 1)) };
}

/** The middle LDR of a bag: a power law, as floors differ too much to be averaged. */
export function bagCurve({ lnR10Mean, gammaMean }: BagSpread): LdrCurve {
  return { r10Ohms: Math.exp(lnR10Mean), gamma: gammaMean, darkOhms: null, brightOhms: 0 };
}
