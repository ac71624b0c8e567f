'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { nextReading } from '@/core/readings/nextReading';
import { changeMeasurement } from '@/core/project/readingEdits';
import { Panel } from '@/ui/common/Panel';
import { useApply, useProject } from '@/ui/workbench/context';
import { readingLightText } from '@/ui/words/light';
import { nextSentence } from '@/ui/words/measure/readings';
import { measureWords } from '@/ui/words/panels/measure';

/** Which light to read next, with the gain to expect, and a button that puts it into the entry line; or that there are enough. */
export function NextReadingNote() {
  const apply = useApply();
  const project = useProject();
  const { plan, levels } = project;
  const next = useMemo(() => nextReading(project, project.goal.lux), [project]);
  if (!next || plan.length > 0) return null;
  return (
    <Panel title={measureWords.whatToMeasure}>
      <p>{nextSentence(next, (light) => readingLightText(light, levels))}</p>
      {next.says === 'read' && (
        <span>
          <Button size="small" onClick={() => apply(changeMeasurement({ plan: [next.light] }))}>
            {measureWords.readItNext}
          </Button>
        </span>
      )}
    </Panel>
  );
}
