import { sameLight, type Measurement, type ReadingLight } from './reading';

/** Readings taken at one and the same light. */
export interface Repeat {
  readonly light: ReadingLight;
  /** Indices of its readings, in the order in which they were taken. */
  readonly indices: readonly number[];
  /** Standard deviation of ln R among those that gave a figure and are not set aside; `null` with fewer than two. */
  readonly scatter: number | null;
}

/** The readings by light; lights in the order in which they were first read. */
export function repeatsOf({ readings }: Pick<Measurement, 'readings'>): readonly Repeat[] {
  const groups: { light: ReadingLight; indices: number[] }[] = [];
  readings.forEach(({ light }, index) => {
    const group = groups.find((candidate) => sameLight(candidate.light, light));
    if (group) group.indices.push(index);
    else groups.push({ light, indices: [index] });
  });
  return groups.map(({ light, indices }) => {
    const logs = indices.flatMap((index) => {
      const reading = readings[index];
      return reading && !reading.above && !reading.setAside ? [Math.log(reading.ohms)] : [];
    });
    return { light, indices, scatter: logs.length > 1 ? deviation(logs) : null };
  });
}

/**
 * How readings taken again at the same light scatter, over all lights: the root mean square of their deviations in ln R;
 * `null` where no light was read twice.
 */
export function repeatScatter(
  measurement: Pick<Measurement, 'readings'>,
): { readonly scatter: number; readonly lights: number } | null {
  const known = repeatsOf(measurement).flatMap(({ scatter }) => (scatter === null ? [] : [scatter]));
  if (known.length === 0) return null;
  const squares = known.reduce((total, scatter) => total + scatter ** 2, 0);
  return { scatter: Math.sqrt(squares / known.length), lights: known.length };
}

function deviation(values: readonly number[]): number {
  const mean = values.reduce((total, value) => total + value, 0) / values.length;
  return Math.sqrt(values.reduce((total, value) => total + (value - mean) ** 2, 0) / (values.length - 1));
}
