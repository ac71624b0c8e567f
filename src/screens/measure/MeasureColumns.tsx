'use client';

import { Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { fileTaker } from '@/ui/keeping/fileTaker';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import styles from './MeasureColumns.module.css';
import { CsvModal } from './csv/CsvModal';
import { SavedLdrsView } from './saved/SavedLdrsView';
import { HandView } from './hand/HandView';
import { LadderView } from './ladder/LadderView';
import { LiveView } from './live/LiveView';
import { LogView } from './log/LogView';
import type { MeasureViewProps } from './measureView';
import { measureViews, useMeasureView, type MeasureView } from './useMeasureView';
import { measureWords } from '@/ui/words/panels/measure';

const names: Readonly<Record<MeasureView, string>> = {
  hand: 'By hand',
  ladder: 'Ladder',
  live: 'Live',
  log: 'Time log',
  saved: 'Saved LDRs',
};

const views = { hand: HandView, ladder: LadderView, live: LiveView, log: LogView, saved: SavedLdrsView };

/** Step 1: readings in, a curve out; in whichever way they come. */
export function MeasureColumns({ id, design, onGo }: MeasureViewProps & { readonly id: string }) {
  const [view, goTo] = useMeasureView(id);
  const View = views[view];
  const [dropped, setDropped] = useState<File | null>(null);
  useEffect(() => {
    fileTaker.setState({ takeCsv: setDropped });
    return () => fileTaker.setState({ takeCsv: null });
  }, []);
  return (
    <div className={styles.measure}>
      {dropped && (
        <CsvModal
          file={dropped}
          target={view === 'log' ? 'log' : 'readings'}
          onClose={() => setDropped(null)}
        />
      )}
      <Segmented
        aria-label={measureWords.waysOfMeasuring}
        className={styles.views}
        value={view}
        options={measureViews.map((value) => ({ value, label: names[value] }))}
        onChange={goTo}
      />
      <PanelBoundary key={view} name="This way of measuring">
        <View design={design} onGo={onGo} />
      </PanelBoundary>
    </div>
  );
}
