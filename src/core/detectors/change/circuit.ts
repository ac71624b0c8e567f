import { GROUND } from '../../circuit/netlist';
import { nearestOhms, type ResistorStock } from '../../series/stock';
import { isRatedForSupply, shippedComparator, type ComparatorModel } from '../../parts/kinds/comparator';
import type { Draft } from '../../parts/part';
import type { DetectorContext } from '../definition';
import { capacitor, comparators, resistor } from '../drafts';
import { otherLevel, type DetectorCircuit } from '../switching';
import { CHANGE_LIMITS, type ChangeSettings } from './settings';

/** From an open collector to the supply, in Ω. */
const PULL_UP_OHMS = 10_000;
/** No trigger lies nearer to the supply than this share of it. */
const MAX_TRIGGER_SHARE = 0.98;
/** From the amplifier's inverting input to 0 V, and from the trigger; less where the other resistor would grow beyond what is sold, in Ω. */
const GAIN_OHMS = 10_000;
const TRIGGER_OHMS = 15_000;
const MAX_UPPER_OHMS = 1e6;

/** The amplifier that works on a supply: one whose output reaches 0 V. */
export function amplifierFor(supplyVolts: number): ComparatorModel {
  const rail = shippedComparator('rail-op-amp');
  return isRatedForSupply(rail, supplyVolts) ? rail : shippedComparator('single-supply-op-amp');
}

/** The resistor from an amplifier's output to its inverting input for a gain above 1, in Ω. */
export const gainUpperOhms = (gain: number) => Math.min(MAX_UPPER_OHMS, GAIN_OHMS * (gain - 1));

/** The gain that such a resistor makes, above 1: the one to 0 V stays as it is. @param gain before */
export const gainOf = (upperOhms: number, gain: number): number =>
  1 + (upperOhms * (gain - 1)) / gainUpperOhms(gain);

/** The two resistors of a trigger, in Ω. */
export function triggerOhms(triggerVolts: number, supplyVolts: number): { upper: number; lower: number } {
  const share = Math.min(MAX_TRIGGER_SHARE, triggerVolts / supplyVolts);
  const upper = Math.min(MAX_UPPER_OHMS, (TRIGGER_OHMS * (1 - share)) / share);
  return { upper, lower: (upper * share) / (1 - share) };
}

/** The trigger that another upper resistor makes, in V. @param triggerVolts before */
export function triggerOf(upperOhms: number, triggerVolts: number, supplyVolts: number): number {
  const { lower } = triggerOhms(triggerVolts, supplyVolts);
  return (supplyVolts * lower) / (lower + upperOhms);
}

/** What a drawer makes farther off than this is not what was asked for, as a ratio. */
const STILL_MEANT = 1.35;

/** What resistors in stock make of a figure, where that is still what was meant and within its limits; else the figure as it was. */
const orAsMeant = (
  meant: number,
  made: number,
  { min, max }: { readonly min: number; readonly max: number },
) => (made >= min && made <= max && Math.abs(Math.log(made / meant)) <= Math.log(STILL_MEANT) ? made : meant);

/** The same with a gain and a trigger that resistors in stock make, nearest to those that are asked for. */
export function ofStock(settings: ChangeSettings, supplyVolts: number, stock: ResistorStock): ChangeSettings {
  const { gain, triggerVolts } = settings;
  const made = {
    gain: gain <= 1 ? gain : gainOf(nearestOhms(stock, gainUpperOhms(gain)), gain),
    triggerVolts: triggerOf(
      nearestOhms(stock, triggerOhms(triggerVolts, supplyVolts).upper),
      triggerVolts,
      supplyVolts,
    ),
  };
  return {
    ...settings,
    gain: orAsMeant(gain, made.gain, CHANGE_LIMITS.gain),
    triggerVolts: orAsMeant(triggerVolts, made.triggerVolts, CHANGE_LIMITS.triggerVolts),
  };
}

/** A non-inverting amplifier from `change` to `amplified`: its gain is 1 + upper/lower; with a gain of 1 it follows. */
function amplifierDrafts(gain: number, supplyVolts: number): readonly Draft[] {
  const model = amplifierFor(supplyVolts);
  const units = (minus: string) => [{ key: 'amplifier', plus: 'change', minus, out: 'amplified' }];
  if (gain <= 1) return comparators(model, units('amplified'), { role: 'amplifier' });
  const upper = gainUpperOhms(gain);
  return [
    ...comparators(model, units('inverting'), { role: 'amplifier' }),
    resistor('gain-upper', 'amplified', 'inverting', upper),
    resistor('gain-lower', 'inverting', GROUND, upper / (gain - 1)),
  ];
}

/**
 * A change detector in steady light: the coupling capacitor passes nothing, so that it is quiet whatever the light; it fires
 * for a moment only. The comparator fires when the midpoint jumps up: on dimming with the LDR below, on brightening with it above.
 */
export function changeCircuit(
  settings: ChangeSettings,
  { ldrSide, supplyVolts, onLevel }: DetectorContext,
): DetectorCircuit {
  const { part, biasOhms, triggerVolts, farads, gain } = settings;
  const firesOnDimming = ldrSide === 'bottom';
  const trigger = triggerOhms(triggerVolts, supplyVolts);
  // In steady light it never leaves quiet: a condition that always holds on quiet's side.
  const trip = { plus: GROUND, minus: GROUND, share: 0, offsetVolts: firesOnDimming ? 1 : -1 };
  // Quiet, what is amplified is below the reference: the output is high then where that keeps the load off.
  const inputs =
    onLevel === 'high' ? { plus: 'amplified', minus: 'ref' } : { plus: 'ref', minus: 'amplified' };
  const levels = firesOnDimming ? [onLevel, otherLevel[onLevel]] : [otherLevel[onLevel], onLevel];
  return {
    drafts: [
      capacitor('coupling', 'mid', 'change', farads),
      resistor('bias', 'change', GROUND, biasOhms),
      ...amplifierDrafts(gain, supplyVolts),
      resistor('reference-upper', 'supply', 'ref', trigger.upper),
      resistor('reference-lower', 'ref', GROUND, trigger.lower),
      ...comparators(part, [{ key: 'detector', ...inputs, out: 'out' }]),
      ...(part.kind === 'open-collector' ? [resistor('pull-up', 'supply', 'out', PULL_UP_OHMS)] : []),
    ],
    switching: {
      out: 'out',
      states: levels.map((level) => ({ detector: level, amplifier: 'low' })),
      levels,
      boundaries: [{ sense: 1, rising: trip, falling: trip }],
      hears: {
        amplifier: {
          ...{ key: 'amplifier', plus: 'change', top: 'supply' },
          minus: gain <= 1 ? 'amplified' : 'inverting',
        },
        trip: { plus: 'amplified', minus: 'ref', share: 1, offsetVolts: 0 },
        fired: firesOnDimming ? 0 : 1,
      },
    },
  };
}
