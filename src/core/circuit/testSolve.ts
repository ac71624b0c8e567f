import { compileCircuit } from './circuit';
import type { Solution } from './currents';
import type { Netlist } from './netlist';
import { solveOperatingPoint } from './operatingPoint';

/** For tests: a netlist's operating point; throws where there is none. */
export function solved(netlist: Netlist): Solution {
  const circuit = compileCircuit(netlist);
  const point = solveOperatingPoint(circuit);
  if (!point.ok) throw new Error(point.reason);
  return { circuit, values: circuit.nominal, volts: point.volts };
}
