import { thermalVolts } from '../../circuit/junction';
import type { Element } from '../../circuit/netlist';
import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** An LED as it is modelled: a point of its curve. */
export interface LedPoint {
  /** Forward voltage in V at `atAmps`, 0.5–12. */
  readonly forwardVolts: number;
  readonly atAmps: number;
}

export const ledColors = ['infrared', 'red', 'amber', 'green', 'blue', 'white', 'warm-white', 'own'] as const;
/** Kinds of LED by colour; `own` is any that someone describes. */
export type LedColor = (typeof ledColors)[number];

/** Equal LEDs: `inSeries` of them in a row, `strings` such rows side by side. */
export interface LedPart extends PartBase {
  readonly kind: 'led';
  readonly anode: Net;
  readonly cathode: Net;
  /** What it is called by its colour. */
  readonly color: LedColor;
  readonly led: LedPoint;
  readonly inSeries: number;
  readonly strings: number;
}

/** Ideality of the LED's junction and its series resistance, taken for every kind. */
export const LED_IDEALITY = 2;
export const LED_SERIES_OHMS = 5;
/** LEDs are kept at the temperature their figures are for. */
export const LED_CELSIUS = 25;

/** What is left of the forward voltage for the junction itself once the series resistance has its share, in V. */
export function ledJunctionVolts(led: LedPoint): number {
  return led.forwardVolts - led.atAmps * LED_SERIES_OHMS;
}

/**
 * Saturation current that puts the Shockley diode (ideality 2, 5 Ω in series, 25 °C) through the LED's point.
 * @param led its junction voltage must be above 0
 */
export function ledSaturationAmps(led: LedPoint): number {
  return led.atAmps / Math.expm1(ledJunctionVolts(led) / (LED_IDEALITY * thermalVolts(LED_CELSIUS)));
}

/** Forward voltage of one LED at a current, in V. */
export function ledVoltsAt(led: LedPoint, amps: number): number {
  const junction = LED_IDEALITY * thermalVolts(LED_CELSIUS) * Math.log1p(amps / ledSaturationAmps(led));
  return junction + amps * LED_SERIES_OHMS;
}

/**
 * Equal LEDs as one junction behind their series resistance: in a row they add their voltages (an ideality as many times),
 * side by side their currents.
 */
export function ledElements(
  name: string,
  {
    anode,
    cathode,
    led,
    inSeries,
    strings,
  }: Pick<LedPart, 'anode' | 'cathode' | 'led' | 'inSeries' | 'strings'>,
): readonly Element[] {
  const inner = `${name}.junction`;
  return [
    {
      kind: 'resistor',
      name: `${name}.series`,
      a: anode,
      b: inner,
      ohms: (LED_SERIES_OHMS * inSeries) / strings,
    },
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

export const ledKind: PartKindDefinition<LedPart> = {
  letter: 'D',
  pins: ({ anode, cathode }) => [
    { name: 'anode, long lead', net: anode, isRequired: true },
    { name: 'cathode, flat side', net: cathode, isRequired: true },
  ],
  elements: (part) => ledElements(part.designator, part),
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
  rows: {
    count: ({ strings }) => strings,
    inner: ({ anode }) => anode,
    take: (part, strings, anode) => ({ ...part, strings, anode }),
  },
};

/** A strip of LEDs or a lamp module: rows of LEDs, each with its resistor inside. */
export interface StripPart extends PartBase {
  readonly kind: 'strip';
  readonly a: Net;
  readonly b: Net;
  readonly led: LedPoint;
  readonly inSeries: number;
  readonly strings: number;
  /** What its label says, in V and A. */
  readonly ratedVolts: number;
  readonly ratedAmps: number;
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
