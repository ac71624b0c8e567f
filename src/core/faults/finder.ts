import { keyOf, type ListedFault } from './fault';
import { groupsOf, rankedGroups, type FaultGroup } from './groups';
import { asFound, confirmingProbes, misfits } from './makingSure';
import { rankedProbes, type ProbeValue } from './nextProbe';
import { likelyPairs } from './pairs';
import { posteriorOf, type Posterior, type Table } from './posterior';
import { probesOf, type TestBench } from './predict';
import { rowOf, type FaultRow } from './row';
import { isByRatio, probeKey, type Answer, type Probe } from './probe';

/** A likely fault is a diagnosis from this share on. */
export const SURE = 0.9;
/** Where no single fault fits so well that something else has less than this left, two at once are tried. */
const TRY_PAIRS = 0.05;
/** A probe that would bring less than this is not worth its while, in bits. */
const WORTH_BITS = 0.015;

export interface Diagnosis {
  readonly groups: readonly FaultGroup[];
  /** What to do next, the best first: to find it, or where that is as good as done, to make sure. Empty where nothing more would tell anything. */
  readonly next: readonly ProbeValue[];
  /** The likeliest group is as good as sure. */
  readonly isSure: boolean;
  /** What a probe should find if the likeliest is what is wrong, on an answer's own scale; `null` where there is no telling. */
  readonly expected: (probe: Probe) => number | null;
  readonly posterior: Posterior;
}

/** A table with the faults that no measurement tells apart. */
export interface Finder {
  readonly table: Table;
  readonly group: Int32Array;
  /** What every probe finds for pairs that were tried, by their keys. */
  readonly pairRows: Map<string, FaultRow>;
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
  return finderFrom({ bench, faults, probes, rows });
}

/** The same where the rows are solved already. */
export const finderFrom = (table: Table): Finder => ({ table, group: groupsOf(table), pairRows: new Map() });

/**
 * What is wrong, as far as what was found tells, and what to do next.
 * @param found in the order in which it was; of one probe made twice both
 */
export function diagnose(finder: Finder, found: readonly Answer[]): Diagnosis {
  const answers = asFound(finder.table.bench, found);
  const singles = posteriorOf(finder.table, answers);
  const unlisted = finder.table.faults.findIndex(({ fault }) => fault.kind === 'unlisted');
  const fitsNone = answers.length > 1 && (singles.shares[unlisted] ?? 0) > TRY_PAIRS;
  const { table, group } = fitsNone ? withPairs(finder, answers) : finder;
  const posterior = fitsNone ? posteriorOf(table, answers) : singles;
  const groups = rankedGroups(table, group, posterior);
  const isSure = (groups[0]?.share ?? 0) >= SURE;
  const isNamed = groups[0]?.members[0]?.fault.fault.kind !== 'unlisted';
  const ranked =
    isSure && isNamed
      ? confirmingProbes(table, group, posterior, answers)
      : rankedProbes(table, group, posterior, answers);
  return {
    groups,
    next: [
      ...misfits(table, groups[0], answers).map((probe) => ({ probe, bits: 1, perEffort: 1, isAgain: true })),
      ...ranked.filter(({ bits }) => bits > WORTH_BITS),
    ],
    isSure,
    expected: (probe) => expectedOf(table, groups[0], probe),
    posterior,
  };
}

function expectedOf(
  { faults, rows, probes }: Table,
  top: FaultGroup | undefined,
  probe: Probe,
): number | null {
  const key = top && keyOf(top.members[0]?.fault.fault ?? { kind: 'unlisted' });
  const row = rows[faults.findIndex(({ fault }) => keyOf(fault) === key)];
  const index = probes.findIndex((each) => probeKey(each) === probeKey(probe));
  const nominal = row?.[index]?.[0] ?? NaN;
  if (Number.isNaN(nominal)) return null;
  if (isByRatio(probe)) return Math.exp(nominal);
  // A look finds it as it should be, or not.
  return probe.kind === 'look' ? (nominal > 0.5 ? 0 : 1) : nominal;
}

/** The same with pairs of faults that may fit what was found. */
function withPairs({ table, group, pairRows }: Finder, answers: readonly Answer[]): Omit<Finder, 'pairRows'> {
  const pairs = likelyPairs(table, group, answers);
  const rows = pairs.map((pair) => {
    const key = keyOf(pair.fault);
    const row = pairRows.get(key) ?? rowOf(table.bench, pair, table.probes);
    pairRows.set(key, row);
    return row;
  });
  const own = groupsOf({ ...table, faults: pairs, rows });
  const count = group.length;
  return {
    table: { ...table, faults: [...table.faults, ...pairs], rows: [...table.rows, ...rows] },
    group: Int32Array.from([...group, ...own.map((number) => number + count)]),
  };
}
