import { setAmps, setOhms, type Circuit } from '../circuit/circuit';
import { resistorAmps, type Solution } from '../circuit/currents';
import type { Element } from '../circuit/netlist';
import type { CircuitValues } from '../circuit/values';
import type { DrivenOutput, Net, OutputFigures, OutputLevel } from './base';

/** An output that is not driven. */
const OFF_OHMS = 1e11;

/** An output between two rails: to either a resistance, and a current that stands for the voltage left over. It starts low. */
export function outputElements(
  name: string,
  figures: OutputFigures,
  { top, bottom, out }: { readonly top: Net; readonly bottom: Net; readonly out: Net },
): readonly Element[] {
  const { highOhms, lowOhms, highAmps, lowAmps } = drivenTo(figures, 'low');
  return [
    { kind: 'resistor', name: `${name}.high`, a: top, b: out, ohms: highOhms },
    { kind: 'resistor', name: `${name}.low`, a: out, b: bottom, ohms: lowOhms },
    { kind: 'current', name: `${name}.highDrop`, from: out, to: top, amps: highAmps },
    { kind: 'current', name: `${name}.lowDrop`, from: bottom, to: out, amps: lowAmps },
  ];
}

function drivenTo({ kind, outputOhms, highVolts, lowVolts }: OutputFigures, level: OutputLevel) {
  if (level === 'low')
    return { highOhms: OFF_OHMS, lowOhms: outputOhms, highAmps: 0, lowAmps: lowVolts / outputOhms };
  if (kind === 'open-collector') return { highOhms: OFF_OHMS, lowOhms: OFF_OHMS, highAmps: 0, lowAmps: 0 };
  return { highOhms: outputOhms, lowOhms: OFF_OHMS, highAmps: highVolts / outputOhms, lowAmps: 0 };
}

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
