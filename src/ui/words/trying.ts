import type { CornerRow } from '@/core/analyse/stability';
import { GAP } from '@/core/quantity/format';
import type { LoadKind } from '@/core/loads/kinds';
import type { BurstCause } from '@/core/simulate/day/bursts';
import type { DayCure } from '@/core/simulate/day/cureDay';
import type { Weather } from '@/core/simulate/day/daySettings';
import type { RecordedTrack } from '@/core/simulate/day/recorded';
import type { Hand } from '@/core/simulate/hands';
import type { OptionCode, Question } from '@/core/simulate/predict';
import type { Factor } from '@/core/spread/factors';
import type { PayoffKind } from '@/core/spread/payoffs';
import { percent, ratio, volts } from './figures';
import type { LightText } from './light';
import { hoursText, timeText } from './time';

export const handNames: Readonly<Record<Hand, string>> = {
  hand: 'Hand over it',
  cover: 'Cover',
  torch: 'Torch',
  leaf: 'Leaf',
  cloud: 'Cloud',
  headlights: 'Headlights',
  'room-lamp': 'Room lamp',
  screen: 'Screen',
  beam: 'Beam broken',
  sunset: 'Sunset in a minute',
};

/** The key that does it. */
export const handKeys: Readonly<Record<Hand, string>> = {
  hand: 'H',
  cover: 'C',
  torch: 'T',
  leaf: 'L',
  cloud: 'W',
  headlights: 'A',
  'room-lamp': 'R',
  screen: 'V',
  beam: 'B',
  sunset: 'S',
};

export const weatherNames: Readonly<Record<Weather, string>> = {
  clear: 'clear',
  broken: 'broken cloud',
  overcast: 'overcast',
  thunderstorm: 'thunderstorm',
};

export const causeNames: Readonly<Record<BurstCause, string>> = {
  weather: 'clouds that pass',
  leaves: 'leaves in the wind',
  headlights: 'passing headlights',
  lamps: 'the room lamp',
  'own-light': 'the load’s own light',
  ripple: 'the lamp’s mains ripple',
};

/** A time of day: `07:05`, of a burst with its seconds. @param seconds after midnight */
export function dayTimeText(seconds: number, withSeconds = false): string {
  const whole = Math.max(0, Math.round(withSeconds ? seconds : seconds / 60) * (withSeconds ? 1 : 60));
  const part = (value: number) => String(Math.floor(value)).padStart(2, '0');
  // The end of a day is not its beginning.
  const hours = whole === 86_400 ? 24 : (whole / 3600) % 24;
  const text = `${part(hours)}:${part((whole / 60) % 60)}`;
  return withSeconds ? `${text}:${part(whole % 60)}` : text;
}

/** A span within a day: `7 h 12 min`, `3 min 20 s`, `12 s`. @param seconds 0 or more */
export function daySpanText(seconds: number): string {
  if (seconds < 3600) return seconds < 0.05 ? `0${GAP}s` : timeText(Math.max(0.1, seconds));
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}${GAP}h ${minutes % 60}${GAP}min`;
}

/** Where a light is: `darker than 12 lx`, `between 2 lx and 8 lx`. @param where 0 and `Infinity` for no end */
export function hoursWhere(
  { fromLux, toLux }: { readonly fromLux: number; readonly toLux: number },
  light: LightText,
): string {
  if (fromLux > 0 && toLux < Infinity) return `between ${light(fromLux)} and ${light(toLux)}`;
  return fromLux > 0 ? `brighter than ${light(fromLux)}` : `darker than ${light(toLux)}`;
}

export const daysText = (days: number) => hoursText(days * 24);

/** What a cure of a day changes. */
export function dayCureText(cure: DayCure): string {
  switch (cure.kind) {
    case 'hysteresis':
      return `Its lights to turn on and to turn off ${ratio(cure.ratio)} apart`;
    case 'comparator-with-hysteresis':
      return `A comparator, its lights to turn on and to turn off ${ratio(cure.ratio)} apart`;
    case 'edge-band':
      return `A band at each edge, its lights on the way up and on the way down ${ratio(cure.ratio)} apart`;
    case 'averaging':
      return cure.isReplaced
        ? `A microcontroller that averages ${cure.samples} readings`
        : `Average ${cure.samples} readings before deciding`;
    case 'min-on':
      return cure.isReplaced
        ? `A microcontroller that stays on for at least ${timeText(cure.seconds)}`
        : `Stay on for at least ${timeText(cure.seconds)}`;
  }
}

/** Why a recorded light is none. */
export function recordedRefusal(found: Exclude<RecordedTrack, { readonly ok: true }>): string {
  switch (found.reason) {
    case 'empty':
      return 'This log has no points that the LDR’s curve can turn into light.';
    case 'too-short':
      return 'This log has one point: a light needs at least two.';
    case 'backward':
      return `The time goes back at point ${found.index + 1}: put its points in order first.`;
  }
}

/** What differs from one build to the next. */
export function factorName(factor: Factor): string {
  switch (factor.of) {
    case 'ldr':
      return 'LDR, its resistance';
    case 'ldr-slope':
      return 'LDR, its slope γ';
    case 'light-meter':
      return 'the light meter';
    case 'resistor':
      return `${factor.designator}, ±${percent(factor.tolerance)}`;
    case 'gain':
      return `${factor.designator}, its gain β`;
    case 'base-volts':
      return `${factor.designator}, its base voltage`;
    case 'gate-threshold':
      return `${factor.designator}, its gate threshold`;
    case 'offset':
      return 'the input offset';
    case 'thresholds':
      return `${factor.designator}, its thresholds`;
    case 'supply':
      return 'the supply’s volts';
    case 'load-supply':
      return 'the load supply’s volts';
    case 'warmth':
      return 'warmth';
  }
}

/** The ends of what a design may meet. */
export const cornerNames: Readonly<Record<CornerRow['corner'], string>> = {
  weak: 'With the weakest part',
  strong: 'With the strongest part',
  flat: 'On the lowest supply',
  fresh: 'On the highest supply',
  cold: 'At 0 °C',
  hot: 'At 50 °C',
};

/** What would make more of a lot do. */
export const payoffNames: Readonly<Record<PayoffKind, string>> = {
  measure: 'Measure your LDR',
  trimmer: 'A trimmer for R1',
  resistors: '1 % resistors',
  supply: 'A regulated supply, ±2 %',
  comparator: 'A comparator before the transistor',
};

/** What a load does when it is on, in a word. */
export const onWords: Readonly<Record<LoadKind, string>> = {
  led: 'lit',
  buzzer: 'sounding',
  relay: 'pulled in',
  module: 'active',
  lamp: 'lit',
  motor: 'running',
  logic: 'switched',
  strip: 'lit',
  tone: 'sounding',
  fan: 'running',
  solenoid: 'pulled',
};

const optionNames: Readonly<Record<OptionCode, string>> = {
  on: 'on',
  off: 'off',
  'turns-on': 'it turns on',
  'turns-off': 'it turns off',
  stays: 'nothing changes',
  up: 'to more ohms',
  down: 'to fewer ohms',
  nothing: 'R1 does not matter',
  plus: 'the midpoint',
  minus: 'the reference',
};

/** What is offered as an answer. */
export function optionText({ kind }: Pick<Question, 'kind'>, option: number | OptionCode): string {
  if (typeof option !== 'number') return optionNames[option];
  return kind === 'midpoint' ? volts(option) : String(option);
}

/** A question as it is asked. */
export function questionText({ kind, lux, from }: Question, light: LightText): string {
  const there = light(lux);
  const before =
    from === 'dark' ? 'It has been dark; now it gets lighter' : 'It has been bright; now it gets darker';
  switch (kind) {
    case 'on-or-off':
      return `${before}, up to ${there}. Is the load on or off?`.replace('darker, up to', 'darker, down to');
    case 'darker':
      return 'A bright day goes down to night. What does the load do on the way?';
    case 'midpoint':
      return `At ${there}, what does a meter at the midpoint show?`;
    case 'which-way':
      return 'It should switch at a darker light than now. Which way does R1 go?';
    case 'count':
      return `At ${there}, how many of the loads are on?`;
    case 'inputs':
      return `At ${there}, a meter goes to both inputs. Which is higher?`;
  }
}

/** Why the right answer is right, with its figures. */
export function reasonText({ kind, lux, facts, options, right }: Question, light: LightText): string {
  const { midVolts, referenceVolts, switchLux } = facts;
  const there = light(lux);
  const switches = switchLux === null ? '' : ` It switches at ${light(switchLux)}.`;
  switch (kind) {
    case 'on-or-off':
      return `At ${there} the midpoint is at ${volts(midVolts)}.${switches}`;
    case 'darker':
      return `The LDR’s resistance rises as it gets darker.${switches}`;
    case 'midpoint':
      return `LDR and R1 share the supply as their resistances: ${volts(midVolts)} at ${there}.`;
    case 'which-way':
      return options[right] === 'nothing'
        ? `Turned by a third, R1 moves it by less than two hundredths.${switches}`
        : `In the dark the LDR has more ohms. What R1 must be to it where it switches stays the same, so for a darker light it goes ${options[right] === 'up' ? 'up' : 'down'}.${switches}`;
    case 'count':
      return `The midpoint is at ${volts(midVolts)} at ${there}: each step whose tap it has passed is on.`;
    case 'inputs':
      return `The midpoint is at ${volts(midVolts)} and the reference at ${volts(referenceVolts ?? 0)}.`;
  }
}
