import { PAIR_PRIOR, partsAt, type ListedFault, type SingleFault } from './fault';
import { fitOf, type Table } from './posterior';
import type { Answer } from './probe';

/** So many pairs are solved: those that may fit best. */
const MOST = 32;
/** Singles less likely than this before anything is known make no pair. */
const LEAST_PRIOR = 2e-4;

/**
 * Pairs of faults that may fit what was found, each with how likely it is before that. Whatever two faults do, at most points
 * one of them does it alone: a pair promises as much as, finding by finding, the better of its two does.
 *
 * @param group a group's number for each fault: one stands for all that no measurement tells apart
 */
export function likelyPairs(
  table: Table,
  group: Int32Array,
  answers: readonly Answer[],
): readonly ListedFault[] {
  const singles = singlesOf(table, group);
  const fits = singles.map(({ at }) => fitOf(table, at, answers));
  const best: { readonly promise: number; readonly one: Single; readonly other: Single }[] = [];
  for (const [first, one] of singles.entries())
    for (let second = first + 1; second < singles.length; second++) {
      const other = singles[second];
      if (!other || one.parts.some((part) => other.parts.includes(part))) continue;
      let promise = Math.log(one.prior * other.prior);
      const [own, its] = [fits[first], fits[second]];
      answers.forEach((_, index) => {
        promise += Math.max(own?.[index] ?? 0, its?.[index] ?? 0);
      });
      const last = best[MOST - 1];
      if (last && last.promise >= promise) continue;
      const place = best.findIndex((each) => each.promise < promise);
      best.splice(place < 0 ? best.length : place, 0, { promise, one, other });
      best.length = Math.min(best.length, MOST);
    }
  return best.map(({ one, other }) => ({
    fault: { kind: 'pair', faults: [one.fault, other.fault] },
    prior: 2 * PAIR_PRIOR * one.prior * other.prior,
    byCause: {},
  }));
}

interface Single {
  readonly at: number;
  readonly fault: SingleFault;
  readonly parts: readonly string[];
  /** Of all that no measurement tells from it. */
  readonly prior: number;
}

/** One fault of each group, the likeliest. */
function singlesOf({ faults }: Table, group: Int32Array): readonly Single[] {
  const byGroup = new Map<number, Single>();
  faults.forEach(({ fault, prior }, at) => {
    if (fault.kind === 'healthy' || fault.kind === 'unlisted' || fault.kind === 'pair') return;
    const number = group[at] ?? at;
    const before = byGroup.get(number);
    const likeliest = before && (faults[before.at]?.prior ?? 0) >= prior ? before : null;
    byGroup.set(number, {
      at: likeliest?.at ?? at,
      fault: likeliest?.fault ?? fault,
      parts: likeliest?.parts ?? partsAt(fault),
      prior: (before?.prior ?? 0) + prior,
    });
  });
  return [...byGroup.values()].filter(({ prior }) => prior > LEAST_PRIOR);
}
