import { logSpacedLux, SWEPT_LIGHTS, type LightRange } from '../../light/range';
import type { SwitchPoint } from '../../light/crossing';
import type { DesignCircuit } from '../designCircuit';
import { passOver, withSteps, type Curves } from './pass';
import { Worst, type SupplyFigures, type WorstFigures } from './worst';

/** Behind a detector all is a divider's, smooth between its steps. */
const DETECTOR_COUNT = 11;

/** What a design comes to over all light, beside the lights at which it switches. Plain data. */
export interface Extremes {
  /** The most that everything comes to anywhere on the axis. */
  readonly worst: WorstFigures;
  /** What each supply gives; the sensor's first. */
  readonly supplies: readonly SupplyFigures[];
  /** Through all loads together, in A, as it gets brighter: at either end of the axis, and the least and most of any light. */
  readonly load: {
    readonly darkAmps: number;
    readonly brightAmps: number;
    readonly leastAmps: number;
    readonly mostAmps: number;
  };
  /** The midpoint's least and most as it gets brighter, in V. */
  readonly midpoint: { readonly leastVolts: number; readonly mostVolts: number };
  /** What the midpoint is held against at the dark end, in V; `null` where it is against nothing. */
  readonly referenceVolts: number | null;
}

/** A transistor's circuit on its way: solved evenly across the axis, which is enough to see where it climbs. */
export interface SoftSweep {
  readonly curves: Curves;
  readonly worst: Worst;
}

/** @returns `null` where one light has no operating point */
export function sweepSoft(live: DesignCircuit, range: LightRange): SoftSweep | null {
  const lux = Float64Array.from(logSpacedLux(range, SWEPT_LIGHTS));
  const worst = new Worst(live, range);
  const passed = passOver(live, lux, { way: 'rising', worst });
  return passed && { curves: passed.curves, worst };
}

/** What it comes to, the lights between off and on looked at as well. */
export function softExtremes(
  live: DesignCircuit,
  { curves, worst }: SoftSweep,
  points: readonly SwitchPoint[],
): Extremes {
  const lights = points.flatMap((point) => (point.ok ? [point.lux] : []));
  for (const light of lights) {
    const readout = live.solveIn(0, light);
    if (readout) worst.see(light, readout, 0);
  }
  return extremesOf(curves, worst, Float64Array.of(...curves.lux, ...lights).sort());
}

/**
 * What a detector's circuit comes to from dark to bright, and back where it may stand otherwise then.
 * @param steps lights at which it is passed
 * @param hasBand it is not passed at the same lights as it gets brighter and as it gets darker
 * @returns `null` where one light has no operating point
 */
export function detectorExtremes(
  live: DesignCircuit,
  range: LightRange,
  steps: readonly number[],
  hasBand: boolean,
): Extremes | null {
  const lux = withSteps(logSpacedLux(range, DETECTOR_COUNT), steps);
  const worst = new Worst(live, range);
  const up = passOver(live, lux, { way: 'rising', worst });
  if (!up) return null;
  if (hasBand && !passOver(live, lux, { way: 'falling', other: up, worst })) return null;
  if (!seeFired(live, lux, worst)) return null;
  return extremesOf(up.curves, worst, lux);
}

/** What hears changes is fired by one for a moment, in whatever light: no steady light shows what that asks of its parts. */
function seeFired(live: DesignCircuit, lux: Float64Array, worst: Worst): boolean {
  const fired = live.switching?.hears?.fired;
  if (fired === undefined) return true;
  return lux.every((light) => {
    const readout = live.solveIn(fired, light);
    if (readout) worst.see(light, readout, fired, false);
    return readout !== null;
  });
}

function extremesOf(
  { midVolts, loadAmps, referenceVolts }: Curves,
  worst: Worst,
  lux: Float64Array,
): Extremes {
  return {
    worst: worst.atPeaks(lux),
    supplies: worst.supplies,
    load: {
      darkAmps: loadAmps[0] ?? 0,
      brightAmps: loadAmps.at(-1) ?? 0,
      leastAmps: Math.min(...loadAmps),
      mostAmps: Math.max(...loadAmps),
    },
    midpoint: { leastVolts: Math.min(...midVolts), mostVolts: Math.max(...midVolts) },
    referenceVolts: referenceVolts?.[0] ?? null,
  };
}
