/** What makes light unsteady where it should switch. */
export interface Unsteadiness {
  /** How much of the light a passing shadow takes, 0 to under 1. */
  readonly shadowShare: number;
  /** Ripple of a mains lamp, peak to peak as a share of its mean. */
  readonly rippleShare: number;
  /** What the load itself adds at the LDR, as a share of the switching light. */
  readonly ownShare: number;
  /** Time constant of the LDR, in s. */
  readonly lagSeconds: number;
}

/** Mains lamps ripple at twice 50 Hz. */
export const RIPPLE_HERTZ = 100;

/**
 * What an LDR's lag leaves of a lamp's ripple: `r/√(1 + (2π·100 Hz·τ)²)`, a first-order low-pass.
 * @param rippleShare peak to peak, as a share of the mean
 * @param lagSeconds time constant of the LDR
 * @example rippleLeft(0.5, 0) // 0.5
 */
export function rippleLeft(rippleShare: number, lagSeconds: number): number {
  return rippleShare / Math.hypot(1, 2 * Math.PI * RIPPLE_HERTZ * lagSeconds);
}

/**
 * The least ratio of turning-off to turning-on light that none of it passes: a shadow's `1/(1 − d)`, what the LDR's lag leaves
 * of the ripple, `(1 + r/2)/(1 − r/2)`, and the load's own light, together.
 * @example minBandRatio({ shadowShare: 0.2, rippleShare: 0, ownShare: 0, lagSeconds: 0.04 }) // 1.25
 */
export function minBandRatio({ shadowShare, rippleShare, ownShare, lagSeconds }: Unsteadiness): number {
  const left = rippleLeft(rippleShare, lagSeconds);
  const ripple = (1 + left / 2) / (1 - Math.min(0.99, left / 2));
  return (1 / (1 - shadowShare)) * ripple * (1 + ownShare);
}
