import type { LdrSide } from '../../drivers/kinds';
import type { DetectorBench } from '../bench';
import type { ReferenceTrimmer } from '../fields';
import type { ComparatorSettings } from './settings';

/** A comparator's surroundings as its closed forms need them: ideal rails, no bias. Feedback of `Infinity` is none. */
export interface TripFigures {
  readonly sensorInput: 'plus' | 'minus';
  readonly ldrSide: LdrSide;
  readonly supplyVolts: number;
  /** Lower rail against 0 V: 0 or less. The reference stands on 0 V. */
  readonly lowVolts: number;
  readonly fixedOhms: number;
  readonly topOhms: number;
  readonly bottomOhms: number;
  readonly feedbackOhms: number;
  /** Between midpoint and plus input, where the sensor is there. */
  readonly sensorOhms: number;
}

/**
 * Volts of a reference with feedback: the mean of what stands at its resistors' far ends, each weighted by its conductance,
 * `Vref = (V/R1 + Vout/Rf)/(1/R1 + 1/R2 + 1/Rf)`. (Superposition on one node; the lower resistor stands on 0 V.)
 * @example referenceVolts(12, 11.6132, { topOhms: 12300, bottomOhms: 33200, feedbackOhms: 889000 }) // 8.7846
 */
export function referenceVolts(
  supplyVolts: number,
  outVolts: number,
  { topOhms, bottomOhms, feedbackOhms }: Pick<TripFigures, 'topOhms' | 'bottomOhms' | 'feedbackOhms'>,
): number {
  const [top, bottom, feedback] = [1 / topOhms, 1 / bottomOhms, 1 / feedbackOhms];
  return (supplyVolts * top + outVolts * feedback) / (top + bottom + feedback);
}

/**
 * The resistance of the LDR (with what stands beside it) at which a comparator's inputs are level while its output is at a
 * voltage; feedback to the reference where the sensor is at the minus input, to the sensor where it is at the plus input.
 * @returns Ω; `null` where no resistance makes them level
 */
export function tripOhms(figures: TripFigures, outVolts: number): number | null {
  const { sensorInput, ldrSide, supplyVolts, lowVolts, fixedOhms, feedbackOhms, sensorOhms } = figures;
  const isMinus = sensorInput === 'minus';
  const held = isMinus ? feedbackOhms : Infinity;
  const { topOhms, bottomOhms } = figures;
  const reference = referenceVolts(supplyVolts, outVolts, { topOhms, bottomOhms, feedbackOhms: held });
  // What the feedback draws from the midpoint, and what that leaves over the resistor before the input.
  const drawn = isMinus ? 0 : (reference - outVolts) / feedbackOhms;
  const mid = reference + drawn * (isMinus ? 0 : sensorOhms);
  const [above, below] = [supplyVolts - mid, mid - lowVolts];
  const ohms =
    ldrSide === 'bottom' ? below / (above / fixedOhms - drawn) : above / (below / fixedOhms + drawn);
  return ohms > 0 && Number.isFinite(ohms) ? ohms : null;
}

/** What feeds the feedback in either state: open voltage and resistance. */
export interface Levels {
  readonly whenOff: { readonly volts: number; readonly ohms: number };
  readonly whenOn: { readonly volts: number; readonly ohms: number };
}

/** Feedback that hardly loads the output, and one that does, in Ω. */
const [LIGHT, HEAVY] = [1e8, 1e5];

/** What the feedback sees of the output in either state: its open voltage and its resistance, from two solved circuits. */
export function outputLevels(
  settings: ComparatorSettings,
  bench: DetectorBench<ComparatorSettings>,
): Levels | null {
  const { lux } = bench.goal;
  const withFeedback = (feedbackOhms: number) => bench.with({ ...settings, feedbackOhms });
  const [open, loaded] = [withFeedback(LIGHT), withFeedback(HEAVY)];
  const plus = settings.sensorInput === 'minus' ? 'ref' : settings.sensorOhms === null ? 'mid' : 'in';
  const of = (isOn: boolean) => {
    const position = Math.max(0, open.isOn.indexOf(isOn));
    const [volts, under] = [open.voltsAt('out', lux, position), loaded.voltsAt('out', lux, position)];
    const far = loaded.voltsAt(plus, lux, position);
    if (volts === null || under === null || far === null) return null;
    const amps = (under - far) / HEAVY;
    return { volts, ohms: Math.abs(amps) > 1e-9 ? Math.max(0, (volts - under) / amps) : 0 };
  };
  const [whenOff, whenOn] = [of(false), of(true)];
  return whenOff && whenOn && { whenOff, whenOn };
}

/** What a comparator's thresholds hang on besides divider and output. Feedback of `Infinity` is none. */
export interface TripParts {
  readonly fixedOhms: number;
  readonly topOhms: number;
  readonly bottomOhms: number;
  readonly feedbackOhms: number;
  readonly sensorOhms: number | null;
  /** Between the reference's two resistors; none where it is not said. */
  readonly trimmer?: ReferenceTrimmer | null;
}

/** The settings with the parts of a choice in place; its R1 is for the divider. */
export function withParts(
  settings: ComparatorSettings,
  { topOhms, bottomOhms, feedbackOhms, sensorOhms, trimmer = null }: TripParts,
): ComparatorSettings {
  return {
    ...settings,
    reference: { topOhms, bottomOhms, trimmer },
    feedbackOhms: Number.isFinite(feedbackOhms) ? feedbackOhms : null,
    sensorOhms,
  };
}

/** What stands above and below the reference's node: resistors with their side of a trimmer's track, in Ω. */
export function referenceSides({ topOhms, bottomOhms, trimmer }: TripParts) {
  const { trackOhms, position } = trimmer ?? { trackOhms: 0, position: 0 };
  return { topOhms: topOhms + (1 - position) * trackOhms, bottomOhms: bottomOhms + position * trackOhms };
}

/** The resistance of the LDR's branch at which a comparator is level while its output is at a level, by the closed form; `null` for none. */
export function tripBranch(
  { ldrSide, supplyVolts }: { readonly ldrSide: LdrSide; readonly supplyVolts: number },
  { sensorInput, negativeVolts }: Pick<ComparatorSettings, 'sensorInput' | 'negativeVolts'>,
  parts: TripParts,
  { volts, ohms }: Levels['whenOn'],
): number | null {
  const { topOhms, bottomOhms } = referenceSides(parts);
  const figures = {
    sensorInput,
    ldrSide,
    supplyVolts,
    lowVolts: -negativeVolts,
    fixedOhms: parts.fixedOhms,
    topOhms,
    bottomOhms,
    feedbackOhms: parts.feedbackOhms + ohms,
    sensorOhms: parts.sensorOhms ?? 0,
  };
  return tripOhms(figures, volts);
}
