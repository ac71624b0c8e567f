import { analyseCircuit, fullDriveOf } from '../analyse/analyseCircuit';
import type { CircuitAnalysis } from '../analyse/analysis';
import { circuitInput } from '../analyse/circuitInput';
import { DesignCircuit } from '../analyse/designCircuit';
import { switchAmpsOf } from '../analyse/drive';
import { lightRangeOf } from '../analyse/lightRange';
import { detectorDefinition } from '../detectors/registry';
import type { LdrModel } from '../ldr/model';
import type { LightRange } from '../light/range';
import { memoize } from '../memoize';
import type { CircuitInput } from '../operate/input';
import type { Conditions } from '../operate/operation';
import { trimmerReaches } from '../project/edits';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { Ok, Refused } from '../result';
import type { ResistorStock } from '../series/stock';
import { exactFixedOhms, fixedCandidates, type Candidate, type ExactFixed } from './fixed';

/** What R1 should be for the goal, and what is in stock near it. */
export interface FixedSizing {
  readonly exactFixed: ExactFixed;
  readonly candidates: readonly Candidate[];
}

/** A circuit that has been solved, and what would put it on its goal. */
export type SizedDesign = CircuitAnalysis & FixedSizing;

/** What sizing R1 hangs on besides the circuit. */
interface SizingGoal {
  readonly lux: number;
  readonly range: LightRange;
  readonly stock: ResistorStock;
  readonly halfAmps: number;
}

/** What R1 should be hangs on all of the circuit but R1 itself: while R1 alone is turned, it stays what it is. */
const sizeFixed = memoize(
  (input: CircuitInput, ldr: LdrModel, goal: SizingGoal, conditions: Partial<Conditions>): FixedSizing => {
    const { lux, range, stock, halfAmps } = goal;
    const circuit = new DesignCircuit(input, ldr, conditions);
    const exactFixed = exactFixedOhms(circuit, halfAmps, lux, range);
    const candidates = exactFixed.ok
      ? fixedCandidates(circuit, stock, exactFixed.ohms, halfAmps, lux, range)
      : [];
    return { exactFixed, candidates };
  },
  2,
);

/**
 * A project's circuit solved and sized; `not-converged` as {@link analyseCircuit}.
 * @param conditions other than those that figures are for: cold, heat, a weak part
 */
export function sizeDesign(
  project: Project,
  conditions: Partial<Conditions> = {},
): Ok<{ design: SizedDesign }> | Refused<'not-converged'> {
  const analysed = analyseCircuit(project, conditions);
  if (!analysed.ok) return analysed;
  const { analysis } = analysed;
  const sizing = fixedSizing(project, analysis.drive.switchAmps, conditions);
  return { ok: true, design: { ...analysis, ...sizing } };
}

/** What answers to changes switches at no light, whatever R1 is. */
const NO_LIGHT: FixedSizing = {
  exactFixed: { ok: false, reason: 'goal-out-of-reach', reach: null },
  candidates: [],
};

function fixedSizing(project: Project, halfAmps: number, conditions: Partial<Conditions>): FixedSizing {
  const { resistors: stock, goal, detector } = project;
  if (detectorDefinition(detector).sizes === 'none') return NO_LIGHT;
  return sizeFixed(
    { ...circuitInput(project), fixedOhms: 1, trimmer: null },
    measuredLdr(project).model,
    { lux: goal.lux, range: lightRangeOf(project), stock, halfAmps },
    conditions,
  );
}

/** What R1 should be, without all else that a design is; no candidates where the loads cannot be driven at all. */
export function sizeR1(project: Project): FixedSizing | null {
  const full = fullDriveOf(project);
  if (!full) return null;
  const { loads, isHighSide } = DesignCircuit.of(project, measuredLdr(project).model).assembly;
  return fixedSizing(project, switchAmpsOf(loads, isHighSide, full.amps).switchAmps, {});
}

/** What R1 is to be for the goal: what a trimmer in its place can be set to, else the real resistor that switches nearest to it. */
export function ohmsForGoal(
  { divider, goal }: Pick<Project, 'divider' | 'goal'>,
  { exactFixed, candidates }: FixedSizing,
): number | undefined {
  if (divider.trimmer && exactFixed.ok) {
    const ohms = Number(exactFixed.ohms.toPrecision(4));
    if (trimmerReaches(divider.trimmer, ohms)) return ohms;
  }
  return nearestCandidate(candidates, goal.lux)?.ohms;
}

/** The candidate whose switching light is nearest to the goal, as a ratio. */
export function nearestCandidate(candidates: readonly Candidate[], goalLux: number): Candidate | undefined {
  const distance = ({ switching }: Candidate) =>
    switching.ok ? Math.abs(Math.log(switching.lux / goalLux)) : Infinity;
  return candidates.reduce<Candidate | undefined>(
    (best, candidate) => (best === undefined || distance(candidate) < distance(best) ? candidate : best),
    undefined,
  );
}
