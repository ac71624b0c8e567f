import { findRoot } from '../numeric/findRoot';

/**
 * Where an LDR comes to rest whose load dims itself: more light at it takes the load back, and the less the load gives the less
 * light there is. There is just one such conductance; taken at once it cannot be overshot, as it would be step by step.
 * @param unlit the conductance in the room's light alone, in S; `lit` with all of the load's light
 * @param settledFor where it would settle if the load gave what it gives at a conductance, in S
 */
export function restOfDimmed(unlit: number, lit: number, settledFor: (siemens: number) => number): number {
  if (lit <= unlit) return unlit;
  const over = (lnSiemens: number) => lnSiemens - Math.log(settledFor(Math.exp(lnSiemens)));
  const root = findRoot(over, Math.log(unlit), Math.log(lit), { tolerance: 1e-9 });
  return root.ok ? Math.exp(root.x) : unlit;
}
