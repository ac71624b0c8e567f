import type { Ok, Refused } from '../result';
import { logSpacedLux, type LightRange } from '../light/range';
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
  const [least, most] = [Math.log(OFFERED_OHMS.min), Math.log(OFFERED_OHMS.max)];
  const rootIn = (from: number, to: number) => findRoot(overHalf, from, to, { tolerance: 1e-9 });
  let root = rootIn(least, most);
  // Seen from its ends alone, what a resistor does and undoes again is nothing.
  if (!root.ok && !failed) {
    const steps = acrossOhms(LOOKED_AT);
    const over = steps.map(overHalf);
    const at = over.findIndex((value, index) => index > 0 && value > 0 !== (over[index - 1] ?? value) > 0);
    if (at > 0 && !failed) root = rootIn(steps[at - 1] ?? least, steps[at] ?? most);
  }
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, ohms: Math.exp(root.x) };
  return { ok: false, reason: 'goal-out-of-reach', reach: reachableLight(live, halfAmps, range) };
}

/** So many resistors are looked at where the ends of what is offered do not tell, and so many lights. */
const [LOOKED_AT, LIGHTS_LOOKED_AT] = [25, 17];
/** How exactly the ends of what can be reached are found then: the space between two lights halved so often. */
const HALVED = 6;

/** Resistors from the least to the most that is offered, evenly in their logarithm. Shape: [count]. */
function acrossOhms(count: number): readonly number[] {
  const [least, most] = [Math.log(OFFERED_OHMS.min), Math.log(OFFERED_OHMS.max)];
  return Array.from({ length: count }, (_, index) => least + ((most - least) * index) / (count - 1));
}

/** The lights at which some offered resistor puts the half-on point; `null` where none does. */
function reachableLight(live: DesignCircuit, halfAmps: number, range: LightRange): LightRange | null {
  const { min, max } = OFFERED_OHMS;
  const edges = [min, max].flatMap((ohms) => {
    const edge = findCrossing((lux) => live.over(halfAmps, lux, ohms), range);
    return edge.ok ? [edge.lux] : [];
  });
  edges.sort((one, other) => one - other);
  const lights = [range.minLux, ...edges, range.maxLux];
  const between = lights.slice(1).map((maxLux, index) => ({ minLux: lights[index] ?? maxLux, maxLux }));
  const middle = ({ minLux, maxLux }: LightRange) => Math.sqrt(minLux * maxLux);
  const goesOneWay = between.every((one) => turnsOver(live, halfAmps, middle(one), FEW) <= 1);
  if (!goesOneWay) return lookedForReach(live, halfAmps, range);
  // Between two edges the least and the most resistor have the load on one side of half, or on either.
  const reached = between.filter(
    (one) => turnsOver(live, halfAmps, middle(one), [Math.log(min), Math.log(max)]) > 0,
  );
  const [first, last] = [reached[0], reached.at(-1)];
  return first && last ? { minLux: first.minLux, maxLux: last.maxLux } : null;
}

/** Resistors that show whether more of it goes one way only. */
const FEW = acrossOhms(9);

/** How often the load goes over half its current from one of these resistors to the next. */
function turnsOver(live: DesignCircuit, halfAmps: number, lux: number, lnOhms: readonly number[]): number {
  const over = lnOhms.map((ln) => (live.over(halfAmps, lux, Math.exp(ln)) ?? -1) > 0);
  return over.filter((is, index) => index > 0 && is !== over[index - 1]).length;
}

/** The same by looking: at each of many lights whether any of many resistors makes a difference there. */
function lookedForReach(live: DesignCircuit, halfAmps: number, range: LightRange): LightRange | null {
  const steps = acrossOhms(LOOKED_AT);
  const isReached = (lux: number) => turnsOver(live, halfAmps, lux, steps) > 0;
  const lights = [...logSpacedLux(range, LIGHTS_LOOKED_AT)];
  const reached = lights.map(isReached);
  const [first, last] = [reached.indexOf(true), reached.lastIndexOf(true)];
  if (first < 0) return null;
  const edge = (inside: number, outside: number | undefined) => {
    if (outside === undefined) return inside;
    let [within, beyond] = [inside, outside];
    for (let halving = 0; halving < HALVED; halving++) {
      const middle = Math.sqrt(within * beyond);
      if (isReached(middle)) within = middle;
      else beyond = middle;
    }
    return within;
  };
  return {
    minLux: edge(lights[first] ?? range.minLux, lights[first - 1]),
    maxLux: edge(lights[last] ?? range.maxLux, lights[last + 1]),
  };
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
    switching: live.crossing(halfAmps, range, around(goalLux, 1.6, range), combination.ohms),
  }));
}

/** The light range within which an action's load is on, ends named: where it is surely on and where surely off. */
export function endsFor(action: Action, range: LightRange) {
  return action === 'on-in-dark'
    ? { onLux: range.minLux, offLux: range.maxLux }
    : { onLux: range.maxLux, offLux: range.minLux };
}
