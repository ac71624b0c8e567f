import { partIndex, setAmps, setOhms, type Circuit } from '../circuit/circuit';
import { resistorAmps } from '../circuit/currents';
import type { Element } from '../circuit/netlist';
import { at } from '../result';
import type { OutputLevel } from './decider';
import type { ComparatorBlock } from './description';

/** An output that is not driven. */
const OFF_OHMS = 1e11;

/**
 * A comparator as a netlist knows it: a driven output to either rail (a resistance, and a current that stands for the voltage
 * left over), the bias of its inputs, and its own current. It starts low.
 */
export function comparatorElements({
  designator: name,
  part,
  plus,
  minus,
  out,
  top,
  bottom,
}: ComparatorBlock): readonly Element[] {
  const { biasAmps, idleAmps } = part;
  const { highOhms, lowOhms, highAmps, lowAmps } = outputFor(part, 'low');
  return [
    { kind: 'resistor', name: `${name}.high`, a: top, b: out, ohms: highOhms },
    { kind: 'resistor', name: `${name}.low`, a: out, b: bottom, ohms: lowOhms },
    { kind: 'current', name: `${name}.highDrop`, from: out, to: top, amps: highAmps },
    { kind: 'current', name: `${name}.lowDrop`, from: bottom, to: out, amps: lowAmps },
    { kind: 'current', name: `${name}.plus`, from: top, to: plus, amps: biasAmps },
    { kind: 'current', name: `${name}.minus`, from: top, to: minus, amps: biasAmps },
    { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: idleAmps },
  ];
}

function outputFor(
  { kind, outputOhms, highVolts, lowVolts }: ComparatorBlock['part'],
  level: OutputLevel,
): { highOhms: number; lowOhms: number; highAmps: number; lowAmps: number } {
  if (level === 'low')
    return { highOhms: OFF_OHMS, lowOhms: outputOhms, highAmps: 0, lowAmps: lowVolts / outputOhms };
  if (kind === 'open-collector') return { highOhms: OFF_OHMS, lowOhms: OFF_OHMS, highAmps: 0, lowAmps: 0 };
  return { highOhms: outputOhms, lowOhms: OFF_OHMS, highAmps: highVolts / outputOhms, lowAmps: 0 };
}

/** Current that a comparator's output gives or takes, in A, without its sign. */
export function outputAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const of = (side: 'high' | 'low') => {
    const drop = at(circuit.currentAmps, partIndex(circuit, `${name}.${side}Drop`, 'current'));
    return Math.abs(resistorAmps(circuit, volts, `${name}.${side}`) - drop);
  };
  return Math.max(of('high'), of('low'));
}

/** Drives a comparator's output to a level in place. */
export function setOutput(circuit: Circuit, { designator: name, part }: ComparatorBlock, level: OutputLevel) {
  const { highOhms, lowOhms, highAmps, lowAmps } = outputFor(part, level);
  setOhms(circuit, `${name}.high`, highOhms);
  setOhms(circuit, `${name}.low`, lowOhms);
  setAmps(circuit, `${name}.highDrop`, highAmps);
  setAmps(circuit, `${name}.lowDrop`, lowAmps);
}
