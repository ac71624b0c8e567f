import { luxBand } from '../../ldr/model';
import type { LightRange } from '../../light/range';
import type { Thresholds } from '../../detectors/thresholds';
import { findCrossing, firstPassing, type SwitchPoint } from '../../light/crossing';
import { isNothing, SHARES, type Drive } from '../analysis';
import type { DesignCircuit } from '../designCircuit';
import { isCrossedApart, stepsOf } from './boundaries';
import { detectorExtremes, softExtremes, sweepSoft, type Extremes } from './extremes';
import type { Curves } from './pass';

/** The three points of a load on its way from off to on. */
export interface SwitchPoints {
  readonly justOff: SwitchPoint;
  readonly half: SwitchPoint;
  readonly fullyOn: SwitchPoint;
}

/** A circuit over the whole axis: what it comes to, and its three points. */
type AcrossLight = SwitchPoints & { readonly extremes: Extremes };

/**
 * Points and extremes over light. A detector jumps where it is passed; a transistor climbs.
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
    const isApart = boundaries.some(isCrossedApart);
    const extremes = detectorExtremes(live, range, stepsOf(boundaries), isApart);
    return extremes && { ...detectorPoints(thresholds), extremes };
  }
  const sweep = sweepSoft(live, range);
  if (!sweep) return null;
  const points = softPoints(live, { fullAmps, switchAmps }, range, sweep.curves);
  return { ...points, extremes: softExtremes(live, sweep, Object.values(points)) };
}

/** A transistor's three points on its transition band, each looked for first between the two lights of a sweep that hold it. */
function softPoints(
  live: DesignCircuit,
  { fullAmps, switchAmps }: Pick<Drive, 'fullAmps' | 'switchAmps'>,
  range: LightRange,
  even: Pick<Curves, 'lux' | 'loadAmps'>,
): SwitchPoints {
  const at = (level: number): SwitchPoint => {
    if (isNothing(fullAmps)) return { ok: false, reason: 'stays-below' };
    const near = firstPassing(even.lux, even.loadAmps, level);
    const crossing = findCrossing((lux) => live.over(level, lux), range, near);
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

/** A detector snaps: it has no transition band, but may turn off elsewhere than it turns on. */
function detectorPoints({ turnOn, turnOff, goalEnd }: Thresholds): SwitchPoints {
  return { half: goalEnd === 'on' ? turnOn : turnOff, justOff: turnOff, fullyOn: turnOn };
}
