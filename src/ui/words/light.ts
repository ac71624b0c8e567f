import type { LightScale } from '@/core/light/scale';
import { formatQuantity, GAP } from '@/core/quantity/format';
import { METRES_PER_INCH } from '@/core/light/ladder';
import { inNotation, notation } from '@/core/quantity/notation';
import { namedOhmsAt } from '@/core/readings/named';
import type { Level, Measurement, Reading, ReadingLight } from '@/core/readings/reading';
import { lux, ohms, partOhms } from './figures';

/** How a project tells its lights. */
export type LightText = (light: number) => string;

const texts: Readonly<Record<LightScale, LightText>> = {
  lux,
  relative: (light) => formatQuantity(light, '×', { trim: true }),
  ohms: (light) => ohms(namedOhmsAt(light)),
};

export const lightText = (scale: LightScale): LightText => texts[scale];

/** What the scale is, in a word or two beside the ruler. */
export const scaleNames: Readonly<Record<LightScale, string>> = {
  lux: 'Light',
  relative: '× lamp',
  ohms: 'LDR Ω',
};

/** What stands for the scale under the last tick. */
export const scaleUnits: Readonly<Record<LightScale, string>> = { lux: 'lx', relative: '×', ohms: 'Ω' };

/** A distance in the reader's units, as the field for one reads it back: `70.5 cm`, `2.5 m`; `9.84 in`, `16.4 ft`. */
export function metresText(metres: number): string {
  const text = (value: number, decimals: number, unit: string) =>
    `${inNotation(String(Number(value.toFixed(decimals))))}${GAP}${unit}`;
  if (notation().distance === 'metric')
    return metres >= 2 ? text(metres, 2, 'm') : text(metres * 100, 1, 'cm');
  const inches = metres / METRES_PER_INCH;
  return inches >= 120 ? text(inches / 12, 2, 'ft') : text(inches, 2, 'in');
}

/** A distance to write down as an example, and where a ladder may begin: round in the reader's units. */
export const distanceExample = () =>
  metresText(notation().distance === 'metric' ? 0.5 : 20 * METRES_PER_INCH);
export const firstRungMetres = () => (notation().distance === 'metric' ? 0.25 : 10 * METRES_PER_INCH);

/** A light as it was told: `12 lx`, `hall, evening`, `50 cm`, `50 cm, 2 layers`, `lamp off`. */
export function readingLightText(light: ReadingLight, levels: readonly Level[]): string {
  switch (light.kind) {
    case 'lux':
      return lux(light.lux);
    case 'level':
      return levels.find((level) => level.id === light.level)?.name ?? 'a level that is gone';
    case 'lamp': {
      const layers = light.layers === 0 ? '' : `, ${light.layers} ${light.layers === 1 ? 'layer' : 'layers'}`;
      return `${metresText(light.metres)}${layers}`;
    }
    case 'lamp-off':
      return 'lamp off';
    case 'ldr':
      return `light LDR at ${partOhms(light.ohms)}`;
  }
}

/** Between which two readings a resistance falls, by their names: what a light is called where nobody has measured it. */
export function betweenReadings(
  ohmsThere: number,
  { readings, levels }: Pick<Measurement, 'readings' | 'levels'>,
): string {
  const known = readings.filter(({ above, setAside }) => !above && !setAside);
  const darker = nearest(
    known.filter(({ ohms: read }) => read >= ohmsThere),
    ohmsThere,
  );
  const brighter = nearest(
    known.filter(({ ohms: read }) => read < ohmsThere),
    ohmsThere,
  );
  const name = (reading: Reading) => `“${readingLightText(reading.light, levels)}”`;
  if (darker && brighter) return `between ${name(darker)} and ${name(brighter)}`;
  if (darker) return `brighter than ${name(darker)}`;
  return brighter ? `darker than ${name(brighter)}` : '';
}

function nearest(readings: readonly Reading[], ohmsThere: number): Reading | undefined {
  const off = ({ ohms: read }: Reading) => Math.abs(Math.log(read / ohmsThere));
  return [...readings].sort((one, other) => off(one) - off(other))[0];
}
