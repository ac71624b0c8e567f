import type { CircuitAnalysis } from '../../analyse/analysis';
import { roomLightsOf, type RoomLights } from '../../analyse/roomLights';
import type { Project } from '../../project/project';
import type { DaySettings } from './daySettings';
import { clearLight } from './sky';
import { overcastShare } from './disturbances';

/** A day of the year: when the loads are switched on and off by daylight alone, in minutes after midnight; `null` for not at all. */
export interface YearDay {
  readonly date: string;
  readonly clear: DayTimes;
  readonly overcast: DayTimes;
}

export interface DayTimes {
  readonly on: number | null;
  readonly off: number | null;
  /** It is on, or off, all day: polar day or night, or a light that is never passed. */
  readonly stays: 'on' | 'off' | null;
}

/** The lights of a place at which a design turns on and off, and when its loads are on. */
export interface YearLights extends RoomLights {
  readonly isOnInDark: boolean;
}

/**
 * The lights by which a design’s loads follow daylight; `null` where it has none, is on between two of them, or goes by a time of
 * its own from each switching.
 */
export function yearLightsOf(project: Project, design: CircuitAnalysis): YearLights | null {
  const lights = roomLightsOf(project, design);
  return lights && { ...lights, isOnInDark: design.action === 'on-in-dark' };
}

/** Places of the sun in a day, and how finely a time is found between two, in s. */
const STEP = 900;
const FINE = 5;
/** An overcast sky of the middling sort. */
const OVERCAST = overcastShare(0.5);

const luxOf = (day: DaySettings, seconds: number, isOvercast: boolean) => {
  const { sun, sky, overcast } = clearLight(day, seconds);
  return isOvercast ? overcast * OVERCAST : sun + sky;
};

/** The times of one day: of several switchings the last on and the last off. */
function timesOf(day: DaySettings, { onLux, offLux, isOnInDark }: YearLights, isOvercast: boolean): DayTimes {
  const [up, down] = isOnInDark ? [offLux, onLux] : [onLux, offLux];
  const first = luxOf(day, 0, isOvercast);
  let isBright = first >= up;
  const startsBright = isBright;
  const moves: { at: number; isBright: boolean }[] = [];
  let before = first;
  for (let time = STEP; time <= 86_400; time += STEP) {
    const here = luxOf(day, time, isOvercast);
    const level = isBright ? down : up;
    const crosses = isBright ? here < level && before >= level : here >= level && before < level;
    if (crosses) {
      let [from, to] = [time - STEP, time];
      while (to - from > FINE) {
        const middle = (from + to) / 2;
        if (luxOf(day, middle, isOvercast) >= level === isBright) from = middle;
        else to = middle;
      }
      isBright = !isBright;
      moves.push({ at: to / 60, isBright });
    }
    before = here;
  }
  const isOn = (bright: boolean) => bright !== isOnInDark;
  if (moves.length === 0) return { on: null, off: null, stays: isOn(startsBright) ? 'on' : 'off' };
  return {
    on: moves.findLast((move) => isOn(move.isBright))?.at ?? null,
    off: moves.findLast((move) => !isOn(move.isBright))?.at ?? null,
    stays: null,
  };
}

/** Times of switching over a year by daylight alone, clear and overcast. @param every so many days one is worked out */
export function yearOf(
  day: DaySettings,
  lights: YearLights,
  every = 1,
  onProgress: (share: number) => void = () => undefined,
): readonly YearDay[] {
  const year = Number(day.date.slice(0, 4));
  const first = Date.UTC(year, 0, 1);
  const count = Math.round((Date.UTC(year + 1, 0, 1) - first) / 86_400_000);
  const days: YearDay[] = [];
  for (let index = 0; index < count; index += every) {
    const date = new Date(first + index * 86_400_000).toISOString().slice(0, 10);
    const on = { ...day, date };
    days.push({ date, clear: timesOf(on, lights, false), overcast: timesOf(on, lights, true) });
    if (index % 20 === 0) onProgress(index / count);
  }
  return days;
}
