import { ledElements, ledVoltsAt, type LedPoint } from './led';
import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A strip of LEDs or a lamp module: rows of LEDs, each with its resistor inside. */
export interface StripPart extends PartBase {
  readonly kind: 'strip';
  readonly a: Net;
  readonly b: Net;
  readonly led: LedPoint;
  readonly inSeries: number;
  readonly strings: number;
  /** All its resistors side by side, in Ω. */
  readonly ohms: number;
}

/** About what one white LED of a strip wants when it begins to glow, in V, and what it takes at full light, in A. */
const ONE_LIT_VOLTS = 2.7;
const STRING_AMPS = 0.02;
/** With so little it glows so that it is seen. */
const LIT_AMPS = 0.0002;
const MIN_BALLAST_OHMS = 0.05;

/** A strip as rows of LEDs behind their resistors, through what its label and a try on the bench say. */
export function stripModel({
  ratedVolts,
  ratedAmps,
  litVolts,
}: {
  readonly ratedVolts: number;
  readonly ratedAmps: number;
  readonly litVolts: number;
}): Pick<StripPart, 'led' | 'inSeries' | 'strings' | 'ohms'> {
  const inSeries = Math.max(1, Math.round(litVolts / ONE_LIT_VOLTS));
  const strings = Math.max(1, Math.round(ratedAmps / STRING_AMPS));
  const led = { forwardVolts: litVolts / inSeries, atAmps: LIT_AMPS };
  const ledVolts = inSeries * ledVoltsAt(led, ratedAmps / strings);
  return { led, inSeries, strings, ohms: Math.max(MIN_BALLAST_OHMS, (ratedVolts - ledVolts) / ratedAmps) };
}

/** What its current is measured in. */
export const stripBallastName = (designator: string) => `${designator}.ballast`;

export const stripKind: PartKindDefinition<StripPart> = {
  letter: 'H',
  pins: ({ a, b }) => [
    { name: '+', net: a, isRequired: true },
    { name: '−', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, led, inSeries, strings, ohms }) => [
    { kind: 'resistor', name: stripBallastName(designator), a, b: `${designator}.leds`, ohms },
    ...ledElements(designator, { anode: `${designator}.leds`, cathode: b, led, inSeries, strings }),
  ],
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
};
