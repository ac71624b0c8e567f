import { setSupply, type Circuit } from '../../circuit/circuit';
import type { Supply } from '../../circuit/netlist';
import type { CircuitValues } from '../../circuit/values';
import type { LdrCurve } from '../../ldr/curve';
import type { Net } from '../../parts/base';
import { applyFigures, drawnOf } from '../../spread/drawn';
import type { Factor } from '../../spread/factors';
import type { Draw } from '../draws';

/**
 * Puts what each factor makes of a build into the values that its circuit is solved with.
 * @param values of the circuit as it is meant; changed
 * @returns its LDR's curve, and where its comparators' offset lies in the lot
 */
export function applyFactors(
  circuit: Circuit,
  values: CircuitValues,
  supplies: readonly Supply[],
  { factors, curve }: { readonly factors: readonly Factor[]; readonly curve: LdrCurve },
  draw: Draw,
): { readonly curve: LdrCurve; readonly offset: number } {
  const drawn = drawnOf(factors, draw, curve);
  applyFigures(circuit, values, drawn.figures);
  for (const { feed, share } of drawn.supplies) {
    const its = feedOf(supplies, feed);
    if (its) setSupply(circuit, values, its.node, its.volts * share);
  }
  return { offset: drawn.offset, curve: drawn.curve };
}

/** An ideal supply has its feed behind its leads here. */
const feedOf = (supplies: readonly Supply[], feed: Net): Supply | undefined =>
  supplies.find(({ node }) => node === feed || node === `${feed}.open`);
