import { ldrLuxAt, ldrOhmsAt } from '../../ldr/curve';
import { around, findCrossing } from '../../light/crossing';
import type { Ok, Refused } from '../../result';
import { toleranceOf } from '../../series/stock';
import { branchOhms, ldrOhmsWithin } from '../bareDivider';
import type { DetectorBench } from '../bench';
import { candidatesFor, type FixedRange } from './candidates';
import { placed } from './referenceTrimmer';
import type { ComparatorSettings } from './settings';
import { outputLevels, referenceSides, tripBranch, withParts, type Levels, type TripParts } from './trips';

type Bench = DetectorBench<ComparatorSettings>;

/** Real parts for one light or two, and what they give in the whole circuit. */
export interface HysteresisChoice extends TripParts {
  readonly onLux: number;
  readonly offLux: number;
  /** The larger of both errors, as ln of the ratio of lights. */
  readonly error: number;
  readonly bandRatio: number;
  /** How far the part's offset may move the light it turns on at, either way, as a share. */
  readonly spread: number;
  /** How far the resistors' tolerance may move it, either way, as a share; 0 where a trimmer takes it out. */
  readonly toleranceShare: number;
  /** Through the reference's upper resistor while it is off, and what reference and divider take together then, in A. */
  readonly referenceAmps: number;
  readonly totalAmps: number;
}

export type HysteresisSearch =
  | Ok<{ readonly found: readonly HysteresisChoice[] }>
  | Refused<'not-reachable', { readonly nearest: HysteresisChoice | null }>
  | Refused<'no-band' | 'band-inverted' | 'empty-stock' | 'not-converged'>;

/** Both lights within this is reached: 2 %. */
export const REACHED = Math.log(1.02);
/** How many of the closed forms' best are solved in the whole circuit, and how many are shown. */
const SOLVED = 48;
const SHOWN = 10;
/** Errors under this count as none: what flows then decides. */
const GOOD_ENOUGH = Math.log(1.01);
/** Ten times the reference's current counts as much as this error. */
const CURRENT_WEIGHT = 0.004;
const LITTLE_AMPS = 1e-5;
/** A part of the work is done at a time, so that progress can be shown. */
const PER_STEP = 6;

/**
 * Parts in stock that make a comparator turn on and off at the goal's two lights: a search over divider, reference and feedback by
 * the closed forms, the best solved in the whole circuit. The best ten, best first; the share that is done on the way.
 * @param travel what R1 may be set to where a trimmer is in its place; `null` for a resistor in stock
 * @param enough so many good sets are enough, where only the first of them is wanted
 */
export function* searchSteps(
  settings: ComparatorSettings,
  bench: Bench,
  travel: FixedRange | null = null,
  enough = Infinity,
): Generator<number, HysteresisSearch> {
  const { goal, curve } = bench;
  const { lux, offLux } = goal;
  // Feedback without a light to turn off at could be anything.
  if (offLux === null && settings.feedbackOhms !== null) return { ok: false, reason: 'no-band' };
  const isRight = offLux === null || (goal.action === 'on-in-dark' ? offLux > lux : offLux < lux);
  if (!isRight) return { ok: false, reason: 'band-inverted' };
  const levels = outputLevels(settings, bench);
  if (!levels) return { ok: false, reason: 'not-converged' };
  const figures = candidatesFor(
    settings,
    bench,
    levels,
    ldrOhmsAt(curve, lux),
    ldrOhmsAt(curve, offLux ?? lux),
    travel,
  );
  if (figures === null) return { ok: false, reason: 'empty-stock' };
  yield 0.3;
  const rough = figures
    .map((parts) => ({ parts, error: roughError(settings, bench, parts, levels) }))
    .filter(({ error }) => Number.isFinite(error))
    .sort((one, other) => one.error - other.error)
    .slice(0, SOLVED);
  const solved: HysteresisChoice[] = [];
  for (let at = 0; at < rough.length; at += PER_STEP) {
    for (const { parts } of rough.slice(at, at + PER_STEP)) {
      const choice = solvedChoice(settings, bench, parts, levels);
      if (choice) solved.push(choice);
    }
    if (solved.filter(({ error }) => error <= GOOD_ENOUGH).length >= enough) break;
    yield 0.3 + (0.7 * Math.min(at + PER_STEP, rough.length)) / rough.length;
  }
  // Nearer than a hundredth is near enough: then what another part of the lot would move it by decides, and the current.
  const grade = ({ error, spread, toleranceShare, totalAmps }: HysteresisChoice) =>
    Math.max(error, GOOD_ENOUGH) +
    Math.hypot(spread, toleranceShare) +
    CURRENT_WEIGHT * Math.log10(Math.max(totalAmps, 1e-9) / LITTLE_AMPS);
  const found = solved
    .filter(({ error }) => error <= REACHED)
    .sort((one, other) => grade(one) - grade(other));
  if (found.length > 0) return { ok: true, found: found.slice(0, SHOWN) };
  const nearest = solved.reduce<HysteresisChoice | null>(
    (best, choice) => (best && best.error <= choice.error ? best : choice),
    null,
  );
  return { ok: false, reason: 'not-reachable', nearest };
}

/** The light at which parts are level while the output is at a level, by the closed form; NaN where they never are. */
function lightBy(
  settings: ComparatorSettings,
  { divider, curve }: Bench,
  parts: TripParts,
  level: Levels['whenOn'],
): number {
  const branch = tripBranch(divider, settings, parts, level);
  const alone = branch === null ? null : ldrOhmsWithin(branch, divider);
  return (alone !== null && ldrLuxAt(curve, alone)) || NaN;
}

function roughError(settings: ComparatorSettings, bench: Bench, parts: TripParts, levels: Levels): number {
  const { goal } = bench;
  const on = lightBy(settings, bench, parts, levels.whenOff);
  if (goal.offLux === null) return Math.abs(Math.log(on / goal.lux));
  const off = lightBy(settings, bench, parts, levels.whenOn);
  return Math.max(Math.abs(Math.log(on / goal.lux)), Math.abs(Math.log(off / goal.offLux)));
}

/** How far the resistors' tolerances move the light it turns on at, added as squares, in ln of light. */
function toleranceShareOf(
  settings: ComparatorSettings,
  bench: Bench,
  parts: TripParts,
  { whenOff }: Levels,
): number {
  // Whoever sets a trimmer by the light sets all of them.
  if (parts.trimmer) return 0;
  const tolerance = toleranceOf(bench.stock);
  const nominal = lightBy(settings, bench, parts, whenOff);
  const shifts = (['fixedOhms', 'topOhms', 'bottomOhms', 'feedbackOhms'] as const).map((key) => {
    const other = lightBy(settings, bench, { ...parts, [key]: parts[key] * (1 + tolerance) }, whenOff);
    return Number.isFinite(parts[key]) ? Math.log(other / nominal) : 0;
  });
  return Math.hypot(...shifts);
}

function solvedChoice(
  settings: ComparatorSettings,
  bench: Bench,
  wanted: TripParts,
  levels: Levels,
): HysteresisChoice | null {
  for (const parts of placed(settings, bench, wanted)) {
    const choice = choiceOf(settings, bench, parts, levels);
    if (choice) return choice;
  }
  return null;
}

function choiceOf(
  settings: ComparatorSettings,
  bench: Bench,
  parts: TripParts,
  levels: Levels,
): HysteresisChoice | null {
  const { goal, divider, range } = bench;
  const made = bench.with(withParts(settings, parts), parts.fixedOhms);
  const index = made.goalBoundary;
  const [onWay, offWay] = made.isOn[index]
    ? (['falling', 'rising'] as const)
    : (['rising', 'falling'] as const);
  const at = (way: 'rising' | 'falling', near: number) =>
    findCrossing((lux) => made.overBoundary(index, way, lux), range, around(near, 1.5, range));
  const [on, off] = [at(onWay, goal.lux), at(offWay, goal.offLux ?? goal.lux)];
  if (!on.ok || !off.ok) return null;
  const offError = goal.offLux === null ? 0 : Math.abs(Math.log(off.lux / goal.offLux));
  const error = Math.max(Math.abs(Math.log(on.lux / goal.lux)), offError);
  // At either light both inputs are level: there they must be within what the part's inputs take.
  const stateBefore = (way: 'rising' | 'falling') => (way === 'rising' ? index : index + 1);
  const inputs = [
    inputsAt(settings, made, on.lux, stateBefore(onWay)),
    inputsAt(settings, made, off.lux, stateBefore(offWay)),
  ];
  if (!inputs.every((input) => input?.isWithin)) return null;
  const bandRatio = Math.max(on.lux, off.lux) / Math.min(on.lux, off.lux);
  const { supplyVolts = 0, referenceVolts = 0, midVolts = 0 } = inputs[0] ?? {};
  const referenceAmps = Math.abs(supplyVolts - referenceVolts) / referenceSides(parts).topOhms;
  const branch = branchOhms(ldrOhmsAt(bench.curve, on.lux), divider);
  const upperOhms = divider.ldrSide === 'top' ? branch : parts.fixedOhms;
  const totalAmps = referenceAmps + Math.abs(supplyVolts - midVolts) / upperOhms;
  const spread = offsetShare(settings, made, onWay, on.lux);
  const toleranceShare = toleranceShareOf(settings, bench, parts, levels);
  const lights = { onLux: on.lux, offLux: off.lux, error, bandRatio };
  return { ...parts, ...lights, spread, toleranceShare, referenceAmps, totalAmps };
}

/** What stands at a comparator's inputs at a light, in V; `null` where there is no operating point. */
function inputsAt({ part, negativeVolts }: ComparatorSettings, made: Bench, lux: number, position: number) {
  const [referenceVolts, midVolts, supplyVolts] = [
    made.voltsAt('ref', lux, position),
    made.voltsAt('mid', lux, position),
    made.voltsAt('supply', lux, position),
  ];
  if (referenceVolts === null || midVolts === null || supplyVolts === null) return null;
  const isWithin =
    referenceVolts >= part.inputLowVolts - negativeVolts &&
    referenceVolts <= supplyVolts - part.inputHighVolts;
  return { referenceVolts, midVolts, supplyVolts, isWithin };
}

/** The part's offset over the slope of what it compares, in ln of light. */
function offsetShare(
  { part }: ComparatorSettings,
  made: Bench,
  way: 'rising' | 'falling',
  lux: number,
): number {
  const step = 1.01;
  const over = (light: number) => made.overBoundary(made.goalBoundary, way, light);
  const [above, below] = [over(lux * step), over(lux / step)];
  if (above === null || below === null) return 0;
  return (part.offsetVolts * 2 * Math.log(step)) / Math.max(1e-9, Math.abs(above - below));
}

/** What is put in when someone asks for hysteresis: a quarter more light to turn off. */
export const DEFAULT_HYSTERESIS = 1.25;
