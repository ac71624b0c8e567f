import type { Solution } from '../circuit/currents';
import type { Assembly } from './assembly';
import { Operation, TYPICAL_CONDITIONS, type Conditions } from './operation';

/** What a circuit remembers from one light to the next: in which of its states the detector stands, 0 for the darkest. */
export interface OperatingState {
  readonly position: number;
}

/** It has been dark before, or bright. */
export const fromDark: OperatingState = { position: 0 };
export const fromBright = ({ switching }: Pick<Assembly, 'switching'>): OperatingState => ({
  position: (switching?.states.length ?? 1) - 1,
});

/** Where a circuit is: how much light the LDR gets, as its resistance, and under what else. */
export interface Situation extends Conditions {
  readonly ldrOhms: number;
  /** R1, where it is not as assembled. */
  readonly fixedOhms?: number;
}

export const situation = (ldrOhms: number, rest: Partial<Situation> = {}): Situation => ({
  ...TYPICAL_CONDITIONS,
  ...rest,
  ldrOhms,
});

/**
 * Solves a circuit where it is, coming from a state. The same arguments give the same answer, whatever was asked before.
 *
 * @returns the solution and the state that it is in then; `null` where there is no operating point
 */
export function operate(
  assembly: Assembly,
  { ldrOhms, fixedOhms, ...conditions }: Situation,
  { position }: OperatingState,
): { readonly solution: Solution; readonly state: OperatingState } | null {
  const settled = new Operation(assembly, conditions).settle(position, ldrOhms, fixedOhms);
  return settled && { solution: settled.solution, state: { position: settled.position } };
}
