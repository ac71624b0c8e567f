import { compileCircuit, nodeNumber, setOhms, type Circuit } from '../../circuit/circuit';
import { GROUND, type Element } from '../../circuit/netlist';
import { ohmsBetween, smallResponses } from '../../circuit/operatingPoint';
import type { CircuitValues } from '../../circuit/values';
import type { Net } from '../../parts/base';
import { hasUntoldOhms } from '../../parts/registry';
import { netsIn, type Wiring } from './wiring';

/** An output that drives neither way; and what keeps a net that hangs in the air from being undetermined, in Ω. */
const OFF_OHMS = 1e11;
const BOND_OHMS = 1e13;

/**
 * An ohmmeter at a circuit with the supplies taken off and nothing driven, and without the parts of which nobody knows what it would
 * find; whatever else lies beside what is measured counts.
 */
export class Ohmmeter {
  private readonly circuit: Circuit;
  /** The LDR's resistors, each for 1 Ω of it. */
  private readonly ldr: readonly { readonly name: string; readonly ohms: number }[];

  /** @param nets where its leads may go @param left a part that is left in though nobody knows what it does to it */
  constructor(wiring: Wiring, nets: readonly Net[], left: string | null = null) {
    const live = [...new Set(nets)].filter((net) => net !== GROUND);
    const own = wiring.parts.filter(
      ({ part }) => part.kind !== 'supply' && (part.designator === left || !hasUntoldOhms(part)),
    );
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
    const values = this.valuesWith(ldrOhms);
    return ohmsBetween(circuit, values, circuit.nominal.fixedVolts, this.nodesOf(pairs));
  }

  /**
   * How much each of some resistors has to do with what is found: where it is 1 % larger, that is so many percent larger. What a current
   * through the whole loses in it is its share of the whole.
   * @param resistors the elements of each
   * @returns shape: pairs × resistors; `null` where there is no telling
   */
  shares(
    pairs: readonly (readonly [Net, Net])[],
    ldrOhms: number,
    resistors: readonly (readonly string[])[],
  ): readonly Float64Array[] | null {
    const { circuit } = this;
    const values = this.valuesWith(ldrOhms);
    const nodes = this.nodesOf(pairs);
    const moved = smallResponses(circuit, values, circuit.nominal.fixedVolts, nodes);
    const at = resistors.map((names) =>
      names.flatMap((name) => {
        const entry = circuit.elementIndex.get(name);
        return entry?.kind === 'resistors' ? [entry.index] : [];
      }),
    );
    return (
      moved?.map((volts, pair) => {
        const across = (one = 0, other = 0) => (volts[one] ?? 0) - (volts[other] ?? 0);
        const whole = across(nodes[2 * pair], nodes[2 * pair + 1]);
        return Float64Array.from(at, (indices) =>
          indices.reduce((sum, index) => {
            const { nodes: ends } = circuit.resistors;
            const own = across(ends[2 * index], ends[2 * index + 1]);
            return sum + (own * own * values.siemens[index]!) / whole;
          }, 0),
        );
      }) ?? null
    );
  }

  private nodesOf(pairs: readonly (readonly [Net, Net])[]): readonly number[] {
    return pairs.flat().map((net) => nodeNumber(this.circuit, net));
  }

  private valuesWith(ldrOhms: number): CircuitValues {
    const { circuit } = this;
    const values = { ...circuit.nominal, siemens: circuit.nominal.siemens.slice() };
    for (const { name, ohms } of this.ldr) setOhms(circuit, values, name, ohms * ldrOhms);
    return values;
  }
}

const isOutputOf = ({ outputs }: Wiring, name: string): boolean =>
  outputs.some(({ output }) => name === `${output.name}.high` || name === `${output.name}.low`);
