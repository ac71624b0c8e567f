'use client';

import { memo, type ComponentType, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Design } from '@/core/design';
import { analysisOf } from './analysisCache';
import { PaceContext, StillContext, useWorkbench } from './context';

interface SettleProps {
  readonly panel: ComponentType<{ readonly design: Design }>;
}

/**
 * A panel that is not drawn anew with every step of a held key, but when the run is over: large tables, and what takes many
 * solves. Within it the project is the one that stands still.
 */
export const Settle = memo(function Settle({ panel: Panel }: SettleProps) {
  const { settled } = useWorkbench();
  const analysis = analysisOf(useStore(settled));
  if (!analysis.ok) return null;
  return (
    <StillContext value>
      <PaceContext value={settled}>
        <Panel design={analysis.design} />
      </PaceContext>
    </StillContext>
  );
});

/** What answers a held key itself: in the very frame of the key, while the rest of the screen follows in the next. */
export function AtOnce({ children }: { readonly children: ReactNode }) {
  return <PaceContext value={useWorkbench().present}>{children}</PaceContext>;
}
