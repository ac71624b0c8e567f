'use client';

import { AxisPanel } from '@/ui/axis/AxisPanel';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { useLiveState } from '@/ui/live/context';
import { CurvePanel } from '../hand/CurvePanel';
import { FlagList } from '../hand/FlagList';
import type { MeasureViewProps } from '../measureView';
import { BenchPanel } from './BenchPanel';
import { FigurePanel } from './FigurePanel';
import { HandsFreePanel } from './HandsFreePanel';
import { PracticePanel } from './PracticePanel';
import { SourcePanel } from './SourcePanel';
import { measureWords } from '@/ui/words/panels/measure';

/** A meter that talks: its figure large enough for two metres, and one key that takes it. */
export function LiveView({ design }: MeasureViewProps) {
  const isBench = useLiveState(({ kind, state }) => kind === 'bench' && state !== 'closed');
  return (
    <Columns
      left={
        <>
          <SourcePanel />
          {isBench && <BenchPanel />}
          {isBench && <PracticePanel />}
          {design.judgement.flags.length > 0 && (
            <Panel title={measureWords.readingsWorthA}>
              <FlagList design={design} />
            </Panel>
          )}
          <CurvePanel design={design} />
        </>
      }
      right={
        <>
          <PanelBoundary name="The live figure">
            <FigurePanel />
          </PanelBoundary>
          <PanelBoundary name="Hands free">
            <HandsFreePanel />
          </PanelBoundary>
          <PanelBoundary name="The light axis">
            <AxisPanel design={design} step="measure" />
          </PanelBoundary>
        </>
      }
    />
  );
}
