import { GROUND, type Element, type Netlist } from './netlist';

/** How a netlist's nodes are numbered. */
export interface NodeOrder {
  /** Number by name: first the straight nodes, then those at which something bends, then ground and supplies. */
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly straight: number;
  readonly unknowns: number;
}

/**
 * Numbers the nodes so that solving is cheap: those with nothing but resistors and sources first, the least joined of them before
 * the others, so that taking them out one by one fills in little.
 */
export function numberNodes({ elements, supplies }: Netlist): NodeOrder {
  const fixed = new Set([GROUND, ...supplies.map(({ node }) => node)]);
  const joined = new Map<string, Set<string>>();
  const bent = new Set<string>();
  for (const element of elements) {
    const ends = terminals(element).filter((name) => !fixed.has(name));
    for (const name of ends) {
      const others = joined.get(name) ?? new Set<string>();
      joined.set(name, others);
      if (element.kind === 'resistor') for (const other of ends) if (other !== name) others.add(other);
      if (element.kind !== 'resistor' && element.kind !== 'current') bent.add(name);
    }
  }
  const left = [...joined.keys()].filter((name) => !bent.has(name));
  const straight: string[] = [];
  while (left.length > 0) {
    let least = 0;
    for (let at = 1; at < left.length; at++)
      if (joined.get(left[at]!)!.size < joined.get(left[least]!)!.size) least = at;
    const [name] = left.splice(least, 1) as [string];
    straight.push(name);
    takeOut(name, joined);
  }
  const names = [...straight, ...bent, ...fixed];
  return {
    nodeIndex: new Map(names.map((name, index) => [name, index])),
    straight: straight.length,
    unknowns: straight.length + bent.size,
  };
}

/** What a node joins is joined without it. */
function takeOut(name: string, joined: Map<string, Set<string>>): void {
  const others = joined.get(name)!;
  for (const one of others) {
    const set = joined.get(one)!;
    set.delete(name);
    for (const other of others) if (other !== one) set.add(other);
  }
}

function terminals(element: Element): readonly string[] {
  switch (element.kind) {
    case 'resistor':
      return [element.a, element.b];
    case 'current':
      return [element.from, element.to];
    case 'diode':
      return [element.anode, element.cathode];
    case 'lamp':
      return [element.a, element.b];
    case 'nmos':
      return [element.drain, element.gate, element.source];
    case 'npn':
    case 'pnp':
      return [element.collector, element.base, element.emitter];
  }
}
