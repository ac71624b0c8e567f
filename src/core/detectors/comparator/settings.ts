import { comparatorField, defaultComparator } from '../../parts/kinds/comparator';
import { exactly, oneOf, within, withinOrNone, type Infer } from '../../schema';
import { DETECTOR_OHMS, INTO_TRANSISTOR, NEGATIVE_VOLTS, outputField, referenceField } from '../fields';

export const comparatorSettingsField = exactly({
  kind: oneOf('comparator'),
  part: comparatorField,
  /** Which input takes the midpoint; the other takes the reference. */
  sensorInput: oneOf('plus', 'minus'),
  reference: referenceField,
  /** From the output to the plus input: hysteresis; `null` for none. */
  feedbackOhms: withinOrNone(DETECTOR_OHMS),
  /** Between midpoint and plus input, where the feedback goes to the sensor's side; `null` for a wire. */
  sensorOhms: withinOrNone(DETECTOR_OHMS),
  /** From an open collector to the supply. */
  pullUpOhms: within(DETECTOR_OHMS),
  /** How far the lower rail lies below 0 V; 0 for a single supply. */
  negativeVolts: within(NEGATIVE_VOLTS),
  output: outputField,
});

/** A comparator that holds the midpoint against a reference. */
export type ComparatorSettings = Infer<typeof comparatorSettingsField>;

/** Its reference at half the supply, the sensor at its plus input, no hysteresis yet. */
export const defaultComparatorSettings: ComparatorSettings = {
  kind: 'comparator',
  part: defaultComparator,
  sensorInput: 'plus',
  reference: { topOhms: 10_000, bottomOhms: 10_000, trimmer: null },
  feedbackOhms: null,
  sensorOhms: null,
  pullUpOhms: 10_000,
  negativeVolts: 0,
  output: INTO_TRANSISTOR,
};
