import type { Ok, Refused } from '../result';
import { ldrOhmsAt } from '../ldr/curve';
import { logSpacedLux, type LightRange } from '../light/range';
import { findPeak } from '../numeric/findPeak';
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
    const found = passing(overHalf, acrossOhms(LOOKED_AT));
    if (found && !failed) root = rootIn(...found);
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
  if (givesWay(live, range)) return lookedForReach(live, halfAmps, range);
  const { min, max } = OFFERED_OHMS;
  const edges = [min, max].flatMap((ohms) => {
    const edge = findCrossing((lux) => live.over(halfAmps, lux, ohms), range);
    return edge.ok ? [edge.lux] : [];
  });
  edges.sort((one, other) => one - other);
  const lights = [range.minLux, ...edges, range.maxLux];
  const between = lights.slice(1).map((maxLux, index) => ({ minLux: lights[index] ?? maxLux, maxLux }));
  const overAt = (one: LightRange) => overAtLight(live, halfAmps, Math.sqrt(one.minLux * one.maxLux));
  // Between two edges the least and the most resistor have the load on one side of half, or on either.
  const reached = between.filter((one) => turns(overAt(one), [Math.log(min), Math.log(max)]) > 0);
  const goesOneWay = between.every((one) =>
    reached.includes(one) ? turns(overAt(one), FEW) === 1 : passing(overAt(one), FEW) === null,
  );
  if (!goesOneWay) return lookedForReach(live, halfAmps, range);
  const [first, last] = [reached[0], reached.at(-1)];
  return first && last ? { minLux: first.minLux, maxLux: last.maxLux } : null;
}

/** Resistors that show whether more of it goes one way only. */
const FEW = acrossOhms(9);

/** So much less of its voltage, as a share, is no more a supply that stays as it is. */
const GIVEN_WAY = 0.02;

/** Whether the divider may take so much of its supply that the load gets less: then more of R1 may turn it on and off again. */
function givesWay({ assembly, ldr }: DesignCircuit, { maxLux }: LightRange): boolean {
  const [rail] = assembly.rails;
  if (!rail) return false;
  const { ohms, volts, limitAmps } = rail;
  const least = ldrOhmsAt(ldr.curve, maxLux);
  return ohms > GIVEN_WAY * least || volts > (limitAmps ?? Infinity) * least;
}

type Over = (lnOhms: number) => number;

/** How far the load is over half at a light, by ln of R1. */
const overAtLight = (live: DesignCircuit, halfAmps: number, lux: number): Over => {
  return (lnOhms) => live.over(halfAmps, lux, Math.exp(lnOhms)) ?? -1;
};

/** How often the load goes over half its current from one of these resistors to the next. */
function turns(over: Over, lnOhms: readonly number[]): number {
  const isOver = lnOhms.map((ln) => over(ln) > 0);
  return isOver.filter((is, index) => index > 0 && is !== isOver[index - 1]).length;
}

/** So near, in ln of R1, the resistor is looked for with which the load comes nearest to half. */
const NEAREST = { tolerance: 0.02, leastGain: 1e-4, maxSteps: 20 };

/**
 * Two values of ln R1 on either side of half: neighbours of these, or, where all are on one side, one of them and that between its
 * neighbours which comes over to the other; `null` where none does.
 * @param lnOhms rising
 */
function passing(over: Over, lnOhms: readonly number[]): readonly [number, number] | null {
  const values = lnOhms.map(over);
  const at = values.findIndex((value, index) => index > 0 && value > 0 !== (values[index - 1] ?? value) > 0);
  if (at > 0) return [lnOhms[at - 1]!, lnOhms[at]!];
  // As far as it is towards the other side: above 1 where it has come over.
  const side = (values[0] ?? 0) > 0 ? -1 : 1;
  const towards = (value: number) => Math.exp(Math.min(MOST_TOWARDS, side * value));
  const nearest = values.reduce((best, value, index) => {
    return side * value > side * values[best]! ? index : best;
  }, 0);
  const [before, x, after] = [-1, 0, 1].map((by) => lnOhms[nearest + by]);
  if (before === undefined || x === undefined || after === undefined) return null;
  let beyond: number | null = null;
  const climbed = (ln: number) => {
    const value = over(ln);
    if (value > 0 !== (values[0] ?? 0) > 0) beyond ??= ln;
    return towards(value);
  };
  findPeak(climbed, [before, after], { x, value: towards(values[nearest]!) }, NEAREST);
  return beyond === null ? null : x < beyond ? [x, beyond] : [beyond, x];
}

/** Nothing is looked for beyond this: what is over by so much has come over. */
const MOST_TOWARDS = 50;

/** The same by looking: at each of many lights whether any of many resistors makes a difference there. */
function lookedForReach(live: DesignCircuit, halfAmps: number, range: LightRange): LightRange | null {
  const steps = acrossOhms(LOOKED_AT);
  const isReached = (lux: number) => passing(overAtLight(live, halfAmps, lux), steps) !== null;
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
