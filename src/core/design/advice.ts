import type { FitRefusal } from '../ldr/fit';
import type { LightRange } from '../light/range';
import type { Flag } from '../readings/judge';
import type { LampKind } from '../readings/reading';
import type { ContactUse, LoadKind } from '../loads/load';
import type { Action } from '../stages/stage';

/** The steps of the way from LDR to load. */
export type Step = 'measure' | 'divide' | 'switch' | 'drive';
export type StepState = 'in-order' | 'look' | 'cannot';

/** Something to be told: a code with its figures, the step it belongs to, and the change that would mend it. */
export type Advice = {
  readonly step: Step;
  readonly state: Exclude<StepState, 'in-order'>;
  readonly fix?: Fix;
} & Finding;

export type Finding =
  | { readonly code: 'typical-ldr'; readonly why: FitRefusal; readonly count: number }
  | { readonly code: 'bag-ldr'; readonly bagCount: number }
  | { readonly code: 'two-readings' }
  | { readonly code: 'odd-readings'; readonly count: number; readonly first: Flag }
  | { readonly code: 'mixed-lamps'; readonly lamps: readonly LampKind[] }
  | { readonly code: 'gamma-impossible'; readonly gamma: number }
  | { readonly code: 'background-unread' }
  | { readonly code: 'layers-alone' }
  | { readonly code: 'gamma-unusual'; readonly gamma: number }
  | { readonly code: 'goal-outside-readings'; readonly goalLux: number; readonly minLux: number; readonly maxLux: number } // prettier-ignore
  | { readonly code: 'wrong-action'; readonly wanted: Action }
  | { readonly code: 'goal-out-of-reach'; readonly goalLux: number; readonly reach: LightRange | null }
  | { readonly code: 'never-switches'; readonly stays: 'on' | 'off'; readonly range: LightRange }
  | { readonly code: 'off-goal'; readonly goalLux: number; readonly switchLux: number; readonly ohms: number }
  | { readonly code: 'load-not-saturated'; readonly baseAmps: number; readonly forcedBeta: number; readonly minBeta: number; readonly guaranteedAmps: number; readonly fullAmps: number } // prettier-ignore
  | { readonly code: 'little-drive-margin'; readonly forcedBeta: number; readonly minBeta: number }
  | { readonly code: 'gate-too-low'; readonly gateVolts: number; readonly maxThresholdVolts: number; readonly guaranteedAmps: number; readonly fullAmps: number } // prettier-ignore
  | { readonly code: 'lifted-reference'; readonly sensorVolts: number; readonly loadVolts: number }
  | { readonly code: 'floating-ground' }
  | { readonly code: 'emitter-loses'; readonly volts: number }
  | { readonly code: 'supply-below-led'; readonly supplyVolts: number; readonly neededVolts: number }
  | { readonly code: 'led-over-current'; readonly amps: number; readonly wantedAmps: number }
  | { readonly code: 'led-under-current'; readonly amps: number; readonly wantedAmps: number }
  | { readonly code: 'load-starved' | 'load-low'; readonly load: LoadKind; readonly volts: number; readonly ratedVolts: number; readonly minVolts: number } // prettier-ignore
  | { readonly code: 'load-over-voltage'; readonly load: LoadKind; readonly volts: number; readonly maxVolts: number } // prettier-ignore
  | { readonly code: 'buzzer-quiet'; readonly decibels: number }
  | { readonly code: 'relay-not-pulled' }
  | { readonly code: 'relay-never-drops-out'; readonly dropOutShare: number }
  | { readonly code: 'contact-over-rating'; readonly use: ContactUse; readonly amps: number; readonly ratedAmps: number } // prettier-ignore
  | { readonly code: 'module-wrong-side'; readonly input: 'active-high' | 'active-low' }
  | {
      readonly code: 'supply-over-limit' | 'inrush-over-limit';
      readonly amps: number;
      readonly limitAmps: number;
    }
  | { readonly code: 'supply-sags'; readonly volts: number; readonly amps: number; readonly ohms: number }
  | {
      readonly code: 'transistor-warm';
      readonly watts: number;
      readonly maxWatts: number;
      readonly lux: number;
    }
  | {
      readonly code: 'transistor-over-volts' | 'gate-over-volts';
      readonly volts: number;
      readonly maxVolts: number;
    }
  | { readonly code: 'resistor-hot'; readonly designator: string; readonly watts: number }
  | { readonly code: 'load-above-transistor'; readonly amps: number; readonly maxAmps: number }
  | {
      readonly code: 'base-over-current';
      readonly amps: number;
      readonly maxAmps: number;
      readonly lux: number;
    }
  | { readonly code: 'reference-beyond'; readonly referenceVolts: number; readonly minVolts: number; readonly maxVolts: number } // prettier-ignore
  | { readonly code: 'never-releases'; readonly offVolts: number; readonly share: number }
  | { readonly code: 'output-over-current'; readonly amps: number; readonly maxAmps: number }
  | { readonly code: 'base-reversed'; readonly volts: number }
  | { readonly code: 'comparator-supply'; readonly volts: number; readonly minVolts: number; readonly maxVolts: number } // prettier-ignore
  | { readonly code: 'input-out-of-range'; readonly input: 'plus' | 'minus'; readonly end: 'low' | 'high'; readonly volts: number; readonly limitVolts: number } // prettier-ignore
  | { readonly code: 'band-inverted' }
  | { readonly code: 'bias-too-large'; readonly at: 'reference' | 'midpoint'; readonly amps: number; readonly biasAmps: number } // prettier-ignore
  | {
      readonly code: 'codes-close';
      readonly apart: number;
      readonly samples: number;
      readonly wantedSamples: number;
    }
  | { readonly code: 'controller-supply'; readonly volts: number; readonly maxVolts: number }
  | { readonly code: 'change-misses'; readonly peakVolts: number; readonly triggerVolts: number; readonly neededGain: number | null } // prettier-ignore
  | { readonly code: 'ripple-fires'; readonly rippleVolts: number; readonly triggerVolts: number }
  | { readonly code: 'pulse-leaks'; readonly seconds: number }
  | { readonly code: 'feedback-light'; readonly verdict: 'blinks' | 'latches' | 'dims-itself'; readonly feedbackLux: number; readonly maxLux: number } // prettier-ignore
  | { readonly code: 'beam-missed'; readonly isBroken: boolean; readonly lux: number; readonly thresholdLux: number | null } // prettier-ignore
  | { readonly code: 'code-out-of-range'; readonly largest: number; readonly maxCode: number }
  | { readonly code: 'source-resistance'; readonly ohms: number; readonly maxOhms: number }
  | {
      readonly code: 'step-off';
      readonly rung: number;
      readonly wantedLux: number;
      readonly lux: number | null;
    }
  | { readonly code: 'latches'; readonly onLux: number }
  | { readonly code: 'off-band'; readonly wantedLux: number; readonly offLux: number }
  | { readonly code: 'no-hysteresis'; readonly ratio: number }
  | { readonly code: 'empty-stock'; readonly ohms: number }
  | { readonly code: 'ldr-over-voltage'; readonly volts: number; readonly maxVolts: number }
  | { readonly code: 'ldr-warm'; readonly watts: number; readonly maxWatts: number; readonly lux: number };

/** A change that an advice offers as a button. Plain data; `editFor` makes it an edit. */
export type Fix =
  | { readonly kind: 'swap-ldr-side' }
  | { readonly kind: 'take-fixed'; readonly ohms: number }
  | { readonly kind: 'take-base'; readonly ohms: number }
  | { readonly kind: 'take-series'; readonly ohms: number; readonly index: number }
  | { readonly kind: 'use-divider' }
  | { readonly kind: 'take-part'; readonly id: string }
  | { readonly kind: 'switch-side'; readonly to: 'npn' | 'pnp' }
  | { readonly kind: 'swap-inputs' }
  | { readonly kind: 'take-codes' }
  | { readonly kind: 'take-samples'; readonly samples: number }
  | { readonly kind: 'output-rail'; readonly to: 'ground' | 'supply' }
  | { readonly kind: 'lower-supply'; readonly volts: number }
  | { readonly kind: 'take-gain'; readonly gain: number }
  | { readonly kind: 'goal-at'; readonly lux: number }
  | { readonly kind: 'solve-string' }
  | { readonly kind: 'take-release'; readonly ohms: number; readonly baseOhms: number }
  | { readonly kind: 'take-comparator'; readonly id: string }
  | { readonly kind: 'add-hysteresis'; readonly ratio: number }
  | { readonly kind: 'load-at-collector' }
  | { readonly kind: 'join-grounds' }
  | { readonly kind: 'step-up-relay'; readonly amps: number; readonly index: number }
  | { readonly kind: 'lighten-load'; readonly amps: number };
