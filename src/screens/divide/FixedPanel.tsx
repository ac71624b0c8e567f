'use client';

import { memo } from 'react';
import type { Design } from '@/core/design';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import { HowFound } from '@/ui/common/HowFound';
import { Fact, Panel } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject, useProjectPart } from '@/ui/workbench/context';
import { AtOnce, Settle } from '@/ui/workbench/Settle';
import { ohms } from '@/ui/words/figures';
import { hearsChanges } from '@/ui/words/goal';
import { explainFixed } from '@/ui/words/howFound';
import { CandidateTable } from './CandidateTable';
import { DecadeBox } from './DecadeBox';
import { divideWords } from '@/ui/words/panels/divide';

/** The fixed resistor: typed, turned like a decade box, or taken from what is in stock near the exact value. */
export const FixedPanel = memo(function FixedPanel() {
  return (
    <Panel title={divideWords.fixedResistorR1} aside={<Settle panel={FixedExplained} />}>
      <Settle panel={FixedField} />
      <AtOnce>
        <DecadeBox />
      </AtOnce>
      <Settle panel={FixedProposals} />
    </Panel>
  );
});

function FixedField() {
  const apply = useApply();
  const fixedOhms = useProjectPart((project) => project.divider.fixedOhms);
  return (
    <QuantityField
      label={divideWords.r1InUse}
      unit="Ω"
      value={fixedOhms}
      limits={LIMITS.fixedOhms}
      onCommit={(value) => apply(changeDivider({ fixedOhms: value, trimmer: null }))}
    />
  );
}

function FixedExplained({ design }: { readonly design: Design }) {
  return <HowFound explanation={explainFixed(useProject(), design)} />;
}

/** What is in stock near the exact value, and how far the present one is off. */
function FixedProposals({ design }: { readonly design: Design }) {
  const project = useProject();
  const { divider, goal } = project;
  const offered = design.candidates.some((candidate) => candidate.ohms === divider.fixedOhms);
  return (
    <>
      {design.candidates.length > 0 && <CandidateTable design={design} />}
      {!offered && !hearsChanges(project) && <SwitchesAt design={design} goalLux={goal.lux} />}
      {design.exactFixed.ok && <Fact name="Exact for the goal" value={ohms(design.exactFixed.ohms)} />}
    </>
  );
}

function SwitchesAt({ design, goalLux }: { readonly design: Design; readonly goalLux: number }) {
  const { half } = design;
  const light = useLightText();
  if (!half.ok) return <Fact name="Switches at" value="never" />;
  return (
    <Fact
      name="Switches at"
      value={light(half.lux)}
      note={`${formatPercentOff(half.lux / goalLux - 1)} off the goal`}
    />
  );
}
