import { uniforms } from '../../numeric/random';
import type { DaySettings, RoomLamp } from './daySettings';
import type { Passing } from './passing';

/** What can make a light unsteady; each drawn from a stream of its own, so that taking one away leaves the others as they were. */
export const disturbances = ['weather', 'leaves', 'headlights', 'lamps'] as const;
export type Disturbance = (typeof disturbances)[number];

const DAY_SECONDS = 86_400;

/** A draw between two ends, evenly in its logarithm. */
const between = (draw: () => number, min: number, max: number) => min * (max / min) ** draw();
const evenly = (draw: () => number, min: number, max: number) => min + (max - min) * draw();

/** Clouds that pass before a clear sky: to 0.15–0.5 of its light within 2–20 s, for 10–300 s. Depth is what they take. */
export function clouds(seed: number): readonly Passing[] {
  const draw = uniforms(seed, 0);
  const all: Passing[] = [];
  for (let time = between(draw, 30, 600); ;) {
    const fullFrom = time + evenly(draw, 2, 20);
    const fullTo = fullFrom + between(draw, 10, 300);
    const to = fullTo + evenly(draw, 2, 20);
    if (to >= DAY_SECONDS) return all;
    all.push({ from: time, fullFrom, fullTo, to, depth: 1 - evenly(draw, 0.15, 0.5) });
    time = to + between(draw, 20, 600);
  }
}

/** How bright an overcast sky is, as a share of a clear one, and how far it goes up and down in an hour. */
const OVERCAST = { min: 0.08, max: 0.25 } as const;

/** An overcast sky: it stays between a twelfth and a quarter of a clear one and moves within a quarter of an hour. Depth is what it takes. */
export function overcast(seed: number): readonly Passing[] {
  const draw = uniforms(seed, 1);
  return Array.from({ length: 96 }, (_, index) => {
    const from = index * 900;
    return {
      ...{ from, fullFrom: from + 300, fullTo: from + 600, to: from + 900 },
      depth: evenly(draw, 0, 1),
    };
  });
}
export const overcastShare = (depth: number) => OVERCAST.min * (OVERCAST.max / OVERCAST.min) ** depth;

/** A thunderstorm in the afternoon: down to 0.03 within five minutes, for half an hour or so. */
export function thunderstorm(seed: number): readonly Passing[] {
  const draw = uniforms(seed, 2);
  const from = evenly(draw, 13, 17) * 3600;
  const fullFrom = from + evenly(draw, 180, 300);
  const fullTo = fullFrom + evenly(draw, 900, 2700);
  return [{ from, fullFrom, fullTo, to: fullTo + evenly(draw, 600, 1800), depth: 0.97 }];
}

/** A gust in which leaves sway, and how. */
export interface Gust {
  readonly from: number;
  readonly to: number;
  readonly depth: number;
  readonly hertz: number;
  readonly phase: number;
}

/** Gusts of wind: leaves take 10–50 % of the light at 0.3–2 Hz, for some seconds to minutes, from dawn to dusk and at night alike. */
export function gusts(seed: number): readonly Gust[] {
  const draw = uniforms(seed, 3);
  const all: Gust[] = [];
  for (let time = between(draw, 60, 900); ;) {
    const to = time + between(draw, 5, 90);
    if (to >= DAY_SECONDS) return all;
    all.push({
      ...{ from: time, to, depth: evenly(draw, 0.1, 0.5), hertz: between(draw, 0.3, 2) },
      phase: draw() * 2 * Math.PI,
    });
    time = to + between(draw, 60, 900);
  }
}

/** Cars: 5–50 lx more for 2–6 s, so many an hour. */
export function headlights(seed: number, perHour: number): readonly Passing[] {
  if (perHour <= 0) return [];
  const draw = uniforms(seed, 4);
  const all: Passing[] = [];
  for (let time = 0; ;) {
    const from = time - Math.log(1 - draw()) * (3600 / perHour);
    const side = evenly(draw, 0.4, 1.2);
    const fullTo = from + side + evenly(draw, 1.2, 3.6);
    const to = fullTo + side;
    if (to >= DAY_SECONDS) return all;
    all.push({ from, fullFrom: from + side, fullTo, to, depth: between(draw, 5, 50) });
    time = to;
  }
}

/** How long a lamp takes to come and to go, in s. */
const LAMP_SECONDS = 0.1;

/** A lamp's hours of a day; from the evening over midnight they are two. */
export function lampHours({ fromMinutes, toMinutes, lux }: RoomLamp): readonly Passing[] {
  const hours = (from: number, to: number): Passing => ({
    ...{ from, fullFrom: from + LAMP_SECONDS, fullTo: to - LAMP_SECONDS, to },
    depth: lux,
  });
  const [from, to] = [fromMinutes * 60, toMinutes * 60];
  if (from < to) return [hours(from, to)];
  return [...(to > 0 ? [hours(-1, to)] : []), ...(from < DAY_SECONDS ? [hours(from, DAY_SECONDS + 1)] : [])];
}

/** What passes before the sky in a weather. */
export function weatherOf({ weather, seed }: Pick<DaySettings, 'weather' | 'seed'>): readonly Passing[] {
  switch (weather) {
    case 'clear':
      return [];
    case 'broken':
      return clouds(seed);
    case 'overcast':
      return overcast(seed);
    case 'thunderstorm':
      return thunderstorm(seed);
  }
}
