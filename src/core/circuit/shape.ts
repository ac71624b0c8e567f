import type { Element, Netlist } from './netlist';

/** An element without its values: what it is, its name, the nodes of its pins. */
export type Pinned = readonly [kind: Element['kind'], name: string, ...pins: string[]];

/** What a netlist joins, whatever values it has. */
export interface Shape {
  /** Nodes of the supplies. */
  readonly supplies: readonly string[];
  readonly elements: readonly Pinned[];
}

export const shapeOf = ({ supplies, elements }: Netlist): Shape => ({
  supplies: supplies.map(({ node }) => node),
  elements: elements.map(pinned),
});

function pinned(element: Element): Pinned {
  const { kind, name } = element;
  switch (kind) {
    case 'resistor':
    case 'lamp':
      return [kind, name, element.a, element.b];
    case 'current':
      return [kind, name, element.from, element.to];
    case 'diode':
      return [kind, name, element.anode, element.cathode];
    case 'npn':
    case 'pnp':
      return [kind, name, element.collector, element.base, element.emitter];
    case 'nmos':
    case 'pmos':
      return [kind, name, element.drain, element.gate, element.source];
  }
}
