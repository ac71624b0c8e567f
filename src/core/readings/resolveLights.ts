import { DISTANCE_STD_METRES, relativeLightAt } from '../light/ladder';
import { ASSUMED_GAMMA, ASSUMED_GAMMA_STD, SAME_LIGHT_RATIO, type LightScale } from '../light/scale';
import { solveLinear } from '../numeric/linear';
import { at } from '../result';
import { namedLightOf } from './named';
import type { Measurement, Reading } from './reading';

/** A named level is never lit twice the same: standard deviation of ln E. */
export const LEVEL_STD = 0.2;
/** Scatter of ln R taken while the ladder's own unknowns are found. */
const ASSUMED_STD = 0.06;
/** With γ known no better than this, a light that rests on it is an estimate. */
const GAMMA_KNOWN_STD = 0.1;

/** What the readings say of light, all of it on one scale. */
export interface ResolvedLights {
  readonly scale: LightScale;
  /** Light of each reading on that scale; `null` where nothing tells it. Shape: readings. */
  readonly lights: readonly (number | null)[];
  /** Standard deviation of each ln E. Shape: readings. */
  readonly sigmas: readonly number[];
  /** Light left with the lamp off, in multiples of the lamp at 1 m; `null` where it was not read. */
  readonly background: number | null;
  /** Share of light that one layer lets through; `null` without layers. */
  readonly layerShare: number | null;
  /** Lux of the lamp at 1 m; `null` where no lux reading ties the ladder down. */
  readonly lampLux: number | null;
  /** No reading tells γ, so layers were turned into light with a usual one: every light is an estimate. */
  readonly assumesGamma: boolean;
}

/** Puts all readings on one scale: lux where they allow it, else light relative to the lamp at 1 m, else ohms. */
export function resolveLights(measurement: Measurement): ResolvedLights {
  const ladder = solveLadder(measurement);
  const scale = scaleOf(measurement, ladder);
  const lights = measurement.readings.map((reading) => lightOf(reading, measurement, ladder, scale));
  return {
    scale,
    lights,
    sigmas: measurement.readings.map((reading) => lightSigma(reading, measurement)),
    background: ladder?.background ?? null,
    layerShare: ladder?.layerShare ?? null,
    lampLux: ladder?.lampLux ?? null,
    assumesGamma: scale !== 'ohms' && (ladder?.assumesGamma ?? false),
  };
}

/** Lux of a reading that has them, by itself or by its level. */
export function luxOf(reading: Reading, { levels }: Pick<Measurement, 'levels'>): number | null {
  const { light } = reading;
  if (light.kind === 'lux') return light.lux;
  if (light.kind !== 'level') return null;
  return levels.find((level) => level.id === light.level)?.lux ?? null;
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

function lightSigma({ light }: Reading, { lightTolerance }: Measurement): number {
  if (light.kind === 'lux') return lightTolerance / 2;
  if (light.kind === 'lamp') return (2 * DISTANCE_STD_METRES) / light.metres;
  return light.kind === 'level' ? LEVEL_STD : 0;
}

type LampLight = Extract<Reading['light'], { kind: 'lamp' | 'lamp-off' }>;

function relativeOf(light: LampLight, background: number, layerShare: number): number {
  if (light.kind === 'lamp-off') return background;
  return (relativeLightAt(light.metres) + background) * layerShare ** light.layers;
}

interface Ladder {
  readonly background: number | null;
  readonly layerShare: number | null;
  readonly lampLux: number | null;
  readonly assumesGamma: boolean;
}

/** One equation of the ladder: ln R = A − γ·x − (γ ln k)·layers + (γ ln s)·isLux. */
interface Row {
  readonly light: Reading['light'];
  readonly lux: number | null;
  readonly lnOhms: number;
}

/**
 * What the ladder leaves unknown, from the readings together: background, share of a layer, lux of the lamp. For a given
 * background the power law is linear in all the rest (least squares, with γ = 0.7 ± 0.15 as one more, weak observation);
 * the background is the one that leaves the smallest sum of squares.
 * @returns `null` with fewer than two different lamp lights
 */
function solveLadder(measurement: Measurement): Ladder | null {
  const used = measurement.readings.filter((reading) => !reading.setAside && !reading.above);
  const lamp = used.filter((reading) => reading.light.kind === 'lamp');
  const different = new Set(lamp.map(({ light }) => JSON.stringify(light)));
  if (different.size < 2) return null;
  const lux = used.flatMap((reading) => {
    const value = luxOf(reading, measurement);
    return value === null ? [] : [{ light: reading.light, lux: value, lnOhms: Math.log(reading.ohms) }];
  });
  const off = used.filter((reading) => reading.light.kind === 'lamp-off');
  const rows: Row[] = [
    ...lux,
    ...[...lamp, ...off].map(({ light, ohms }) => ({ light, lux: null, lnOhms: Math.log(ohms) })),
  ];
  const isDark = measurement.readings.some(
    ({ light, above, setAside }) => light.kind === 'lamp-off' && above && !setAside,
  );
  const background = off.length > 0 ? findBackground(rows, lamp) : isDark ? 0 : null;
  const solved = solveRows(rows, background ?? 0);
  return solved && { ...solved, background };
}

/** The background by a golden-section search of ln b, from a millionth of the dimmest rung to the brightest one. */
function findBackground(rows: readonly Row[], lamp: readonly Reading[]): number {
  const lights = lamp.map(({ light }) => (light.kind === 'lamp' ? relativeLightAt(light.metres) : 1));
  let from = Math.log(Math.min(...lights) * 1e-6);
  let to = Math.log(Math.max(...lights));
  const cost = (lnB: number) => solveRows(rows, Math.exp(lnB))?.squares ?? Infinity;
  const golden = (Math.sqrt(5) - 1) / 2;
  let [left, right] = [to - golden * (to - from), from + golden * (to - from)];
  let [leftCost, rightCost] = [cost(left), cost(right)];
  while (to - from > 1e-7) {
    if (leftCost <= rightCost) {
      [to, right, rightCost] = [right, left, leftCost];
      left = to - golden * (to - from);
      leftCost = cost(left);
    } else {
      [from, left, leftCost] = [left, right, rightCost];
      right = from + golden * (to - from);
      rightCost = cost(right);
    }
  }
  return Math.exp((from + to) / 2);
}

function solveRows(rows: readonly Row[], background: number) {
  const hasLayers = rows.some(({ light }) => light.kind === 'lamp' && light.layers > 0);
  const hasLux = rows.some(({ lux }) => lux !== null);
  const n = 2 + (hasLayers ? 1 : 0) + (hasLux ? 1 : 0);
  const normal = new Float64Array(n * n);
  const right = new Float64Array(n);
  const equations = rows.map((row) => equationOf(row, background, hasLayers, hasLux));
  for (const { columns, value } of equations) accumulate(normal, right, columns, value, 1 / ASSUMED_STD);
  const prior = Array.from({ length: n }, (_, column) => (column === 1 ? 1 : 0));
  accumulate(normal, right, prior, ASSUMED_GAMMA, 1 / ASSUMED_GAMMA_STD);
  const information = normal.slice();
  if (!solveLinear(normal, right, n)) return null;
  const gamma = at(right, 1);
  if (!(gamma > 0.05)) return null;
  const squares = equations.reduce((total, { columns, value }) => {
    const miss = value - columns.reduce((sum, entry, index) => sum + entry * at(right, index), 0);
    return total + miss * miss;
  }, 0);
  const unit = new Float64Array(n);
  unit[1] = 1;
  const known = solveLinear(information, unit, n) && Math.sqrt(at(unit, 1)) < GAMMA_KNOWN_STD;
  return {
    squares,
    assumesGamma: hasLayers && !known,
    layerShare: hasLayers ? Math.exp(at(right, 2) / gamma) : null,
    lampLux: hasLux ? Math.exp(at(right, n - 1) / gamma) : null,
  };
}

function equationOf({ light, lux, lnOhms }: Row, background: number, hasLayers: boolean, hasLux: boolean) {
  const isLamp = light.kind === 'lamp' || light.kind === 'lamp-off';
  const x = Math.log(isLamp ? Math.max(relativeOf(light, background, 1), 1e-12) : (lux ?? 1));
  const columns = [1, -x];
  if (hasLayers) columns.push(light.kind === 'lamp' ? -light.layers : 0);
  if (hasLux) columns.push(isLamp ? 0 : 1);
  return { columns, value: lnOhms };
}

function accumulate(
  normal: Float64Array,
  right: Float64Array,
  columns: readonly number[],
  value: number,
  weight: number,
) {
  const n = columns.length;
  const w = weight * weight;
  for (let row = 0; row < n; row++) {
    right[row]! += w * at(columns, row) * value;
    for (let column = 0; column < n; column++) {
      normal[row * n + column]! += w * at(columns, row) * at(columns, column);
    }
  }
}
