import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import type { Draft } from '../parts/part';
import type { Role } from '../parts/roles';
import type { CircuitInput } from './input';

/** Roles of the divider's parts. */
export const dividerRoles: readonly Role[] = ['ldr', 'ldr-series', 'ldr-parallel', 'fixed', 'fixed-trimmer'];

/**
 * The divider between `supply` and 0 V with its midpoint `mid`: the LDR on its side, R1 on the other; a resistor in series with
 * the LDR on the side of the midpoint, one across it. Driven directly, R1 leads on from the midpoint to `base` instead.
 * @param low its lower end: 0 V, or the lower rail of a ± supply
 */
export function dividerDrafts(input: CircuitInput, isDirect: boolean, low: Net = GROUND): readonly Draft[] {
  const { ldrSide, ldrOhms, ldrRating, ldrParallelOhms, ldrSeriesOhms } = input;
  const isTop = ldrSide === 'top';
  const inner = ldrSeriesOhms === null ? 'mid' : 'ldr';
  const ldrEnds = isTop ? { a: 'supply', b: inner } : { a: inner, b: low };
  const across = isTop ? { a: 'mid', b: low } : { a: 'supply', b: 'mid' };
  const drafts: Draft[] = [
    { kind: 'ldr', role: 'ldr', ...ldrEnds, ohms: ldrOhms, rating: ldrRating },
    ...fixedDrafts(input, isDirect ? { a: 'mid', b: 'base' } : across),
  ];
  if (ldrSeriesOhms !== null) {
    const ends = isTop ? { a: 'ldr', b: 'mid' } : { a: 'mid', b: 'ldr' };
    drafts.push({ kind: 'resistor', role: 'ldr-series', ...ends, ohms: ldrSeriesOhms });
  }
  if (ldrParallelOhms !== null)
    drafts.push({ kind: 'resistor', role: 'ldr-parallel', ...ldrEnds, ohms: ldrParallelOhms });
  return drafts;
}

/** R1: a resistor, or a trimmer as a rheostat with its end resistor, where there is one. */
function fixedDrafts(
  { fixedOhms, trimmer }: CircuitInput,
  { a, b }: { readonly a: Net; readonly b: Net },
): readonly Draft[] {
  if (!trimmer) return [{ kind: 'resistor', role: 'fixed', a, b, ohms: fixedOhms }];
  const { endOhms, trackOhms, degrees } = trimmer;
  const between = endOhms > 0 ? 'fixed' : b;
  const position = 1 - Math.min(1, Math.max(0, (fixedOhms - endOhms) / trackOhms));
  const track: Draft = {
    kind: 'trimmer',
    role: 'fixed-trimmer',
    upper: a,
    slider: between,
    lower: between,
    trackOhms,
    degrees,
    position,
  };
  return endOhms > 0 ? [track, { kind: 'resistor', role: 'fixed', a: between, b, ohms: endOhms }] : [track];
}
