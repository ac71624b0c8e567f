import { analyseCircuit } from '../analyse/analyseCircuit';
import type { CircuitAnalysis } from '../analyse/analysis';
import { circuitInput } from '../analyse/circuitInput';
import { DesignCircuit } from '../analyse/designCircuit';
import type { LdrModel } from '../ldr/model';
import type { LightRange } from '../light/range';
import { memoize } from '../memoize';
import type { CircuitInput } from '../operate/input';
import type { Conditions } from '../operate/operation';
import type { Project } from '../project/project';
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
  const { ldr, range } = analysis;
  const { lux } = project.goal;
  const input = circuitInput(project);
  const sizing = sizeFixed(
    { ...input, fixedOhms: 1, trimmer: null },
    ldr,
    {
      lux,
      range,
      stock: project.resistors,
      halfAmps: analysis.drive.switchAmps,
    },
    conditions,
  );
  return { ok: true, design: { ...analysis, ...sizing } };
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
