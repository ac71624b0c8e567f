'use client';

import { changeFeedbackLight } from '@/core/project/detectorEdits';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { useApply, useProjectPart, useScale } from '../workbench/context';
import { divideWords } from '../words/panels/divide';
import { switchWords } from '../words/panels/switch';
import { OptionalQuantity } from './OptionalQuantity';
import { QuantityField } from './QuantityField';

/** How warm it gets where the LDR sits. */
export function WarmestField() {
  const apply = useApply();
  return (
    <QuantityField
      label={divideWords.warmestWhereIt}
      unit="°C"
      value={useProjectPart(({ divider }) => divider.ambientCelsius)}
      limits={LIMITS.ambientCelsius}
      onCommit={(ambientCelsius) => apply(changeDivider({ ambientCelsius }))}
    />
  );
}

/** What the load adds at the LDR. */
export function FeedbackLightField() {
  const apply = useApply();
  const scale = useScale();
  const feedbackLux = useProjectPart((project) => project.feedbackLux);
  return (
    <OptionalQuantity
      label={switchWords.theLoadAdds}
      unit={scale === 'lux' ? 'lx' : '×'}
      value={feedbackLux === 0 ? null : feedbackLux}
      limits={LIMITS.light}
      onCommit={(value) => apply(changeFeedbackLight(value ?? 0))}
    />
  );
}
