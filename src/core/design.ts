import { adviseOn, statesFrom } from './advise/advise';
import type { Advice, Step, StepState, Found } from './advise/advice';
import type { Project } from './project/project';
import { judge } from './readings/judge';
import type { Ok, Refused } from './result';
import { sizeDesign } from './size/sized';

/** Everything that follows from a project. Plain data: may be sent to and from a worker. */
export interface Design extends Found {
  /** Worst first. */
  readonly advice: readonly Advice[];
  readonly states: Readonly<Record<Step, StepState>>;
}

export type Analysis = Ok<{ design: Design }> | Refused<'not-converged'>;

/**
 * Everything that follows from a project, by solving its one circuit: curves over light, the three switching points,
 * what the drive can saturate, the resistors that would put it right, advice and the state of each step.
 *
 * @returns the design; `not-converged` where the circuit has no operating point somewhere on the axis
 */
export function analyse(project: Project): Analysis {
  const sized = sizeDesign(project);
  if (!sized.ok) return sized;
  const found: Found = { ...sized.design, judgement: judge(project) };
  const advice = adviseOn(project, found);
  return { ok: true, design: { ...found, advice, states: statesFrom(advice) } };
}
