/**
 * What an LDR's lag leaves of a ripple of small depth: `r/√(1 + (2πfτ)²)`, a first-order low-pass.
 * @param share peak to peak
 */
export function rippleShareLeft(share: number, hertz: number, lagSeconds: number): number {
  return share / Math.hypot(1, 2 * Math.PI * hertz * lagSeconds);
}
