import type { BipolarPart } from './kinds/bipolar';
import type { CapacitorPart } from './kinds/capacitor';
import type { ChannelPart } from './kinds/channel';
import type { ComparatorPart } from './kinds/comparator';
import type { ControllerPart } from './kinds/controllerBoard';
import type { CounterPart } from './kinds/counter';
import type { DevicePart } from './kinds/device';
import type { DiodePart } from './kinds/diode';
import type { FlipFlopPart } from './kinds/flipFlop';
import type { GatePart, NorPart } from './kinds/gate';
import type { LampPart } from './kinds/lamp';
import type { LdrPart } from './kinds/ldr';
import type { LedPart, StripPart } from './kinds/led';
import type { LogicInputPart } from './kinds/logicInput';
import type { ModulePart } from './kinds/module';
import type { OscillatorPart, SounderPart } from './kinds/toneMaker';
import type { ResistorPart } from './kinds/resistor';
import type { SupplyPart } from './kinds/supply';
import type { TimerPart } from './kinds/timer';
import type { TrimmerPart } from './kinds/trimmer';

/** A part that can be held in the hand: the netlist, the drawing, the parts list and the wiring are views of these. */
export type Part =
  | BipolarPart
  | CapacitorPart
  | ChannelPart
  | ComparatorPart
  | ControllerPart
  | CounterPart
  | DevicePart
  | DiodePart
  | FlipFlopPart
  | GatePart
  | LampPart
  | LdrPart
  | LedPart
  | LogicInputPart
  | ModulePart
  | NorPart
  | OscillatorPart
  | ResistorPart
  | SounderPart
  | StripPart
  | SupplyPart
  | TimerPart
  | TrimmerPart;

export type PartKind = Part['kind'];

type WithoutName<P> = P extends unknown
  ? Omit<P, 'designator' | 'index' | 'tolerance'> & { readonly index?: number }
  : never;

/** A part that has no designator yet; a resistor's tolerance is that of all that are in stock. */
export type Draft = WithoutName<Part>;
