import type { Circuit } from '../../circuit/circuit';

/** Voltages of a circuit by node, for each position that it comes by, in each of the lights: where one much like it is looked for first. */
export type Standing = readonly ReadonlyMap<number, ReadonlyMap<string, number>>[];

/** The same for one circuit. Shape of each: all its nodes */
export type Starts = readonly ReadonlyMap<number, Float64Array>[];

/** Voltages by the names of their nodes. */
export const byNode = ({ nodeIndex }: Circuit, volts: Float64Array): ReadonlyMap<string, number> =>
  new Map([...nodeIndex].map(([node, at]) => [node, volts[at] ?? 0]));

/** Where to look first for a circuit by where another one stands: a node that the other has not starts at what its supplies say. */
export const startsIn = (circuit: Circuit, near: Standing): Starts =>
  near.map(
    (positions) => new Map([...positions].map(([position, volts]) => [position, startFrom(circuit, volts)])),
  );

function startFrom({ nominal, nodeIndex }: Circuit, volts: ReadonlyMap<string, number>): Float64Array {
  const start = nominal.fixedVolts.slice();
  for (const [node, at] of nodeIndex) start[at] = volts.get(node) ?? start[at]!;
  return start;
}
