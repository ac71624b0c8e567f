import { exactly, within, type Infer } from '../../schema';
import { icFields, isRatedForSupply } from './comparator';
import { outputElements } from '../output';
import {
  NOT_RATED,
  type Net,
  type OutputFigures,
  type OutputLevel,
  type PartBase,
  type PartKindDefinition,
} from '../base';

export const timerField = exactly({
  ...icFields,
  /** Each of the three resistors inside that set its thresholds, in Ω. */
  stringOhms: within({ min: 1000, max: 1e6 }),
  /** How far a part's thresholds may lie from ⅓ and ⅔, as a share of them. */
  thresholdShare: within({ min: 0, max: 0.2 }),
});

/** A timer IC as a datasheet tells it. */
export type TimerModel = Infer<typeof timerField>;

/** The two families; the first is taken first. */
export const shippedTimers: readonly [TimerModel, ...TimerModel[]] = [
  { id: 'bipolar-timer', name: '', biasAmps: 1e-7, lowVolts: 0.1, highVolts: 1.4, outputOhms: 10, maxAmps: 0.2, idleAmps: 0.003, minSupplyVolts: 4.5, maxSupplyVolts: 16, stringOhms: 5000, thresholdShare: 0.04 },
  { id: 'cmos-timer', name: '', biasAmps: 1e-11, lowVolts: 0.02, highVolts: 0.1, outputOhms: 60, maxAmps: 0.05, idleAmps: 0.0001, minSupplyVolts: 2, maxSupplyVolts: 15, stringOhms: 40_000, thresholdShare: 0.02 },
]; // prettier-ignore

export const defaultTimer = shippedTimers[0];

/** Where its control pin stands when nothing is joined to it, as a share of its supply. */
export const TWO_THIRDS = 2 / 3;

/** A resistor from a control pin to one of its rails. */
export interface ControlResistor {
  readonly ohms: number;
  readonly to: 'ground' | 'supply';
}

/**
 * Where a timer's control pin stands, as a share of its supply: one inner resistor above it, two below it, and what is joined to it.
 * @param control `null` where nothing is
 * @returns above 0, below 1
 */
export function controlShare({ stringOhms }: TimerModel, control: ControlResistor | null): number {
  if (!control) return TWO_THIRDS;
  const own = 1 / control.ohms;
  const above = 1 / stringOhms + (control.to === 'supply' ? own : 0);
  const below = 1 / (2 * stringOhms) + (control.to === 'ground' ? own : 0);
  return above / (above + below);
}

/**
 * How long a timer IC's pulse lasts: until its capacitor is charged to its control pin's voltage, `t = R·C·ln(V/(V − Vc))`.
 * With nothing at that pin it is `R·C·ln 3`.
 * @param share of the supply where the control pin stands, above 0 and below 1
 * @example pulseSeconds(302000, 3.28e-6) // 1.08824
 */
export const pulseSeconds = (ohms: number, farads: number, share = TWO_THIRDS): number =>
  -ohms * farads * Math.log1p(-share);

/**
 * How far a pulse may be off by what its timer's inner resistors are to one another, as a share: what is over the capacitor at its end
 * is to what is left as they are. @param share of the supply where the control pin stands
 */
export function pulseSpread({ thresholdShare }: TimerModel, share: number): number {
  const over = share / (1 - share);
  return Math.log1p(over * (1 + thresholdShare / (1 - TWO_THIRDS))) / Math.log1p(over) - 1;
}

/** The first that works on a supply; `null` where none does. @param volts of the supply */
export const timerOn = (volts: number): TimerModel | null =>
  shippedTimers.find((model) => isRatedForSupply(model, volts)) ?? null;

/** A timer IC in eight pins. */
export interface TimerPart extends PartBase {
  readonly kind: 'timer';
  readonly model: TimerModel;
  /** What the states of a circuit call its output. */
  readonly key: string;
  readonly trigger: Net;
  readonly threshold: Net;
  readonly out: Net;
  readonly control: Net;
  /** Where its control pin stands in the design, as a share of its supply. */
  readonly controlShare: number;
  /** Pulls its capacitor down between pulses; `null` where it is left open. */
  readonly discharge: Net | null;
  /** The node between the two lower resistors inside, against which the trigger is held. */
  readonly lower: Net;
  readonly top: Net;
  readonly bottom: Net;
}

/** The open transistor that empties the capacitor while the output is low. */
const dischargeOf = ({ maxAmps }: TimerModel): OutputFigures => ({
  ...{ kind: 'open-collector', lowVolts: 0.01, highVolts: 0, outputOhms: 20 },
  maxAmps,
});
const dischargeName = (designator: string) => `${designator}.discharge`;

function oneShot([
  trigger = 0,
  lower = 0,
  threshold = 0,
  control = 0,
]: readonly number[]): OutputLevel | null {
  if (trigger < lower) return 'high';
  return threshold > control ? 'low' : null;
}

export const timerKind: PartKindDefinition<TimerPart> = {
  letter: 'IC',
  pins: ({ bottom, trigger, out, top, control, threshold, discharge }) => [
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'trigger', net: trigger, isRequired: true },
    { name: 'out', net: out, isRequired: true },
    { name: 'reset', net: top, isRequired: true },
    { name: 'control', net: control, isRequired: true },
    { name: 'threshold', net: threshold, isRequired: true },
    { name: 'discharge', net: discharge, isRequired: discharge !== null },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator: name, model, trigger, out, control, discharge, lower, top, bottom }) => [
    ...outputElements(name, { ...model, kind: 'push-pull' }, { top, bottom, out }),
    ...(discharge === null
      ? []
      : outputElements(dischargeName(name), dischargeOf(model), { top, bottom, out: discharge })),
    { kind: 'resistor', name: `${name}.upper`, a: top, b: control, ohms: model.stringOhms },
    { kind: 'resistor', name: `${name}.middle`, a: control, b: lower, ohms: model.stringOhms },
    { kind: 'resistor', name: `${name}.lower`, a: lower, b: bottom, ohms: model.stringOhms },
    { kind: 'current', name: `${name}.controlBias`, from: top, to: control, amps: model.biasAmps },
    { kind: 'current', name: `${name}.bias`, from: top, to: trigger, amps: model.biasAmps },
    { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: model.idleAmps },
  ],
  tolerance: () => null,
  rating: ({ model }) => ({
    ...NOT_RATED,
    minVolts: model.minSupplyVolts,
    volts: model.maxSupplyVolts,
    amps: model.maxAmps,
  }),
  outputs: ({ designator: name, key, model, discharge }) => [
    { key, name, figures: { ...model, kind: 'push-pull' } },
    // It is low with the output, by the same key.
    ...(discharge === null ? [] : [{ key, name: dischargeName(name), figures: dischargeOf(model) }]),
  ],
  ownTime: ({ model, out, threshold, control, controlShare, discharge, top, bottom }) =>
    discharge === null
      ? null
      : {
          by: 'charging',
          resistor: [top, discharge],
          capacitor: [discharge, bottom],
          seconds: (ohms, farads) => pulseSeconds(ohms, farads, controlShare),
          spread: pulseSpread(model, controlShare),
          ...{ out, charged: threshold, control, bottom },
        },
  // A detector is what its circuit compares; a one-shot behind one runs while it is triggered, and then until its capacitor is full.
  logic: ({ role, key, trigger, threshold, lower, control, top, bottom }) =>
    role === 'one-shot'
      ? [{ ...{ key, top, bottom }, inputs: [trigger, lower, threshold, control], decides: oneShot }]
      : [],
};
