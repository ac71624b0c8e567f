import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { windowEdges, type EdgeLights, type Thresholds } from '../detectors/thresholds';
import { detectorDefinition } from '../detectors/registry';
import type { Project } from '../project/project';
import { feedbackLightFacts, isLitWhenOff, litShare, type LitDesign } from './feedbackLight';
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
  /** Where the LDR's resistance is the geometric mean of both, each with the load's own light as it is then: as far from either. */
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

/** The load's own light at the LDR while the load is on and while it is off, on the project's scale. */
interface OwnLight {
  readonly whenOn: number;
  readonly whenOff: number;
}

/**
 * What a design makes of a beam that is broken and made whole again. The load's own light counts: what is left in the room with the
 * beam broken is lit by a load that is still on then.
 *
 * @param project its goal as it is now: a light to turn off at is kept as far off, if the beam leaves room for that
 */
export function beamFacts(
  design: LitDesign,
  { ambientLux, beamLux }: Beam,
  { goal, ...project }: Pick<Project, 'goal' | 'detector' | 'feedbackLux' | 'outputStage'>,
): BeamFacts {
  const whole = ambientLux + beamLux;
  const { curve } = design.ldr;
  const own = ownLightOf(design, project.feedbackLux);
  const { thresholds } = design;
  // As the two lights are when the load is still as it was.
  const isDark = design.action === 'on-in-dark';
  const brokenLux = ambientLux + (isDark ? own.whenOff : own.whenOn);
  const wholeLux = Math.max(brokenLux * LEAST_CONTRAST, whole + (isDark ? own.whenOn : own.whenOff));
  const middleOf = (dark: number, bright: number) =>
    ldrLuxAt(curve, Math.sqrt(ldrOhmsAt(curve, dark) * ldrOhmsAt(curve, bright))) ?? Math.sqrt(dark * bright);
  const middle = middleOf(brokenLux, wholeLux);
  const lights = { contrast: whole / ambientLux, bestLux: middle };
  if (thresholds?.isWindow) return { ...lights, ...windowBeam(thresholds, ambientLux, beamLux, own) };
  const { brokenBelowLux, wholeAboveLux } = bordersOf(design, own, project);
  const brokenMargin = brokenBelowLux === null ? null : brokenBelowLux / ambientLux;
  const wholeMargin = wholeAboveLux === null ? null : whole / wholeAboveLux;
  // A beam that does not bridge the band is told in no room.
  const min = Math.max(0, (wholeAboveLux ?? Infinity) - beamLux);
  const tells = brokenBelowLux !== null && min < brokenBelowLux;
  const definition = detectorDefinition(project.detector);
  const wanted =
    goal.offLux === null || !definition.goal.asksOff ? null : Math.abs(Math.log(goal.offLux / goal.lux));
  const contrast = wholeLux / brokenLux;
  const room = Math.max(contrast / MARGIN ** 2, Math.sqrt(contrast));
  // Its own light must not carry it over the band.
  const bridged = 1 + (MARGIN * Math.abs(own.whenOn - own.whenOff)) / brokenLux;
  const band =
    wanted === null ? (thresholds?.bandRatio ?? 1) : Math.min(Math.max(Math.exp(wanted), bridged), room);
  const isDarker = isDark === (definition.goalEnd(project.detector) === 'on');
  const half = Math.sqrt(band) ** (isDarker ? 1 : -1);
  return {
    ...lights,
    goalLux: Number((middle / half).toPrecision(3)),
    goalOffLux: wanted === null ? null : Number((middle * half).toPrecision(3)),
    brokenBelowLux,
    wholeAboveLux,
    minAmbientLux: tells ? min : null,
    maxAmbientLux: tells ? brokenBelowLux : null,
    brokenMargin,
    wholeMargin,
    works: (brokenMargin ?? 0) > 1 && (wholeMargin ?? 0) > 1,
  };
}

/** Own light may leave nothing between the two lights that a goal could lie at: it is put above the darker one then. */
const LEAST_CONTRAST = 1.01;

function ownLightOf(design: LitDesign, feedbackLux: number): OwnLight {
  const lux = feedbackLux * litShare(design);
  return isLitWhenOff(design) ? { whenOn: 0, whenOff: lux } : { whenOn: lux, whenOff: 0 };
}

/** How dark the room must be with the beam broken, how bright with it whole; `null` where it does not switch. */
function bordersOf(
  design: LitDesign,
  { whenOn, whenOff }: OwnLight,
  project: Pick<Project, 'detector' | 'feedbackLux' | 'outputStage'>,
): Pick<BeamFacts, 'brokenBelowLux' | 'wholeAboveLux'> {
  const { action, thresholds, drive, half: halfOn, justOff } = design;
  const isDark = action === 'on-in-dark';
  // A coil that hangs alone goes by its pull-in and drop-out.
  const contact = drive.isPullIn ? contactLights(design) : null;
  const [on, off] = thresholds
    ? [thresholds.turnOn, thresholds.turnOff]
    : [contact?.on ?? halfOn, contact?.off ?? justOff];
  if (!thresholds && !contact && whenOn > 0) {
    // A soft switch comes to rest where half of its own light is added; on in the light it may hold itself on.
    const half = halfOn.ok ? halfOn.lux : null;
    if (isDark)
      return {
        brokenBelowLux: half === null ? null : Math.max(0, half - whenOn / 2),
        wholeAboveLux: off.ok ? off.lux : null,
      };
    const release = feedbackLightFacts(project, design)?.releaseLux ?? 0;
    return { brokenBelowLux: off.ok ? release : null, wholeAboveLux: half };
  }
  // What takes it from one to the other is the room and its own light as it was before.
  const turnsOn = on.ok ? on.lux - whenOff : null;
  const turnsOff = off.ok ? off.lux - whenOn : null;
  // Where its own light bridges the band it goes to and fro between the two.
  if (turnsOn !== null && turnsOff !== null)
    return {
      brokenBelowLux: Math.max(0, Math.min(turnsOn, turnsOff)),
      wholeAboveLux: Math.max(0, turnsOn, turnsOff),
    };
  const [dark, bright] = isDark ? [turnsOn, turnsOff] : [turnsOff, turnsOn];
  return { brokenBelowLux: dark && Math.max(0, dark), wholeAboveLux: bright && Math.max(0, bright) };
}

/** A window tells a beam where one of the two lights lies inside of it and the other does not. */
function windowBeam(
  thresholds: Thresholds,
  ambientLux: number,
  beamLux: number,
  own: OwnLight,
): Omit<BeamFacts, 'contrast' | 'bestLux'> {
  const whole = ambientLux + beamLux;
  const [inside, outside] = thresholds.isOn[1] ? [own.whenOn, own.whenOff] : [own.whenOff, own.whenOn];
  const lowerGoal = Math.sqrt((ambientLux + inside) * (whole + outside));
  const goalLux = Number(lowerGoal.toPrecision(3));
  const goalOffLux = Number(((whole + inside) * ((whole + outside) / lowerGoal)).toPrecision(3));
  const none = { brokenBelowLux: null, wholeAboveLux: null, minAmbientLux: null, maxAmbientLux: null };
  const edges = windowEdges(thresholds);
  if (!edges) return { goalLux, goalOffLux, ...none, brokenMargin: null, wholeMargin: null, works: false };
  const lower = inRoom(edges.lower, outside, inside);
  const upper = inRoom(edges.upper, inside, outside);
  // It comes in over the lower edge, stays in up to the upper one, and is in again below that on the way back.
  const staysIn = ambientLux > lower.restsAbove && whole > upper.rising;
  const goesIn = (ambientLux < lower.rising && !staysIn) || ambientLux > upper.rising;
  const [broken, made] = goesIn ? [lower.falling, lower.rising] : [upper.falling, upper.rising];
  const brokenMargin = goesIn
    ? lower.falling / ambientLux
    : Math.min(ambientLux / lower.restsAbove, upper.falling / ambientLux);
  const wholeMargin = goesIn
    ? Math.min(whole / lower.rising, upper.restsBelow / whole)
    : whole / upper.rising;
  const top = goesIn ? Math.min(lower.falling, upper.restsBelow - beamLux) : upper.falling;
  const bottom = Math.max(
    0,
    goesIn ? lower.rising - beamLux : Math.max(lower.restsAbove, upper.rising - beamLux),
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

/** An edge as light of the room alone, and the lights above and below which what is there rests there. */
interface RoomEdge extends EdgeLights {
  readonly restsAbove: number;
  readonly restsBelow: number;
}

/** @param below the load's own light below the edge, which is added to the room's; where that bridges the band it goes to and fro between */
function inRoom(edge: EdgeLights, below: number, above: number): RoomEdge {
  const [up, down] = [edge.rising - below, edge.falling - above];
  const rising = Math.max(0, up, down);
  const falling = Math.max(0, Math.min(up, down));
  return up < down
    ? { rising, falling, restsAbove: rising, restsBelow: falling }
    : { rising, falling, restsAbove: falling, restsBelow: rising };
}
