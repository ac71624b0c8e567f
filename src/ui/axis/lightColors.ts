import { fractionOfLux, luxOfFraction, DEFAULT_LIGHT, type LightRange } from '@/core/light/range';
import type { LightScale } from '@/core/light/scale';

/** Night indigo through dusk to pale day: the colour of each light. */
const anchors: readonly (readonly [lux: number, color: string])[] = [
  [0.001, '#0B0D1C'],
  [0.1, '#171A33'],
  [1, '#2C2B66'],
  [5, '#553A7B'],
  [30, '#A9506B'],
  [150, '#DD7C3C'],
  [1000, '#F1B652'],
  [10_000, '#F9DD97'],
  [100_000, '#FDF5DA'],
];

/** Where a light stands among the colours: in lux itself, on another scale by its share of the axis. */
function colorLux(light: number, range: LightRange, scale: LightScale): number {
  return scale === 'lux' ? light : luxOfFraction(fractionOfLux(light, range), DEFAULT_LIGHT);
}

/** The light axis as a CSS gradient: the same lux has the same colour however wide the axis is. */
export function lightGradient(range: LightRange, scale: LightScale = 'lux'): string {
  const span = scale === 'lux' ? range : DEFAULT_LIGHT;
  const stops = anchors.map(([lux, color]) => `${color} ${(fractionOfLux(lux, span) * 100).toFixed(2)}%`);
  return `linear-gradient(to right, ${stops.join(', ')})`;
}

/** Whether words on the gradient want dark ink at this light. */
export function wantsInk(light: number, range: LightRange, scale: LightScale = 'lux'): boolean {
  return colorLux(light, range, scale) > 55;
}
