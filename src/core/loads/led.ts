import { thermalVolts } from '../circuit/junction';

/** A kind of LED with the forward voltage usual at its rated current. */
export interface LedKind {
  readonly id: string;
  readonly forwardVolts: number;
  readonly atAmps: number;
}

/** Kinds of indicator LED, by colour; typical forward voltages at 10 mA, so check the one in hand. */
export const ledKinds = [
  { id: 'infrared', forwardVolts: 1.25, atAmps: 0.01 },
  { id: 'red', forwardVolts: 1.9, atAmps: 0.01 },
  { id: 'amber', forwardVolts: 2.0, atAmps: 0.01 },
  { id: 'green', forwardVolts: 2.1, atAmps: 0.01 },
  { id: 'blue', forwardVolts: 3.0, atAmps: 0.01 },
  { id: 'white', forwardVolts: 3.0, atAmps: 0.01 },
  { id: 'warm-white', forwardVolts: 2.9, atAmps: 0.01 },
] as const satisfies readonly LedKind[];

export type LedKindId = (typeof ledKinds)[number]['id'] | 'own';

/** An LED as it is modelled: a point of its curve. */
export interface LedPoint {
  /** Forward voltage in V at `atAmps`, 0.5–12. */
  readonly forwardVolts: number;
  readonly atAmps: number;
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
