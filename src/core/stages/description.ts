import { compileCircuit, type Circuit } from '../circuit/circuit';
import type { Element, Netlist } from '../circuit/netlist';
import { LED_CELSIUS, LED_IDEALITY, LED_SERIES_OHMS, ledSaturationAmps, type LedPoint } from '../loads/led';

/** Figures of an NPN transistor as it is modelled. */
export interface NpnFigures {
  /** Transport saturation current at 25 °C, in A. */
  readonly saturationAmps: number;
  readonly forwardBeta: number;
  readonly reverseBeta: number;
}

/** A part of a stage: what it is, where its pins go. The netlist, the schematic and the wiring come from these. */
export type Part =
  | { readonly kind: 'resistor'; readonly designator: string; readonly role: string; readonly a: string; readonly b: string; readonly ohms: number } // prettier-ignore
  | { readonly kind: 'ldr'; readonly designator: string; readonly a: string; readonly b: string; readonly ohms: number } // prettier-ignore
  | { readonly kind: 'led'; readonly designator: string; readonly anode: string; readonly cathode: string; readonly led: LedPoint } // prettier-ignore
  | { readonly kind: 'npn'; readonly designator: string; readonly collector: string; readonly base: string; readonly emitter: string; readonly npn: NpnFigures }; // prettier-ignore

/** A place to put a probe. */
export interface TestPoint {
  /** The letter on the drawing. */
  readonly id: string;
  readonly node: string;
}

/** A stage as its parts: enough to solve it, draw it and wire it. */
export interface StageDescription {
  readonly supplyNode: string;
  readonly supplyVolts: number;
  readonly parts: readonly Part[];
  readonly testPoints: readonly TestPoint[];
  /** Designator of the LDR. */
  readonly ldr: string;
  /** Designator of the fixed resistor of the divider. */
  readonly fixed: string;
  /** Designator of the resistor that carries the load's current. */
  readonly loadResistor: string;
  /** Designator of the transistor that switches the load. */
  readonly transistor: string;
}

/** The parts of a description as a netlist, with any elements more. */
export function netlistOf(
  description: Pick<StageDescription, 'supplyNode' | 'supplyVolts' | 'parts'>,
  celsius: number,
  extra: readonly Element[] = [],
): Netlist {
  return {
    supplies: [{ node: description.supplyNode, volts: description.supplyVolts }],
    elements: [...description.parts.flatMap((part) => elementsOf(part, celsius)), ...extra],
  };
}

/** The description's circuit, ready to be solved. */
export function circuitOf(description: StageDescription, celsius: number): Circuit {
  return compileCircuit(netlistOf(description, celsius));
}

function elementsOf(part: Part, celsius: number): readonly Element[] {
  switch (part.kind) {
    case 'resistor':
    case 'ldr':
      return [{ kind: 'resistor', name: part.designator, a: part.a, b: part.b, ohms: part.ohms }];
    case 'npn':
      return [
        {
          kind: 'npn',
          name: part.designator,
          collector: part.collector,
          base: part.base,
          emitter: part.emitter,
          ...part.npn,
          celsius,
        },
      ];
    case 'led':
      return ledElements(part);
  }
}

/** An LED is a junction behind its series resistance; the node between them has the LED's own name. */
function ledElements(part: Extract<Part, { kind: 'led' }>): readonly Element[] {
  const inner = `${part.designator}.junction`;
  return [
    { kind: 'resistor', name: `${part.designator}.series`, a: part.anode, b: inner, ohms: LED_SERIES_OHMS },
    {
      kind: 'diode',
      name: part.designator,
      anode: inner,
      cathode: part.cathode,
      saturationAmps: ledSaturationAmps(part.led),
      ideality: LED_IDEALITY,
      celsius: LED_CELSIUS,
    },
  ];
}
