import type { Ok, Refused } from '../result';
import { exactly, flag, listOf, oneOf, within, type Infer } from '../schema';
import { seriesNames, seriesValues, defaultTolerance, type SeriesName } from './series';

/** What resistors in stock may be. */
export const STOCK_LIMITS = {
  ohms: { min: 1, max: 1e8 },
  trackOhms: { min: 10, max: 1e7 },
  tolerance: { min: 0, max: 0.5 },
  resistors: 400,
  trimmers: 60,
} as const;

export const stockField = exactly({
  /** A preferred series, whole; or the owner's own list. */
  series: oneOf<SeriesName | 'own'>(...seriesNames, 'own'),
  /** The own list, in Ω. */
  ownOhms: listOf(within(STOCK_LIMITS.ohms), { max: STOCK_LIMITS.resistors }),
  /** Tolerance of the own ones, as a share. */
  ownTolerance: within(STOCK_LIMITS.tolerance),
  /** Tracks of the trimmers at hand, in Ω. */
  trimmerOhms: listOf(within(STOCK_LIMITS.trackOhms), { max: STOCK_LIMITS.trimmers }),
  /** Whether two resistors may stand for one. */
  pairs: flag(),
});

/** What resistors are in stock. */
export type ResistorStock = Infer<typeof stockField>;

/** What is taken until someone says what is in theirs. */
export const DEFAULT_STOCK: ResistorStock = {
  series: 'E12',
  ownOhms: [],
  ownTolerance: 0.05,
  trimmerOhms: [1000, 5000, 10_000, 25_000, 50_000, 100_000, 250_000, 500_000, 1_000_000],
  pairs: false,
};

/** Resistors that are offered for a divider, in Ω: what people have. */
export const OFFERED_OHMS = { min: 10, max: 1e7 } as const;

/** One resistor, or two that stand for one. */
export interface Combination {
  readonly ohms: number;
  readonly how: 'single' | 'series' | 'parallel';
  /** The values of its one or two resistors, the larger first. */
  readonly parts: readonly number[];
}

/** Every value in stock between 10 Ω and 10 MΩ, rising. */
export function valuesIn({ series, ownOhms }: ResistorStock): readonly number[] {
  if (series === 'own') return [...new Set(ownOhms)].sort((one, other) => one - other);
  const known = wholeSeries.get(series);
  if (known) return known;
  const decades = [1, 2, 3, 4, 5, 6];
  const all = decades.flatMap((decade) => seriesValues[series].map((digit) => Number(`${digit}e${decade}`)));
  const values = [...all, OFFERED_OHMS.max];
  wholeSeries.set(series, values);
  return values;
}

const wholeSeries = new Map<SeriesName, readonly number[]>();

/** Tolerance of resistors in stock, as a share. */
export function toleranceOf({ series, ownTolerance }: ResistorStock): number {
  return series === 'own' ? ownTolerance : defaultTolerance[series];
}

/**
 * The ways in which a stock comes near a value, the lower ones and the higher ones alternating outward: the single ones
 * on either side, and where pairs are allowed the best two of those nearer than any single.
 * @param ohms above 0
 * @returns rising by value; `empty-stock` where there is none
 */
export function nearestIn(
  stock: ResistorStock,
  ohms: number,
): Ok<{ found: readonly Combination[] }> | Refused<'empty-stock'> {
  const values = valuesIn(stock);
  if (values.length === 0) return { ok: false, reason: 'empty-stock' };
  const above = values.find((value) => value >= ohms * (1 - 1e-9));
  const below = values.findLast((value) => value <= ohms * (1 + 1e-9));
  const singles = [...new Set([below, above])].filter((value) => value !== undefined);
  const nearest = Math.min(...singles.map((value) => offBy(value, ohms)));
  const found: Combination[] = singles.map((value) => ({ ohms: value, how: 'single', parts: [value] }));
  if (stock.pairs && nearest > 1e-3) found.push(...bestPairs(values, ohms, nearest).slice(0, 2));
  return { ok: true, found: found.sort((one, other) => one.ohms - other.ohms) };
}

/**
 * The combination out of stock that comes nearest to a value from above, or is it: for resistors that keep a current down.
 * @returns `null` where nothing in stock is as large
 * @example atOrAbove({ series: 'E12', ownOhms: [], ownTolerance: 0.05, trimmerOhms: [], pairs: false }, 306)?.ohms // 330
 */
export function atOrAbove(stock: ResistorStock, ohms: number): Combination | null {
  const nearest = nearestIn(stock, ohms);
  if (!nearest.ok) return null;
  return nearest.found.find((candidate) => candidate.ohms >= ohms * (1 - 1e-9)) ?? null;
}

/** What is in stock nearest to a value by ratio, in Ω; the value itself, to three digits, from an empty one. */
export function nearestOhms(stock: ResistorStock, ohms: number): number {
  const nearest = nearestIn(stock, ohms);
  if (!nearest.ok) return Number(ohms.toPrecision(3));
  return nearest.found.reduce((best, entry) =>
    offBy(entry.ohms, ohms) < offBy(best.ohms, ohms) ? entry : best,
  ).ohms;
}

const offBy = (value: number, ohms: number) => Math.abs(Math.log(value / ohms));

/** Pairs nearer than `worst`, nearest first: for each resistor the one that fits it best, in series and in parallel. */
function bestPairs(values: readonly number[], ohms: number, worst: number): readonly Combination[] {
  const pairs = values.flatMap((first): Combination[] => {
    const found: Combination[] = [];
    if (first < ohms) {
      const second = closest(values, ohms - first);
      if (second <= first) found.push({ ohms: first + second, how: 'series', parts: [first, second] });
    }
    if (first > ohms) {
      const second = closest(values, 1 / (1 / ohms - 1 / first));
      if (second <= first) {
        found.push({ ohms: 1 / (1 / first + 1 / second), how: 'parallel', parts: [first, second] });
      }
    }
    return found;
  });
  return pairs
    .filter((pair) => offBy(pair.ohms, ohms) < worst * 0.98)
    .sort((one, other) => offBy(one.ohms, ohms) - offBy(other.ohms, ohms));
}

function closest(values: readonly number[], wanted: number): number {
  return values.reduce((best, value) => (Math.abs(value - wanted) < Math.abs(best - wanted) ? value : best));
}

/**
 * The value so many places further along a list: a decade box turned by hand. From between two values, one step goes to
 * the next on that side.
 * @param values rising, at least one
 * @param steps whole, positive for up
 */
export function stepIn(values: readonly number[], ohms: number, steps: number): number {
  const at = values.findIndex((value) => value >= ohms * (1 - 1e-9));
  const isOn = at >= 0 && Math.abs(Math.log((values[at] ?? 1) / ohms)) < 1e-9;
  const from = at < 0 ? values.length : at;
  const target = steps > 0 ? from + steps - (isOn ? 0 : 1) : from + steps;
  return values[Math.min(values.length - 1, Math.max(0, target))] ?? ohms;
}
