import { exactly, flag, within, withinOrNone, type Infer } from '../schema';

/** One figure from a meter. */
export const meterSampleField = exactly({
  /** Milliseconds since 1970. */
  at: within({ min: 0, max: 1e14 }),
  /** The resistance, or the limit that it lies above, in Ω. */
  ohms: within({ min: 0, max: 1e12 }),
  above: flag(),
  /** Full scale of the range it was shown on, in Ω; `null` where the source does not tell. */
  rangeOhms: withinOrNone({ min: 0, max: 1e12 }),
  /** Light at the LDR by a light meter beside it, in lux; `null` without one. */
  lux: withinOrNone({ min: 0, max: 1e12 }),
});

export type MeterSample = Infer<typeof meterSampleField>;

/** A voltage or a current that a meter tells, in V or A: for the test points of a built circuit, no reading of the LDR. */
export interface MeterFigure {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly value: number;
  readonly unit: 'V' | 'A';
}
