import { setAmps, setOhms, type Circuit } from '../circuit/circuit';
import { resistorAmps, type Solution } from '../circuit/currents';
import type { CircuitValues } from '../circuit/values';
import type { DrivenOutput, OutputLevel } from './base';
import { drivenTo, OFF_OHMS } from './output';

/** Drives an output to a level, in the values that a circuit is to be solved with. */
export function setOutput(
  circuit: Circuit,
  values: CircuitValues,
  { name, figures }: DrivenOutput,
  level: OutputLevel,
): void {
  const { highOhms, lowOhms, highAmps, lowAmps } = drivenTo(figures, level);
  setOhms(circuit, values, `${name}.high`, highOhms);
  setOhms(circuit, values, `${name}.low`, lowOhms);
  setAmps(circuit, values, `${name}.highDrop`, highAmps);
  setAmps(circuit, values, `${name}.lowDrop`, lowAmps);
}

/** Holds an output at a voltage over its lower rail, as an amplifier does that is neither at its top nor at its bottom. */
export function holdOutput(
  circuit: Circuit,
  values: CircuitValues,
  { name, figures }: DrivenOutput,
  volts: number,
): void {
  setOhms(circuit, values, `${name}.high`, OFF_OHMS);
  setOhms(circuit, values, `${name}.low`, figures.outputOhms);
  setAmps(circuit, values, `${name}.highDrop`, 0);
  setAmps(circuit, values, `${name}.lowDrop`, volts / figures.outputOhms);
}

/** Current that an output gives or takes, in A, without its sign. */
export function outputAmps(solution: Solution, { name, figures }: DrivenOutput, level: OutputLevel): number {
  const { highAmps, lowAmps } = drivenTo(figures, level);
  return Math.max(
    Math.abs(resistorAmps(solution, `${name}.high`) - highAmps),
    Math.abs(resistorAmps(solution, `${name}.low`) - lowAmps),
  );
}
