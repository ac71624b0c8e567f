import { comparatorField, defaultComparator } from '../../parts/kinds/comparator';
import { LIGHT_LIMITS } from '../../light/range';
import { exactly, listOf, oneOf, within, withTest, type Infer } from '../../schema';
import { edgeBandField } from '../edgeBand';
import { DETECTOR_OHMS, INTO_LOAD, outputField, PULL_UP_OHMS } from '../fields';

/** How many comparators a ladder may have. */
export const LADDER_STEPS = { min: 2, max: 8 } as const;

export const ladderField = withTest(
  exactly({
    kind: oneOf('ladder'),
    part: comparatorField,
    /** The string from the supply down; shape: steps + 1. */
    stringOhms: listOf(within(DETECTOR_OHMS), { min: LADDER_STEPS.min + 1, max: LADDER_STEPS.max + 1 }),
    /** The light at which each step should come, from the darkest; shape: steps. */
    stepLux: listOf(within(LIGHT_LIMITS), LADDER_STEPS),
    /** All up to the present step, or only the present one. */
    shows: oneOf('fill', 'dot'),
    /** Where more of them are on. */
    moreIn: oneOf('light', 'dark'),
    /** At every step: it comes at its light, and goes again on the way back. */
    hysteresis: edgeBandField(LADDER_STEPS),
    /** From each open collector's output to the supply, where it drives a transistor. */
    pullUpOhms: within(DETECTOR_OHMS),
    /** What each step drives: its load, or a transistor of its own with that. A dot's outputs drive their loads, whatever is said. */
    output: outputField,
  }),
  'steps',
  ({ stringOhms, stepLux, hysteresis }) =>
    stringOhms.length === stepLux.length + 1 &&
    (hysteresis === null || hysteresis.feedbackOhms.length === stepLux.length),
);

/** Comparators on one string, each with a load of its own: the first load of the project, so many times. */
export type LadderSettings = Infer<typeof ladderField>;

export const defaultLadder: LadderSettings = {
  kind: 'ladder',
  part: defaultComparator,
  stringOhms: [10_000, 10_000, 10_000, 10_000, 10_000, 10_000],
  stepLux: [10, 30, 100, 300, 1000],
  shows: 'fill',
  moreIn: 'light',
  hysteresis: null,
  pullUpOhms: PULL_UP_OHMS,
  output: INTO_LOAD,
};
