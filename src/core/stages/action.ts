import { onLevel, type Switching } from './decider';
import { switchingOf } from './deciders';
import { drivers } from './registry';
import type { Action, CircuitInput } from './stage';

/** Which states of a decider have the loads on, from dark to bright. */
export function onStates(switching: Switching, { detector, part }: Pick<CircuitInput, 'detector' | 'part'>) {
  const level = detector.kind === 'transistor' ? 'high' : onLevel(detector, part);
  return switching.levels.map((each) => each === level);
}

/** When the loads are on, as the whole stage is wired. */
export function actionOf(input: CircuitInput): Action {
  const { detector, part, ldrSide } = input;
  const switching = switchingOf(input);
  if (!switching || detector.kind === 'transistor') return drivers[part.kind].actionOf(ldrSide);
  return onStates(switching, input)[0] ? 'on-in-dark' : 'on-in-light';
}
