import { onLevel, type Decided } from './decider';
import { decide } from './deciders';
import { stages } from './registry';
import type { Action, StageInput } from './stage';

/** Which states of a decider have the loads on, from dark to bright. */
export function onStates(decided: Decided, { decider, part }: Pick<StageInput, 'decider' | 'part'>) {
  const level = decider.kind === 'transistor' ? 'high' : onLevel(decider, part);
  return decided.levels.map((each) => each === level);
}

/** When the loads are on, as the whole stage is wired. */
export function actionOf(input: StageInput): Action {
  const { decider, part, ldrSide } = input;
  const decided = decide(input);
  if (!decided || decider.kind === 'transistor') return stages[part.kind].actionOf(ldrSide);
  return onStates(decided, input)[0] ? 'on-in-dark' : 'on-in-light';
}
