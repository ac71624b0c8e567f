'use client';

import { shortest } from '@/core/quantity/notation';
import { Choice } from '@/ui/fields/Choice';
import { memo } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { stageOf } from '@/core/detectors/stageOf';
import { ldrLimitsOf } from '@/core/analyse/ldrLimits';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { Action } from '@/core/drivers/kinds';
import { NextStep } from '@/ui/common/NextStep';
import { Fact, Panel } from '@/ui/common/Panel';
import { GoalFields } from '@/ui/fields/GoalFields';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { WarmestField } from '@/ui/fields/PlaceFields';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useProject, useProjectPart } from '@/ui/workbench/context';
import { Settle } from '@/ui/workbench/Settle';
import { actionText, thenPhrase } from '@/ui/words/goal';
import { sideNames } from '@/ui/words/names';
import { volts, watts } from '@/ui/words/figures';
import styles from './DividePanel.module.css';
import { FixedPanel } from './FixedPanel';
import { ResistorsPanel } from './ResistorsPanel';
import { TrimmerPanel } from './TrimmerPanel';
import { divideWords } from '@/ui/words/panels/divide';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

const sides = (['top', 'bottom'] as const).map((value) => ({ value, label: sideNames[value] }));

/** Step 2: the divider, and the fixed resistor that puts the switching point on the goal. */
export function DividePanel({ design, onGo }: StepPanelProps) {
  return (
    <>
      <DividerPanel action={design.action} />
      <FixedPanel />
      <Settle panel={Besides} />
      <NextStep step="switch" onGo={onGo} />
    </>
  );
}

const DividerPanel = memo(function DividerPanel({ action }: { readonly action: Action }) {
  const apply = useApply();
  const supplyVolts = useProjectPart((project) => project.divider.supplyVolts);
  const ldrSide = useProjectPart((project) => project.divider.ldrSide);
  const isDirect = useProjectPart((project) => project.divider.isDirect);
  const detector = useProjectPart((project) => project.detector);
  const outputStage = useProjectPart((project) => project.outputStage);
  const when = `${actionText({ detector }, action)}${thenPhrase(stageOf({ detector, outputStage }))}`;
  return (
    <Panel title={divideWords.divider}>
      <GoalFields />
      <div className={styles.row}>
        <div className={styles.supply}>
          <QuantityField
            label={divideWords.supply}
            unit="V"
            value={supplyVolts}
            limits={LIMITS.supplyVolts}
            onCommit={(value) => apply(changeDivider({ supplyVolts: value }))}
          />
        </div>
        <Choice
          aria-label={divideWords.whichSideThe}
          value={ldrSide}
          options={sides}
          onChange={(side) => apply(changeDivider({ ldrSide: side }))}
        />
      </div>
      <p className="soft">
        {isDirect
          ? 'The LDR’s own current drives the base: the load is '
          : `The midpoint ${ldrSide === 'bottom' ? 'rises in the dark' : 'rises in the light'}: the load is `}
        <b>{when}</b>.
      </p>
    </Panel>
  );
});

/** What else belongs to the divider. */
function Besides({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { ldrParallelOhms, ldrSeriesOhms } = useProject().divider;
  return (
    <>
      <TrimmerPanel design={design} />
      <Panel title={divideWords.besideTheLDR}>
        <OptionalQuantity
          label={divideWords.inSeriesR4}
          unit="Ω"
          value={ldrSeriesOhms}
          limits={LIMITS.fixedOhms}
          onCommit={(value) => apply(changeDivider({ ldrSeriesOhms: value }))}
        />
        <OptionalQuantity
          label={divideWords.acrossItR5}
          unit="Ω"
          value={ldrParallelOhms}
          limits={LIMITS.fixedOhms}
          onCommit={(value) => apply(changeDivider({ ldrParallelOhms: value }))}
        />
        <p className="soft">{divideWords.inSeriesKeeps}</p>
      </Panel>
      <LimitsPanel design={design} />
      <ResistorsPanel />
    </>
  );
}

/** What the LDR gets at worst over the whole axis, and what it is rated where it sits. */
function LimitsPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const limits = ldrLimitsOf(project);
  const { ldrWatts, ldrVolts } = design.extremes.worst;
  return (
    <Panel title={divideWords.lDRRatings}>
      <Fact name="Heat at worst" value={watts(ldrWatts)} note={`rated ${watts(limits.watts)}`} />
      <Fact
        name="Voltage at worst"
        value={volts(ldrVolts)}
        note={`rated ${shortest(limits.volts, 3)}\u00a0V`}
      />
      <WarmestField />
      {!limits.known && <p className="soft">{divideWords.usualFiguresIts}</p>}
    </Panel>
  );
}
