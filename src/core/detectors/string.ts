import { bisectLeft } from 'd3-array';
import { ldrLuxAt } from '../ldr/curve';
import type { ComparatorModel } from '../parts/kinds/comparator';
import type { Ok, Refused } from '../result';
import { nearestOhms, valuesIn } from '../series/stock';
import { ldrOhmsAtMid } from './bareDivider';
import type { DetectorBench } from './bench';

type Bench = Pick<DetectorBench<never>, 'divider' | 'curve' | 'stock' | 'voltsAt'>;

/** A string of real resistors whose taps are passed at wanted lights. */
export interface StringChoice {
  /** From the supply down; shape: lights + 1. */
  readonly ohms: readonly number[];
  /** The largest error of a tap, as ln of the ratio of lights. */
  readonly error: number;
}

export type StringSearch =
  Ok<{ readonly choice: StringChoice }> | Refused<'empty-stock' | 'out-of-reach' | 'not-converged'>;

/** Totals that are tried, in Ω. */
const TOTALS = { min: 10_000, max: 1_000_000, count: 160 } as const;
/** Taps nearer than this, as a share of the string, are one: an ohm in the largest total. */
const MIN_SHARE = 1e-6;
/** The string must carry so many times what all inputs take. */
const BIAS_TIMES = 20;

/**
 * The string that puts each of several lights at its own tap: the midpoint at each by the solved circuit, the differences as
 * shares of the string, and the total for which the values in stock come nearest.
 * @param lights any order
 */
export function stringFor(
  { biasAmps }: Pick<ComparatorModel, 'biasAmps'>,
  bench: Bench,
  lights: readonly number[],
): StringSearch {
  const { supplyVolts } = bench.divider;
  const volts = lights.map((lux) => bench.voltsAt('mid', lux, 0));
  if (volts.some((each) => each === null)) return { ok: false, reason: 'not-converged' };
  const values = valuesIn(bench.stock);
  if (values.length === 0) return { ok: false, reason: 'empty-stock' };
  const taps = volts.map((each) => (each ?? 0) / supplyVolts).sort((one, other) => other - one);
  const shares = [1, ...taps].map((tap, index) => tap - (taps[index] ?? 0));
  if (shares.some((share) => share < MIN_SHARE)) return { ok: false, reason: 'out-of-reach' };
  const max = supplyVolts / (BIAS_TIMES * Math.max(1e-9, Math.abs(biasAmps) * 2 * lights.length));
  let best: StringChoice | null = null;
  for (let step = 0; step < TOTALS.count; step++) {
    const total = TOTALS.min * (TOTALS.max / TOTALS.min) ** (step / (TOTALS.count - 1));
    if (total > max) break;
    const ohms = shares.map((share) => nearestValue(values, share * total));
    const error = errorOf(bench, ohms, lights);
    if (!best || error < best.error - 0.002) best = { ohms, error };
  }
  if (!best) return { ok: false, reason: 'out-of-reach' };
  return { ok: true, choice: bench.stock.pairs ? paired(bench, best, shares, lights) : best };
}

/** The same total with two resistors for one where that comes nearer. */
function paired(
  bench: Bench,
  single: StringChoice,
  shares: readonly number[],
  lights: readonly number[],
): StringChoice {
  const total = single.ohms.reduce((sum, each) => sum + each, 0);
  const ohms = shares.map((share) => nearestOhms(bench.stock, share * total));
  const error = errorOf(bench, ohms, lights);
  return error < single.error ? { ohms, error } : single;
}

/** The one of a rising list that is nearest by ratio. */
function nearestValue(values: readonly number[], ohms: number): number {
  const at = bisectLeft(values, ohms);
  const above = values[Math.min(at, values.length - 1)] ?? ohms;
  const below = values[Math.max(0, at - 1)] ?? ohms;
  return ohms / below < above / ohms ? below : above;
}

/** Each tap's light by the bare divider, against the wanted one: only the ratio of resistors counts. */
function errorOf({ divider, curve }: Bench, ohms: readonly number[], lights: readonly number[]): number {
  const total = ohms.reduce((sum, each) => sum + each, 0);
  let below = total;
  const found = ohms.slice(0, -1).map((each) => {
    below -= each;
    const ldrOhms = ldrOhmsAtMid(divider, (divider.supplyVolts * below) / total);
    return (ldrOhms !== null && ldrLuxAt(curve, ldrOhms)) || NaN;
  });
  const wanted = [...lights].sort((one, other) => one - other);
  found.sort((one, other) => one - other);
  const errors = found.map((lux, index) => Math.abs(Math.log(lux / (wanted[index] ?? lux))));
  return errors.some(Number.isNaN) ? Infinity : Math.max(...errors);
}
