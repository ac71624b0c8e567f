'use client';

import { Radio } from 'antd';
import { changeGoal } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { Action } from '@/core/stages/stage';
import { useApply, useProject } from '../workbench/context';
import styles from './GoalFields.module.css';
import { QuantityField } from './QuantityField';

const actions: { value: Action; label: string }[] = [
  { value: 'on-in-dark', label: 'dark' },
  { value: 'on-in-light', label: 'light' },
];

/** When the load shall switch, as a sentence: the same wherever the goal matters. */
export function GoalFields() {
  const apply = useApply();
  const { goal } = useProject();
  return (
    <div className={styles.sentence}>
      <span>On in the</span>
      <Radio.Group
        aria-label="Goal: on in the"
        optionType="button"
        buttonStyle="solid"
        value={goal.action}
        options={actions}
        onChange={(event) => apply(changeGoal({ action: event.target.value as Action }))}
      />
      <div className={styles.light}>
        <QuantityField
          label={goal.action === 'on-in-dark' ? 'below' : 'above'}
          unit="lx"
          value={goal.lux}
          limits={LIMITS.lux}
          onCommit={(lux) => apply(changeGoal({ lux }))}
        />
      </div>
    </div>
  );
}
