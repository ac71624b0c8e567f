import { lnOhmsVariance, localSlope, type LdrModel } from '../ldr/model';
import type { LightLdr } from './lightLdr';

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
