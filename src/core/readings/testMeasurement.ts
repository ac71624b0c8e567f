import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { wholeReading, type Measurement, type Reading, type ReadingLight } from './reading';

/** For tests: a reading with nothing else known of it. */
export const readingOf = (
  id: string,
  light: ReadingLight,
  ohms: number,
  change: Partial<Reading> = {},
): Reading => wholeReading({ id, light, ohms, ...change });

export const lux = (value: number): ReadingLight => ({ kind: 'lux', lux: value });
export const rung = (metres: number, layers = 0): ReadingLight => ({ kind: 'lamp', metres, layers });

/** For tests: a measurement of readings by an unknown meter and a perfect light meter. */
export function measurementOf(readings: readonly Reading[], change: Partial<Measurement> = {}): Measurement {
  return {
    readings,
    meter: null,
    lightTolerance: 0,
    levels: [],
    lampMetres: 0.02,
    lightLdr: null,
    plan: [],
    ...change,
  };
}

/** For tests: readings of a curve at lights in lux, with noise in ln R. */
export function readCurve(
  curve: LdrCurve,
  lights: readonly number[],
  noise: (index: number) => number,
): Measurement {
  return measurementOf(
    lights.map((light, index) =>
      readingOf(`r${index}`, lux(light), ldrOhmsAt(curve, light) * Math.exp(noise(index))),
    ),
  );
}
