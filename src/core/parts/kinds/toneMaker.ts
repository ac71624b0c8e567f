import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';
import { shippedTimers, type TimerModel } from './timer';

/** The timer IC that makes a tone: it works on little, and takes little. */
export const TONE_TIMER: TimerModel = shippedTimers[1] ?? shippedTimers[0];

/** A timer IC that swings by itself (astable): in steady light the average current of all that it feeds, and its own. */
export interface OscillatorPart extends PartBase {
  readonly kind: 'oscillator';
  readonly top: Net;
  readonly bottom: Net;
  readonly out: Net;
  /** Trigger and threshold, at its capacitor. */
  readonly timing: Net;
  readonly discharge: Net;
  /** Its supply over that current. */
  readonly ohms: number;
}

/**
 * How fast a timer IC swings: `f = 1/(ln 2 · (RA + 2·RB)·C)`.
 * @example toneHertz({ upperOhms: 10000, lowerOhms: 22000, farads: 1e-8 }) // 2671.66
 */
export function toneHertz({
  upperOhms,
  lowerOhms,
  farads,
}: {
  readonly upperOhms: number;
  readonly lowerOhms: number;
  readonly farads: number;
}): number {
  return 1 / (Math.LN2 * (upperOhms + 2 * lowerOhms) * farads);
}

export const oscillatorKind: PartKindDefinition<OscillatorPart> = {
  letter: 'IC',
  pins: ({ bottom, timing, out, top, discharge }) => [
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'trigger', net: timing, isRequired: true },
    { name: 'out', net: out, isRequired: true },
    { name: 'reset', net: top, isRequired: true },
    { name: 'control', net: null, isRequired: false },
    { name: 'threshold', net: timing, isRequired: true },
    { name: 'discharge', net: discharge, isRequired: true },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator, top, bottom, ohms }) => [
    { kind: 'resistor', name: designator, a: top, b: bottom, ohms },
  ],
  tolerance: () => null,
  rating: () => ({ ...NOT_RATED, volts: TONE_TIMER.maxSupplyVolts, amps: TONE_TIMER.maxAmps }),
  outputs: () => [],
  swings: ({ out, timing, discharge }) => [out, timing, discharge],
  hasUntoldOhms: () => true,
};

/** A buzzer that needs a tone: by itself it takes no steady current, and on average that of the tone that it is fed. */
export interface SounderPart extends PartBase {
  readonly kind: 'sounder';
  /** Where its tone comes in, and its other end. */
  readonly a: Net;
  readonly b: Net;
  readonly ohms: number;
}

export const sounderKind: PartKindDefinition<SounderPart> = {
  letter: 'BZ',
  pins: ({ a, b }) => [
    { name: '+', net: a, isRequired: true },
    { name: '−', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, ohms }) => [{ kind: 'resistor', name: designator, a, b, ohms }],
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
  hasUntoldOhms: () => true,
};
