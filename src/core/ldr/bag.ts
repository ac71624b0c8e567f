import type { Ok, Refused } from '../result';
import { exactly, wholeWithin, within, type Infer } from '../schema';
import type { LdrCurve } from './curve';

export const bagField = exactly({
  /** How many LDRs it is from. */
  count: wholeWithin({ min: 3, max: 1000 }),
  /** Mean and standard deviation (n − 1) of ln R10. */
  lnR10Mean: within({ min: 0, max: 25 }),
  lnR10Std: within({ min: 0, max: 5 }),
  gammaMean: within({ min: 0.05, max: 3 }),
  gammaStd: within({ min: 0, max: 2 }),
});

/** What a bag of measured LDRs has in common, and how far they differ. */
export type BagSpread = Infer<typeof bagField>;

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
