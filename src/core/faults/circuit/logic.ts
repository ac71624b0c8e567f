import { nodeNumber } from '../../circuit/circuit';
import type { Solution } from '../../circuit/currents';
import type { DrivenOutput, Net, OutputLevel } from '../../parts/base';
import type { Wiring } from './wiring';

/** What stands one behind the other settles in so many. */
const MOST_PASSES = 6;

/** An output that is driven to another level. */
export interface Redriven {
  readonly output: DrivenOutput;
  readonly level: OutputLevel;
}

/**
 * What follows a detector gives what its inputs say, not what the detector's state says: with a fault between them the two differ.
 * @param state levels that the state gives, by the outputs' keys
 * @param first the circuit solved with those
 * @param again solves it with these outputs driven otherwise than before
 * @returns the circuit with every gate, flip-flop and one-shot as its inputs have it; `null` where that has no operating point
 */
export function afterLogic(
  { logic, outputs }: Wiring,
  state: Readonly<Record<string, OutputLevel>>,
  first: Solution,
  again: (redriven: readonly Redriven[], before: Solution) => Solution | null,
): Solution | null {
  const levels = new Map(logic.map(({ key }) => [key, state[key] ?? 'low']));
  let solution: Solution | null = first;
  for (let pass = 0; pass < MOST_PASSES && solution; pass++) {
    const { circuit, volts } = solution;
    const at = (net: Net) => volts[nodeNumber(circuit, net)] ?? 0;
    const redriven: Redriven[] = [];
    for (const { key, inputs, top, bottom, decides } of logic) {
      const level = levels.get(key) ?? 'low';
      const next = decides(inputs.map(at), (at(top) + at(bottom)) / 2, level);
      if (next === null || next === level) continue;
      levels.set(key, next);
      for (const { output, does } of outputs)
        if (output.key === key && does === 'follow') redriven.push({ output, level: next });
    }
    if (redriven.length === 0) return solution;
    solution = again(redriven, solution);
  }
  return solution;
}
