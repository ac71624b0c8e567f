import { mainsRippleOf, type Ripple } from './ripple';
import {
  gusts,
  headlights,
  lampHours,
  overcastShare,
  weatherOf,
  type Disturbance,
  type Gust,
} from './disturbances';
import type { DaySettings } from './daySettings';
import { momentsOf, Passings, type Passing } from './passing';
import { ClearDay } from './sky';

/** Light at the LDR over a stretch of time, at moments between which the LDR's conductance goes evenly. */
export interface LightTrack {
  /** Seconds after midnight, rising. Shape: moments. */
  readonly seconds: Float64Array;
  /** In lx; without the loads' own. Shape: moments. */
  readonly lux: Float64Array;
  /** When a lamp's ripple is there, and how much of its light it is, peak to peak as a share. */
  readonly ripples: readonly Ripple[];
}

export const DAY_SECONDS = 86_400;
/** Moments so far apart at most, in s. */
const LONGEST = 20;
/** A sway of leaves has so many moments. */
const PER_SWAY = 16;
/** A side of something that passes has so many steps. */
const SIDE_STEPS = 6;
/** Darker than this no leaf and no cloud matters, in lx. */
const TOO_DARK = 0.001;

/** A gust that fades in and out over its first and last fifth. */
function leafShare({ from, to, depth, hertz, phase }: Gust, time: number): number {
  const edge = 0.2 * (to - from);
  const fade = Math.min(1, (time - from) / edge, (to - time) / edge);
  return depth * Math.max(0, fade) * (0.5 + 0.5 * Math.sin(2 * Math.PI * hertz * (time - from) + phase));
}

/**
 * The light of a day, or of a part of it.
 * @param without what is left out of it, to see what it does
 */
export function dayLight(
  day: DaySettings,
  {
    from = 0,
    to = DAY_SECONDS,
    without = [],
  }: {
    readonly from?: number;
    readonly to?: number;
    readonly without?: readonly Disturbance[];
  } = {},
): LightTrack {
  const has = (one: Disturbance) => !without.includes(one);
  const within = (passings: readonly Passing[]) => passings.filter((one) => one.to > from && one.from < to);
  const isOvercast = day.weather === 'overcast';
  const clear = new ClearDay(day);
  const weather = within(weatherOf(has('weather') || isOvercast ? day : { ...day, weather: 'clear' }));
  const leaves =
    day.leaves && has('leaves') ? gusts(day.seed).filter((one) => one.to > from && one.from < to) : [];
  const cars = has('headlights') ? within(headlights(day.seed, day.headlights)) : [];
  const lamps = has('lamps') ? day.lamps : [];
  const lit = lamps.map((lamp) => within(lampHours(lamp)));
  const moments = new Set<number>([from, to]);
  const add = (time: number) => {
    if (time > from && time < to) moments.add(time);
  };
  for (let time = from; time < to; time += LONGEST) add(time);
  for (const passing of [...weather, ...cars, ...lit.flat()])
    for (const time of momentsOf(passing, SIDE_STEPS)) add(time);
  for (const gust of leaves) {
    if (clear.skyAt(gust.from) + clear.sunAt(gust.from) < TOO_DARK) continue;
    const step = 1 / (gust.hertz * PER_SWAY);
    for (let time = gust.from; time <= gust.to; time += step) add(time);
  }
  const seconds = Float64Array.from(moments).sort();
  const lux = new Float64Array(seconds.length);
  const passing = {
    weather: new Passings(weather),
    cars: new Passings(cars),
    lit: lit.map((hours) => new Passings(hours)),
  };
  let gust = 0;
  for (let index = 0; index < seconds.length; index++) {
    const time = seconds[index] ?? 0;
    while (gust < leaves.length && (leaves[gust]?.to ?? 0) <= time) gust += 1;
    const present = leaves[gust];
    const taken = present && time > present.from ? leafShare(present, time) : 0;
    const depth = passing.weather.at(time);
    const sky = isOvercast
      ? clear.overcastAt(time) * overcastShare(depth)
      : (clear.sunAt(time) + clear.skyAt(time)) * (1 - depth);
    let light = sky * (1 - taken) + passing.cars.at(time);
    for (const hours of passing.lit) light += hours.at(time);
    lux[index] = Math.max(light, 1e-5);
  }
  return { seconds, lux, ripples: mainsRippleOf(lamps, day.mainsHertz, { from, to }) };
}
