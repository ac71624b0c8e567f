/** What there is to say of a detector: a code with its figures. */
export type DetectorFinding =
  | {
      readonly code: 'comparator-supply';
      readonly volts: number;
      readonly minVolts: number;
      readonly maxVolts: number;
    }
  | {
      readonly code: 'input-out-of-range';
      readonly input: 'plus' | 'minus';
      readonly end: 'low' | 'high';
      readonly volts: number;
      readonly limitVolts: number;
    }
  | {
      readonly code: 'bias-too-large';
      readonly at: 'reference' | 'midpoint';
      readonly amps: number;
      readonly biasAmps: number;
    }
  | { readonly code: 'controller-supply'; readonly volts: number; readonly maxVolts: number }
  | {
      readonly code: 'codes-close';
      readonly apart: number;
      readonly samples: number;
      readonly wantedSamples: number;
    }
  | { readonly code: 'code-out-of-range'; readonly largest: number; readonly maxCode: number }
  | { readonly code: 'source-resistance'; readonly ohms: number; readonly maxOhms: number }
  | {
      readonly code: 'change-misses';
      readonly supplyVolts: number;
      readonly peakVolts: number;
      readonly triggerVolts: number;
      readonly neededGain: number | null;
    }
  | {
      readonly code: 'rest-fires';
      /** Behind the gain in steady light, with an amplifier as it mostly is or with the most offset it may have. */
      readonly restVolts: number;
      readonly triggerVolts: number;
      readonly isAlways: boolean;
    }
  | { readonly code: 'ripple-fires'; readonly rippleVolts: number; readonly triggerVolts: number }
  | {
      readonly code: 'step-off';
      readonly rung: number;
      readonly wantedLux: number;
      readonly lux: number | null;
    }
  | { readonly code: 'band-inverted' }
  | { readonly code: 'edges-reversed'; readonly lux: number; readonly offLux: number }
  /** `isOnce`: what follows ends by itself, or changes over: that light makes it ready for the next time. */
  | { readonly code: 'latches'; readonly onLux: number; readonly isOnce: boolean }
  /** `ownLux` of the light at which it turns off is its load's own. */
  | {
      readonly code: 'off-band';
      readonly wantedLux: number;
      readonly offLux: number;
      readonly ownLux: number;
      readonly isOnce: boolean;
    }
  | { readonly code: 'no-hysteresis'; readonly ratio: number }
  /** What should show one step alone has pins for loads, each of which is read by itself. */
  | { readonly code: 'dot-of-pins' }
  /** Beside the one load that should be on another takes so large a share of its current, or as much. */
  | { readonly code: 'dot-smears'; readonly share: number }
  /** Each of several edges is passed at one light on either way. */
  | { readonly code: 'no-edge-band' }
  /** An edge of several that is not as far apart on both ways as wanted; `null` where it is not passed at all on one. */
  | { readonly code: 'edge-band'; readonly wantedRatio: number; readonly ratio: number | null };

/** What would cure it, as plain data. @typeParam S the detector's settings */
export type DetectorFix<S> =
  | {
      readonly kind: 'set-detector';
      readonly settings: S;
      readonly resizes: boolean;
    }
  | { readonly kind: 'resize'; readonly by: 'codes' | 'string' }
  | { readonly kind: 'swap-edges' }
  | { readonly kind: 'add-hysteresis'; readonly ratio: number }
  /** Reference, feedback and R1 for the two lights that are wanted. */
  | { readonly kind: 'search-band' }
  /** Another R1, and its own values for that. */
  | { readonly kind: 'take-divider'; readonly ohms: number }
  /** A band at each of several edges, as a ratio of lights. */
  | { readonly kind: 'edge-band'; readonly ratio: number }
  | { readonly kind: 'lower-supply'; readonly volts: number };

/** Something to be told of a detector, how grave it is, and what would cure it. */
export interface DetectorSaying<S> {
  readonly state: 'look' | 'cannot';
  readonly finding: DetectorFinding;
  readonly fix?: DetectorFix<S> | null;
}
