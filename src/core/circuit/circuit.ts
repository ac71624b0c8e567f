import { assert } from '../result';
import { criticalVolts, saturationAmpsAt, thermalVolts } from './junction';
import { lampCell, mosCell, type LampCell, type MosCell } from './fieldEffect';
import { GROUND, type BipolarTransistor, type Diode, type Netlist } from './netlist';
import { numberNodes } from './nodeOrder';

interface DiodeCell {
  readonly anode: number;
  readonly cathode: number;
  readonly saturationAmps: number;
  readonly emissionVolts: number;
  readonly criticalVolts: number;
}

interface BipolarCell {
  /** 1 for NPN, −1 for PNP: the sign of every junction voltage and current. */
  readonly sign: 1 | -1;
  readonly collector: number;
  readonly base: number;
  readonly emitter: number;
  readonly saturationAmps: number;
  readonly forwardBeta: number;
  readonly reverseBeta: number;
  readonly thermalVolts: number;
  readonly criticalVolts: number;
}

/**
 * A netlist made ready for solving many times. Nodes are numbered: the unknown ones first (0 … unknowns − 1), then
 * ground and the supplies. Only resistances and source values may change afterwards.
 */
export interface Circuit {
  readonly unknowns: number;
  /** So many of the unknown nodes, the first ones, hang on nothing but resistors and sources. */
  readonly linear: number;
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly elementIndex: ReadonlyMap<string, { readonly kind: string; readonly index: number }>;
  /** Fixed voltages by node number; 0 for unknown nodes. Shape: all nodes. */
  readonly fixedVolts: Float64Array;
  /** Ends of each resistor as node numbers. Shape: 2 × resistors. */
  readonly resistorEnds: Int32Array;
  readonly siemens: Float64Array;
  readonly currentEnds: Int32Array;
  readonly currentAmps: Float64Array;
  readonly diodes: readonly DiodeCell[];
  readonly bipolars: readonly BipolarCell[];
  readonly fets: readonly MosCell[];
  readonly lamps: readonly LampCell[];
}

/** Numbers nodes and parts of a netlist. Names must be unique, resistances above 0: a caller's mistake asserts. */
export function compileCircuit(netlist: Netlist): Circuit {
  const fixed = new Map<string, number>([[GROUND, 0]]);
  for (const supply of netlist.supplies) fixed.set(supply.node, supply.volts);
  const { nodeIndex, linear, unknowns } = numberNodes(netlist);
  const node = (name: string) => {
    const index = nodeIndex.get(name);
    assert(index !== undefined, () => `unknown node ${name}`);
    return index;
  };

  const elementIndex = new Map<string, { kind: string; index: number }>();
  const ends: number[] = [];
  const siemens: number[] = [];
  const currentEnds: number[] = [];
  const currentAmps: number[] = [];
  const diodes: DiodeCell[] = [];
  const bipolars: BipolarCell[] = [];
  const fets: MosCell[] = [];
  const lamps: LampCell[] = [];
  const indexFor = {
    resistor: siemens,
    current: currentAmps,
    diode: diodes,
    npn: bipolars,
    pnp: bipolars,
    nmos: fets,
    lamp: lamps,
  };
  for (const element of netlist.elements) {
    assert(!elementIndex.has(element.name), () => `two parts named ${element.name}`);
    elementIndex.set(element.name, { kind: element.kind, index: indexFor[element.kind].length });
    if (element.kind === 'resistor') {
      assert(element.ohms > 0, () => `${element.name} needs a resistance above 0`);
      ends.push(node(element.a), node(element.b));
      siemens.push(1 / element.ohms);
    } else if (element.kind === 'current') {
      currentEnds.push(node(element.from), node(element.to));
      currentAmps.push(element.amps);
    } else if (element.kind === 'diode') {
      diodes.push(diodeCell(element, node));
    } else if (element.kind === 'nmos') {
      fets.push(mosCell(element, node));
    } else if (element.kind === 'lamp') {
      lamps.push(lampCell(element, node));
    } else {
      bipolars.push(bipolarCell(element, node));
    }
  }

  return {
    unknowns,
    linear,
    nodeIndex,
    elementIndex,
    fixedVolts: Float64Array.from([...nodeIndex.keys()], (name) => fixed.get(name) ?? 0),
    resistorEnds: Int32Array.from(ends),
    siemens: Float64Array.from(siemens),
    currentEnds: Int32Array.from(currentEnds),
    currentAmps: Float64Array.from(currentAmps),
    diodes,
    bipolars,
    fets,
    lamps,
  };
}

/** Changes one resistance in place, so that a sweep need not number the nodes again. */
export function setOhms(circuit: Circuit, name: string, ohms: number): void {
  if (!(ohms > 0)) throw new Error(`${name} needs a resistance above 0`);
  circuit.siemens[partIndex(circuit, name, 'resistor')] = 1 / ohms;
}

/** Changes the current of a source in place. */
export function setAmps(circuit: Circuit, name: string, amps: number): void {
  circuit.currentAmps[partIndex(circuit, name, 'current')] = amps;
}

/** The number of a part among those of its kind. */
export function partIndex(circuit: Circuit, name: string, kind: string): number {
  const entry = circuit.elementIndex.get(name);
  if (entry?.kind !== kind) throw new Error(`no ${kind} named ${name}`);
  return entry.index;
}

function diodeCell(diode: Diode, node: (name: string) => number): DiodeCell {
  const emissionVolts = diode.ideality * thermalVolts(diode.celsius);
  return {
    anode: node(diode.anode),
    cathode: node(diode.cathode),
    saturationAmps: diode.saturationAmps,
    emissionVolts,
    criticalVolts: criticalVolts(emissionVolts, diode.saturationAmps),
  };
}

function bipolarCell(part: BipolarTransistor, node: (name: string) => number): BipolarCell {
  const thermal = thermalVolts(part.celsius);
  const saturationAmps = saturationAmpsAt(part.saturationAmps, part.celsius);
  return {
    sign: part.kind === 'npn' ? 1 : -1,
    collector: node(part.collector),
    base: node(part.base),
    emitter: node(part.emitter),
    saturationAmps,
    forwardBeta: part.forwardBeta,
    reverseBeta: part.reverseBeta,
    thermalVolts: thermal,
    criticalVolts: criticalVolts(thermal, saturationAmps),
  };
}

/** Voltage of a named node in a solution. */
export function nodeVolts(circuit: Circuit, volts: Float64Array, name: string): number {
  const index = circuit.nodeIndex.get(name);
  if (index === undefined) throw new Error(`unknown node ${name}`);
  return volts[index]!;
}
