'use client';

import { changeGoal } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { Action } from '@/core/stages/stage';
import { useApply, useProject } from '../workbench/context';
import { actionNames } from '../words/advice';
import { ChoiceField } from './ChoiceField';
import { QuantityField } from './QuantityField';

const actions = (['on-in-dark', 'on-in-light'] as const).map((value) => ({ value, label: actionNames[value] }));

/** When the load shall switch: the same two fields wherever the goal matters. */
export function GoalFields() {
  const apply = useApply();
  const { goal } = useProject();
  return (
    <>
      <ChoiceField<Action>
        label="Goal"
        value={goal.action}
        options={actions}
        onChange={(action) => apply(changeGoal({ action }))}
      />
      <QuantityField
        label={goal.action === 'on-in-dark' ? 'On below' : 'On above'}
        unit="lx"
        value={goal.lux}
        limits={LIMITS.lux}
        onCommit={(lux) => apply(changeGoal({ lux }))}
      />
    </>
  );
}
