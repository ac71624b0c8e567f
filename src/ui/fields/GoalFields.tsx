'use client';

import { Choice } from './Choice';
import { Select } from 'antd';
import { memo, useMemo } from 'react';
import { changeGoal } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { detectorDefinition } from '@/core/detectors/registry';
import { namedGoals, namedLightOf, namedOhmsAt } from '@/core/readings/named';
import type { ReadingLight } from '@/core/readings/reading';
import type { Action } from '@/core/drivers/kinds';
import { useApply, useGoal, useProject, useProjectPart, useScale } from '../workbench/context';
import { partOhms } from '../words/figures';
import { readingLightText } from '../words/light';
import styles from './GoalFields.module.css';
import { QuantityField } from './QuantityField';
import { sharedWords } from '@/ui/words/panels/shared';

const actions: { value: Action; label: string }[] = [
  { value: 'on-in-dark', label: 'dark' },
  { value: 'on-in-light', label: 'light' },
];

/** When the load should switch, as a sentence: the same wherever the goal matters. */
export const GoalFields = memo(function GoalFields() {
  const apply = useApply();
  const goal = useGoal();
  const scale = useScale();
  const detector = useProjectPart((project) => project.detector);
  const { lights } = detectorDefinition(detector).goal;
  if (lights === 'window') return <WindowGoal />;
  if (lights === 'start') return <StartLight />;
  const isOff = detectorDefinition(detector).goalEnd(detector) === 'off';
  const beyond = goal.action === 'on-in-dark' ? 'below' : 'above';
  const before = goal.action === 'on-in-dark' ? 'off above' : 'off below';
  return (
    <div className={styles.sentence}>
      <span>{sharedWords.onInThe}</span>
      <Choice
        aria-label={sharedWords.goalOnIn}
        value={goal.action}
        options={actions}
        onChange={(action) => apply(changeGoal({ action }))}
      />
      <div className={styles.light}>
        {scale === 'ohms' ? (
          <NamedGoal />
        ) : (
          <QuantityField
            label={isOff ? before : beyond}
            unit={scale === 'lux' ? 'lx' : '×'}
            value={goal.lux}
            limits={scale === 'lux' ? LIMITS.lux : LIMITS.light}
            onCommit={(lux) => apply(changeGoal({ lux }))}
          />
        )}
      </div>
    </div>
  );
});

/** The light from which a change starts. */
function StartLight() {
  const apply = useApply();
  const { lux } = useGoal();
  const scale = useScale();
  return (
    <QuantityField
      label={sharedWords.fromASteady}
      unit={scale === 'lux' ? 'lx' : '×'}
      value={lux}
      limits={scale === 'lux' ? LIMITS.lux : LIMITS.light}
      onCommit={(value) => apply(changeGoal({ lux: value }))}
    />
  );
}

/** On between two lights. */
function WindowGoal() {
  const apply = useApply();
  const { lux, offLux } = useGoal();
  const scale = useScale();
  const unit = scale === 'lux' ? 'lx' : '×';
  const limits = scale === 'lux' ? LIMITS.lux : LIMITS.light;
  return (
    <>
      <QuantityField
        label={sharedWords.onBetween}
        unit={unit}
        value={lux}
        limits={limits}
        onCommit={(value) => apply(changeGoal({ lux: value }))}
      />
      <QuantityField
        label={sharedWords.and}
        unit={unit}
        value={offLux ?? lux}
        limits={limits}
        onCommit={(value) => apply(changeGoal({ offLux: value }))}
      />
    </>
  );
}

/** A goal without light figures: the LDR's resistance, typed, or at a reading, or midway between two. */
function NamedGoal() {
  const apply = useApply();
  const project = useProject();
  const { goal } = project;
  const options = useMemo(() => namedGoals(project), [project]);
  const name = (light: ReadingLight) => readingLightText(light, project.levels);
  const setOhms = (ohms: number) => apply(changeGoal({ lux: namedLightOf(ohms) }));
  return (
    <>
      <QuantityField
        label={goal.action === 'on-in-dark' ? 'LDR above' : 'LDR below'}
        unit="Ω"
        value={Number(namedOhmsAt(goal.lux).toPrecision(3))}
        limits={LIMITS.readingOhms}
        onCommit={setOhms}
      />
      {options.length > 0 && (
        <Select
          size="small"
          aria-label={sharedWords.goalAtA}
          placeholder={sharedWords.atAReading}
          value={null}
          options={options.map(({ ohms, light, midwayTo }) => ({
            value: ohms,
            label: `${midwayTo ? `midway, ${name(light)} and ${name(midwayTo)}` : name(light)}: ${partOhms(ohms)}`,
          }))}
          onChange={(ohms: number | null) => ohms !== null && setOhms(ohms)}
          popupMatchSelectWidth={false}
        />
      )}
    </>
  );
}
