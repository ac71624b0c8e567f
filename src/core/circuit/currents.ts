import { elementNumber, nodeNumber, type Circuit } from './circuit';
import { JUNCTION_LEAK_SIEMENS } from './devices';
import { channelAmps, lampCurrent } from './fieldEffect';
import { limitedExp } from './junction';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, DIODE_FIGURES, LAMP_FIGURES, type CircuitValues } from './values';

/** A circuit with the values and the node voltages of one solution: all that currents follow from. */
export interface Solution {
  readonly circuit: Circuit;
  readonly values: CircuitValues;
  /** Shape: all nodes. */
  readonly volts: Float64Array;
  /** What fixed nodes were asked for beyond what they give, in A, where any was. */
  readonly asked?: Readonly<Record<string, number>>;
}

/** Current through a resistor from its end `a` to its end `b`, in A. */
export function resistorAmps(solution: Solution, name: string): number {
  return resistorAt(solution, elementNumber(solution.circuit, name, 'resistors'));
}

function resistorAt({ circuit, values, volts }: Solution, index: number): number {
  const { nodes } = circuit.resistors;
  return (volts[nodes[2 * index]!]! - volts[nodes[2 * index + 1]!]!) * values.siemens[index]!;
}

/** Forward current of a diode, in A. */
export function diodeAmps(solution: Solution, name: string): number {
  return diodeAt(solution, elementNumber(solution.circuit, name, 'diodes'));
}

function diodeAt({ circuit, values, volts }: Solution, index: number): number {
  const { nodes } = circuit.diodes;
  const across = volts[nodes[2 * index]!]! - volts[nodes[2 * index + 1]!]!;
  const at = index * DIODE_FIGURES;
  const growth = limitedExp(across / values.diodes[at + 1]!);
  return values.diodes[at]! * (growth - 1) + JUNCTION_LEAK_SIEMENS * across;
}

/** Current through a lamp from its end `a` to its end `b`, in A. */
export function lampAmps(solution: Solution, name: string): number {
  return lampAt(solution, elementNumber(solution.circuit, name, 'lamps'));
}

function lampAt({ circuit, values, volts }: Solution, index: number): number {
  const { nodes } = circuit.lamps;
  const [hot, rated] = [values.lamps[index * LAMP_FIGURES]!, values.lamps[index * LAMP_FIGURES + 1]!];
  return lampCurrent(hot, rated, volts[nodes[2 * index]!]! - volts[nodes[2 * index + 1]!]!);
}

/** Current into a MOSFET's drain (A; out of it for a P-channel), and the heat it makes (W). */
export function channelCurrents(solution: Solution, name: string) {
  const index = elementNumber(solution.circuit, name, 'channels');
  const { circuit, volts } = solution;
  const { nodes } = circuit.channels;
  const intoDrain = channelAt(solution, index);
  return {
    drainAmps: circuit.channelSigns[index]! * intoDrain,
    watts: intoDrain * (volts[nodes[3 * index]!]! - volts[nodes[3 * index + 2]!]!),
  };
}

/** Current into the drain, whatever the channel. */
function channelAt({ circuit, values, volts }: Solution, index: number): number {
  const { nodes } = circuit.channels;
  const sign = circuit.channelSigns[index]!;
  const [drain, gate, source] = [
    volts[nodes[3 * index]!]!,
    volts[nodes[3 * index + 1]!]!,
    volts[nodes[3 * index + 2]!]!,
  ];
  const at = index * CHANNEL_FIGURES;
  const half = (end: number) =>
    channelAmps(
      values.channels[at]!,
      values.channels[at + 1]!,
      values.channels[at + 2]!,
      sign * (gate - end),
    );
  return sign * (half(source) - half(drain)) + JUNCTION_LEAK_SIEMENS * (drain - source);
}

/**
 * Currents of a bipolar transistor in their usual direction (A): into collector and base of an NPN, out of those of a PNP;
 * and the heat it makes (W).
 */
export function bipolarCurrents(solution: Solution, name: string) {
  return bipolarAt(solution, elementNumber(solution.circuit, name, 'bipolars'));
}

function bipolarAt({ circuit, values, volts }: Solution, index: number) {
  const { nodes } = circuit.bipolars;
  const sign = circuit.bipolarSigns[index]!;
  const base = volts[nodes[3 * index + 1]!]!;
  const vbe = sign * (base - volts[nodes[3 * index + 2]!]!);
  const vbc = sign * (base - volts[nodes[3 * index]!]!);
  const at = index * BIPOLAR_FIGURES;
  const saturation = values.bipolars[at]!;
  const thermal = values.bipolars[at + 3]!;
  const [forward, reverse] = [limitedExp(vbe / thermal), limitedExp(vbc / thermal)];
  const transport = saturation * (forward - reverse);
  const baseEmitter = (saturation / values.bipolars[at + 1]!) * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe;
  const baseCollector = (saturation / values.bipolars[at + 2]!) * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc;
  const collectorAmps = transport - baseCollector;
  const baseAmps = baseEmitter + baseCollector;
  return { collectorAmps, baseAmps, watts: collectorAmps * (vbe - vbc) + baseAmps * vbe };
}

/** The whole current that flows out of a node into the elements on it, in A: of a fixed node, what its supply gives. */
export function currentFrom(solution: Solution, node: string): number {
  return currentFromNode(solution, nodeNumber(solution.circuit, node));
}

/** The largest sum of currents left over at any unknown node, in A (Kirchhoff's current law): how true a solution is. */
export function kirchhoffResidualAmps(solution: Solution): number {
  let largest = 0;
  for (let node = 0; node < solution.circuit.unknowns; node++)
    largest = Math.max(largest, Math.abs(currentFromNode(solution, node)));
  return largest;
}

/**
 * The current that flows out of every node into the elements on it, in A: what is left over where a solution is not quite one.
 * @param into shape: all nodes; overwritten
 */
export function currentsFromNodes(solution: Solution, into: Float64Array): void {
  const { circuit, values } = solution;
  const { resistors, sources, diodes, lamps, channels, bipolars } = circuit;
  into.fill(0);
  for (let i = 0; i < resistors.count; i++) between(into, resistors.nodes, i, resistorAt(solution, i));
  for (let i = 0; i < sources.count; i++) between(into, sources.nodes, i, values.sourceAmps[i]!);
  for (let i = 0; i < diodes.count; i++) between(into, diodes.nodes, i, diodeAt(solution, i));
  for (let i = 0; i < lamps.count; i++) between(into, lamps.nodes, i, lampAt(solution, i));
  for (let i = 0; i < channels.count; i++) {
    const amps = channelAt(solution, i);
    into[channels.nodes[3 * i]!]! += amps;
    into[channels.nodes[3 * i + 2]!]! -= amps;
  }
  for (let i = 0; i < bipolars.count; i++) {
    const { collectorAmps, baseAmps } = bipolarAt(solution, i);
    const sign = circuit.bipolarSigns[i]!;
    into[bipolars.nodes[3 * i]!]! += sign * collectorAmps;
    into[bipolars.nodes[3 * i + 1]!]! += sign * baseAmps;
    into[bipolars.nodes[3 * i + 2]!]! -= sign * (collectorAmps + baseAmps);
  }
}

function between(into: Float64Array, nodes: Int32Array, index: number, amps: number): void {
  into[nodes[2 * index]!]! += amps;
  into[nodes[2 * index + 1]!]! -= amps;
}

function currentFromNode(solution: Solution, node: number): number {
  const { circuit, values } = solution;
  const { resistors, sources, diodes, lamps, channels, bipolars } = circuit;
  let total = 0;
  for (let i = 0; i < resistors.count; i++) {
    const way = wayFrom(node, resistors.nodes, i);
    if (way !== 0) total += way * resistorAt(solution, i);
  }
  for (let i = 0; i < sources.count; i++) total += wayFrom(node, sources.nodes, i) * values.sourceAmps[i]!;
  for (let i = 0; i < diodes.count; i++) {
    const way = wayFrom(node, diodes.nodes, i);
    if (way !== 0) total += way * diodeAt(solution, i);
  }
  for (let i = 0; i < lamps.count; i++) {
    const way = wayFrom(node, lamps.nodes, i);
    if (way !== 0) total += way * lampAt(solution, i);
  }
  for (let i = 0; i < channels.count; i++) {
    const [drain, source] = [channels.nodes[3 * i] === node, channels.nodes[3 * i + 2] === node];
    if (drain !== source) total += (drain ? 1 : -1) * channelAt(solution, i);
  }
  for (let i = 0; i < bipolars.count; i++) {
    const isCollector = bipolars.nodes[3 * i] === node;
    const isBase = bipolars.nodes[3 * i + 1] === node;
    const isEmitter = bipolars.nodes[3 * i + 2] === node;
    if (!isCollector && !isBase && !isEmitter) continue;
    const { collectorAmps, baseAmps } = bipolarAt(solution, i);
    const sign = circuit.bipolarSigns[i]!;
    if (isCollector) total += sign * collectorAmps;
    if (isBase) total += sign * baseAmps;
    if (isEmitter) total -= sign * (collectorAmps + baseAmps);
  }
  return total;
}

/** 1 where an element's current leaves a node by its first end, −1 where it comes in there, 0 where it does not touch it, or by both. */
function wayFrom(node: number, nodes: Int32Array, index: number): number {
  return (nodes[2 * index] === node ? 1 : 0) - (nodes[2 * index + 1] === node ? 1 : 0);
}
