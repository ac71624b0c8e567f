'use client';

import { Button } from 'antd';
import { changeMeasurement } from '@/core/project/readingEdits';
import { useApply, useProject } from '@/ui/workbench/context';
import { measureWords } from '@/ui/words/panels/measure';
import { percent } from '@/ui/words/figures';

/** The LDR that serves as light meter, how far to trust it, and how its lights are typed. */
export function LightLdrNote() {
  const apply = useApply();
  const { lightLdr } = useProject();
  if (!lightLdr) return null;
  return (
    <p>
      Light meter: <b>{lightLdr.name}</b>, ± {percent(Math.expm1(2 * lightLdr.pivotStd))} for all its lights
      together. Read both LDRs at each light and type this one’s as{' '}
      <b className="figures">{measureWords.ldrExample}</b>.{' '}
      <Button size="small" onClick={() => apply(changeMeasurement({ lightLdr: null }))}>
        {measureWords.noLongerLightMeter}
      </Button>
    </p>
  );
}
