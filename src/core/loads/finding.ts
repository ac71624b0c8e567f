import type { ContactUse } from './contacts';
import type { LoadKind } from './kinds';

/** How a module's input is turned on: by a current into it, or by being pulled down. */
export type ModuleInput = 'active-high' | 'active-low';

/** What there is to say of a load: a code with its figures. */
export type LoadFinding =
  | { readonly code: 'supply-below-led'; readonly supplyVolts: number; readonly neededVolts: number }
  | {
      readonly code: 'led-over-maximum';
      readonly amps: number;
      readonly maxAmps: number;
      readonly wantedAmps: number;
      /** By its own datasheet, not as is usual of its kind. */
      readonly isOwn: boolean;
      /** While it is the only one that is on, of several that follow each other. */
      readonly isAlone: boolean;
    }
  | {
      readonly code: 'led-over-current';
      readonly amps: number;
      readonly wantedAmps: number;
      readonly isAlone: boolean;
    }
  | {
      readonly code: 'led-under-current';
      readonly amps: number;
      readonly wantedAmps: number;
      /** Its series resistor is larger than it needs to be. */
      readonly isByResistor: boolean;
      /** Nothing of it, or hardly anything, is to be seen. */
      readonly isDark: boolean;
    }
  | {
      readonly code: 'load-starved' | 'load-low';
      readonly load: LoadKind;
      readonly volts: number;
      readonly ratedVolts: number;
      readonly minVolts: number;
    }
  | {
      readonly code: 'load-over-voltage';
      readonly load: LoadKind;
      readonly volts: number;
      readonly maxVolts: number;
      readonly isAlone: boolean;
    }
  | { readonly code: 'buzzer-quiet'; readonly decibels: number }
  | { readonly code: 'tone-without-source' }
  | { readonly code: 'tone-off-resonance'; readonly hertz: number; readonly resonantHertz: number }
  | {
      readonly code: 'solenoid-held-on';
      readonly maxOnSeconds: number;
      readonly onSeconds: number | null;
    }
  /** It is on for so short a time that it does not get going, or that nobody notices it. */
  | {
      readonly code: 'on-briefly';
      readonly load: LoadKind;
      readonly onSeconds: number;
      readonly wantedSeconds: number;
    }
  | { readonly code: 'relay-not-pulled' }
  | { readonly code: 'relay-never-drops-out'; readonly dropOutShare: number }
  | {
      readonly code: 'contact-over-rating';
      readonly use: ContactUse;
      readonly amps: number;
      readonly ratedAmps: number;
    }
  | { readonly code: 'second-coil'; readonly volts: number; readonly coilVolts: number }
  | { readonly code: 'module-wrong-side'; readonly input: ModuleInput }
  | {
      readonly code: 'pin-undefined';
      readonly isOn: boolean;
      readonly volts: number;
      readonly lowVolts: number;
      readonly highVolts: number;
    }
  | {
      readonly code: 'pin-over-voltage';
      readonly volts: number;
      readonly supplyVolts: number;
      /** What would keep it within: a switch at the minus side, a transistor where an output drives it, or one of its own beside others. */
      readonly wants: 'minus-side' | 'transistor' | 'own-switch';
    };

/** What would cure it, as plain data; {@link LoadFix} of a load by its place. */
export type LoadFix =
  | { readonly kind: 'take-series'; readonly ohms: number; readonly index: number }
  /** What ends by itself lasts at least so long. */
  | { readonly kind: 'longer-pulse'; readonly seconds: number }
  /** Every buzzer that waits for a pin's tone gets a timer IC. */
  | { readonly kind: 'tone-by-timer' }
  | { readonly kind: 'tone-resistor'; readonly ohms: number; readonly index: number }
  | { readonly kind: 'step-up-relay' | 'second-relay'; readonly amps: number; readonly index: number }
  | { readonly kind: 'second-volts'; readonly index: number }
  | { readonly kind: 'switch-side'; readonly to: 'low' | 'high' }
  | { readonly kind: 'output-rail'; readonly to: 'ground' | 'supply' };
