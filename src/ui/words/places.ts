import { places } from '@/core/light/places';
import type { LightScale } from '@/core/light/scale';
import type { Level, Reading } from '@/core/readings/reading';
import { readingLightText } from './light';

/** Short names of the ordinary lights, as they stand on the ruler. */
const placeNames: Readonly<Record<string, string>> = {
  'full-moon': 'full moon',
  'dusk-ends': 'dusk ends',
  'night-street': 'street',
  'living-room': 'living room',
  'desk-lamp': 'desk lamp',
  overcast: 'overcast',
  shade: 'shade',
  'direct-sun': 'sun',
};

/** What stands on the ruler: ordinary places where the axis is in lux, the readings' own names where it is not. */
export function rulerNames(
  scale: LightScale,
  readings: readonly Reading[],
  levels: readonly Level[],
  lights: readonly (number | null)[],
): readonly { readonly light: number; readonly text: string }[] {
  if (scale === 'lux') return places.map(({ id, lux }) => ({ light: lux, text: placeNames[id] ?? id }));
  const named = new Map<string, number>();
  readings.forEach(({ light, setAside }, index) => {
    const place = lights[index] ?? null;
    if (place !== null && !setAside) named.set(readingLightText(light, levels), place);
  });
  return [...named].map(([text, light]) => ({ light, text }));
}
