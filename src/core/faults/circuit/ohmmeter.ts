import { compileCircuit, nodeNumber, setAmps, setOhms, type Circuit } from '../../circuit/circuit';
import { GROUND, type Element } from '../../circuit/netlist';
import { solveOperatingPoint } from '../../circuit/operatingPoint';
import { copyValues } from '../../circuit/values';
import type { Net } from '../../parts/base';
import { netsIn, type Wiring } from './wiring';

/** What an ohmmeter puts across what it measures, in V: no junction passes anything at that. */
const OHMMETER_VOLTS = 0.25;
/** An output that drives neither way; and what keeps a net that hangs in the air from being undetermined, in Ω. */
const OFF_OHMS = 1e11;
const BOND_OHMS = 1e13;

const leadName = (net: Net) => `ohmmeter ${net}`;

/** An ohmmeter at a circuit with the supplies taken off and nothing driven; whatever lies beside what is measured counts. */
export class Ohmmeter {
  private readonly circuit: Circuit;
  /** The LDR's resistors, each for 1 Ω of it. */
  private readonly ldr: readonly { readonly name: string; readonly ohms: number }[];

  /** @param nets where its leads may go */
  constructor(wiring: Wiring, nets: readonly Net[]) {
    const live = [...new Set(nets)].filter((net) => net !== GROUND);
    const own = wiring.parts.filter(({ part }) => part.kind !== 'supply');
    const parts: readonly Element[] = [
      ...own.flatMap(({ elements }) =>
        elements.flatMap((element): readonly Element[] => {
          if (element.kind === 'current') return [];
          return element.kind === 'resistor' && isOutputOf(wiring, element.name)
            ? [{ ...element, ohms: OFF_OHMS }]
            : [element];
        }),
      ),
      ...wiring.extra,
    ];
    const hanging = netsIn(parts).filter((net) => net !== GROUND);
    const elements: readonly Element[] = [
      ...parts,
      ...[...new Set([...hanging, ...live])].map((net): Element => ({
        kind: 'resistor',
        name: `bond ${net}`,
        a: net,
        b: GROUND,
        ohms: BOND_OHMS,
      })),
      ...live.map((net): Element => ({
        kind: 'current',
        name: leadName(net),
        from: GROUND,
        to: net,
        amps: 0,
      })),
    ];
    this.circuit = compileCircuit({ supplies: [], elements });
    this.ldr = own.flatMap(({ part, elements: its }) =>
      part.designator === wiring.ldr
        ? its.flatMap((element) => (element.kind === 'resistor' ? [element] : []))
        : [],
    );
  }

  /**
   * What it finds between two of its nets, in Ω; `null` where the circuit has no operating point.
   * @param aboutOhms what is looked for: a meter's current goes by it
   * @returns of the LDR's resistance in the light that it is measured in; one answer is where the next is looked for
   */
  across(
    [a, b]: readonly [Net, Net],
    aboutOhms: (ldrOhms: number) => number,
  ): (ldrOhms: number) => number | null {
    const { circuit } = this;
    const values = copyValues(circuit.nominal);
    let start: Float64Array | undefined;
    return (ldrOhms) => {
      for (const { name, ohms } of this.ldr) setOhms(circuit, values, name, ohms * ldrOhms);
      const amps = OHMMETER_VOLTS / aboutOhms(ldrOhms);
      if (a !== b) {
        if (a !== GROUND) setAmps(circuit, values, leadName(a), amps);
        if (b !== GROUND) setAmps(circuit, values, leadName(b), -amps);
      }
      const point = solveOperatingPoint(circuit, values, start);
      if (!point.ok) return null;
      start = point.volts;
      const at = (net: Net) => (net === GROUND ? 0 : (point.volts[nodeNumber(circuit, net)] ?? 0));
      return Math.max(0, (at(a) - at(b)) / amps);
    };
  }
}

const isOutputOf = ({ outputs }: Wiring, name: string): boolean =>
  outputs.some(({ output }) => name === `${output.name}.high` || name === `${output.name}.low`);
