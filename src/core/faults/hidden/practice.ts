import type { ListedFault } from '../fault';
import { drawnFault } from './search';
import type { Finder } from '../finder';

/** How hard a hidden fault is to find. */
export const practiceLevels = [1, 2, 3] as const;
export type PracticeLevel = (typeof practiceLevels)[number];

/** At the first level only what any look at the load betrays, and one of these kinds. */
const PLAIN_KINDS = ['open', 'reversed', 'supply', 'exchanged', 'no-common-ground', 'inputs'];
/** Faults of kinds that someone has had come so many times as often. */
const HAD_TIMES = 3;

/**
 * A fault to be hidden. First level: plain ones that stop the load; second: any; third: those with which the load does in every
 * light what it should, or what happens seldom.
 *
 * @param had kinds of fault that this user has had
 * @param uniform numbers from 0 up to 1
 */
export function hiddenFaultOf(
  { table }: Finder,
  level: PracticeLevel,
  had: ReadonlySet<string>,
  uniform: () => number,
): ListedFault | null {
  const { faults, rows, probes } = table;
  const loads = probes.flatMap(({ kind }, index) => (kind === 'load' ? [index] : []));
  const sound = rows[0];
  const betrays = (at: number) => loads.some((index) => rows[at]?.[index]?.[0] !== sound?.[index]?.[0]);
  const weighed = faults.map((listed) => ({
    ...listed,
    prior: listed.prior * (had.has(listed.fault.kind) ? HAD_TIMES : 1),
  }));
  const wanted = weighed.filter((listed, at) => {
    if (level === 1) return PLAIN_KINDS.includes(listed.fault.kind) && betrays(at);
    return level === 2 || !betrays(at);
  });
  return drawnFault(wanted, uniform) ?? drawnFault(weighed, uniform);
}
