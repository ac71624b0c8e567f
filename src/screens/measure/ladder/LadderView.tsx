'use client';

import { AxisPanel } from '@/ui/axis/AxisPanel';
import { Columns } from '@/ui/common/Columns';
import { Fact, Panel } from '@/ui/common/Panel';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import type { Design } from '@/core/design';
import { useProject } from '@/ui/workbench/context';
import { lux, percent } from '@/ui/words/figures';
import { lightText } from '@/ui/words/light';
import { CurvePanel } from '../hand/CurvePanel';
import { FlagList } from '../hand/FlagList';
import { MeterChoice } from '../hand/MeterChoice';
import type { MeasureViewProps } from '../measureView';
import { AnchorPanel } from './AnchorPanel';
import { PlanPanel } from './PlanPanel';
import { RungPanel } from './RungPanel';
import { measureWords } from '@/ui/words/panels/measure';

/** Light without a light meter: a lamp, a tape measure, and one rung after another. */
export function LadderView({ design }: MeasureViewProps) {
  const { plan } = useProject();
  return (
    <Columns
      left={
        <>
          <PlanPanel />
          <FoundPanel design={design} />
          <AnchorPanel design={design} />
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
          <Panel title={measureWords.rungByRung} aside={<MeterChoice />}>
            <RungPanel key={plan.length} design={design} />
          </Panel>
          <PanelBoundary name="The light axis">
            <AxisPanel design={design} step="measure" />
          </PanelBoundary>
        </>
      }
    />
  );
}

/** What the rungs together have told beside the curve: background, layers, the lamp itself. */
function FoundPanel({ design }: { readonly design: Design }) {
  const { background, layerShare, lampLux } = design.resolved;
  if (background === null && layerShare === null && lampLux === null) return null;
  return (
    <Panel title={measureWords.foundFromThe}>
      {background !== null && (
        <Fact
          name="Background"
          value={
            background === 0
              ? 'too little to read'
              : lampLux === null
                ? lightText('relative')(background)
                : lux(background * lampLux)
          }
          note={
            background === 0 ? undefined : lampLux === null ? 'of the lamp at 1 m' : 'left with the lamp off'
          }
        />
      )}
      {layerShare !== null && (
        <Fact name="One layer" value={percent(layerShare, 1)} note="of the light gets through" />
      )}
      {lampLux !== null && <Fact name="Lamp at 1 m" value={lux(lampLux)} note="by your lux reading" />}
    </Panel>
  );
}
