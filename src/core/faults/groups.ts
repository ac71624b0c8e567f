import type { ListedFault } from './fault';
import type { Posterior, Table } from './posterior';
import { errorOf } from './predict';
import { type FaultRow } from './row';
import { scatterOf } from './scatter';

/** Faults that no measurement tells apart, with how likely they are together. */
export interface FaultGroup {
  /** The likeliest first. */
  readonly members: readonly { readonly fault: ListedFault; readonly share: number }[];
  readonly share: number;
}

/** Two that differ nowhere by more than so many deviations stand as one. */
const ALIKE = 2.5;

/** Puts faults together that every probe with a meter finds alike. Shape: a group's number for each fault. */
export function groupsOf(table: Table): Int32Array {
  const { faults, rows, probes, bench } = table;
  const measured = probes.flatMap(({ kind }, index) => (kind === 'look' || kind === 'amps' ? [] : [index]));
  const scatterAt = (row: FaultRow, index: number) => scatterOf(row[index] ?? new Float64Array(0))[0] ?? 0;
  const group = new Int32Array(faults.length).fill(-1);
  const isAlike = (one: number, other: number): boolean => {
    const [first, second] = [rows[one], rows[other]];
    if (!first || !second) return false;
    return measured.every((index) => {
      const probe = probes[index];
      const [a, b] = [first[index]?.[0] ?? NaN, second[index]?.[0] ?? NaN];
      if (!probe || (Number.isNaN(a) && Number.isNaN(b))) return true;
      if (Number.isNaN(a) || Number.isNaN(b)) return false;
      if (probe.kind === 'load') return a === b;
      const error = errorOf(bench, probe, a);
      if (Math.abs(a - b) < ALIKE * error) return true;
      const std = Math.hypot(error, 0.5 * scatterAt(first, index), 0.5 * scatterAt(second, index));
      return Math.abs(a - b) < ALIKE * std;
    });
  };
  for (let one = 0; one < faults.length; one++) {
    if (group[one]! >= 0) continue;
    group[one] = one;
    for (let other = one + 1; other < faults.length; other++)
      if (group[other]! < 0 && isAlike(one, other)) group[other] = one;
  }
  return group;
}

/** The groups by how likely they are; that it is none of them stands last where it is not the likeliest. */
export function rankedGroups(
  { faults }: Table,
  group: Int32Array,
  { shares }: Posterior,
): readonly FaultGroup[] {
  const byGroup = new Map<number, { fault: ListedFault; share: number }[]>();
  faults.forEach((fault, at) => {
    const number = group[at] ?? at;
    const list = byGroup.get(number) ?? [];
    list.push({ fault, share: shares[at] ?? 0 });
    byGroup.set(number, list);
  });
  const ranked = [...byGroup.values()]
    .map((members) => ({
      members: members.sort((a, b) => b.share - a.share),
      share: members.reduce((sum, { share }) => sum + share, 0),
    }))
    .sort((a, b) => b.share - a.share);
  const none = ranked.findIndex(isNone);
  return none > 0 ? [...ranked.filter((group) => !isNone(group)), ...ranked.slice(none, none + 1)] : ranked;
}

/** It is nothing that the list has. */
export const isNone = ({ members }: FaultGroup): boolean => members[0]?.fault.fault.kind === 'unlisted';

/** The first groups of a ranked list, and in any case that it is none of them. */
export function firstGroups(ranked: readonly FaultGroup[], count: number): readonly FaultGroup[] {
  if (ranked.length <= count) return ranked;
  const first = ranked.slice(0, count);
  return first.some(isNone) ? first : [...first.slice(0, count - 1), ...ranked.filter(isNone)];
}
