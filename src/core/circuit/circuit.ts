import { memoize } from '../memoize';
import { assert } from '../result';
import { GROUND, type Element, type Netlist } from './netlist';
import { numberNodes } from './nodeOrder';
import { shapeOf, type Shape } from './shape';
import { emptyValues, writeElement, type CircuitValues } from './values';

/** Elements of one kind: the node numbers of their pins, and how many there are. */
export interface ElementNodes {
  /** Shape: count × pins. */
  readonly nodes: Int32Array;
  readonly count: number;
}

/**
 * A netlist's topology, made ready for solving many times with whatever values. Nodes are numbered: the unknown ones first
 * (0 … unknowns − 1), then ground and the supplies.
 */
export interface Circuit {
  readonly unknowns: number;
  /** So many of the unknown nodes, the first ones, have nothing but resistors and sources. */
  readonly linear: number;
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly elementIndex: ReadonlyMap<string, { readonly kind: ElementGroup; readonly index: number }>;
  /** Pins: a, b. */
  readonly resistors: ElementNodes;
  /** Pins: from, to. */
  readonly sources: ElementNodes;
  /** Pins: anode, cathode. */
  readonly diodes: ElementNodes;
  /** Pins: collector, base, emitter. */
  readonly bipolars: ElementNodes;
  /** Pins: drain, gate, source. */
  readonly channels: ElementNodes;
  /** Pins: a, b. */
  readonly lamps: ElementNodes;
  /** 1 for an NPN or an N-channel, −1 for the others: the sign of every voltage and current. Shape: as bipolars, channels. */
  readonly bipolarSigns: Int8Array;
  readonly channelSigns: Int8Array;
  /** The values that the netlist gave. */
  readonly nominal: CircuitValues;
}

/** Kinds of element that are solved alike. */
export type ElementGroup = 'resistors' | 'sources' | 'diodes' | 'bipolars' | 'channels' | 'lamps';

const groupOf: Readonly<Record<Element['kind'], ElementGroup>> = {
  resistor: 'resistors',
  current: 'sources',
  diode: 'diodes',
  npn: 'bipolars',
  pnp: 'bipolars',
  nmos: 'channels',
  pmos: 'channels',
  lamp: 'lamps',
};

/** The sign of every voltage and current of an element that comes with either. */
const signOf: Readonly<Partial<Record<Element['kind'], 1 | -1>>> = { npn: 1, pnp: -1, nmos: 1, pmos: -1 };

/** A circuit without values. */
type Topology = Omit<Circuit, 'nominal'>;

/** Numbers nodes and elements of a netlist. Names must be unique, resistances above 0: a caller's mistake asserts. */
export function compileCircuit(netlist: Netlist): Circuit {
  const topology = topologyOf(shapeOf(netlist));
  return { ...topology, nominal: valuesFor(topology, netlist) };
}

const listsOfEach = (): Record<ElementGroup, number[]> => ({
  resistors: [],
  sources: [],
  diodes: [],
  bipolars: [],
  channels: [],
  lamps: [],
});

/** So many are kept: one search asks for the same few with other values again and again. */
const KEPT = 8;

const topologyOf = memoize((shape: Shape): Topology => {
  const { nodeIndex, linear, unknowns } = numberNodes(shape);
  const pins = listsOfEach();
  /** Of those that come with either sign. */
  const signs = listsOfEach();
  const counts: Record<ElementGroup, number> = {
    resistors: 0,
    sources: 0,
    diodes: 0,
    bipolars: 0,
    channels: 0,
    lamps: 0,
  };
  const elementIndex = new Map<string, { kind: ElementGroup; index: number }>();
  for (const [kind, name, ...nodes] of shape.elements) {
    assert(!elementIndex.has(name), () => `two parts named ${name}`);
    const group = groupOf[kind];
    elementIndex.set(name, { kind: group, index: counts[group] });
    counts[group] += 1;
    for (const node of nodes) {
      const index = nodeIndex.get(node);
      assert(index !== undefined, () => `unknown node ${node}`);
      pins[group].push(index);
    }
    const sign = signOf[kind];
    if (sign !== undefined) signs[group].push(sign);
  }
  const nodesOf = (kind: ElementGroup): ElementNodes => ({
    nodes: Int32Array.from(pins[kind]),
    count: counts[kind],
  });
  return {
    unknowns,
    linear,
    nodeIndex,
    elementIndex,
    resistors: nodesOf('resistors'),
    sources: nodesOf('sources'),
    diodes: nodesOf('diodes'),
    bipolars: nodesOf('bipolars'),
    channels: nodesOf('channels'),
    lamps: nodesOf('lamps'),
    bipolarSigns: Int8Array.from(signs.bipolars),
    channelSigns: Int8Array.from(signs.channels),
  };
}, KEPT);

/**
 * The values that a netlist gives to a circuit that was compiled from it, or from one with the same elements and supplies: so
 * another temperature, supply or part of the lot needs no compiling. A caller's mistake asserts.
 */
export function valuesFor(circuit: Topology, netlist: Netlist): CircuitValues {
  const values = emptyValues(circuit.nodeIndex.size, {
    resistors: circuit.resistors.count,
    sources: circuit.sources.count,
    diodes: circuit.diodes.count,
    bipolars: circuit.bipolars.count,
    channels: circuit.channels.count,
    lamps: circuit.lamps.count,
  });
  for (const { node, volts } of netlist.supplies) values.fixedVolts[nodeNumber(circuit, node)] = volts;
  assert(netlist.elements.length === circuit.elementIndex.size, 'another netlist');
  for (const element of netlist.elements) {
    const entry = circuit.elementIndex.get(element.name);
    assert(entry !== undefined, () => `no ${element.kind} named ${element.name}`);
    writeElement(values, element, entry.index);
  }
  return values;
}

/** Gives one resistance another value. */
export function setOhms(circuit: Circuit, values: CircuitValues, name: string, ohms: number): void {
  assert(ohms > 0, () => `${name} needs a resistance above 0`);
  values.siemens[elementNumber(circuit, name, 'resistors')] = 1 / ohms;
}

/** Gives a source another current. */
export function setAmps(circuit: Circuit, values: CircuitValues, name: string, amps: number): void {
  values.sourceAmps[elementNumber(circuit, name, 'sources')] = amps;
}

/** Gives a supply another voltage. */
export function setSupply(circuit: Circuit, values: CircuitValues, node: string, volts: number): void {
  const index = nodeNumber(circuit, node);
  assert(index > circuit.unknowns, () => `${node} is no supply`);
  values.fixedVolts[index] = volts;
}

/** The number of an element among those of its group. */
export function elementNumber(circuit: Topology, name: string, kind: ElementGroup): number {
  const entry = circuit.elementIndex.get(name);
  if (entry?.kind !== kind) throw new Error(`none of the ${kind} is named ${name}`);
  return entry.index;
}

export function nodeNumber(circuit: Topology, name: string): number {
  const index = circuit.nodeIndex.get(name);
  if (index === undefined) throw new Error(`unknown node ${name}`);
  return index;
}

/** Voltage of a named node in a solution. */
export function nodeVolts(circuit: Circuit, volts: Float64Array, name: string): number {
  return volts[nodeNumber(circuit, name)]!;
}

/** Whether a circuit has a node of that name. */
export const hasNode = (circuit: Circuit, name: string) => name === GROUND || circuit.nodeIndex.has(name);
