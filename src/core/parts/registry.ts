import { entryFor } from '../record';
import type { Element } from '../circuit/netlist';
import { bipolarKind } from './kinds/bipolar';
import { capacitorKind } from './kinds/capacitor';
import { channelKind } from './kinds/channel';
import { comparatorKind } from './kinds/comparator';
import { controllerKind } from './kinds/controllerBoard';
import { counterKind } from './kinds/counter';
import { deviceFacts, deviceKind } from './kinds/device';
import { diodeKind } from './kinds/diode';
import { flipFlopKind } from './kinds/flipFlop';
import { gateKind, norKind } from './kinds/gate';
import { lampKind } from './kinds/lamp';
import { ldrKind } from './kinds/ldr';
import { ledKind, stripKind } from './kinds/led';
import { logicInputKind } from './kinds/logicInput';
import { moduleKind } from './kinds/module';
import type {
  DrivenOutput,
  LogicOutput,
  OwnTime,
  Net,
  PartConditions,
  PartKindDefinition,
  Pin,
  Rating,
  Tolerance,
} from './base';
import type { Draft, Part, PartKind } from './part';
import { resistorKind } from './kinds/resistor';
import { oscillatorKind, sounderKind } from './kinds/toneMaker';
import { supplyKind } from './kinds/supply';
import { timerKind } from './kinds/timer';
import { trimmerKind } from './kinds/trimmer';

type Definitions = { readonly [K in PartKind]: PartKindDefinition<Extract<Part, { readonly kind: K }>> };

/** Every kind of part: one line each. */
export const partKinds: Definitions = {
  bipolar: bipolarKind,
  capacitor: capacitorKind,
  comparator: comparatorKind,
  controller: controllerKind,
  counter: counterKind,
  device: deviceKind,
  diode: diodeKind,
  'flip-flop': flipFlopKind,
  gate: gateKind,
  lamp: lampKind,
  ldr: ldrKind,
  led: ledKind,
  'logic-input': logicInputKind,
  module: moduleKind,
  nor: norKind,
  mosfet: channelKind,
  oscillator: oscillatorKind,
  resistor: resistorKind,
  sounder: sounderKind,
  strip: stripKind,
  supply: supplyKind,
  timer: timerKind,
  trimmer: trimmerKind,
};

/** A part's definition; the one place where the union of parts and the record of kinds are said to go together. */
function definitionOf(part: Pick<Part, 'kind'>): PartKindDefinition<Part> {
  return entryFor(partKinds, part.kind);
}

/** What a part's designator begins with. */
export function letterOf(draft: Draft): string {
  return draft.kind === 'device' ? deviceFacts(draft).letter : definitionOf(draft).letter;
}

/** A part's pins in the order of its footprint. */
export const pinsOf = (part: Part): readonly Pin[] => definitionOf(part).pins(part);
/** A part's model in steady light. */
export const elementsOf = (part: Part, conditions: PartConditions): readonly Element[] =>
  definitionOf(part).elements(part, conditions);
export const toleranceOf = (part: Part): Tolerance | null => definitionOf(part).tolerance(part);
export const ratingOf = (part: Part): Rating => definitionOf(part).rating(part);
export const outputsOf = (part: Part): readonly DrivenOutput[] => definitionOf(part).outputs(part);
/** Its outputs that follow from logic inputs. */
export const logicOf = (part: Part): readonly LogicOutput[] => definitionOf(part).logic?.(part) ?? [];
/** `null` where a part times nothing by itself. */
export const ownTimeOf = (part: Part): OwnTime | null => definitionOf(part).ownTime?.(part) ?? null;
/** What an ohmmeter finds across it does not follow from what it takes. */
export const hasUntoldOhms = (part: Part): boolean => definitionOf(part).hasUntoldOhms?.(part) ?? false;
/** How many rows side by side a part stands for. */
export const rowsOf = (part: Part): number => definitionOf(part).rows?.count(part) ?? 1;
/** So many rows like those of a part, and the net that is to be theirs, by the one that is theirs now; `null` of what stands in no rows. */
export function takeRows(part: Part, count: number, innerOf: (net: Net) => Net): Part | null {
  const { rows } = definitionOf(part);
  return rows ? rows.take(part, count, innerOf(rows.inner(part))) : null;
}
/** The nets that its oscillator keeps swinging. */
export const swingingNets = (part: Part): readonly Net[] => definitionOf(part).swings?.(part) ?? [];
