import { GROUND, type Element, type Supply } from '../../circuit/netlist';
import type { LoadSwitching } from '../../operate/assembly';
import type { Assembly } from '../../operate/assembly';
import type { DrivenOutput, LogicOutput, Net, OutputLevel } from '../../parts/base';
import { suppliesOf } from '../../parts/kinds/supply';
import type { SupplyPart } from '../../parts/kinds/supply';
import type { Part } from '../../parts/part';
import { elementsOf, logicOf, outputsOf } from '../../parts/registry';
import { rowsApart } from './rows';

/** A part with the elements that stand for it. */
export interface WiredPart {
  readonly part: Part;
  readonly elements: readonly Element[];
}

/** An output and what it does: what its detector says, or nothing at all where it is `off`. */
export interface WiredOutput {
  readonly output: DrivenOutput;
  readonly does: 'follow' | 'invert' | 'off' | OutputLevel;
}

/** A logic output with the part that it is of, and its inputs where they are really joined to. */
export interface WiredLogic extends LogicOutput {
  readonly designator: string;
}

/** A capacitor between the nets on which its legs really are. */
export interface WiredCapacitor {
  readonly designator: string;
  readonly a: Net;
  readonly b: Net;
  readonly farads: number;
}

/** A circuit as it stands on the bench, with whatever is wrong with it. */
export interface Wiring {
  readonly parts: readonly WiredPart[];
  readonly supplies: readonly Supply[];
  readonly outputs: readonly WiredOutput[];
  /** In the order of the parts: none comes before what drives it. */
  readonly logic: readonly WiredLogic[];
  readonly switching: LoadSwitching | null;
  /** What joins what should not be joined. */
  readonly extra: readonly Element[];
  /** What holds a charge; where its legs are. */
  readonly capacitors: readonly WiredCapacitor[];
  /** The LDR as an element, and what becomes of the light that falls on it. */
  readonly ldr: string;
  readonly light: 'as-it-is' | 'shaded' | 'stray';
}

const TYPICAL = { celsius: 25, grade: 'typical' } as const;
/** No supply is without any resistance when something shorts it: leads and contacts. */
const LEAD_OHMS = 0.05;

/** The parts of a supply as they are solved here: behind the resistance of its leads at the least. */
export const wiredSupply = (part: SupplyPart): SupplyPart => ({
  ...part,
  ohms: Math.max(LEAD_OHMS, part.ohms),
});

const solved = (part: Part): Part => (part.kind === 'supply' ? wiredSupply(part) : part);

export const wired = (part: Part): WiredPart => ({
  part: solved(part),
  elements: [...elementsOf(solved(part), TYPICAL), ...holdIn(part)],
});

/** A coupling capacitor as one that passes nothing; in the moment of a jump it is made to hold what it held before. */
function holdIn(part: Part): readonly Element[] {
  if (part.kind !== 'capacitor' || part.role !== 'coupling') return [];
  const { designator, a, b } = part;
  return [
    { kind: 'resistor', name: holdNames(designator).ohms, a, b, ohms: HELD_FREE_OHMS },
    { kind: 'current', name: holdNames(designator).amps, from: b, to: a, amps: 0 },
  ];
}

/** What stands for a coupling capacitor's charge: a resistance, and a current through it. */
export const holdNames = (designator: string) => ({ ohms: `${designator}.hold`, amps: `${designator}.held` });
const HELD_FREE_OHMS = 1e13;

/** The supplies of wired parts. */
export const suppliesIn = (parts: readonly WiredPart[]): readonly Supply[] =>
  suppliesOf(parts.flatMap(({ part }) => (part.kind === 'supply' ? [part] : [])));

/** A circuit with nothing wrong. */
export function wiringOf({ parts, switching, ldr }: Assembly): Wiring {
  const all = rowsApart(parts).map(wired);
  return {
    parts: all,
    supplies: suppliesIn(all),
    outputs: parts.flatMap(outputsOf).map((output) => ({ output, does: 'follow' })),
    logic: parts.flatMap((part) => logicOf(part).map((logic) => ({ ...logic, designator: part.designator }))),
    switching,
    extra: [],
    capacitors: parts.flatMap((part) => (part.kind === 'capacitor' ? [part] : [])),
    ldr,
    light: 'as-it-is',
  };
}

/** An element with its ends on other nets. */
export function renamed(element: Element, to: (net: string) => string): Element {
  switch (element.kind) {
    case 'resistor':
    case 'lamp':
      return { ...element, a: to(element.a), b: to(element.b) };
    case 'current':
      return { ...element, from: to(element.from), to: to(element.to) };
    case 'diode':
      return { ...element, anode: to(element.anode), cathode: to(element.cathode) };
    case 'npn':
    case 'pnp':
      return {
        ...element,
        collector: to(element.collector),
        base: to(element.base),
        emitter: to(element.emitter),
      };
    case 'nmos':
    case 'pmos':
      return { ...element, drain: to(element.drain), gate: to(element.gate), source: to(element.source) };
  }
}

/** Every net that elements are on. */
export function netsIn(elements: readonly Element[]): readonly string[] {
  const nets = new Set<string>();
  for (const element of elements) renamed(element, (net) => (nets.add(net), net));
  return [...nets];
}

/** The nets that a voltmeter can reach: those of two pins or more, without 0 V. */
export function reachableNets(parts: readonly Part[], netsOf: (part: Part) => readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const part of parts)
    for (const net of new Set(netsOf(part))) counts.set(net, (counts.get(net) ?? 0) + 1);
  return [...counts].flatMap(([net, count]) => (count > 1 && net !== GROUND ? [net] : []));
}
