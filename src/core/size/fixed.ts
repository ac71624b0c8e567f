import type { Ok, Refused } from '../result';
import type { LightRange } from '../light/range';
import { findRoot } from '../numeric/findRoot';
import type { DesignCircuit } from '../analyse/designCircuit';
import type { Action } from '../drivers/kinds';
import { around, findCrossing, type Crossing } from '../light/crossing';
import { nearestIn, OFFERED_OHMS, type Combination, type ResistorStock } from '../series/stock';

export type ExactFixed =
  | Ok<{ ohms: number }>
  | Refused<'goal-out-of-reach', { reach: LightRange | null }>
  | Refused<'not-converged'>;

/**
 * The fixed resistor that puts the stage's half-on point exactly at a light: the root, in ln R, of load current
 * against half the full current, on the whole circuit with the base connected; of a detector, of what turns the load on.
 *
 * @param halfAmps half the full load current
 * @param range where to look for the lights that can be reached when this one cannot
 */
export function exactFixedOhms(
  live: DesignCircuit,
  halfAmps: number,
  goalLux: number,
  range: LightRange,
): ExactFixed {
  let failed = false;
  const overHalf = (lnOhms: number) => {
    const over = live.over(halfAmps, goalLux, Math.exp(lnOhms));
    if (over === null) failed = true;
    return over ?? -1;
  };
  const root = findRoot(overHalf, Math.log(OFFERED_OHMS.min), Math.log(OFFERED_OHMS.max), {
    tolerance: 1e-9,
  });
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, ohms: Math.exp(root.x) };
  return { ok: false, reason: 'goal-out-of-reach', reach: reachableLight(live, halfAmps, range) };
}

/** The lights at which some offered resistor puts the half-on point; `null` where none does. */
function reachableLight(live: DesignCircuit, halfAmps: number, range: LightRange): LightRange | null {
  const darkEdge = findCrossing((lux) => live.over(halfAmps, lux, OFFERED_OHMS.max), range);
  const brightEdge = findCrossing((lux) => live.over(halfAmps, lux, OFFERED_OHMS.min), range);
  const straddles = (lux: number) => {
    const one = live.over(halfAmps, lux, OFFERED_OHMS.min) ?? 0;
    const other = live.over(halfAmps, lux, OFFERED_OHMS.max) ?? 0;
    return Math.min(one, other) <= 0 && Math.max(one, other) >= 0;
  };
  const minLux = darkEdge.ok ? darkEdge.lux : range.minLux;
  const maxLux = brightEdge.ok ? brightEdge.lux : range.maxLux;
  const inside = Math.sqrt(minLux * maxLux);
  return minLux < maxLux && straddles(inside) ? { minLux, maxLux } : null;
}

export interface Candidate extends Combination {
  /** Where the stage would switch with it. */
  readonly switching: Crossing;
}

/** What is in stock on either side of the exact value, each with the light at which it would switch; rising. */
export function fixedCandidates(
  live: DesignCircuit,
  stock: ResistorStock,
  exactOhms: number,
  halfAmps: number,
  goalLux: number,
  range: LightRange,
): readonly Candidate[] {
  const nearest = nearestIn(stock, exactOhms);
  if (!nearest.ok) return [];
  return nearest.found.map((combination) => ({
    ...combination,
    switching: findCrossing(
      (lux) => live.over(halfAmps, lux, combination.ohms),
      range,
      around(goalLux, 1.6, range),
    ),
  }));
}

/** The light range within which an action's load is on, ends named: where it is surely on and where surely off. */
export function endsFor(action: Action, range: LightRange) {
  return action === 'on-in-dark'
    ? { onLux: range.minLux, offLux: range.maxLux }
    : { onLux: range.maxLux, offLux: range.minLux };
}
