import { usePathname } from 'next/navigation';
import { useCallback } from 'react';
import type { Step } from '@/core/advise/advice';
import { steps } from '../chain/SignalChain';

/** The step that the address names, and how to go to another without loading anything. */
export function useStep(id: string): readonly [Step, (step: Step) => void] {
  const last = usePathname().split('/')[3];
  const step = steps.find((candidate) => candidate === last) ?? 'measure';
  const go = useCallback(
    (next: Step) => window.history.pushState(null, '', `/project/${encodeURIComponent(id)}/${next}`),
    [id],
  );
  return [step, go];
}
