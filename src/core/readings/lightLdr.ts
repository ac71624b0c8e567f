import { exactly, nullOr, text, within, type Infer } from '../schema';
import { LDR_LIMITS } from './ldrPart';
import { MEASUREMENT_LIMITS as LIMITS } from './limits';

const POSITIVE = { min: 1e-6, max: 1e12 } as const;

/** A measured LDR as light meter: its curve and how far that may be off. */
export const lightLdrField = exactly({
  name: text(LDR_LIMITS.nameLength, 1),
  curve: exactly({
    r10Ohms: within(POSITIVE),
    gamma: within({ min: 0.05, max: 3 }),
    darkOhms: nullOr(within(POSITIVE)),
    brightOhms: within({ min: 0, max: 1e9 }),
  }),
  /** The light in the middle of its own readings, and how far all lights told by it may be off there together: ln E. */
  pivotLux: within(LIMITS.lux),
  pivotStd: within({ min: 0, max: 5 }),
  /** How far ln E may be off more for each unit of ln E away from there. */
  tiltStd: within({ min: 0, max: 5 }),
});
export type LightLdr = Infer<typeof lightLdrField>;
