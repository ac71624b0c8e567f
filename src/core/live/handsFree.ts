import { relativeLightAt } from '../light/ladder';
import { sameLight, type ReadingLight } from '../readings/reading';
import type { MeterSample } from './sample';
import type { Settling } from './settling';

/** What the hands are to do, or the program waits for. */
export type HandsFreePhase =
  /** Waits for the light to be set: the figure still is the one that was taken last. */
  | 'set'
  /** The light has changed; waits for the figure to come to rest. */
  | 'settle'
  /** The figure went the other way than the plan: the light is not the one that was asked for. */
  | 'wrong-way';

export interface HandsFreeState {
  readonly phase: HandsFreePhase;
  /** The last figure that was taken, and at which light; `null` before the first. */
  readonly taken: { readonly sample: MeterSample; readonly light: ReadingLight } | null;
  /** Since when, in ms, the figure has been at rest or over range at this light; `null` while it is not. */
  readonly restingSince: number | null;
}

export const HANDS_FREE_START: HandsFreeState = { phase: 'set', taken: null, restingSince: null };

/** The light counts as changed when ln R has moved by this. */
const CHANGED = 0.12;
/** The first light is taken when the figure has been at rest for so long, in ms: time to set it. */
const FIRST_REST = 10_000;
/** Others are taken when it has been at rest, by {@link SettlingTracker} over three seconds, for so long. */
const REST = 400;
/** Over range comes to rest by staying there. */
const OVER_REST = 4000;

/** What follows from a sample: the state, and whether it is to be taken now. */
export interface HandsFreeStep {
  readonly state: HandsFreeState;
  readonly takes: boolean;
}

/**
 * One step of measuring along a plan with both hands at the lamp: waits for the light to change, for the figure to come to
 * rest, and takes it.
 *
 * @param light the planned light that is to be read now
 */
export function handsFreeStep(
  state: HandsFreeState,
  sample: MeterSample,
  settling: Settling,
  light: ReadingLight,
): HandsFreeStep {
  const { taken } = state;
  const isFirst = taken === null;
  if (taken && !hasChanged(taken.sample, sample) && !sameLight(taken.light, light))
    return { state: { phase: 'set', taken, restingSince: null }, takes: false };
  if (taken && goesWrongWay(taken, sample, light))
    return { state: { phase: 'wrong-way', taken, restingSince: null }, takes: false };
  const isAtRest = sample.above || settling.settled;
  const restingSince = isAtRest ? (state.restingSince ?? sample.at) : null;
  const needed = sample.above ? OVER_REST : isFirst ? FIRST_REST : REST;
  if (restingSince !== null && sample.at - restingSince >= needed)
    return { state: { phase: 'set', taken: { sample, light }, restingSince: null }, takes: true };
  return { state: { phase: 'settle', taken, restingSince }, takes: false };
}

function hasChanged(before: MeterSample, now: MeterSample): boolean {
  if (before.above !== now.above) return true;
  return !now.above && Math.abs(Math.log(now.ohms / before.ohms)) > CHANGED;
}

/** Whether the figure rose where the plan says brighter, or fell where it says darker. */
function goesWrongWay(
  { sample, light }: NonNullable<HandsFreeState['taken']>,
  now: MeterSample,
  next: ReadingLight,
): boolean {
  const [from, to] = [planned(light), planned(next)];
  if (from === null || to === null || from === to) return false;
  if (sample.above || now.above) return now.above ? to > from : to < from && !sample.above;
  const fell = Math.log(now.ohms / sample.ohms) < -CHANGED;
  const rose = Math.log(now.ohms / sample.ohms) > CHANGED;
  return to > from ? rose : fell;
}

/** A planned light on a scale of its own kind; `null` where nothing tells it. */
function planned(light: ReadingLight): number | null {
  if (light.kind === 'lux') return light.lux;
  // Layers only take light away; how much is not known yet, but it is less.
  if (light.kind === 'lamp') return relativeLightAt(light.metres) * 0.5 ** light.layers;
  return light.kind === 'lamp-off' ? 0 : null;
}
