import { SAME_LIGHT_RATIO, type LightScale } from '../light/scale';
import { namedLightOf } from './named';
import { luxOf, type Measurement, type Reading } from './reading';
import { relativeOf, solveLadder, type Ladder } from './solveLadder';

/** What the readings say of light, all of it on one scale. */
export interface ResolvedLights {
  readonly scale: LightScale;
  /** Light of each reading on that scale; `null` where nothing tells it. Shape: readings. */
  readonly lights: readonly (number | null)[];
  /** What of a ladder was unknown; `null` without one. */
  readonly ladder: Ladder | null;
  /** Light left with the lamp off, in multiples of the lamp at 1 m; `null` where it was not read. */
  readonly background: number | null;
  /** Share of light that one layer lets through; `null` without layers. */
  readonly layerShare: number | null;
  /** Lux of the lamp at 1 m; `null` where no lux reading ties the ladder down. */
  readonly lampLux: number | null;
  /** No reading tells γ, so layers were turned into light with a usual one: every light is an estimate. */
  readonly assumesGamma: boolean;
}

/**
 * Puts all readings on one scale: lux where they allow it, else light relative to the lamp at 1 m, else ohms.
 * @param ladder what is known of the ladder; found from the readings where it is not given
 */
export function resolveLights(
  measurement: Measurement,
  ladder: Ladder | null = solveLadder(measurement),
): ResolvedLights {
  const scale = scaleOf(measurement, ladder);
  return {
    scale,
    lights: measurement.readings.map((reading) => lightOf(reading, measurement, ladder, scale)),
    ladder,
    background: ladder?.background ?? null,
    layerShare: ladder?.layerShare ?? null,
    lampLux: ladder?.lampLux ?? null,
    assumesGamma: scale !== 'ohms' && (ladder?.assumesGamma ?? false),
  };
}

function scaleOf(measurement: Measurement, ladder: Ladder | null): LightScale {
  const used = measurement.readings.filter((reading) => !reading.setAside);
  const lux = used.map((reading) => luxOf(reading, measurement)).filter((value) => value !== null);
  if (ladder) return ladder.lampLux === null ? 'relative' : 'lux';
  if (lux.length > 0 && Math.max(...lux) / Math.min(...lux) > SAME_LIGHT_RATIO) return 'lux';
  const onlyNamed = used.some((reading) => reading.light.kind === 'level');
  return onlyNamed && lux.length < used.length ? 'ohms' : 'lux';
}

function lightOf(reading: Reading, measurement: Measurement, ladder: Ladder | null, scale: LightScale) {
  if (scale === 'ohms') return namedLightOf(reading.ohms);
  const { light } = reading;
  if (light.kind === 'lamp' || light.kind === 'lamp-off') {
    if (!ladder) return null;
    const relative = relativeOf(light, ladder.background ?? 0, ladder.layerShare ?? 1);
    return relative > 0 ? relative * (ladder.lampLux ?? 1) : null;
  }
  const lux = luxOf(reading, measurement);
  return scale === 'lux' ? lux : null;
}
