import type { EliminationPlan } from '../numeric/elimination';
import type { Circuit, ElementNodes } from './circuit';

// Where things stand in the matrix of a circuit, which is row-major nodes × nodes: found once, used at every step.

/** Pairs of unknown nodes that an element joins. Shape: 2 × pairs. */
export function coupled(circuit: Circuit): readonly number[] {
  const pairs: number[] = [];
  const join = ({ nodes, count }: { readonly nodes: Int32Array; readonly count: number }) => {
    const pins = count > 0 ? nodes.length / count : 0;
    for (let element = 0; element < count; element++)
      for (let one = 0; one < pins; one++)
        for (let other = one + 1; other < pins; other++) {
          const [a, b] = [nodes[element * pins + one]!, nodes[element * pins + other]!];
          if (a < circuit.unknowns && b < circuit.unknowns) pairs.push(a, b);
        }
  };
  for (const group of ['resistors', 'diodes', 'bipolars', 'channels', 'lamps'] as const) join(circuit[group]);
  return pairs;
}

/** Where in the matrix of a plan its unknowns have something, whatever is filled in: by the first of two that is taken out. */
export function cellsOf({ size, count, starts, below, beside }: EliminationPlan): Int32Array {
  const cells: number[] = [];
  for (let k = 0; k < count; k++) {
    cells.push(k * size + k);
    for (let at = starts[k]!; at < starts[k + 1]!; at++) cells.push(below[at]!, beside[at]!);
  }
  return Int32Array.from(cells);
}

/** Where a resistor's conductance is written: at each end that is unknown, and taken away across where both are. */
export interface ResistorStamps {
  /** Places in the matrix, and the numbers of the resistors that stand there. */
  readonly own: Int32Array;
  readonly ownOf: Int32Array;
  readonly across: Int32Array;
  readonly acrossOf: Int32Array;
}

export function stampsOf({ unknowns, resistors, nodeIndex }: Circuit): ResistorStamps {
  const own: number[] = [];
  const ownOf: number[] = [];
  const across: number[] = [];
  const acrossOf: number[] = [];
  const { size } = nodeIndex;
  for (let i = 0; i < resistors.count; i++) {
    const [a, b] = [resistors.nodes[2 * i]!, resistors.nodes[2 * i + 1]!];
    for (const node of [a, b])
      if (node < unknowns) {
        own.push(node * size + node);
        ownOf.push(i);
      }
    if (a < unknowns && b < unknowns) {
      across.push(a * size + b, b * size + a);
      acrossOf.push(i, i);
    }
  }
  const listed = (numbers: readonly number[]) => Int32Array.from(numbers);
  return { own: listed(own), ownOf: listed(ownOf), across: listed(across), acrossOf: listed(acrossOf) };
}

/** Where in a matrix of all nodes the pins of each element meet. Shape: count × pins × pins. */
export function pinCells({ nodes, count }: ElementNodes, pins: number, size: number): Int32Array {
  const cells = new Int32Array(count * pins * pins);
  let at = 0;
  for (let element = 0; element < count; element++)
    for (let row = 0; row < pins; row++)
      for (let column = 0; column < pins; column++)
        cells[at++] = nodes[element * pins + row]! * size + nodes[element * pins + column]!;
  return cells;
}
