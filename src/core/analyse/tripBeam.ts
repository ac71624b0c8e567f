import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { windowEdges, type Thresholds } from '../detectors/thresholds';
import { detectorDefinition } from '../detectors/registry';
import type { Project } from '../project/project';
import type { CircuitAnalysis } from './analysis';
import { contactLights } from './loadFacts';

/** What a beam onto the LDR has to be held against, on the project's scale of light. */
export interface Beam {
  /** Light at the LDR without the beam, and what the beam adds. */
  readonly ambientLux: number;
  readonly beamLux: number;
}

export interface BeamFacts {
  /** Light with the beam to light without. */
  readonly contrast: number;
  /** Where the LDR's resistance is the geometric mean of both: as far from either. */
  readonly bestLux: number;
  /** Where the goal has to be for the band to lie about that evenly. */
  readonly goalLux: number;
  /** The other edge of a window that then holds the light with the beam, the light to turn off at where one is wanted; else `null`. */
  readonly goalOffLux: number | null;
  /** With the beam broken the light must be under this, with it whole over that; `null` where it does not switch. */
  readonly brokenBelowLux: number | null;
  readonly wholeAboveLux: number | null;
  /** The darkest and the brightest room in which the present design tells; `null` where there is none. */
  readonly minAmbientLux: number | null;
  readonly maxAmbientLux: number | null;
  /** How far each light lies beyond its threshold, as a ratio above 1; under 1 it does not get there. */
  readonly brokenMargin: number | null;
  readonly wholeMargin: number | null;
  readonly works: boolean;
}

/** So many times past a threshold each light should lie, where the beam is strong enough for that. */
const MARGIN = 1.2;

/** A beam to begin with: a room half as bright as the goal, and a beam that carries it well over. */
export const defaultBeam = ({ lux }: { readonly lux: number }): Beam => ({
  ambientLux: lux / 2,
  beamLux: lux * 2,
});

/**
 * What a design makes of a beam that is broken and made whole again.
 *
 * @param project its goal as it is now: a light to turn off at is kept as far off, if the beam leaves room for that
 */
export function beamFacts(
  {
    ldr,
    action,
    half: halfOn,
    justOff,
    thresholds,
    drive,
    ...placed
  }: Pick<
    CircuitAnalysis,
    'ldr' | 'action' | 'half' | 'justOff' | 'thresholds' | 'drive' | 'assembly' | 'loads'
  >,
  { ambientLux, beamLux }: Beam,
  { goal, detector }: Pick<Project, 'goal' | 'detector'>,
): BeamFacts {
  const whole = ambientLux + beamLux;
  const contrast = whole / ambientLux;
  const { curve } = ldr;
  const middle = Math.sqrt(ldrOhmsAt(curve, ambientLux) * ldrOhmsAt(curve, whole));
  const bestLux = ldrLuxAt(curve, middle) ?? Math.sqrt(ambientLux * whole);
  if (thresholds?.isWindow) return { contrast, bestLux, ...windowBeam(thresholds, ambientLux, beamLux) };
  // A coil that hangs alone goes by its pull-in and drop-out.
  const alone = (drive.isPullIn ? contactLights(placed) : null) ?? { on: halfOn, off: justOff };
  const [on, off] = thresholds ? [thresholds.turnOn, thresholds.turnOff] : [alone.on, alone.off];
  // Without the beam it must be past the darker of the two lights, with it past the brighter.
  const [dark, bright] = action === 'on-in-dark' ? [on, off] : [off, on];
  const brokenBelowLux = dark.ok ? dark.lux : null;
  const wholeAboveLux = bright.ok ? bright.lux : null;
  const brokenMargin = brokenBelowLux === null ? null : brokenBelowLux / ambientLux;
  const wholeMargin = wholeAboveLux === null ? null : whole / wholeAboveLux;
  // A beam that does not bridge the band is told in no room.
  const min = Math.max(0, (wholeAboveLux ?? Infinity) - beamLux);
  const tells = brokenBelowLux !== null && min < brokenBelowLux;
  const definition = detectorDefinition(detector);
  const wanted =
    goal.offLux === null || !definition.goal.asksOff ? null : Math.abs(Math.log(goal.offLux / goal.lux));
  const room = Math.max(contrast / MARGIN ** 2, Math.sqrt(contrast));
  const band = wanted === null ? (thresholds?.bandRatio ?? 1) : Math.min(Math.exp(wanted), room);
  const isDarker = (action === 'on-in-dark') === (definition.goalEnd(detector) === 'on');
  const half = Math.sqrt(band) ** (isDarker ? 1 : -1);
  return {
    contrast,
    bestLux,
    goalLux: Number((bestLux / half).toPrecision(3)),
    goalOffLux: wanted === null ? null : Number((bestLux * half).toPrecision(3)),
    brokenBelowLux,
    wholeAboveLux,
    minAmbientLux: tells ? min : null,
    maxAmbientLux: tells ? brokenBelowLux : null,
    brokenMargin,
    wholeMargin,
    works: (brokenMargin ?? 0) > 1 && (wholeMargin ?? 0) > 1,
  };
}

/** A window tells a beam where one of the two lights lies inside of it and the other does not. */
function windowBeam(
  thresholds: Thresholds,
  ambientLux: number,
  beamLux: number,
): Omit<BeamFacts, 'contrast' | 'bestLux'> {
  const whole = ambientLux + beamLux;
  const goalLux = Number(Math.sqrt(ambientLux * whole).toPrecision(3));
  const goalOffLux = Number((whole * (whole / goalLux)).toPrecision(3));
  const none = { brokenBelowLux: null, wholeAboveLux: null, minAmbientLux: null, maxAmbientLux: null };
  const edges = windowEdges(thresholds);
  if (!edges) return { goalLux, goalOffLux, ...none, brokenMargin: null, wholeMargin: null, works: false };
  const { lower, upper } = edges;
  // It comes in over the lower edge, stays in up to the upper one, and is in again below that on the way back.
  const staysIn = ambientLux > lower.falling && whole > upper.rising;
  const goesIn = (ambientLux < lower.rising && !staysIn) || ambientLux > upper.rising;
  const [broken, made] = goesIn ? [lower.falling, lower.rising] : [upper.falling, upper.rising];
  const brokenMargin = goesIn
    ? lower.falling / ambientLux
    : Math.min(ambientLux / lower.falling, upper.falling / ambientLux);
  const wholeMargin = goesIn ? Math.min(whole / lower.rising, upper.rising / whole) : whole / upper.rising;
  const top = goesIn ? Math.min(lower.falling, upper.rising - beamLux) : upper.falling;
  const bottom = Math.max(
    0,
    goesIn ? lower.rising - beamLux : Math.max(lower.falling, upper.rising - beamLux),
  );
  return {
    goalLux,
    goalOffLux,
    brokenBelowLux: broken,
    wholeAboveLux: made,
    minAmbientLux: bottom < top ? bottom : null,
    maxAmbientLux: bottom < top ? top : null,
    brokenMargin,
    wholeMargin,
    works: brokenMargin > 1 && wholeMargin > 1,
  };
}
