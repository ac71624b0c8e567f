import { keyOf, type Fault, type ListedFault } from '../fault';
import { diagnose, type Diagnosis, type Finder } from '../finder';
import type { Answer, Probe } from '../probe';

/** How a search for a hidden fault went. */
export interface Search {
  readonly answers: readonly Answer[];
  readonly diagnosis: Diagnosis;
}

/** Follows what is proposed until it is as good as sure, nothing more would tell, or so many probes are made. */
export function searchFor(
  finder: Finder,
  hidden: { readonly answer: (probe: Probe) => Answer | null },
  most: number,
): Search {
  const answers: Answer[] = [];
  let diagnosis = diagnose(finder, answers);
  while (answers.length < most && !diagnosis.isSure) {
    const probe = diagnosis.next[0]?.probe;
    const answer = probe && hidden.answer(probe);
    if (!answer) break;
    answers.push(answer);
    diagnosis = diagnose(finder, answers);
  }
  return { answers, diagnosis };
}

/** At which place, from 1, a fault or its group stands; 0 where it stands nowhere. */
export function placeOf({ groups }: Diagnosis, fault: Fault): number {
  const key = keyOf(fault);
  return groups.findIndex(({ members }) => members.some((member) => keyOf(member.fault.fault) === key)) + 1;
}

/**
 * A fault of a list by chance, each as often as it happens.
 * @param uniform numbers from 0 up to 1
 * @returns `null` for a list with nothing wrong in it
 */
export function drawnFault(faults: readonly ListedFault[], uniform: () => number): ListedFault | null {
  const real = faults.filter(({ fault }) => fault.kind !== 'healthy' && fault.kind !== 'unlisted');
  let left = uniform() * real.reduce((sum, { prior }) => sum + prior, 0);
  return real.find(({ prior }) => (left -= prior) <= 0) ?? real[real.length - 1] ?? null;
}
