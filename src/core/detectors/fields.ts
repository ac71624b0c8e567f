import { exactly, nullOr, oneOf, within, withinOrNone, type Infer } from '../schema';

/** What a resistor about a detector may be. */
export const DETECTOR_OHMS = { min: 1, max: 1e8 } as const;
/** What pulls an open collector up unless someone says. */
export const PULL_UP_OHMS = 10_000;
export const NEGATIVE_VOLTS = { min: 0, max: 30 } as const;
const TRACK_OHMS = { min: 10, max: 1e7 } as const;
const DEGREES = { min: 90, max: 9000 } as const;

/** What a detector's output drives: the transistor behind it, or the loads direct, hung on either rail. */
export const outputField = exactly({
  to: oneOf('transistor', 'load'),
  /** The rail at the loads' other end, where the output drives them. */
  loadRail: oneOf('ground', 'supply'),
  /** Resistor from base to emitter (gate to source) that turns the transistor off; `null` for none. */
  releaseOhms: withinOrNone(DETECTOR_OHMS),
});
export type DetectorOutput = Infer<typeof outputField>;

/** A trimmer in a reference: 0 with its slider at the lower end, 1 at the upper. */
const trimmerField = exactly({
  trackOhms: within(TRACK_OHMS),
  /** Travel of its screw from end to end: 270 for a single turn. */
  degrees: within(DEGREES),
  position: within({ min: 0, max: 1 }),
});
export type ReferenceTrimmer = Infer<typeof trimmerField>;

/** The voltage that a comparator holds the midpoint against. */
export const referenceField = exactly({
  /** From the upper rail, and to 0 V; a top of `null` leaves the reference at 0 V behind the lower one. */
  topOhms: withinOrNone(DETECTOR_OHMS),
  bottomOhms: within(DETECTOR_OHMS),
  /** Between the two, its slider at the input; `null` for none. */
  trimmer: nullOr(trimmerField),
});
export type Reference = Infer<typeof referenceField>;

/** An output into the transistor behind it. */
export const INTO_TRANSISTOR: DetectorOutput = { to: 'transistor', loadRail: 'supply', releaseOhms: null };
/** An output that sinks its load itself. */
export const INTO_LOAD: DetectorOutput = { to: 'load', loadRail: 'supply', releaseOhms: null };
