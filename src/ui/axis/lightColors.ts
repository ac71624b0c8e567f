import { fractionOfLux, type LightRange } from '@/core/light/range';

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

/** The light axis as a CSS gradient: the same light has the same colour however wide the axis is. */
export function lightGradient(range: LightRange): string {
  const stops = anchors.map(([lux, color]) => `${color} ${(fractionOfLux(lux, range) * 100).toFixed(2)}%`);
  return `linear-gradient(to right, ${stops.join(', ')})`;
}

/** Whether words on the gradient want dark ink at this light. */
export function wantsInk(lux: number): boolean {
  return lux > 55;
}
