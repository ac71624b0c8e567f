import { relativeLightAt } from '../light/ladder';
import { ASSUMED_GAMMA, ASSUMED_GAMMA_STD } from '../light/scale';
import { solveLinear } from '../numeric/linear';
import { at } from '../result';
import { luxOf, type Measurement, type Reading } from './reading';

/** Scatter of ln R taken while the ladder's own unknowns are found. */
const ASSUMED_STD = 0.06;
/** With γ known no better than this, a light that rests on it is an estimate. */
const GAMMA_KNOWN_STD = 0.1;
/** A lamp-off reading over range says that less is left than this share of the dimmest rung, about. */
export const DARK_SHARE = 0.01;

/**
 * Light of the ladder's lamp at a reading, in multiples of its light at 1 m; 0 for a light that is none of the lamp's.
 * @param zeroMetres how far behind its front the lamp's light seems to come from
 */
export function relativeOf(
  light: Reading['light'],
  background: number,
  layerShare: number,
  zeroMetres = 0,
): number {
  if (light.kind === 'lamp-off') return background;
  if (light.kind !== 'lamp') return 0;
  return (relativeLightAt(light.metres + zeroMetres) + background) * layerShare ** light.layers;
}

/** What a ladder of light leaves unknown until the readings tell it. */
export interface Ladder {
  /** Light left with the lamp off, in multiples of the lamp at 1 m; `null` where it was not read. */
  readonly background: number | null;
  /** Share of light that one layer lets through; `null` without layers. */
  readonly layerShare: number | null;
  /** Lux of the lamp at 1 m; `null` where no lux reading ties the ladder down. */
  readonly lampLux: number | null;
  /** No reading tells γ, so layers were turned into light with a usual one: every light is an estimate. */
  readonly assumesGamma: boolean;
}

/** One equation of the ladder: ln R = A − γ·x − (γ ln k)·layers + (γ ln s)·isLux. */
interface Row {
  readonly light: Reading['light'];
  readonly lux: number | null;
  readonly lnOhms: number;
}

/**
 * A first answer to what the ladder leaves unknown, from the readings together, which the fit then betters: background, share of a layer, lux of the lamp. For a given
 * background the power law is linear in all the rest (least squares, with γ = 0.7 ± 0.15 as one more, weak observation);
 * the background is the one that leaves the smallest sum of squares.
 * @returns `null` with fewer than two different lamp lights
 */
export function solveLadder(measurement: Measurement): Ladder | null {
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
  const dimmest = Math.min(...lamp.map(({ light }) => relativeOf(light, 0, 1)));
  const background = off.length > 0 ? findBackground(rows, lamp) : isDark ? dimmest * DARK_SHARE : null;
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
  const relative = isLamp ? relativeOf(light, background, 1) : (lux ?? 1);
  const x = Math.log(Math.max(relative, 1e-12));
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
