import { assert, at } from '../result';
import { partIndex, type Circuit } from './circuit';
import { channelAmps, lampCurrent } from './fieldEffect';
import { limitedExp } from './junction';
import { JUNCTION_LEAK_SIEMENS } from './operatingPoint';

/** Current through a resistor from its end `a` to its end `b`, in A. */
export function resistorAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const index = partIndex(circuit, name, 'resistor');
  const a = at(volts, at(circuit.resistorEnds, 2 * index));
  const b = at(volts, at(circuit.resistorEnds, 2 * index + 1));
  return (a - b) * at(circuit.siemens, index);
}

/** Forward current of a diode, in A. */
export function diodeAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const cell = at(circuit.diodes, partIndex(circuit, name, 'diode'));
  const across = at(volts, cell.anode) - at(volts, cell.cathode);
  return cell.saturationAmps * (limitedExp(across / cell.emissionVolts) - 1) + JUNCTION_LEAK_SIEMENS * across;
}

/** Current through a lamp from its end `a` to its end `b`, in A. */
export function lampAmps(circuit: Circuit, volts: Float64Array, name: string): number {
  const cell = at(circuit.lamps, partIndex(circuit, name, 'lamp'));
  return lampCurrent(cell, at(volts, cell.a) - at(volts, cell.b));
}

/** Current into a MOSFET's drain (A), and the heat it makes (W). */
export function mosCurrents(circuit: Circuit, volts: Float64Array, name: string) {
  const cell = at(circuit.fets, partIndex(circuit, name, 'nmos'));
  const [drain, gate, source] = [at(volts, cell.drain), at(volts, cell.gate), at(volts, cell.source)];
  const drainAmps =
    channelAmps(cell, gate - source) -
    channelAmps(cell, gate - drain) +
    JUNCTION_LEAK_SIEMENS * (drain - source);
  return { drainAmps, watts: drainAmps * (drain - source) };
}

/**
 * Currents of a bipolar transistor in their usual direction (A): into collector and base of an NPN, out of those of a PNP;
 * and the heat it makes (W).
 */
export function bipolarCurrents(circuit: Circuit, volts: Float64Array, name: string) {
  const entry = circuit.elementIndex.get(name);
  const cell = at(circuit.bipolars, partIndex(circuit, name, entry?.kind === 'pnp' ? 'pnp' : 'npn'));
  const vbe = cell.sign * (at(volts, cell.base) - at(volts, cell.emitter));
  const vbc = cell.sign * (at(volts, cell.base) - at(volts, cell.collector));
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
  assert(index !== undefined, `unknown node ${node}`);
  let total = 0;
  for (const [name, part] of circuit.elementIndex) {
    switch (part.kind) {
      case 'resistor': {
        const [a, b] = [circuit.resistorEnds[2 * part.index], circuit.resistorEnds[2 * part.index + 1]];
        if (a === index || b === index) total += resistorAmps(circuit, volts, name) * (a === index ? 1 : -1);
        break;
      }
      case 'current': {
        const [from, to] = [circuit.currentEnds[2 * part.index], circuit.currentEnds[2 * part.index + 1]];
        const amps = circuit.currentAmps[part.index] ?? 0;
        total += (from === index ? amps : 0) - (to === index ? amps : 0);
        break;
      }
      case 'diode': {
        const { anode, cathode } = at(circuit.diodes, part.index);
        if (anode === index || cathode === index)
          total += diodeAmps(circuit, volts, name) * (anode === index ? 1 : -1);
        break;
      }
      case 'lamp': {
        const { a, b } = at(circuit.lamps, part.index);
        if (a === index || b === index) total += lampAmps(circuit, volts, name) * (a === index ? 1 : -1);
        break;
      }
      case 'nmos': {
        const { drain, source } = at(circuit.fets, part.index);
        if (drain === index || source === index)
          total += mosCurrents(circuit, volts, name).drainAmps * (drain === index ? 1 : -1);
        break;
      }
      default:
        total += bipolarShare(circuit, volts, name, index);
    }
  }
  return total;
}

/** What a bipolar transistor takes from a node, in A. */
function bipolarShare(circuit: Circuit, volts: Float64Array, name: string, node: number): number {
  const kind = circuit.elementIndex.get(name)?.kind === 'pnp' ? 'pnp' : 'npn';
  const cell = at(circuit.bipolars, partIndex(circuit, name, kind));
  if (![cell.collector, cell.base, cell.emitter].includes(node)) return 0;
  const { collectorAmps, baseAmps } = bipolarCurrents(circuit, volts, name);
  const collector = cell.collector === node ? collectorAmps : 0;
  const base = cell.base === node ? baseAmps : 0;
  const emitter = cell.emitter === node ? collectorAmps + baseAmps : 0;
  return cell.sign * (collector + base - emitter);
}
