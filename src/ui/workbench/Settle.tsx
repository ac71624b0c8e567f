'use client';

import { memo, type ComponentType } from 'react';
import { useStore } from 'zustand';
import type { Design } from '@/core/design/analysis';
import { analysisOf } from './analysisCache';
import { SettledContext, useWorkbench } from './context';

interface SettleProps {
  readonly panel: ComponentType<{ readonly design: Design }>;
}

/**
 * A panel that is not drawn anew with every step of a held key, but when the run is over: large tables, and what takes many
 * solves. Within it the project is the one that stands still.
 */
export const Settle = memo(function Settle({ panel: Panel }: SettleProps) {
  const project = useStore(useWorkbench().settled);
  const analysis = analysisOf(project);
  if (!analysis.ok) return null;
  return (
    <SettledContext value={project}>
      <Panel design={analysis.design} />
    </SettledContext>
  );
});
