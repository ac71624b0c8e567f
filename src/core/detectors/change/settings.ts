import { comparatorField, defaultComparator } from '../../parts/kinds/comparator';
import { exactly, oneOf, within, type Infer } from '../../schema';
import { INTO_TRANSISTOR, outputField } from '../fields';

/** What each figure may be. */
export const CHANGE_LIMITS = {
  farads: { min: 1e-10, max: 0.001 },
  biasOhms: { min: 1000, max: 1e8 },
  gain: { min: 1, max: 10_000 },
  triggerVolts: { min: 0.01, max: 30 },
  dimming: { min: 0.01, max: 0.99 },
  seconds: { min: 0.001, max: 3600 },
  rippleShare: { min: 0, max: 2 },
} as const;

export const changeField = exactly({
  kind: oneOf('change'),
  part: comparatorField,
  farads: within(CHANGE_LIMITS.farads),
  biasOhms: within(CHANGE_LIMITS.biasOhms),
  gain: within(CHANGE_LIMITS.gain),
  /** What the comparator holds it against, in V. */
  triggerVolts: within(CHANGE_LIMITS.triggerVolts),
  /** The change that should fire it: the share of the light that goes (or comes), and how long it takes. */
  dimming: within(CHANGE_LIMITS.dimming),
  seconds: within(CHANGE_LIMITS.seconds),
  /** Ripple of the lamp it stands under, peak to peak, as a share. */
  rippleShare: within(CHANGE_LIMITS.rippleShare),
  output: outputField,
});

/** A coupling capacitor, a resistor and an amplifier before a comparator: it fires for a moment when the light changes fast enough. */
export type ChangeSettings = Infer<typeof changeField>;

export const defaultChange: ChangeSettings = {
  kind: 'change',
  part: defaultComparator,
  farads: 1e-6,
  biasOhms: 470_000,
  gain: 20,
  triggerVolts: 1,
  dimming: 0.3,
  seconds: 0.3,
  rippleShare: 0.2,
  output: INTO_TRANSISTOR,
};
