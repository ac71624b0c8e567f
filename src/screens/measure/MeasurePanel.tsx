'use client';

import { Select } from 'antd';
import type { Step } from '@/core/design/advice';
import type { Design } from '@/core/design/analysis';
import { shippedMeters, type MeterId } from '@/core/meter/meter';
import { chooseMeter } from '@/core/project/edits';
import { useApply, useProject } from '@/ui/workbench/context';
import { Fact, Panel } from '@/ui/common/Panel';
import { HowFound } from '@/ui/common/HowFound';
import { NextStep } from '@/ui/common/NextStep';
import { ohms, percent } from '@/ui/words/figures';
import { explainCurve } from '@/ui/words/howFound';
import { curveNames, meterNames } from '@/ui/words/measuring';
import styles from './MeasurePanel.module.css';
import { ReadingEntry } from './ReadingEntry';
import { ReadingTable } from './ReadingTable';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

/** Step 1: readings in, a curve out. */
export function MeasurePanel({ design, onGo }: StepPanelProps) {
  const { readings } = useProject();
  return (
    <>
      <Panel title="Readings" aside={<MeterChoice />}>
        <ReadingEntry />
        {readings.length > 0 && <ReadingTable design={design} />}
      </Panel>
      <CurvePanel design={design} />
      <NextStep step="divide" onGo={onGo} />
    </>
  );
}

const meterOptions = [
  ...shippedMeters.map(({ id }) => ({ value: id as string, label: meterNames[id] })),
  { value: '', label: 'meter unknown' },
];

/** Which kind of meter the readings are from: it weighs them, and says what OL means. */
function MeterChoice() {
  const apply = useApply();
  const { meter } = useProject();
  return (
    <Select
      size="small"
      aria-label="Meter"
      className={styles.meter}
      value={meter ?? ''}
      options={meterOptions}
      onChange={(value) => apply(chooseMeter(value === '' ? null : (value as MeterId)))}
    />
  );
}

function CurvePanel({ design }: { readonly design: Design }) {
  const { ldr } = design;
  const { r10Ohms, gamma } = ldr.curve;
  if (ldr.source === 'typical') {
    return (
      <Panel title="A typical LDR stands in" aside={<HowFound explanation={explainCurve(design)} />}>
        <Fact name="R10, at 10 lx" value={ohms(r10Ohms)} note="× or ÷ 1.6" />
        <Fact name="γ, the slope" value={gamma.toFixed(2)} note="± 0.1" />
      </Panel>
    );
  }
  const { gammaStdError, lnR10StdError, residualStd, count, aboveCount, kind } = ldr.fit;
  const { darkOhms, brightOhms } = ldr.curve;
  return (
    <Panel title="Your LDR’s curve" aside={<HowFound explanation={explainCurve(design)} />}>
      <Fact
        name="R10, at 10 lx"
        value={ohms(r10Ohms)}
        note={lnR10StdError === null ? undefined : `± ${ohms(r10Ohms * lnR10StdError)}`}
      />
      <Fact
        name="γ, the slope"
        value={gamma.toFixed(3)}
        note={gammaStdError === null ? undefined : `± ${gammaStdError.toFixed(3)}`}
      />
      {darkOhms !== null && <Fact name="Dark floor" value={ohms(darkOhms)} note="in complete dark" />}
      {brightOhms > 0 && (
        <Fact name="Bright floor" value={ohms(brightOhms)} note="left in the brightest light" />
      )}
      <Fact
        name="Curve"
        value={curveNames[kind]}
        note={aboveCount > 0 ? `${aboveCount} over range` : undefined}
      />
      <Fact
        name="Scatter"
        value={residualStd === null ? '–' : percent(residualStd, 1)}
        note={
          residualStd === null ? 'needs a third reading' : `of ${count} readings; ± is one standard error`
        }
      />
    </Panel>
  );
}
