'use client';

import { distanceFor } from '@/core/light/ladder';
import { Button } from 'antd';
import type { Design } from '@/core/design';
import { changeMeasurement } from '@/core/project/edits';
import type { ReadingLight } from '@/core/readings/reading';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { nextSentence } from '@/ui/words/readings';
import { measureWords } from '@/ui/words/panels/measure';

/** Which light to read next, with the gain to expect, and a button that puts it into the entry line. */
export function NextReadingNote({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const { plan } = useProject();
  const { next, resolved } = design;
  if (!next || plan.length > 0) return null;
  const told: ReadingLight =
    resolved.scale === 'lux'
      ? { kind: 'lux', lux: next.lux }
      : { kind: 'lamp', metres: distanceFor(next.lux), layers: 0 };
  return (
    <Panel title={measureWords.whatToMeasure}>
      <p>{nextSentence(next, light, resolved.scale)}</p>
      <span>
        <Button size="small" onClick={() => apply(changeMeasurement({ plan: [told] }))}>
          {measureWords.readItNext}
        </Button>
      </span>
    </Panel>
  );
}
