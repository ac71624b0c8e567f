import { partIndex, type Circuit } from './circuit';
import { channelAmps, lampCurrent, type MosCell } from './fieldEffect';
import { limitedExp } from './junction';
import { JUNCTION_LEAK_SIEMENS } from './newton';

/** Current through a resistor from its end `a` to its end `b`, in A. */
export function resistorAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const index = partIndex(circuit, name, 'resistor');
  const a = volts[circuit.resistorEnds[2 * index]!]!;
  const b = volts[circuit.resistorEnds[2 * index + 1]!]!;
  return (a - b) * circuit.siemens[index]!;
}

/** Forward current of a diode, in A. */
export function diodeAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  return cellAmps(circuit.diodes[partIndex(circuit, name, 'diode')]!, volts);
}

function cellAmps(cell: Circuit['diodes'][number], volts: Float64Array): number {
  const across = volts[cell.anode]! - volts[cell.cathode]!;
  return cell.saturationAmps * (limitedExp(across / cell.emissionVolts) - 1) + JUNCTION_LEAK_SIEMENS * across;
}

/** Current through a lamp from its end `a` to its end `b`, in A. */
export function lampAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const cell = circuit.lamps[partIndex(circuit, name, 'lamp')]!;
  return lampCurrent(cell, volts[cell.a]! - volts[cell.b]!);
}

/** Current into a MOSFET's drain (A), and the heat it makes (W). */
export function mosCurrents(circuit: Circuit, volts: Float64Array, name: string) {
  const cell = circuit.fets[partIndex(circuit, name, 'nmos')]!;
  const drainAmps = drainAmpsOf(cell, volts);
  return { drainAmps, watts: drainAmps * (volts[cell.drain]! - volts[cell.source]!) };
}

function drainAmpsOf(cell: MosCell, volts: Float64Array): number {
  const [drain, gate, source] = [volts[cell.drain]!, volts[cell.gate]!, volts[cell.source]!];
  const leak = JUNCTION_LEAK_SIEMENS * (drain - source);
  return channelAmps(cell, gate - source) - channelAmps(cell, gate - drain) + leak;
}

/**
 * Currents of a bipolar transistor in their usual direction (A): into collector and base of an NPN, out of those of a PNP;
 * and the heat it makes (W).
 */
export function bipolarCurrents(circuit: Circuit, volts: Float64Array, name: string) {
  const entry = circuit.elementIndex.get(name);
  const kind = entry?.kind === 'pnp' ? 'pnp' : 'npn';
  return bipolarOf(circuit.bipolars[partIndex(circuit, name, kind)]!, volts);
}

function bipolarOf(cell: Circuit['bipolars'][number], volts: Float64Array) {
  const vbe = cell.sign * (volts[cell.base]! - volts[cell.emitter]!);
  const vbc = cell.sign * (volts[cell.base]! - volts[cell.collector]!);
  const forward = limitedExp(vbe / cell.thermalVolts);
  const reverse = limitedExp(vbc / cell.thermalVolts);
  const transport = cell.saturationAmps * (forward - reverse);
  const baseEmitter = (cell.saturationAmps / cell.forwardBeta) * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe;
  const baseCollector =
    (cell.saturationAmps / cell.reverseBeta) * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc;
  const collectorAmps = transport - baseCollector;
  const baseAmps = baseEmitter + baseCollector;
  return { collectorAmps, baseAmps, watts: collectorAmps * (vbe - vbc) + baseAmps * vbe };
}

/** The whole current that flows out of a node into the parts joined to it, in A: of a fixed node, what its supply gives. */
export function currentFrom(circuit: Circuit, volts: Float64Array, node: string): number {
  const index = circuit.nodeIndex.get(node);
  if (index === undefined) throw new Error(`unknown node ${node}`);
  const { resistorEnds, siemens, currentEnds, currentAmps } = circuit;
  let total = 0;
  for (let i = 0; i < siemens.length; i++) {
    const [a, b] = [resistorEnds[2 * i]!, resistorEnds[2 * i + 1]!];
    if (a !== index && b !== index) continue;
    total += (volts[a]! - volts[b]!) * siemens[i]! * (a === index ? 1 : -1);
  }
  for (let i = 0; i < currentAmps.length; i++) {
    if (currentEnds[2 * i] === index) total += currentAmps[i]!;
    if (currentEnds[2 * i + 1] === index) total -= currentAmps[i]!;
  }
  for (const cell of circuit.diodes) {
    const { anode, cathode } = cell;
    if (anode === index || cathode === index) total += cellAmps(cell, volts) * (anode === index ? 1 : -1);
  }
  for (const cell of circuit.lamps) {
    const { a, b } = cell;
    if (a !== index && b !== index) continue;
    total += lampCurrent(cell, volts[a]! - volts[b]!) * (a === index ? 1 : -1);
  }
  for (const cell of circuit.fets) {
    const { drain, source } = cell;
    if (drain === index || source === index) total += drainAmpsOf(cell, volts) * (drain === index ? 1 : -1);
  }
  for (const cell of circuit.bipolars) {
    if (cell.collector !== index && cell.base !== index && cell.emitter !== index) continue;
    const { collectorAmps, baseAmps } = bipolarOf(cell, volts);
    const collector = cell.collector === index ? collectorAmps : 0;
    const base = cell.base === index ? baseAmps : 0;
    const emitter = cell.emitter === index ? collectorAmps + baseAmps : 0;
    total += cell.sign * (collector + base - emitter);
  }
  return total;
}
