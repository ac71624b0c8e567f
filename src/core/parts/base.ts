import type { Element } from '../circuit/netlist';
import type { Role } from './roles';

/** A node of the circuit, named after what it is. */
export type Net = string;

/** Which of a lot: the weakest that the datasheet allows (least β, highest threshold), the typical one, the strongest. */
export type Grade = 'min' | 'typical' | 'max';

export type OutputLevel = 'high' | 'low';

/** What every part has. */
export interface PartBase {
  /** `R1`, `IC2`: handed out in one place, and never read. */
  readonly designator: string;
  readonly role: Role;
  /** Tells parts of the same role apart where something refers to one: the step of a string, the number of a load. */
  readonly index: number;
}

/** A pin of a part, in the order of its footprint. */
export interface Pin {
  readonly name: string;
  /** `null` where it is left open. */
  readonly net: Net | null;
  /** It does nothing unless it is joined to something. */
  readonly isRequired: boolean;
}

/** What a part's model hangs on besides its own figures. */
export interface PartConditions {
  readonly celsius: number;
  readonly grade: Grade;
}

/** A figure of a part with how far it may lie off, as shares of it. */
export interface Tolerance {
  readonly low: number;
  readonly high: number;
}

/** What a part is rated for; `null` where it is not known, or where it is to be bought for what it gets. */
export interface Rating {
  readonly watts: number | null;
  readonly volts: number | null;
  readonly amps: number | null;
  /** Of an IC: under that it does not work, in V. */
  readonly minVolts?: number;
}

export const NOT_RATED: Rating = { watts: null, volts: null, amps: null };

/** A logic output: what it does with what lies at its inputs. */
export interface LogicOutput {
  /** By which the states of a circuit call it. */
  readonly key: string;
  readonly inputs: readonly Net[];
  readonly top: Net;
  readonly bottom: Net;
  /**
   * @param volts at its inputs, in V; shape: inputs
   * @param half the middle of its supply, in V
   * @param level what it is now
   * @returns what it becomes; `null` where it stays
   */
  readonly decides: (volts: readonly number[], half: number, level: OutputLevel) => OutputLevel | null;
}

/** How long a part stays on by itself, and what sets that. */
export type OwnTime = {
  /** Between which nets its resistor stands, and between which its capacitor. */
  readonly resistor: readonly [Net, Net];
  readonly capacitor: readonly [Net, Net];
  readonly out: Net;
  /** In s, of a resistor in Ω and a capacitor in F. */
  readonly seconds: (ohms: number, farads: number) => number;
  /** How far that may be off by the part itself, as a share. */
  readonly spread: number;
} & (
  | {
      /** Until its capacitor is charged from `bottom` to what its control pin says. */
      readonly by: 'charging';
      readonly charged: Net;
      readonly control: Net;
      readonly bottom: Net;
    }
  | {
      /** Until its oscillator has swung so often: what its clock hears of it, and the nets between which it swings. */
      readonly by: 'counting';
      readonly key: string;
      readonly clock: Net;
      readonly swings: readonly Net[];
      readonly reset: Net;
    }
);

/** All that follows from what kind of part something is. */
export interface PartKindDefinition<P> {
  /** What its designator begins with. */
  readonly letter: string;
  readonly pins: (part: P) => readonly Pin[];
  /** Its model in steady light. */
  readonly elements: (part: P, conditions: PartConditions) => readonly Element[];
  /** Of its main value; `null` where that is for the datasheet to say. */
  readonly tolerance: (part: P) => Tolerance | null;
  readonly rating: (part: P) => Rating;
  /** An output that is driven to a level, by the name that states know it by; `null` for a part without one. */
  readonly outputs: (part: P) => readonly DrivenOutput[];
  /** Of those outputs the ones that follow from logic inputs, not from what the circuit's detector compares. None where it is left out. */
  readonly logic?: (part: P) => readonly LogicOutput[];
  /** The nets that its oscillator keeps swinging: a meter finds no steady voltage there. None where it is left out. */
  readonly swings?: (part: P) => readonly Net[];
  /** What it times by itself; `null` or left out where that is nothing. */
  readonly ownTime?: (part: P) => OwnTime | null;
  /**
   * What an ohmmeter finds across it does not follow from what it takes: electronics, a disc, a winding that turns. It is taken off
   * before anything beside it is measured. Not so where it is left out.
   */
  readonly hasUntoldOhms?: (part: P) => boolean;
  /** Of what may stand for several rows side by side, all alike. One where it is left out. */
  readonly rows?: {
    readonly count: (part: P) => number;
    /** The net that is a row's own, between what stands in it. */
    readonly inner: (part: P) => Net;
    /** So many rows like those of a part. */
    readonly take: (part: P, count: number, inner: Net) => P;
  };
}

/** An output of an IC: a switch to either rail, `Vout = Vrail − drop − I·R`. */
export interface DrivenOutput {
  /** What the states of a circuit call it. */
  readonly key: string;
  /** What its elements' names begin with. */
  readonly name: string;
  readonly figures: OutputFigures;
}

/** An output as a datasheet tells it. */
export interface OutputFigures {
  readonly kind: OutputKind;
  /** What stays between output and lower rail when low, upper rail when high, in V. */
  readonly lowVolts: number;
  readonly highVolts: number;
  /** Resistance of the output, in Ω. */
  readonly outputOhms: number;
  /** Most output current, in A. */
  readonly maxAmps: number;
}

/** How an output is made. */
export const outputKinds = ['push-pull', 'open-collector', 'bipolar'] as const;
export type OutputKind = (typeof outputKinds)[number];
