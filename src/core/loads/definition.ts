import type { Crossing } from '../light/crossing';
import type { Net } from '../parts/base';
import type { Draft } from '../parts/part';
import type { Field } from '../schema';
import type { ResistorStock } from '../series/stock';
import type { LoadFinding, LoadFix, ModuleInput } from './finding';

/** Where a load hangs: current goes from `hot` to `cold`. */
export interface LoadPlace {
  readonly hot: Net;
  readonly cold: Net;
  /** The rail that feeds the load's side. */
  readonly rail: Net;
  /** It hangs between the switch and 0 V, not between plus and the switch. */
  readonly isHighSide: boolean;
  readonly index: number;
  /** The first load that brings the same supply: pins of one device share theirs, larger relays too. */
  readonly ownIndex: number;
}

/** What can hurt someone or burn something in a design of this kind; the gravest first. */
export const cautions = [
  ...(['mains', 'capacitor-fed', 'beam', 'strong-cells', 'coin-cell'] as const),
  ...(['coil', 'inrush', 'hot', 'electrolytic'] as const),
] as const;
export type Caution = (typeof cautions)[number];

/** The voltages that a load is for, in V. */
export interface LoadVolts {
  readonly rated: number;
  /** Under this it does nothing that counts, and over the other it does not live long. */
  readonly min: number;
  readonly max: number;
}

/** An LED's resistor: the exact one for the wanted current, with what each takes of the supply; or what that would need. */
export type SeriesSizing =
  | {
      readonly ok: true;
      readonly exactOhms: number;
      readonly ledVolts: number;
      readonly switchVolts: number;
      readonly supplyVolts: number;
      /** Even with that one the LED gets much less: something else holds it back. */
      readonly isHeldBack: boolean;
    }
  | { readonly ok: false; readonly reason: 'supply-too-low'; readonly neededVolts: number };

/** Two lights at which something that a load does goes over one of its levels, and whether it can at all. */
export interface LoadLights {
  readonly on: Crossing;
  readonly off: Crossing;
  readonly turnsOn: boolean;
  readonly turnsOff: boolean;
}

/** What becomes of a load when the switch is fully on, and at which lights. */
export interface LoadFacts {
  /** Through it and across it (with its resistor) with the switch driven hard. */
  readonly amps: number;
  /** What it counts as fully on by, in A: that, or what is needed for anything to be seen of it where it gets less. */
  readonly onAmps: number;
  readonly volts: number;
  /** The most that is across one of its kind at any light: more than that where what should be a dot shares its current. */
  readonly mostVolts: number;
  /** The same of a step of a ladder while it is the only one, which is more where the supply gives way under all; `null` for what comes with others. */
  readonly alone: { readonly amps: number; readonly volts: number } | null;
  /** Heat in the load itself, and in an LED's resistor (of one string), in W. */
  readonly watts: number;
  readonly seriesWatts: number;
  /** `null` for an LED, which its resistor fits to any supply. */
  readonly rated: LoadVolts | null;
  /** An LED's resistor, solved when it is asked for; `null` for other loads. */
  readonly series: SeriesSizing | null;
  /** An LED that gets little of its current, whatever its resistor: its supply is too low. */
  readonly lacksVolts: boolean;
  /** A relay's pull-in and drop-out, a pin's two levels; `null` for loads without levels of their own. */
  readonly lights: LoadLights | null;
  /** What it takes for a moment when it is switched on, in A; `null` where that is no more than its full current. */
  readonly inrushAmps: number | null;
  /** Voltage at its signal with the switch on and off, in V; `null` where no one reads it. */
  readonly pin: { readonly onVolts: number; readonly offVolts: number } | null;
}

/** What a finding of a load hangs on besides. */
export interface LoadSetting {
  readonly index: number;
  readonly isHighSide: boolean;
  /** A detector's output drives it, with no transistor between. */
  readonly isOnOutput: boolean;
  /** Other loads hang on the same switch. */
  readonly isShared: boolean;
  readonly supplyVolts: number;
  /** How long it is on at a time, in s; `null` where that is as long as the light says. */
  readonly onSeconds: number | null;
  /** What switches can make a tone by itself. */
  readonly makesTone: boolean;
  readonly stock: ResistorStock;
}

/** What a load sets its own two lights by; `null` where it has none. */
export interface LoadLevels {
  /** Current through it or voltage at it: what is compared with the levels. */
  readonly by: 'amps' | 'volts';
  readonly on: number;
  readonly off: number;
}

/** The least current, in A, with which something is on that is either on or off. */
export interface OnFrom {
  readonly amps: number;
  /** It is so whichever way the current flows. */
  readonly isEitherWay: boolean;
}

/** Something to be told of a load, how grave it is, and what would cure it. */
export interface LoadSaying {
  readonly state: 'look' | 'cannot';
  readonly finding: LoadFinding;
  readonly fix?: LoadFix | null;
}

/** How a load behaves in time: usual figures of its kind. */
export interface LoadInTime {
  /** Time constant with which its light or its speed follows its current, in s; 0 for at once. */
  readonly followSeconds: number;
  /** Time constant with which its inrush falls to its full current, in s. */
  readonly inrushSeconds: number;
  /** On for less than that it is seen fainter than it is, or heard as a click, in s; 0 where nobody looks or listens. */
  readonly noticedSeconds: number;
  /** How long its contact takes to close and to open, in s; `null` without one. */
  readonly contact: { readonly operateSeconds: number; readonly releaseSeconds: number } | null;
}

/** A rail that a load brings with it: its device's, or that of the larger relay behind it. */
export interface OwnRail {
  readonly role: 'logic-supply' | 'second-supply';
  readonly rail: Net;
  readonly volts: number;
}

/** All that the rest asks of a kind of load. */
export interface LoadDefinition<L> {
  /** Settings, limits and defaults are one truth. */
  readonly field: Field<L>;
  readonly defaults: L;
  /** Its parts, the load itself first; in what order current goes through them is for their nets to say. */
  readonly parts: (load: L, place: LoadPlace) => readonly Draft[];
  /** Where its current is measured: an element of the part itself, or of its series resistor or what makes its tone. */
  readonly sense: (
    designator: string,
    beside: string | null,
  ) => { readonly name: string; readonly kind: 'resistor' | 'lamp' };
  /** Its own idea of its full current, in A: where a search for the real one starts. */
  readonly nominalAmps: (load: L) => number;
  /** The share of that current from which on anything is seen, heard or felt of it. */
  readonly showsShare: number;
  readonly volts: (load: L) => LoadVolts | null;
  readonly inrushAmps: (load: L, volts: number) => number | null;
  /** Taken from the load's supply beside what flows through the switch: when off, and when on. */
  readonly ownAmps: (load: L) => { readonly off: number; readonly on: number };
  readonly levels: (load: L, isHighSide: boolean) => LoadLevels | null;
  /**
   * With an input of the other sort, as a jumper sets it on many, or of the sort that is wanted; `null` for what has no such input, or is
   * as it is wanted.
   */
  readonly withOtherInput: (load: L, wanted?: ModuleInput) => L | null;
  /** From so much current on it is on, and below it is off; `null` of what is on by degrees: it shines faintly, or turns slowly. */
  readonly onFrom: (load: L, isHighSide: boolean) => OnFrom | null;
  readonly cautions: (load: L) => readonly Caution[];
  /** What it makes shine is lit while its coil is off: a contact that is closed then. */
  readonly isLitWhenOff: (load: L) => boolean;
  /** Switched on and off many times a second it shines fainter, and takes no harm. */
  readonly dims: boolean;
  /** It gives its heat off as a filament does. */
  readonly glows: boolean;
  readonly findings: (load: L, facts: LoadFacts, setting: LoadSetting) => readonly LoadSaying[];
  readonly inTime: LoadInTime;
  /** The pitch of what it sounds, in Hz; `null` for what is silent. */
  readonly heardHertz: (load: L) => number | null;
  /** Its reverse rating, in V; `null` where current passes both ways, or another finding says it. */
  readonly reverseVolts: (load: L) => number | null;
  /** A rail of its own besides those of the design; `null` for none. */
  readonly ownRail: (load: L, place: LoadPlace) => OwnRail | null;
}
