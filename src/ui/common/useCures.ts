import { useEffect, useRef, useState } from 'react';
import type { Project } from '@/core/project/project';
import { curesClient } from '@/workers/cures/client';
import { useWorkbench } from '../workbench/context';
import type { CuresAnswer } from '@/workers/cures/compute';

/** What changes again within so long, in ms, is left to come to rest before cures are looked for: while a key is held none are. */
const REST_MILLISECONDS = 120;

/** What was found for a design, or that looking for it failed. */
interface Kept {
  readonly of: Project;
  readonly answer: CuresAnswer | 'failed';
}

/**
 * Corners of a design and what cures its findings, found beside the page: `null` while it is looked for. One search at a time; the design as
 * it is then comes next.
 */
export function useCures(project: Project): CuresAnswer | 'failed' | null {
  const { view } = useWorkbench();
  const [kept, setKept] = useState<Kept | null>(null);
  const wanted = useRef<Project | null>(null);
  const isBusy = useRef(false);
  const changedAt = useRef<number | null>(null);
  useEffect(() => {
    const search = async () => {
      if (isBusy.current) return;
      isBusy.current = true;
      for (let next = wanted.current; next; next = wanted.current) {
        wanted.current = null;
        const of = next;
        const tell = (answer: Kept['answer']) => {
          setKept({ of, answer });
          view.setState({ corners: { of, advice: answer === 'failed' ? [] : answer.corners } });
        };
        const outcome = await curesClient.run(of, { onSofar: tell });
        tell(outcome.ok ? outcome.output : 'failed');
      }
      isBusy.current = false;
    };
    // A single change is looked into at once; a page that has just opened is drawn first.
    const isSingle = changedAt.current !== null && performance.now() - changedAt.current > REST_MILLISECONDS;
    changedAt.current = performance.now();
    // What was to come next has changed since.
    wanted.current = null;
    const begin = () => {
      wanted.current = project;
      void search();
    };
    const timer = setTimeout(begin, isSingle ? 0 : REST_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [project, view]);
  return kept?.of === project ? kept.answer : null;
}
