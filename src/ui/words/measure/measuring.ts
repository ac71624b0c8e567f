import type { FloorKind } from '@/core/ldr/kinds';
import type { MeterId, MeterRef } from '@/core/meter/meter';
import type { Mark } from '@/core/readings/ldrPart';
import type { LampKind } from '@/core/readings/reading';

/** The kinds of meter, by how they count. */
export const meterNames: Readonly<Record<MeterId, string>> = {
  'manual-2000': '2000 counts, range by hand',
  'auto-6000': '6000 counts, auto range',
  'bench-20000': '20 000 counts, bench',
};

export const curveNames: Readonly<Record<FloorKind, string>> = {
  power: 'power law',
  dark: 'with a dark floor',
  bright: 'with a bright floor',
  both: 'with both floors',
};

export const lampNames: Readonly<Record<LampKind, string>> = {
  daylight: 'daylight',
  'warm-lamp': 'warm lamp',
  'white-led': 'white LED',
  torch: 'torch',
  coloured: 'coloured light',
};

export const markNames: Readonly<Record<Mark, string>> = {
  none: 'no mark',
  red: 'red',
  yellow: 'yellow',
  green: 'green',
  blue: 'blue',
  white: 'white',
  black: 'black',
};

/** A meter as it is called: an own one by its name. */
export function meterName(meter: MeterRef): string {
  return typeof meter === 'string' ? meterNames[meter] : meter.name;
}

/** What each kind of curve says of the LDR, told under its name. */
export const curveMeanings: Readonly<Record<FloorKind, string>> = {
  power: 'a straight line on both logarithmic axes',
  dark: 'levels off where no light is left',
  bright: 'levels off in very bright light',
  both: 'levels off at both ends',
};

/** What is wrong with a field of an own meter, in one sentence. */
export const ownMeterRefusals = {
  name: 'A meter needs a name, of up to 60 letters.',
  counts: 'Counts are a whole number from 200, such as 2000 or 6000.',
  ranges: 'Full scales from low to high, such as 400 4k 40k 400k 4M.',
  accuracyPercent: 'From 0 to 50 %.',
  accuracyDigits: 'From 0 to 1000 digits.',
  inputOhms: 'A resistance such as 10M or 1M.',
} as const;
