import { GROUND } from './netlist';
import type { Pinned, Shape } from './shape';

/** How a netlist's nodes are numbered. */
export interface NodeOrder {
  /** Number by name: first the linear nodes, then the nonlinear ones, then ground and supplies. */
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly linear: number;
  readonly unknowns: number;
}

/**
 * Numbers the nodes so that solving is cheap: those with nothing but resistors and sources first, then those with devices; of
 * either the least joined before the others, so that taking them out one by one fills in little, and what joins all comes last.
 */
export function numberNodes({ elements, supplies }: Shape): NodeOrder {
  const fixed = new Set([GROUND, ...supplies]);
  const neighbours = new Map<string, Set<string>>();
  const nonlinear = new Set<string>();
  for (const element of elements) {
    const ends = unknownsOf(element, fixed);
    for (const name of ends) {
      const others = neighbours.get(name) ?? new Set<string>();
      neighbours.set(name, others);
      if (element[0] === 'resistor') for (const other of ends) if (other !== name) others.add(other);
      if (!isLinear(element)) nonlinear.add(name);
    }
  }
  const linear = leastJoinedFirst(
    [...neighbours.keys()].filter((name) => !nonlinear.has(name)),
    neighbours,
  );
  for (const element of elements) {
    if (isLinear(element)) continue;
    const ends = unknownsOf(element, fixed);
    for (const one of ends) for (const other of ends) if (one !== other) neighbours.get(one)!.add(other);
  }
  const names = [...linear, ...leastJoinedFirst([...nonlinear], neighbours), ...fixed];
  return {
    nodeIndex: new Map(names.map((name, index) => [name, index])),
    linear: linear.length,
    unknowns: linear.length + nonlinear.size,
  };
}

/** Nodes in the order in which they are taken out, each with the fewest neighbours that are left then. */
function leastJoinedFirst(nodes: readonly string[], neighbours: Map<string, Set<string>>): readonly string[] {
  const left = [...nodes];
  const inOrder: string[] = [];
  while (left.length > 0) {
    let min = 0;
    for (let at = 1; at < left.length; at++)
      if (neighbours.get(left[at]!)!.size < neighbours.get(left[min]!)!.size) min = at;
    const name = left[min]!;
    left.splice(min, 1);
    inOrder.push(name);
    takeOut(name, neighbours);
  }
  return inOrder;
}

/** What a node joins is joined without it. */
function takeOut(name: string, neighbours: Map<string, Set<string>>): void {
  const others = neighbours.get(name)!;
  for (const one of others) {
    const set = neighbours.get(one)!;
    set.delete(name);
    for (const other of others) if (other !== one) set.add(other);
  }
}

const isLinear = ([kind]: Pinned) => kind === 'resistor' || kind === 'current';

/** The nodes of an element's pins whose voltage is not given. */
const unknownsOf = ([, , ...pins]: Pinned, fixed: ReadonlySet<string>): readonly string[] =>
  pins.filter((name) => !fixed.has(name));
