import { FAR_DIAMETERS, relativeLightAt } from '../light/ladder';
import { LIGHT_LIMITS, logSpacedLux, POSSIBLE_LIGHT } from '../light/range';
import type { MeasuredLdr } from './ldrOf';
import type { Measurement, ReadingLight } from './reading';

/** A light that this user can make, and where it lies on the readings' scale. */
export interface LightAtHand {
  readonly light: ReadingLight;
  readonly lux: number;
}

/** So far beyond what was read, or the goal, one still gets without setting up anything new; farther out a curve's shape is guessed. */
const REACH = 1.5;
/** Lamps are set no nearer and no farther than this, in m, unless they were already. */
const DISTANCES = { min: 0.05, max: 3 } as const;
/** Below this share of what is left with the lamp off, moving the lamp hardly changes the light. */
const MIN_LAMP_SHARE = 0.3;
const STEPS_PER_OCTAVE = 4;

/**
 * Lights that this user can make: the lamp at other distances, as far as the light that is left lets it tell, levels that have
 * lux, and with a light meter anything a little beyond what was read.
 * @param goalLux on the readings' scale
 */
export function lightsAtHand(
  measurement: Measurement,
  { resolved, model }: MeasuredLdr,
  goalLux: number,
): readonly LightAtHand[] {
  const used = measurement.readings.filter(({ setAside }) => !setAside);
  const kinds = new Set(used.map(({ light }) => light.kind));
  if (resolved.scale === 'ohms') return [];
  const fromLamp = resolved.ladder ? lampLights(measurement, resolved) : [];
  const fromLevels =
    resolved.scale === 'lux'
      ? measurement.levels.flatMap(({ id, lux }): LightAtHand[] =>
          lux === null ? [] : [{ light: { kind: 'level', level: id }, lux }],
        )
      : [];
  const hasMeter = resolved.scale === 'lux' && (kinds.has('lux') || used.length === 0) && !resolved.ladder;
  const read = model.source === 'measured' ? [model.fit.minLux, model.fit.maxLux] : [];
  const byMeter = hasMeter ? meterLights([goalLux, ...read]) : [];
  const { min: least, max: most } = LIGHT_LIMITS;
  const all = [...fromLamp, ...fromLevels, ...byMeter].filter(({ lux }) => lux >= least && lux <= most);
  // A goal outside of what was read is looked at near itself: nothing else is sure to lead there.
  const isOutside = read.length > 0 && (goalLux < Math.min(...read) || goalLux > Math.max(...read));
  const around = isOutside ? [goalLux] : [goalLux, ...read];
  const [min, max] = [Math.min(...around) / REACH, Math.max(...around) * REACH];
  const near = all.filter(({ lux }) => lux >= min && lux <= max);
  return near.length > 0 ? near : all;
}

function lampLights(
  { readings, lampMetres }: Measurement,
  { ladder, lampLux }: MeasuredLdr['resolved'],
): readonly LightAtHand[] {
  const set = readings.flatMap(({ light }) => (light.kind === 'lamp' ? [light.metres] : []));
  const min = Math.min(...set, Math.max(DISTANCES.min, FAR_DIAMETERS * lampMetres));
  const max = Math.max(...set, DISTANCES.max);
  const count = Math.ceil(2 * STEPS_PER_OCTAVE * Math.log2(max / min)) + 1;
  const background = ladder?.background ?? 0;
  const metres = new Set(
    Array.from(
      { length: count },
      (_, step) => Math.round(min * (max / min) ** (step / (count - 1)) * 200) / 200,
    ),
  );
  return [...metres].flatMap((distance) => {
    const lamp = relativeLightAt(distance);
    if (lamp < background * MIN_LAMP_SHARE) return [];
    return [
      { light: { kind: 'lamp', metres: distance, layers: 0 }, lux: (lamp + background) * (lampLux ?? 1) },
    ];
  });
}

function meterLights(around: readonly number[]): readonly LightAtHand[] {
  const minLux = Math.max(POSSIBLE_LIGHT.minLux, Math.min(...around) / REACH);
  const maxLux = Math.min(POSSIBLE_LIGHT.maxLux, Math.max(...around) * REACH);
  const count = Math.max(2, Math.ceil(STEPS_PER_OCTAVE * Math.log2(maxLux / minLux)));
  return Array.from(logSpacedLux({ minLux, maxLux }, count), (exact) => {
    const lux = Number(exact.toPrecision(2));
    return { light: { kind: 'lux', lux }, lux };
  });
}
