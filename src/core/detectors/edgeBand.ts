import type { Net } from '../parts/base';
import type { ComparatorModel, ComparatorUnit } from '../parts/kinds/comparator';
import { OFFSET_DRIFT } from '../parts/kinds/comparator';
import type { Draft } from '../parts/part';
import { exactly, listOf, nullOr, within, type Infer, type Limits } from '../schema';
import { resistor } from './drafts';
import { DETECTOR_OHMS } from './fields';
import type { Trip } from './switching';

/** How far apart an edge may be passed on the way up and on the way down, as a ratio of lights. */
export const EDGE_RATIO = { min: 1.01, max: 20 } as const;

const bandField = (edges: Limits) =>
  exactly({
    /** Wanted of every edge: the brighter of its two lights over the darker one. */
    ratio: within(EDGE_RATIO),
    /** Before the plus input of each comparator. */
    inputOhms: within(DETECTOR_OHMS),
    /** From each comparator's output to its plus input; shape: comparators. */
    feedbackOhms: listOf(within(DETECTOR_OHMS), edges),
  });

/** Hysteresis of a detector made of several comparators, each with a feedback of its own; `null` for none. */
export const edgeBandField = (edges: Limits) => nullOr(bandField(edges));
export type EdgeBand = Infer<ReturnType<typeof bandField>>;

/** What a band begins with, before it is sized. */
const FIRST_INPUT_OHMS = 10_000;
const FIRST_FEEDBACK_OHMS = 470_000;

/** A band of a ratio for so many comparators, its resistors still to be sized. */
export const edgeBandOf = (ratio: number, count: number): EdgeBand => ({
  ratio: Math.min(EDGE_RATIO.max, Math.max(EDGE_RATIO.min, ratio)),
  inputOhms: FIRST_INPUT_OHMS,
  feedbackOhms: Array.from({ length: count }, () => FIRST_FEEDBACK_OHMS),
});

/** A comparator that holds the midpoint against a tap of the string, on its way to the parts list. */
export interface EdgeUnit {
  readonly unit: ComparatorUnit;
  readonly trip: Trip;
  readonly drafts: readonly Draft[];
}

/**
 * Comparators as they are wired with a band or without: with one, the plus input stands behind a resistor, and another one leads
 * to it from the output, so that each holds what it has just decided.
 */
export function edgeUnits(
  units: readonly ComparatorUnit[],
  { offsetVolts }: ComparatorModel,
  band: EdgeBand | null,
): readonly EdgeUnit[] {
  return units.map((unit, index) => {
    const feedbackOhms = band?.feedbackOhms[index];
    const isFed = band !== null && feedbackOhms !== undefined;
    const plus: Net = isFed ? `in.${unit.key}` : unit.plus;
    const drafts = isFed
      ? [
          resistor('edge-input', unit.plus, plus, band.inputOhms, index),
          resistor('edge-feedback', unit.out, plus, feedbackOhms, index),
        ]
      : [];
    const [high, low] = unit.plus === 'mid' ? [plus, unit.minus] : ['mid', plus];
    return {
      unit: { ...unit, plus },
      drafts,
      trip: {
        plus: high,
        minus: low,
        share: 1,
        offsetVolts: 0,
        offsetSpread: offsetVolts,
        driftVoltsPerKelvin: OFFSET_DRIFT,
      },
    };
  });
}
