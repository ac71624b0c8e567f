import { GROUND } from '../circuit/netlist';
import { offsetOf } from './comparators';
import type { ComparatorSettings, Switching, Reference } from './decider';
import type { Part } from './description';
import type { LdrSide, CircuitInput } from './stage';

/** A comparator's surroundings as its closed forms need them: stiff rails, no bias. Feedback of `Infinity` is none. */
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
  const reference = referenceVolts(supplyVolts, outVolts, { ...figures, feedbackOhms: held });
  // What the feedback draws from the midpoint, and what that leaves over the resistor before the input.
  const drawn = isMinus ? 0 : (reference - outVolts) / feedbackOhms;
  const mid = reference + drawn * (isMinus ? 0 : sensorOhms);
  const [above, below] = [supplyVolts - mid, mid - lowVolts];
  const ohms =
    ldrSide === 'bottom' ? below / (above / fixedOhms - drawn) : above / (below / fixedOhms + drawn);
  return ohms > 0 && Number.isFinite(ohms) ? ohms : null;
}

/** The reference's resistors between a rail and 0 V, its output the node `ref`; R21 above, R22 below, RV1 between. */
export function referenceParts({ topOhms, bottomOhms, trimmer }: Reference, rail: string): readonly Part[] {
  const [upper, lower] = trimmer ? ['ref.upper', 'ref.lower'] : ['ref', 'ref'];
  const parts: Part[] = [
    { kind: 'resistor', designator: 'R22', role: 'reference', a: lower, b: GROUND, ohms: bottomOhms },
  ];
  if (topOhms !== null)
    parts.push({ kind: 'resistor', designator: 'R21', role: 'reference', a: rail, b: upper, ohms: topOhms });
  if (trimmer) {
    const { trackOhms, position } = trimmer;
    const part = (share: number) => Math.max(1e-4, share) * trackOhms;
    parts.push(
      { kind: 'resistor', designator: 'RV1', role: 'track', a: upper, b: 'ref', ohms: part(1 - position) },
      { kind: 'resistor', designator: 'RV1.lower', role: 'track', a: 'ref', b: lower, ohms: part(position) },
    );
  }
  return parts;
}

/** A comparator between midpoint and switch, with or without hysteresis: its feedback always goes to the plus input. */
export function switchingByComparator(settings: ComparatorSettings, input: CircuitInput): Switching {
  const { part, sensorInput, feedbackOhms, sensorOhms, negativeVolts } = settings;
  const isPlus = sensorInput === 'plus';
  const own = isPlus && sensorOhms !== null ? 'in' : 'mid';
  const [plus, minus] = isPlus ? [own, 'ref'] : ['ref', 'mid'];
  const bottom = negativeVolts > 0 ? 'negative' : GROUND;
  const parts: Part[] = [
    ...referenceParts(settings.reference, 'supply'),
    { kind: 'comparator', designator: 'IC1', part, plus, minus, out: 'out', top: 'supply', bottom },
  ];
  if (own === 'in')
    parts.push({ kind: 'resistor', designator: 'R24', role: 'sensor', a: 'mid', b: 'in', ohms: sensorOhms ?? 1 }); // prettier-ignore
  if (feedbackOhms !== null)
    parts.push({ kind: 'resistor', designator: 'R23', role: 'feedback', a: 'out', b: plus, ohms: feedbackOhms }); // prettier-ignore
  if (part.kind === 'open-collector')
    parts.push({ kind: 'resistor', designator: 'R25', role: 'pull-up', a: 'supply', b: 'out', ohms: settings.pullUpOhms }); // prettier-ignore
  const trip = { plus, minus, share: 1, offsetVolts: offsetOf(part, input.grade) };
  const sense = (input.ldrSide === 'top') === isPlus ? 1 : -1;
  const levels = sense === 1 ? (['low', 'high'] as const) : (['high', 'low'] as const);
  return {
    parts,
    out: 'out',
    states: levels.map((level) => ({ IC1: level })),
    levels,
    boundaries: [{ sense, rising: trip, falling: trip }],
  };
}
