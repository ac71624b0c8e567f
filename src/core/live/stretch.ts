import { indexAt } from './decimate';

/** What a stretch of a log reads. */
export interface Stretch {
  /** The middle figure, in Ω; where most of it was over range, the limit. */
  readonly ohms: number;
  readonly above: boolean;
  /** How far the figures moved in it: standard deviation of ln R. */
  readonly std: number;
  readonly count: number;
}

/** The figures of a log between two times taken together as one; `null` without any. @param from, to in ms since 1970 */
export function stretchOf(
  { at, ohms, above }: { readonly at: Float64Array; readonly ohms: Float64Array; readonly above: Uint8Array },
  from: number,
  to: number,
): Stretch | null {
  const [first, last] = [indexAt(at, from), Math.max(indexAt(at, from) + 1, indexAt(at, to + 1e-6))];
  const figures: number[] = [];
  const limits: number[] = [];
  for (let i = first; i < Math.min(last, at.length); i++) (above[i] === 1 ? limits : figures).push(ohms[i]!);
  const count = figures.length + limits.length;
  if (count === 0) return null;
  if (limits.length > figures.length) return { ohms: Math.min(...limits), above: true, std: 0, count };
  const logs = figures.map((value) => Math.log(value)).sort((one, other) => one - other);
  const middle = logs[Math.floor(logs.length / 2)]!;
  const squares = logs.reduce((total, ln) => total + (ln - middle) ** 2, 0);
  return {
    ohms: Number(Math.exp(middle).toPrecision(6)),
    above: false,
    std: logs.length > 1 ? Math.sqrt(squares / (logs.length - 1)) : 0,
    count,
  };
}
