import { compileCircuit, nodeNumber } from '../circuit/circuit';
import { GROUND, type Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import type { Net } from '../parts/base';
import type { Wiring } from './wiring';

/** What an ohmmeter puts across what it measures, in V: no junction passes anything at that. */
const OHMMETER_VOLTS = 0.25;
/** An output that drives neither way; and what keeps a net that hangs in the air from being undetermined, in Ω. */
const OFF_OHMS = 1e11;
const BOND_OHMS = 1e13;

/**
 * What an ohmmeter finds between two nets with the supplies taken off and nothing driven, in Ω; whatever lies beside it counts.
 * @param ldrOhms the LDR in the light that it is measured in
 * @param aboutOhms what is looked for: a meter's current goes by it
 */
export function ohmsBetween(
  wiring: Wiring,
  [a, b]: readonly [Net, Net],
  ldrOhms: number,
  aboutOhms: number,
): number | null {
  const parts = wiring.parts.filter(({ part }) => part.kind !== 'supply');
  const bonds = [...new Set([a, b])]
    .filter((net) => net !== GROUND)
    .map((net, index): Element => ({
      kind: 'resistor',
      name: `bond ${index}`,
      a: net,
      b: GROUND,
      ohms: BOND_OHMS,
    }));
  const amps = OHMMETER_VOLTS / aboutOhms;
  const elements: Element[] = [
    ...parts.flatMap(({ part, elements: own }) =>
      own.flatMap((element): readonly Element[] => {
        if (element.kind === 'current') return [];
        if (element.kind === 'resistor' && isOutputOf(wiring, element.name))
          return [{ ...element, ohms: OFF_OHMS }];
        return element.kind === 'resistor' && part.designator === wiring.ldr
          ? [{ ...element, ohms: element.ohms * ldrOhms }]
          : [element];
      }),
    ),
    ...wiring.extra,
    ...bonds,
    { kind: 'current', name: 'ohmmeter', from: b, to: a, amps },
  ];
  const circuit = compileCircuit({ supplies: [], elements });
  const point = solveOperatingPoint(circuit, circuit.nominal);
  if (!point.ok) return null;
  const at = (net: Net) => (net === GROUND ? 0 : (point.volts[nodeNumber(circuit, net)] ?? 0));
  return Math.max(0, (at(a) - at(b)) / amps);
}

const isOutputOf = ({ outputs }: Wiring, name: string): boolean =>
  outputs.some(({ output }) => name === `${output.name}.high` || name === `${output.name}.low`);
