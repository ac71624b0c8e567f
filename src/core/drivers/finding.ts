/** What there is to say of a switch: a code with its figures. */
export type DriverFinding =
  | {
      readonly code: 'load-not-saturated';
      readonly baseAmps: number;
      readonly forcedBeta: number;
      readonly minBeta: number;
      readonly guaranteedAmps: number;
      readonly fullAmps: number;
    }
  | { readonly code: 'little-drive-margin'; readonly forcedBeta: number; readonly minBeta: number }
  | {
      readonly code: 'base-over-current';
      readonly amps: number;
      readonly maxAmps: number;
      /** `null` where a change fires it, in whatever light. */
      readonly lux: number | null;
      /** What holds it back: R1 where the LDR feeds the base through it, a resistor before the base that is too small, or none yet. */
      readonly by: 'r1' | 'base' | 'nothing';
    }
  /** `isApart`: load and sensor side have a supply each. */
  | { readonly code: 'base-reversed'; readonly volts: number; readonly isApart: boolean }
  | {
      readonly code: 'gate-too-low';
      readonly gateVolts: number;
      readonly maxThresholdVolts: number;
      readonly guaranteedAmps: number;
      readonly fullAmps: number;
    }
  | {
      readonly code: 'gate-over-volts' | 'transistor-over-volts';
      readonly volts: number;
      readonly maxVolts: number;
    }
  | { readonly code: 'inrush-above-transistor'; readonly amps: number; readonly maxAmps: number }
  | { readonly code: 'load-above-transistor'; readonly amps: number; readonly maxAmps: number }
  | {
      readonly code: 'transistor-warm';
      readonly watts: number;
      readonly maxWatts: number;
      /** `null` where a change fires it, in whatever light. */
      readonly lux: number | null;
      /** It goes over softly, and may be warmest on the way. */
      readonly isSoft: boolean;
    }
  /** A P type turns off only where its drive gets near to the load's supply: as a high-side switch, or as a follower below the load. */
  | {
      readonly code: 'lifted-reference';
      readonly isFollower: boolean;
      readonly sensorVolts: number;
      readonly loadVolts: number;
    }
  | { readonly code: 'floating-ground' }
  | { readonly code: 'emitter-loses'; readonly volts: number };

/** What would cure it, as plain data. */
export type DriverFix =
  | { readonly kind: 'take-base'; readonly ohms: number }
  | { readonly kind: 'take-part'; readonly id: string }
  | { readonly kind: 'lighten-load'; readonly amps: number }
  | { readonly kind: 'switch-side'; readonly to: 'low' | 'high' }
  | { readonly kind: 'join-grounds' }
  | { readonly kind: 'load-at-collector' };
