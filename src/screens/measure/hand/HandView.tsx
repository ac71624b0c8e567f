'use client';

import { AxisPanel } from '@/ui/axis/AxisPanel';
import { Columns } from '@/ui/common/Columns';
import { NextStep } from '@/ui/common/NextStep';
import { Panel } from '@/ui/common/Panel';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { useProject } from '@/ui/workbench/context';
import type { MeasureViewProps } from '../measureView';
import { CurvePanel } from './CurvePanel';
import { FlagList } from './FlagList';
import { LightLdrNote } from './LightLdrNote';
import { MeterChoice } from './MeterChoice';
import { NextReadingNote } from './NextReadingNote';
import { PlanNote } from './PlanNote';
import { ReadingEntry } from './ReadingEntry';
import { ReadingsFile } from './ReadingsFile';
import { ReadingTable } from './ReadingTable';
import { measureWords } from '@/ui/words/panels/measure';

/** Readings typed one after another, beside the curve that they make. */
export function HandView({ design, onGo }: MeasureViewProps) {
  const { readings, plan } = useProject();
  return (
    <Columns
      left={
        <>
          <Panel title={measureWords.readings} aside={<MeterChoice />}>
            <ReadingEntry key={plan.length} />
            <LightLdrNote />
            <PlanNote />
            <FlagList design={design} />
            {readings.length > 0 && <ReadingTable design={design} />}
            <ReadingsFile />
          </Panel>
          <NextReadingNote />
          <CurvePanel design={design} />
          <NextStep step="divide" onGo={onGo} />
        </>
      }
      axis={
        <PanelBoundary name="The light axis">
          <AxisPanel design={design} step="measure" />
        </PanelBoundary>
      }
      right={null}
    />
  );
}
