import { outputElements } from '../output';
import { type Net, type PartBase, type PartKindDefinition } from '../base';
import { CMOS_IDLE_AMPS, CMOS_OUTPUT, CMOS_RATING } from './gate';

/** Its last output goes high after so many swings of its oscillator: half of its fourteen stages' 2¹⁴. */
export const COUNTED_SWINGS = 2 ** 13;
/** Its oscillator swings at `1/(2.3·R·C)` (the usual figure of its kind, good to some 10 %). */
export const SWING_FACTOR = 2.3;
export const SWING_TOLERANCE = 0.1;

/**
 * How long a counter with its own oscillator takes: `t = 2¹³ · 2.3·R·C`.
 * @example countedSeconds(100000, 1e-7) // 188.416
 */
export const countedSeconds = (ohms: number, farads: number): number =>
  COUNTED_SWINGS * SWING_FACTOR * ohms * farads;

/** A fourteen-stage counter with an oscillator of its own: held at nothing by its reset, counting without. */
export interface CounterPart extends PartBase {
  readonly kind: 'counter';
  readonly key: string;
  readonly reset: Net;
  /** The oscillator's input, and its two outputs to the resistor and to the capacitor. */
  readonly clock: Net;
  readonly toResistor: Net;
  readonly toCapacitor: Net;
  /** Where its resistor, its capacitor and the clock's guard meet. */
  readonly between: Net;
  /** High when it has counted to its end. */
  readonly out: Net;
  readonly top: Net;
  readonly bottom: Net;
}

/** What a CMOS input leaks: it gives the nets of the oscillator a steady voltage, and no more. */
const LEAK_OHMS = 1e9;

export const counterKind: PartKindDefinition<CounterPart> = {
  letter: 'IC',
  pins: ({ reset, clock, toResistor, toCapacitor, out, top, bottom }) => [
    { name: 'last stage', net: out, isRequired: true },
    { name: 'reset', net: reset, isRequired: true },
    { name: 'clock in', net: clock, isRequired: true },
    { name: 'to resistor', net: toResistor, isRequired: true },
    { name: 'to capacitor', net: toCapacitor, isRequired: true },
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator: name, clock, toResistor, toCapacitor, out, top, bottom }) => [
    ...outputElements(name, CMOS_OUTPUT, { top, bottom, out }),
    ...[clock, toResistor, toCapacitor].map((net, index) => ({
      kind: 'resistor' as const,
      name: `${name}.leak${index}`,
      a: net,
      b: bottom,
      ohms: LEAK_OHMS,
    })),
    { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: CMOS_IDLE_AMPS },
  ],
  tolerance: () => null,
  rating: () => CMOS_RATING,
  outputs: ({ designator: name, key }) => [{ key, name, figures: CMOS_OUTPUT }],
  swings: ({ clock, toResistor, toCapacitor, between }) => [clock, toResistor, toCapacitor, between],
  ownTime: ({ key, clock, toResistor, toCapacitor, between, reset, out }) => ({
    by: 'counting',
    resistor: [toResistor, between],
    capacitor: [toCapacitor, between],
    seconds: countedSeconds,
    spread: SWING_TOLERANCE,
    ...{ key, clock, reset, out, swings: [clock, between, toResistor, toCapacitor] },
  }),
};
