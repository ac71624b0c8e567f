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

/** Equal LEDs: `inSeries` of them in a row, `strings` such rows side by side. */
export interface LedPart extends PartBase {
  readonly kind: 'led';
  readonly anode: Net;
  readonly cathode: Net;
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
};
