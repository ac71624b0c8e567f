import { luxBand } from '../../ldr/model';
import type { LightRange } from '../../light/range';
import type { BoundaryFacts, Thresholds } from '../../detectors/thresholds';
import { around, findCrossing, type SwitchPoint } from '../../light/crossing';
import { SHARES, type Drive } from '../analysis';
import type { DesignCircuit } from '../designCircuit';
import { sweepClosely, sweepDetector, sweepEvenly, type EvenSweep, type Sweep } from './sweep';

/** The three points of a load on its way from off to on. */
interface SwitchPoints {
  readonly justOff: SwitchPoint;
  readonly half: SwitchPoint;
  readonly fullyOn: SwitchPoint;
}

/** A circuit over the whole axis: its curves, its three points and where it climbs from one to the other, if it does. */
export type AcrossLight = SwitchPoints & { readonly sweep: Sweep; readonly climbs?: LightRange };

/**
 * Curves and points over light. A detector jumps where it is passed; a transistor climbs, and is looked at closely there.
 *
 * @returns `null` where one light has no operating point
 */
export function acrossLight(
  live: DesignCircuit,
  range: LightRange,
  thresholds: Thresholds | null,
  { fullAmps, switchAmps }: Pick<Drive, 'fullAmps' | 'switchAmps'>,
): AcrossLight | null {
  if (thresholds) {
    const { boundaries } = thresholds;
    const sweep = sweepDetector(live, range, boundaries.flatMap(lightsOf), boundaries.some(isCrossedApart));
    return sweep && { ...detectorPoints(thresholds), sweep };
  }
  const even = sweepEvenly(live, range);
  if (!even) return null;
  const points = softPoints(live, { fullAmps, switchAmps }, range, even);
  const climbs = switchingRange(points, range) ?? undefined;
  const sweep = sweepClosely(live, even, range, climbs);
  return sweep && { ...points, sweep, climbs };
}

/** A transistor's three points on its transition band, each looked for first between the two lights of a sweep that hold it. */
function softPoints(
  live: DesignCircuit,
  { fullAmps, switchAmps }: Pick<Drive, 'fullAmps' | 'switchAmps'>,
  range: LightRange,
  even: EvenSweep,
): SwitchPoints {
  const at = (level: number): SwitchPoint => {
    const crossing = findCrossing((lux) => live.over(level, lux), range, between(even, level));
    if (!crossing.ok) return crossing;
    const band = luxBand(live.ldr, crossing.lux);
    return { ok: true, lux: crossing.lux, lowLux: band.low, highLux: band.high };
  };
  return {
    half: at(switchAmps),
    justOff: at(SHARES.justOff * fullAmps),
    fullyOn: at(SHARES.fullyOn * fullAmps),
  };
}

/** The two neighbouring lights of a sweep between which the load passes a level, if any do. */
function between({ lux, loadAmps }: EvenSweep, level: number): LightRange | undefined {
  for (let i = 1; i < lux.length; i++)
    if (loadAmps[i - 1]! >= level !== loadAmps[i]! >= level) return { minLux: lux[i - 1]!, maxLux: lux[i]! };
  return undefined;
}

/** A detector snaps: it has no transition band, but may turn off elsewhere than it turns on. */
function detectorPoints({ turnOn, turnOff, goalEnd }: Thresholds): SwitchPoints {
  return { half: goalEnd === 'on' ? turnOn : turnOff, justOff: turnOff, fullyOn: turnOn };
}

/** Whether a boundary is passed at another light on the way up than on the way down. */
function isCrossedApart({ rising, falling }: BoundaryFacts): boolean {
  if (!rising.ok || !falling.ok) return rising.ok !== falling.ok;
  return Math.abs(Math.log(rising.lux / falling.lux)) > CROSSED_TOGETHER;
}

/** Nearer than this two lights are one, as a ratio's logarithm. */
const CROSSED_TOGETHER = 1e-5;

/** The lights at which a boundary is passed, each once. */
function lightsOf({ rising, falling }: BoundaryFacts): readonly number[] {
  const lights = [rising, falling].flatMap((point) => (point.ok ? [point.lux] : []));
  return [...new Set(lights)];
}

/** The stretch of light in which the load climbs, with a margin; `null` where it does not switch on the axis. */
function switchingRange(points: SwitchPoints, range: LightRange): LightRange | null {
  const lights = Object.values(points).flatMap((point: SwitchPoint) => (point.ok ? [point.lux] : []));
  if (lights.length === 0) return null;
  return {
    minLux: around(Math.min(...lights), SWITCHING_MARGIN, range).minLux,
    maxLux: around(Math.max(...lights), SWITCHING_MARGIN, range).maxLux,
  };
}

/** How far beyond its outer points the load's curve is still bent, as a ratio of light. */
const SWITCHING_MARGIN = 1.4;
