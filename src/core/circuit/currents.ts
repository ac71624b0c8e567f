import { at } from '../result';
import { partIndex, type Circuit } from './circuit';
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

/** Currents into a transistor's collector and base (A), and the heat it makes (W). */
export function npnCurrents(circuit: Circuit, volts: Float64Array, name: string) {
  const cell = at(circuit.npns, partIndex(circuit, name, 'npn'));
  const vbe = at(volts, cell.base) - at(volts, cell.emitter);
  const vbc = at(volts, cell.base) - at(volts, cell.collector);
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
