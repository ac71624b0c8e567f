import { outputElements } from '../output';
import {
  NOT_RATED,
  type Net,
  type OutputFigures,
  type OutputLevel,
  type PartBase,
  type PartKindDefinition,
  type Rating,
} from '../base';

/** What a gate or flip-flop in CMOS gives, and takes. */
export const CMOS_OUTPUT: OutputFigures = {
  kind: 'push-pull',
  lowVolts: 0.01,
  highVolts: 0.01,
  outputOhms: 70,
  maxAmps: 0.02,
};
export const CMOS_IDLE_AMPS = 0.00001;
export const CMOS_RATING: Rating = { ...NOT_RATED, minVolts: 2, volts: 15, amps: CMOS_OUTPUT.maxAmps };

/** One inverter of a package of six; the others are tied off. */
export interface GatePart extends PartBase {
  readonly kind: 'gate';
  readonly key: string;
  readonly input: Net;
  readonly out: Net;
  readonly top: Net;
  readonly bottom: Net;
}

/** An inverter, or a NOR of several: high where none of its inputs is. */
const isNone = (volts: readonly number[], half: number): OutputLevel =>
  volts.every((each) => each <= half) ? 'high' : 'low';

const UNUSED = [2, 3, 4, 5, 6];

export const gateKind: PartKindDefinition<GatePart> = {
  letter: 'IC',
  // An input that floats lets a CMOS gate oscillate: unused ones go to 0 V, their outputs stay open.
  pins: ({ input, out, top, bottom }) => [
    { name: '1 in', net: input, isRequired: true },
    { name: '1 out', net: out, isRequired: true },
    ...UNUSED.flatMap((unit) => [
      { name: `${unit} in`, net: bottom, isRequired: true },
      { name: `${unit} out`, net: null, isRequired: false },
    ]),
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator: name, out, top, bottom }) => [
    ...outputElements(name, CMOS_OUTPUT, { top, bottom, out }),
    { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: CMOS_IDLE_AMPS },
  ],
  tolerance: () => null,
  rating: () => CMOS_RATING,
  outputs: ({ designator: name, key }) => [{ key, name, figures: CMOS_OUTPUT }],
  logic: ({ key, input, top, bottom }) => [{ key, inputs: [input], top, bottom, decides: isNone }],
};

/** NOR gates of a package of four, the one behind the other; the others are tied off. */
export interface NorPart extends PartBase {
  readonly kind: 'nor';
  /** Shape: 1 to 4. */
  readonly gates: readonly NorGate[];
  readonly top: Net;
  readonly bottom: Net;
}

export interface NorGate {
  /** What the states of a circuit call its output. */
  readonly key: string;
  readonly input: Net;
  /** Its other input; one gate with both joined is an inverter. */
  readonly other: Net;
  readonly out: Net;
  /** By the other input a later gate holds it: what was started stays so. */
  readonly isHeld?: boolean;
}

const NORS = [1, 2, 3, 4] as const;

export const norKind: PartKindDefinition<NorPart> = {
  letter: 'IC',
  pins: ({ gates, top, bottom }) => [
    ...gates.flatMap(({ input, other, out }, index) => [
      { name: `${index + 1} a`, net: input, isRequired: true },
      { name: `${index + 1} b`, net: other, isRequired: true },
      { name: `${index + 1} out`, net: out, isRequired: true },
    ]),
    ...NORS.slice(gates.length).flatMap((unit) => [
      { name: `${unit} a in`, net: bottom, isRequired: true },
      { name: `${unit} b in`, net: bottom, isRequired: true },
      { name: `${unit} out`, net: null, isRequired: false },
    ]),
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator, gates, top, bottom }) => [
    ...gates.flatMap(({ out }, index) =>
      outputElements(`${designator}.${index + 1}`, CMOS_OUTPUT, { top, bottom, out }),
    ),
    { kind: 'current', name: `${designator}.idle`, from: top, to: bottom, amps: CMOS_IDLE_AMPS },
  ],
  tolerance: () => null,
  rating: () => CMOS_RATING,
  outputs: ({ designator, gates }) =>
    gates.map(({ key }, index) => ({ key, name: `${designator}.${index + 1}`, figures: CMOS_OUTPUT })),
  // As it is when nothing was started before: what holds a gate has been off.
  logic: ({ gates, top, bottom }) =>
    gates.map(({ key, input, other, isHeld }) => ({
      ...{ key, top, bottom, decides: isNone },
      inputs: isHeld ? [input] : [input, other],
    })),
};
