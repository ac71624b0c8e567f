import type { LdrModel } from '../ldr/model';
import { lnOhmsVariance, localSlope } from '../ldr/model';
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

/**
 * A measured LDR as light meter, its own errors with it.
 * @returns `null` for one whose light is not known in lux
 */
export function lightLdrOf(name: string, model: LdrModel): LightLdr | null {
  if (model.source !== 'measured') return null;
  const { curve, fit, lightStd } = model;
  const pivotLux = Math.sqrt(fit.minLux * fit.maxLux);
  const scatter = Math.sqrt(lnOhmsVariance(model, pivotLux)) / localSlope(curve, pivotLux);
  return {
    name,
    curve,
    pivotLux,
    pivotStd: Math.min(5, Math.hypot(scatter, lightStd)),
    tiltStd: Math.min(5, fit.gammaStdError / curve.gamma),
  };
}
