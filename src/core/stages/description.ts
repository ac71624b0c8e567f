import { compileCircuit, type Circuit } from '../circuit/circuit';
import { GROUND, type Element, type Netlist } from '../circuit/netlist';
import { LED_CELSIUS, LED_IDEALITY, LED_SERIES_OHMS, ledSaturationAmps, type LedPoint } from '../loads/led';
import { comparatorElements } from './comparatorElements';
import type { ComparatorPart } from './comparators';
import type { Switching } from './decider';
import type { PlacedLoad } from './loadParts';
import { channelOf, REVERSE_BETA, type MosPart } from './transistors';

interface Named {
  readonly designator: string;
}
interface TwoEnds extends Named {
  readonly a: string;
  readonly b: string;
  readonly ohms: number;
}

/** A part of a load. */
export type LoadPart =
  | (TwoEnds & { readonly kind: 'resistor'; readonly role: string })
  | (TwoEnds & { readonly kind: 'device'; readonly device: 'relay' | 'buzzer' | 'motor' })
  | (TwoEnds & { readonly kind: 'module'; readonly led: LedPoint })
  | (Named & { readonly kind: 'lamp'; readonly a: string; readonly b: string; readonly ratedVolts: number; readonly ratedAmps: number }) // prettier-ignore
  | (Named & { readonly kind: 'led'; readonly anode: string; readonly cathode: string; readonly led: LedPoint; readonly inSeries: number; readonly strings: number }) // prettier-ignore
  | (Named & { readonly kind: 'flyback'; readonly anode: string; readonly cathode: string });

interface BipolarPins {
  readonly collector: string;
  readonly base: string;
  readonly emitter: string;
  readonly saturationAmps: number;
  readonly beta: number;
}

/** The transistor of a stage. */
export type SwitchPart =
  | (Named & BipolarPins & { readonly kind: 'npn' | 'pnp' | 'darlington' })
  | (Named & { readonly kind: 'nmos'; readonly drain: string; readonly gate: string; readonly source: string; readonly part: MosPart; readonly thresholdVolts: number }); // prettier-ignore

/** A comparator, with the rails of its output. */
export type ComparatorBlock = Named & {
  readonly kind: 'comparator';
  readonly part: ComparatorPart;
  readonly plus: string;
  readonly minus: string;
  readonly out: string;
  readonly top: string;
  readonly bottom: string;
};

/** A part of a stage: what it is, where its pins go. The netlist, the schematic and the wiring come from these. */
export type Part =
  | LoadPart
  | SwitchPart
  | ComparatorBlock
  | (TwoEnds & { readonly kind: 'ldr' })
  | (Named & { readonly kind: 'capacitor'; readonly a: string; readonly b: string; readonly farads: number });

/** A place to put a probe. */
export interface TestPoint {
  /** The letter on the drawing. */
  readonly id: string;
  readonly node: string;
}

/** A supply, with the resistance inside it, and the rail that it feeds. */
export interface Rail {
  readonly node: string;
  readonly volts: number;
  readonly ohms: number;
  /** Its minus is joined to the circuit's 0 V; one that is not can pass no current. */
  readonly commonGround: boolean;
}

/** A stage as its parts: enough to solve it, draw it and wire it. */
export interface Assembly {
  /** The rail of the divider first; then that of the load, where it has one of its own. */
  readonly rails: readonly Rail[];
  /** The rail below 0 V of a ± supply; `null` for a single one. */
  readonly negative: Rail | null;
  readonly supplyNode: string;
  readonly loadRail: string;
  readonly parts: readonly Part[];
  readonly testPoints: readonly TestPoint[];
  /** Designator of the LDR. */
  readonly ldr: string;
  /** Designator of the fixed resistor of the divider. */
  readonly fixed: string;
  readonly loads: readonly PlacedLoad[];
  /** What decides between midpoint and switch; `null` where the transistor does so itself. */
  readonly switching: Switching | null;
  /** `null` where an output drives the loads straight. */
  readonly transistor: SwitchPart | null;
  /** The switch's own ends, towards plus and towards minus, and its base or gate (or the output in its place). */
  readonly switchNodes: { readonly plus: string; readonly minus: string; readonly control: string };
}

type Solvable = Pick<Assembly, 'parts'> & {
  readonly rails: readonly Rail[];
  readonly negative?: Rail | null;
};

/** The parts of a description as a netlist, with any elements more. */
export function netlistOf(assembly: Solvable, celsius: number, extra: readonly Element[] = []): Netlist {
  const { parts, negative } = assembly;
  const rails = negative ? [...assembly.rails, negative] : assembly.rails;
  return {
    supplies: rails.flatMap((rail) =>
      rail.commonGround ? [{ node: rail.ohms > 0 ? emfOf(rail) : rail.node, volts: rail.volts }] : [],
    ),
    elements: [
      ...rails.flatMap(sourceElements),
      ...parts.flatMap((part) => elementsOf(part, celsius)),
      ...extra,
    ],
  };
}

/** The node behind a rail's inner resistance. */
const emfOf = (rail: Rail) => `${rail.node}.open`;
/** What a rail that is joined to nothing leaks to 0 V. */
const FLOATING_OHMS = 1e10;

function sourceElements(rail: Rail): readonly Element[] {
  if (!rail.commonGround) {
    return [{ kind: 'resistor', name: `${rail.node}.loose`, a: rail.node, b: GROUND, ohms: FLOATING_OHMS }];
  }
  if (rail.ohms === 0) return [];
  return [{ kind: 'resistor', name: `${rail.node}.inner`, a: emfOf(rail), b: rail.node, ohms: rail.ohms }];
}

/** The node from which a rail's whole current comes; `null` where it is joined to nothing. */
export function feedOf(rail: Rail): string | null {
  if (!rail.commonGround) return null;
  return rail.ohms > 0 ? emfOf(rail) : rail.node;
}

/** The description's circuit, ready to be solved. */
export function circuitOf(assembly: Solvable, celsius: number): Circuit {
  return compileCircuit(netlistOf(assembly, celsius));
}

/** A silicon rectifier, as stands across a coil. */
const FLYBACK = { saturationAmps: 1e-9, ideality: 1.8 } as const;

function elementsOf(part: Part, celsius: number): readonly Element[] {
  const name = part.designator;
  switch (part.kind) {
    case 'resistor':
    case 'ldr':
    case 'device':
      return [{ kind: 'resistor', name, a: part.a, b: part.b, ohms: part.ohms }];
    case 'lamp':
      return [{ kind: 'lamp', name, a: part.a, b: part.b, ratedVolts: part.ratedVolts, ratedAmps: part.ratedAmps }]; // prettier-ignore
    case 'flyback':
      return [{ kind: 'diode', name, anode: part.anode, cathode: part.cathode, ...FLYBACK, celsius: 25 }];
    case 'led':
      return ledElements(name, part.anode, part.cathode, part.led, part.inSeries, part.strings);
    case 'module':
      return [
        { kind: 'resistor', name: `${name}.in`, a: part.a, b: `${name}.led`, ohms: part.ohms },
        ...ledElements(name, `${name}.led`, part.b, part.led, 1, 1),
      ];
    case 'comparator':
      return comparatorElements(part);
    case 'capacitor':
      // Steady light sends no current through it.
      return [];
    case 'npn':
    case 'pnp':
      return [bipolar(name, part.kind, part, part.base, part.beta, celsius)];
    case 'darlington': {
      // β of the pair is β² + 2β of two equal ones.
      const beta = Math.sqrt(part.beta + 1) - 1;
      const inner = `${name}.inner`;
      return [
        bipolar(`${name}.driver`, 'npn', { ...part, emitter: inner }, part.base, beta, celsius),
        bipolar(name, 'npn', part, inner, beta, celsius),
      ];
    }
    case 'nmos': {
      const { ampsPerVoltSquared, floorOhms } = channelOf(part.part);
      const channel = `${name}.channel`;
      const { gate, source, thresholdVolts } = part;
      return [
        { kind: 'resistor', name: `${name}.floor`, a: part.drain, b: channel, ohms: floorOhms },
        { kind: 'nmos', name, drain: channel, gate, source, thresholdVolts, ampsPerVoltSquared, celsius },
      ];
    }
  }
}

function bipolar(
  name: string,
  kind: 'npn' | 'pnp',
  { collector, emitter, saturationAmps }: Pick<BipolarPins, 'collector' | 'emitter' | 'saturationAmps'>,
  base: string,
  forwardBeta: number,
  celsius: number,
): Element {
  return { kind, name, collector, base, emitter, saturationAmps, forwardBeta, reverseBeta: REVERSE_BETA, celsius }; // prettier-ignore
}

/**
 * Equal LEDs as one junction behind their series resistance: in a row they add their voltages (an ideality as many times),
 * side by side their currents. The node between junction and resistance has the LED's own name.
 */
function ledElements(
  name: string,
  anode: string,
  cathode: string,
  led: LedPoint,
  inSeries: number,
  strings: number,
): readonly Element[] {
  const inner = `${name}.junction`;
  const ohms = (LED_SERIES_OHMS * inSeries) / strings;
  return [
    { kind: 'resistor', name: `${name}.series`, a: anode, b: inner, ohms },
    {
      kind: 'diode',
      name,
      anode: inner,
      cathode,
      saturationAmps: ledSaturationAmps(led) * strings,
      ideality: LED_IDEALITY * inSeries,
      celsius: LED_CELSIUS,
    },
  ];
}
