import { compileCircuit, nodeNumber, setOhms, type Circuit } from '../../circuit/circuit';
import { GROUND, type Element } from '../../circuit/netlist';
import { ohmsBetween } from '../../circuit/operatingPoint';
import type { Net } from '../../parts/base';
import { netsIn, type Wiring } from './wiring';

/** An output that drives neither way; and what keeps a net that hangs in the air from being undetermined, in Ω. */
const OFF_OHMS = 1e11;
const BOND_OHMS = 1e13;

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
    ];
    this.circuit = compileCircuit({ supplies: [], elements });
    this.ldr = own.flatMap(({ part, elements: its }) =>
      part.designator === wiring.ldr
        ? its.flatMap((element) => (element.kind === 'resistor' ? [element] : []))
        : [],
    );
  }

  /**
   * What it finds between its nets, two by two, in Ω, shape: pairs; `null` where there is no telling. Its range goes by what it finds, so
   * that no junction has more across it than passes nothing: the resistors alone have a say.
   * @param ldrOhms the LDR in the light that it is measured in
   */
  between(pairs: readonly (readonly [Net, Net])[], ldrOhms: number): Float64Array | null {
    const { circuit } = this;
    const values = { ...circuit.nominal, siemens: circuit.nominal.siemens.slice() };
    for (const { name, ohms } of this.ldr) setOhms(circuit, values, name, ohms * ldrOhms);
    const nodes = pairs.flat().map((net) => nodeNumber(circuit, net));
    return ohmsBetween(circuit, values, circuit.nominal.fixedVolts, nodes);
  }
}

const isOutputOf = ({ outputs }: Wiring, name: string): boolean =>
  outputs.some(({ output }) => name === `${output.name}.high` || name === `${output.name}.low`);
