'use client';

import { Radio } from 'antd';
import type { Step } from '@/core/design/advice';
import type { Design } from '@/core/design/analysis';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import type { LdrSide } from '@/core/stages/stage';
import { HowFound } from '@/ui/common/HowFound';
import { NextStep } from '@/ui/common/NextStep';
import { Fact, Panel } from '@/ui/common/Panel';
import { GoalFields } from '@/ui/fields/GoalFields';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { actionNames, sideNames } from '@/ui/words/advice';
import { ohms, watts } from '@/ui/words/figures';
import { explainFixed } from '@/ui/words/howFound';
import { CandidateTable } from './CandidateTable';
import styles from './DividePanel.module.css';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

const sides = (['top', 'bottom'] as const).map((value) => ({ value, label: sideNames[value] }));

/** Step 2: the divider, and the fixed resistor that puts the switching point on the goal. */
export function DividePanel({ design, onGo }: StepPanelProps) {
  const apply = useApply();
  const project = useProject();
  const { supplyVolts, ldrSide, fixedOhms } = project.divider;
  const offered = design.candidates.some((candidate) => candidate.ohms === fixedOhms);
  return (
    <>
      <Panel title="Divider">
        <GoalFields />
        <div className={styles.row}>
          <div className={styles.supply}>
            <QuantityField
              label="Supply"
              unit="V"
              value={supplyVolts}
              limits={LIMITS.supplyVolts}
              onCommit={(value) => apply(changeDivider({ supplyVolts: value }))}
            />
          </div>
          <Radio.Group
            aria-label="Which side the LDR is on"
            optionType="button"
            buttonStyle="solid"
            value={ldrSide}
            options={sides}
            onChange={(event) => apply(changeDivider({ ldrSide: event.target.value as LdrSide }))}
          />
        </div>
        <p className="soft">
          The midpoint {ldrSide === 'bottom' ? 'rises in the dark' : 'rises in the light'}: the load is{' '}
          <b>{actionNames[design.action]}</b>.
        </p>
      </Panel>
      <Panel title="Fixed resistor R1" aside={<HowFound explanation={explainFixed(project, design)} />}>
        <QuantityField
          label="R1 in use"
          unit="Ω"
          value={fixedOhms}
          limits={LIMITS.fixedOhms}
          onCommit={(value) => apply(changeDivider({ fixedOhms: value }))}
        />
        {design.candidates.length > 0 && <CandidateTable design={design} />}
        {!offered && <SwitchesAt design={design} goalLux={project.goal.lux} />}
        {design.exactFixed.ok && <Fact name="Exact for the goal" value={ohms(design.exactFixed.ohms)} />}
        <Fact
          name="LDR’s heat at worst"
          value={watts(design.sweep.worst.ldrWatts)}
          note="usually bears 50–100 mW"
        />
      </Panel>
      <NextStep step="switch" onGo={onGo} />
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
