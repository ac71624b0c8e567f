import { usePathname } from 'next/navigation';
import { useCallback } from 'react';

/** The ways of measuring, each with an address of its own below the step. */
export const measureViews = ['hand', 'ladder', 'live', 'log', 'saved'] as const;
export type MeasureView = (typeof measureViews)[number];

/** The way of measuring that the address names, and how to go to another without loading anything. */
export function useMeasureView(id: string): readonly [MeasureView, (view: MeasureView) => void] {
  const last = usePathname().split('/')[4];
  const view = measureViews.find((candidate) => candidate === last) ?? 'hand';
  const go = useCallback(
    (next: MeasureView) => {
      const tail = next === 'hand' ? '' : `/${next}`;
      window.history.pushState(null, '', `/project/${encodeURIComponent(id)}/measure${tail}`);
    },
    [id],
  );
  return [view, go];
}
