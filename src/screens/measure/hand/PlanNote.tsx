'use client';

import { Button } from 'antd';
import { changeMeasurement } from '@/core/project/readingEdits';
import { useApply, useProject } from '@/ui/workbench/context';
import { readingLightText } from '@/ui/words/light';
import { measureWords } from '@/ui/words/panels/measure';

/** The lights that are still to be read, while a plan runs: which comes next, and how to leave it. */
export function PlanNote() {
  const apply = useApply();
  const { plan, levels } = useProject();
  if (plan.length === 0) return null;
  const outputStage = plan.slice(1, 4).map((light) => readingLightText(light, levels));
  return (
    <p>
      Planned: <b>{plan[0] && readingLightText(plan[0], levels)}</b>
      {outputStage.length > 0 && `, then ${outputStage.join(', ')}`}
      {plan.length > 4 && ` and ${plan.length - 4} more`}.{' '}
      <Button size="small" onClick={() => apply(changeMeasurement({ plan: plan.slice(1) }))}>
        {measureWords.skipIt}
      </Button>{' '}
      <Button size="small" onClick={() => apply(changeMeasurement({ plan: [] }))}>
        {measureWords.dropThePlan}
      </Button>
    </p>
  );
}
