/** One figure from a meter. */
export interface MeterSample {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The resistance, or the limit that it lies above, in Ω. */
  readonly ohms: number;
  readonly above: boolean;
  /** Full scale of the range it was shown on, in Ω; `null` where the source does not tell. */
  readonly rangeOhms: number | null;
  /** Light at the LDR by a light meter beside it, in lux; `null` without one. */
  readonly lux: number | null;
}
