'use client';

import { useState } from 'react';
import { Columns } from '@/ui/common/Columns';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { useLive, useLiveState } from '@/ui/live/context';
import { useLogs } from '@/ui/live/useLogs';
import { BenchPanel } from '../live/BenchPanel';
import { SourcePanel } from '../live/SourcePanel';
import type { MeasureViewProps } from '../measureView';
import { LogList } from './LogList';
import { LogPicture } from './LogPicture';
import { RecordPanel } from './RecordPanel';

/** Resistance over time: dusk, a passing cloud; with marks, kept point by point. */
export function LogView(_: MeasureViewProps) {
  const { projectId } = useLive();
  const runningId = useLiveState((live) => live.log?.id ?? null);
  const isBench = useLiveState(({ kind, state }) => kind === 'bench' && state !== 'closed');
  const logs = useLogs(projectId);
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = chosen ?? runningId ?? logs[logs.length - 1]?.id ?? null;
  return (
    <Columns
      left={
        <>
          <SourcePanel />
          <RecordPanel onChange={setChosen} />
          <LogList logs={logs} shown={shown} onShow={setChosen} onChange={() => setChosen(null)} />
          {isBench && <BenchPanel />}
        </>
      }
      right={
        <PanelBoundary name="The time chart">
          <LogPicture key={shown ?? ''} id={shown} />
        </PanelBoundary>
      }
    />
  );
}
