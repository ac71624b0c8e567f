import { scaleLog } from 'd3-scale';
import { fractionOfLux, type LightRange } from '@/core/light/range';
import type { LightScale } from '@/core/light/scale';
import { GAP } from '@/core/quantity/format';
import { inNotation } from '@/core/quantity/notation';
import { namedLightOf, namedOhmsAt } from '@/core/readings/named';

/** Every digit of every decade: as many ticks as the scale gives without going over to even steps. */
const ticksOf = ({ minLux, maxLux }: LightRange) =>
  scaleLog([minLux, maxLux], [0, 1]).ticks(Math.log10(maxLux / minLux) + 2);
const isDecade = (value: number) => Math.abs(Math.log10(value) - Math.round(Math.log10(value))) < 1e-9;

/** The decades of the axis, in lux. */
export function decadesOf(range: LightRange): readonly number[] {
  return ticksOf(range).filter(isDecade);
}

/** The 2, 3 … 9 between the decades. */
export function minorTicksOf(range: LightRange): readonly number[] {
  return ticksOf(range).filter((light) => !isDecade(light));
}

/** A decade's figure: `0.1`, `10`, `1 k`. */
export function decadeLabel(lux: number): string {
  return lux >= 1000 ? `${lux / 1000}${GAP}k` : inNotation(String(lux));
}

/** A tick of the ruler with its figure. */
export interface MajorTick {
  readonly light: number;
  readonly label: string;
}

/** The ticks with figures, on whichever scale: decades of light, or decades of resistance from high to low. */
export function majorTicksOf(range: LightRange, scale: LightScale): readonly MajorTick[] {
  if (scale !== 'ohms') return decadesOf(range).map((light) => ({ light, label: decadeLabel(light) }));
  return ohmDecadesOf(range).map((ohms) => ({ light: namedLightOf(ohms), label: ohmsLabel(ohms) }));
}

/** The ticks without figures: 2, 3 … 9 between the decades of the scale. */
export function fineTicksOf(range: LightRange, scale: LightScale): readonly number[] {
  if (scale !== 'ohms') return minorTicksOf(range);
  return ohmDecadesOf(range)
    .flatMap((decade) => [2, 3, 4, 5, 6, 7, 8, 9].map((digit) => namedLightOf(digit * decade)))
    .filter((light) => light > range.minLux && light < range.maxLux);
}

/** Decades of resistance that lie on the axis, in Ω, from the dark end. */
function ohmDecadesOf({ minLux, maxLux }: LightRange): readonly number[] {
  const from = Math.ceil(Math.log10(namedOhmsAt(maxLux)) - 1e-9);
  const to = Math.floor(Math.log10(namedOhmsAt(minLux)) + 1e-9);
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => Number(`1e${to - index}`));
}

function ohmsLabel(ohms: number): string {
  if (ohms >= 1e6) return `${ohms / 1e6}${GAP}M`;
  return ohms >= 1000 ? `${ohms / 1000}${GAP}k` : String(ohms);
}

/** A name at its light on the ruler. */
export interface PlacedName {
  readonly light: number;
  readonly text: string;
}

/** The names that fit on the ruler side by side: each keeps its room, the earlier in the list first. @param room share of the axis for each letter */
export function withRoom(
  names: readonly PlacedName[],
  range: LightRange,
  room = 0.0105,
): readonly PlacedName[] {
  const taken: { from: number; to: number }[] = [];
  return names.filter(({ light, text }) => {
    const middle = fractionOfLux(light, range);
    const half = (text.length * room) / 2 + 0.006;
    const [from, to] = [middle - half, middle + half];
    if (from < 0 || to > 1 || taken.some((other) => from < other.to && to > other.from)) return false;
    taken.push({ from, to });
    return true;
  });
}

/** Round upper end for a scale from 0 that shows values up to `most`. */
export function niceCeiling(max: number): number {
  const decade = 10 ** Math.floor(Math.log10(max));
  const step = [1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].find((candidate) => candidate * decade >= max * 1.04);
  return (step ?? 12) * decade;
}
