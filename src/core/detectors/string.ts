import { bisectLeft } from 'd3-array';
import { ldrLuxAt } from '../ldr/curve';
import type { ComparatorModel } from '../parts/kinds/comparator';
import type { Ok, Refused } from '../result';
import type { Limits } from '../schema';
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
  | Ok<{ readonly choice: StringChoice }>
  | Refused<'empty-stock' | 'out-of-reach' | 'not-converged'>;

/** What one tap of a string is for. */
export interface Tap {
  /** The light at which it should be passed. */
  readonly lux: number;
  /** Where a string of so many Ω in all, with nothing at its taps, should have it, in V. */
  readonly voltsFor: (totalOhms: number) => number;
  /** The midpoint's voltage at which it is passed where such a string by itself has it at so many V. */
  readonly midVoltsAt: (volts: number, totalOhms: number) => number;
}

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
  part: Pick<ComparatorModel, 'biasAmps'>,
  bench: Bench,
  lights: readonly number[],
): StringSearch {
  const taps = lights.flatMap((lux): readonly Tap[] => {
    const volts = bench.voltsAt('mid', lux, 0);
    return volts === null ? [] : [{ lux, voltsFor: () => volts, midVoltsAt: (own) => own }];
  });
  return taps.length < lights.length ? { ok: false, reason: 'not-converged' } : stringWith(part, bench, taps);
}

/**
 * The string that has its taps at wanted voltages, of the values in stock.
 * @param taps any order
 * @param totals between which its total is to be, in Ω
 */
export function stringWith(
  { biasAmps }: Pick<ComparatorModel, 'biasAmps'>,
  bench: Bench,
  taps: readonly Tap[],
  totals: Limits = TOTALS,
): StringSearch {
  const { supplyVolts } = bench.divider;
  const values = valuesIn(bench.stock);
  if (values.length === 0) return { ok: false, reason: 'empty-stock' };
  const falling = [...taps].sort((one, other) => other.voltsFor(TOTALS.min) - one.voltsFor(TOTALS.min));
  const sharesFor = (total: number) => {
    const ends = [supplyVolts, ...falling.map(({ voltsFor }) => voltsFor(total)), 0];
    const shares = ends.slice(1).map((volts, index) => ((ends[index] ?? 0) - volts) / supplyVolts);
    return shares.every((share) => share >= MIN_SHARE) ? shares : null;
  };
  const max = supplyVolts / (BIAS_TIMES * Math.max(1e-9, Math.abs(biasAmps) * 2 * taps.length));
  let best: (StringChoice & { readonly shares: readonly number[] }) | null = null;
  for (let step = 0; step < TOTALS.count; step++) {
    const total = TOTALS.min * (TOTALS.max / TOTALS.min) ** (step / (TOTALS.count - 1));
    if (total > max) break;
    if (total < totals.min || total > totals.max) continue;
    const shares = sharesFor(total);
    if (!shares) continue;
    const ohms = shares.map((share) => nearestValue(values, share * total));
    const error = errorOf(bench, ohms, falling);
    if (!best || error < best.error - 0.002) best = { ohms, error, shares };
  }
  if (!best) return { ok: false, reason: 'out-of-reach' };
  const { ohms, error } = best;
  const choice = { ohms, error };
  return { ok: true, choice: bench.stock.pairs ? paired(bench, choice, best.shares, falling) : choice };
}

/** The same total with two resistors for one where that comes nearer. */
function paired(
  bench: Bench,
  single: StringChoice,
  shares: readonly number[],
  falling: readonly Tap[],
): StringChoice {
  const total = single.ohms.reduce((sum, each) => sum + each, 0);
  const ohms = shares.map((share) => nearestOhms(bench.stock, share * total));
  const error = errorOf(bench, ohms, falling);
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
function errorOf({ divider, curve }: Bench, ohms: readonly number[], falling: readonly Tap[]): number {
  const total = ohms.reduce((sum, each) => sum + each, 0);
  let below = total;
  const errors = falling.map(({ lux, midVoltsAt }, index) => {
    below -= ohms[index] ?? 0;
    const ldrOhms = ldrOhmsAtMid(divider, midVoltsAt((divider.supplyVolts * below) / total, total));
    const found = (ldrOhms !== null && ldrLuxAt(curve, ldrOhms)) || NaN;
    return Math.abs(Math.log(found / lux));
  });
  return errors.some(Number.isNaN) ? Infinity : Math.max(...errors);
}

/** What a string by itself has at each tap, in V, from the upper one down. @param ohms from the supply down */
export function tapVolts(ohms: readonly number[], supplyVolts: number): readonly number[] {
  const total = ohms.reduce((sum, each) => sum + each, 0);
  let below = total;
  return ohms.slice(0, -1).map((each) => (supplyVolts * (below -= each)) / total);
}
