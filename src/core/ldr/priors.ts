/** What a normally distributed quantity is before anything was measured. */
export interface Prior {
  readonly mean: number;
  readonly std: number;
}

/**
 * What is known of a photoresistor before its readings: γ 0.5–0.9, dark floors of 0.5–20 MΩ and more, bright floors of 20–200 Ω
 * (all about two standard deviations; the floors by their logarithm). R10 may be anything.
 */
export const LDR_PRIORS = {
  gamma: { mean: 0.7, std: 0.15 },
  lnDark: { mean: Math.log(4e6), std: 1.3 },
  lnBright: { mean: Math.log(60), std: 0.8 },
} as const satisfies Readonly<Record<string, Prior>>;

/** How often a floor shows at all within what anyone measures, for each of the two. */
export const FLOOR_CHANCE = 0.6;

/**
 * How far readings scatter beyond what their σ say is told by the readings themselves; before them the σ are worth this many
 * degrees of freedom (scaled inverse χ²).
 */
export const SCATTER_DEGREES = 2;

/** A small share of readings is simply wrong: a slip of a decade, a lead that came off, a hand in the light. */
export const MISTAKES = {
  share: 0.02,
  /** Half of them are whole decades off, the other half anything: standard deviation of ln R. */
  slipShare: 0.5,
  anyStd: 1.3,
} as const;

/** What a slipped figure is too large by. */
export const SLIP_FACTORS = [0.001, 0.01, 0.1, 10, 100, 1000] as const;
