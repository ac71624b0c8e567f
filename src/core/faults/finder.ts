import type { ListedFault } from './fault';
import { groupsOf, rankedGroups, type FaultGroup } from './groups';
import { rankedProbes, type ProbeValue } from './nextProbe';
import { posteriorOf, type Posterior, type Table } from './posterior';
import { probesOf, rowOf, type TestBench } from './predict';
import type { Answer } from './probe';

/** A likely fault is a diagnosis from this share on. */
export const SURE = 0.9;
/** A probe that would bring less than this is not worth its while, in bits. */
const WORTH_BITS = 0.015;

export interface Diagnosis {
  readonly groups: readonly FaultGroup[];
  /** What to do next, the best first; empty where nothing more would tell anything. */
  readonly next: readonly ProbeValue[];
  /** The likeliest group is as good as sure. */
  readonly isSure: boolean;
  readonly posterior: Posterior;
}

/** A table with the faults that no measurement tells apart. */
export interface Finder {
  readonly table: Table;
  readonly group: Int32Array;
}

/** Solves a circuit with every fault of a list in it. @param onProgress 0–1 */
export function finderOf(
  bench: TestBench,
  faults: readonly ListedFault[],
  onProgress: (share: number) => void = () => undefined,
): Finder {
  const probes = probesOf(bench, faults);
  const rows = faults.map((listed, at) => {
    if (at % 8 === 0) onProgress(at / faults.length);
    return listed.fault.kind === 'unlisted' ? null : rowOf(bench, listed, probes);
  });
  const table: Table = { bench, faults, probes, rows };
  return { table, group: groupsOf(table) };
}

/** What is wrong, as far as what was found tells, and what to do next. */
export function diagnose({ table, group }: Finder, answers: readonly Answer[]): Diagnosis {
  const posterior = posteriorOf(table, answers);
  const groups = rankedGroups(table, group, posterior);
  const next = rankedProbes(table, group, posterior, answers).filter(({ bits }) => bits > WORTH_BITS);
  return { groups, next, isSure: (groups[0]?.share ?? 0) >= SURE, posterior };
}
