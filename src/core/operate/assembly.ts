import type { GoalEnd, Switching } from '../detectors/switching';
import type { TransistorKind } from '../drivers/kinds';
import type { Load } from '../loads/registry';
import type { Net, OutputLevel } from '../parts/base';
import type { BipolarPart } from '../parts/kinds/bipolar';
import type { ChannelPart } from '../parts/kinds/channel';
import type { SupplyPart } from '../parts/kinds/supply';
import type { Part } from '../parts/part';

/** Where a load stands in a circuit: its parts by name, and the element whose current is the load's own. */
export interface PlacedLoad {
  readonly load: Load;
  /** What is drawn and named as the load itself. */
  readonly designator: string;
  /** The LED's resistor; `null` for other loads. */
  readonly resistor: string | null;
  /** The diode across a coil; `null` where none is needed. */
  readonly flyback: string | null;
  readonly sense: { readonly name: string; readonly kind: 'resistor' | 'lamp' };
  /** Where its signal is read, for a load that reads one. */
  readonly pin: Net;
  /** Its ends, with its resistor where it has one: towards plus, and towards minus. */
  readonly ends: { readonly hot: Net; readonly cold: Net };
}

/** A place to put a probe. */
export interface TestPoint {
  /** The letter on the drawing. */
  readonly id: string;
  readonly net: Net;
}

/** How a detector switches the loads. */
export interface LoadSwitching extends Switching {
  /** Which of its states have the loads on. */
  readonly isOn: readonly boolean[];
  /** Which end of its band the goal's light is. */
  readonly goalEnd: GoalEnd;
  /** The level at which the outputs that drive the loads have them on. */
  readonly onLevel: OutputLevel;
}

/** A circuit as its parts, and what they are to each other: enough to solve it, draw it and wire it. */
export interface Assembly {
  readonly parts: readonly Part[];
  /** The supply of the sensor's side, then that of the load where it has one of its own. */
  readonly rails: readonly SupplyPart[];
  /** The rail that feeds the load's side. */
  readonly loadRail: Net;
  /** The LDR, as an element of the netlist. */
  readonly ldr: string;
  /** What is turned to change R1: its resistor, or its trimmer beyond the end resistor; and the least that it can be, in Ω. */
  readonly fixed: { readonly element: string; readonly besideOhms: number; readonly leastOhms: number };
  /** The same circuit with another R1, where it has been put together from that: both are solved as one. */
  readonly withAnyFixed: Assembly | null;
  /** The elements through which the divider's current comes from the supply. */
  readonly dividerTop: readonly string[];
  readonly loads: readonly PlacedLoad[];
  /** `null` where the transistor switches by itself. */
  readonly switching: LoadSwitching | null;
  /** The transistor that carries the loads; of several, each with a load of its own, the first. `null` where outputs drive them direct. */
  readonly driver: BipolarPart | ChannelPart | null;
  /** All of them. */
  readonly drivers: readonly (BipolarPart | ChannelPart)[];
  readonly driverKind: TransistorKind;
  /** The switch's own ends, towards plus and towards minus, its base or gate (or the output in its place), and what that is measured against. */
  readonly switchNets: {
    readonly plus: Net;
    readonly minus: Net;
    readonly control: Net;
    readonly reference: Net;
  };
  /** The loads hang between the switch and 0 V, not between plus and the switch. */
  readonly isHighSide: boolean;
  /** Each load hangs on an output of its own, or on a transistor of its own behind one. */
  readonly hasOwnOutputs: boolean;
  /** Only one of the loads is on at a time. */
  readonly isOneAtATime: boolean;
  readonly testPoints: readonly TestPoint[];
}

/** Whether a change turns the loads on for a moment, in whatever light. */
export const isFiredOn = ({ switching }: Pick<Assembly, 'switching'>): boolean =>
  switching?.hears !== undefined && switching.isOn[switching.hears.fired] === true;
