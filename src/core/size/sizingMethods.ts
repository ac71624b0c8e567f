import isEqual from 'fast-deep-equal/es6/index.js';
import { analyseCircuit } from '../analyse/analyseCircuit';
import type { CircuitAnalysis } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import { detectorDefinition } from '../detectors/registry';
import type { SizingMethodId } from '../detectors/definition';
import { ldrOhmsAt } from '../ldr/curve';
import type { Crossing } from '../light/crossing';
import { logSpacedLux } from '../light/range';
import type { Readout } from '../operate/read';
import { changeDivider, changeTrimmer, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { memoize } from '../memoize';
import { circuitOf } from '../project/variants';
import type { Refused } from '../result';
import { nearestIn, type Combination } from '../series/stock';
import { sizeDetector } from './resize';
import type { SizedDesign } from './sized';
import { chooseTrimmer, fixedSpread, trimmerPosition, type TrimmerChoice } from './trimmer';

/** What a value gives in the whole circuit, with the stage connected. */
export interface SizingFigures {
  /** Midpoint at the dark and at the bright light. */
  readonly darkVolts: number;
  readonly brightVolts: number;
  /** How much the midpoint moves for twice the light about the goal. */
  readonly voltsPerOctave: number;
  readonly switching: Crossing;
  /** Most current from the supply into the divider, and most heat in the LDR, over the whole axis. */
  readonly dividerAmps: number;
  readonly ldrWatts: number;
}

/** One way of sizing: its exact value, what is in stock for it, and what that gives. */
export type SizingMethod = { readonly id: SizingMethodId } & (
  | {
      readonly ok: true;
      readonly exactOhms: number;
      readonly real: Combination;
      readonly trimmer: TrimmerChoice | null;
      /** With it, and with the detector's own values found anew where it has some. */
      readonly figures: SizingFigures;
      /** Takes it so. */
      readonly edit: Edit;
      /** The design has it so: taking it would change nothing but where a trimmer stands. */
      readonly isInUse: boolean;
    }
  | Refused<'empty-stock' | 'out-of-reach' | 'not-converged'>
);

/** A dark and a light light for a goal, where nobody has said other ones. */
const DEFAULT_LIGHTS_RATIO = 5;

/** The two lights that the divider should tell apart. */
export function lightsOf({ divider, goal }: Pick<Project, 'divider' | 'goal'>) {
  return (
    divider.lights ?? { darkLux: goal.lux / DEFAULT_LIGHTS_RATIO, brightLux: goal.lux * DEFAULT_LIGHTS_RATIO }
  );
}

/**
 * The sizing methods side by side, each with what its real value would do in this circuit. Two panels ask for the same while R1 is turned.
 */
export const sizingMethodsOf = memoize(findSizingMethods);

function findSizingMethods(project: Project, design: SizedDesign): readonly SizingMethod[] {
  const { darkLux, brightLux } = lightsOf(project);
  const { curve } = design.ldr;
  const goal = project.goal.lux;
  const exact = design.exactFixed;
  /** What the whole circuit says of itself once an edit is taken. */
  const figures = (edit: Edit) => {
    const taken = edit(project);
    const known = taken === project ? design : null;
    return figuresOf(taken, known, { darkLux, brightLux });
  };
  const changesNothing = (edit: Edit) => isEqual(circuitOf(edit(project)), circuitOf(project));
  const isOwn = detectorDefinition(project.detector).sizes === 'own';

  /** @param isAnew the detector's own values are found for this R1, where it has some: they are what puts it on the goal */
  const sized = (id: SizingMethodId, exactOhms: number, isAnew: boolean): SizingMethod => {
    const nearest = nearestIn(project.resistors, exactOhms);
    if (!nearest.ok) return { id, ok: false, reason: 'empty-stock' };
    const off = (value: number) => Math.abs(Math.log(value / exactOhms));
    const real = nearest.found.reduce((best, entry) => (off(entry.ohms) < off(best.ohms) ? entry : best));
    const put = changeDivider({ fixedOhms: real.ohms, trimmer: null });
    const edit = isAnew && isOwn ? together(put, sizeDetector) : put;
    const found = figures(edit);
    return found
      ? { id, ok: true, exactOhms, real, trimmer: null, figures: found, edit, isInUse: changesNothing(edit) }
      : { id, ok: false, reason: 'not-converged' };
  };
  const asItIs = (id: SizingMethodId, ohms: number, trimmer: TrimmerChoice | null): SizingMethod => {
    const real: Combination = { ohms, how: 'single', parts: [ohms] };
    const edit: Edit = trimmer
      ? changeTrimmer(
          { trackOhms: trimmer.trackOhms, endOhms: trimmer.endOhms, degrees: trimmer.degrees },
          ohms,
        )
      : (same) => same;
    const { trimmer: present } = project.divider;
    const isInUse =
      trimmer === null || (present?.trackOhms === trimmer.trackOhms && present.endOhms === trimmer.endOhms);
    const found = figures(edit);
    return found
      ? { id, ok: true, exactOhms: ohms, real, trimmer, figures: found, edit, isInUse }
      : { id, ok: false, reason: 'not-converged' };
  };
  const trimmed = (): SizingMethod => {
    if (!exact.ok) return { id: 'trimmer', ok: false, reason: 'out-of-reach' };
    const spread = fixedSpread(design.ldr, goal, exact.ohms);
    const chosen = chooseTrimmer(project.resistors, exact.ohms, spread);
    return chosen.ok
      ? asItIs('trimmer', exact.ohms, chosen.choice)
      : { id: 'trimmer', ok: false, reason: chosen.reason };
  };
  const all: readonly SizingMethod[] = [
    sized('geometric-mean', Math.sqrt(ldrOhmsAt(curve, darkLux) * ldrOhmsAt(curve, brightLux)), true),
    sized('equal-at-goal', ldrOhmsAt(curve, goal), true),
    exact.ok
      ? sized('own-threshold', exact.ohms, false)
      : { id: 'own-threshold', ok: false, reason: 'out-of-reach' },
    asItIs('substitution', project.divider.fixedOhms, null),
    trimmed(),
  ];
  return all.filter(({ id }) => !isBesideThePoint(id, project));
}

/**
 * Whether a method sizes for what the design has not: a midpoint, without a divider; a light at which it switches, where it answers to
 * changes.
 */
function isBesideThePoint(
  id: SizingMethodId,
  { divider, detector }: Pick<Project, 'divider' | 'detector'>,
): boolean {
  if (id === 'geometric-mean' || id === 'equal-at-goal') return divider.isDirect;
  if (id === 'own-threshold' || id === 'trimmer') return detectorDefinition(detector).sizes === 'none';
  return false;
}

/** Lights at which the divider's most current is looked for. */
const LIGHTS = 25;

function figuresOf(
  project: Project,
  known: CircuitAnalysis | null,
  { darkLux, brightLux }: { readonly darkLux: number; readonly brightLux: number },
): SizingFigures | null {
  const analysed = known ? null : analyseCircuit(project);
  const analysis = known ?? (analysed?.ok ? analysed.analysis : null);
  if (!analysis) return null;
  const circuit = DesignCircuit.of(project, analysis.ldr);
  const { half } = analysis;
  // From the dark to the bright light and back, as a detector with hysteresis stands there then.
  let position = 0;
  const solve = (lux: number): Readout | null => {
    const settled = circuit.settle(position, lux);
    position = settled?.position ?? position;
    return settled?.readout ?? null;
  };
  const midAt = (lux: number) => solve(lux)?.volts('mid') ?? null;
  const goal = project.goal.lux;
  const [dark, bright] = [midAt(darkLux), midAt(brightLux)];
  const [below, above] = [midAt(goal / Math.SQRT2), midAt(goal * Math.SQRT2)];
  if (dark === null || bright === null || below === null || above === null) return null;
  let dividerAmps = 0;
  for (const lux of logSpacedLux(analysis.range, LIGHTS)) {
    const readout = solve(lux);
    if (!readout) return null;
    const { dividerTop } = circuit.assembly;
    dividerAmps = Math.max(
      dividerAmps,
      dividerTop.reduce((total, element) => total + readout.amps(element), 0),
    );
  }
  return {
    darkVolts: dark,
    brightVolts: bright,
    voltsPerOctave: Math.abs(above - below),
    switching: half.ok ? { ok: true, lux: half.lux } : half,
    dividerAmps,
    ldrWatts: analysis.extremes.worst.ldrWatts,
  };
}

/** What the project's own trimmer can do: the lights at both ends of its travel, and how fine it is where it stands. */
export interface TrimmerTravel {
  /** Where it would switch with the end resistor alone and with the whole track. */
  readonly atEnd: Crossing;
  readonly atFull: Crossing;
  /** Change of the switching light for one degree of the screw where it stands, in % of it; `null` where it does not switch. */
  readonly sharePerDegree: number | null;
  /** The same in the light itself, and for a whole turn of a screw with several; `null` where there is no answer. */
  readonly lightPerDegree: number | null;
  readonly lightPerTurn: number | null;
  /** Whether the goal can be set for every LDR of the spread. */
  readonly covers: boolean;
}

export function trimmerTravel(project: Project, design: SizedDesign): TrimmerTravel | null {
  const { trimmer, fixedOhms } = project.divider;
  if (!trimmer) return null;
  const live = DesignCircuit.of(project, design.ldr);
  const halfAmps = design.drive.switchAmps;
  const switchAt = (ohms: number) => live.crossing(halfAmps, design.range, undefined, Math.max(1, ohms));
  const perDegree = trimmer.trackOhms / trimmer.degrees;
  // Away from the nearer end, so that the step stays on the travel.
  const way = trimmerPosition(trimmer, fixedOhms) < 0.5 ? 1 : -1;
  const [here, next] = [switchAt(fixedOhms), switchAt(fixedOhms + way * perDegree)];
  const turn = trimmer.degrees >= 720 ? switchAt(fixedOhms + way * 360 * perDegree) : null;
  const exact = design.exactFixed;
  const spread = exact.ok ? fixedSpread(design.ldr, project.goal.lux, exact.ohms) : null;
  return {
    atEnd: switchAt(trimmer.endOhms),
    atFull: switchAt(trimmer.endOhms + trimmer.trackOhms),
    sharePerDegree: here.ok && next.ok ? Math.abs(next.lux / here.lux - 1) : null,
    lightPerDegree: here.ok && next.ok ? Math.abs(next.lux - here.lux) : null,
    lightPerTurn: here.ok && turn?.ok ? Math.abs(turn.lux - here.lux) : null,
    covers:
      spread !== null && trimmer.endOhms <= spread.low && trimmer.endOhms + trimmer.trackOhms >= spread.high,
  };
}
