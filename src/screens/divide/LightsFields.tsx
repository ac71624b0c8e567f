'use client';

import { lightsOf } from '@/core/size/sizingMethods';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useProject, useScale } from '@/ui/workbench/context';
import styles from './DividePanel.module.css';
import { divideWords } from '@/ui/words/panels/divide';

/** The dark and the bright light that a divider should tell apart; only where lights have figures. */
export function LightsFields() {
  const apply = useApply();
  const project = useProject();
  const scale = useScale();
  if (scale === 'ohms') return null;
  const { darkLux, brightLux } = lightsOf(project);
  const unit = scale === 'lux' ? 'lx' : '×';
  const limits = scale === 'lux' ? LIMITS.lux : LIMITS.light;
  return (
    <div className={styles.lights}>
      <QuantityField
        label={divideWords.dark}
        unit={unit}
        value={Number(darkLux.toPrecision(4))}
        limits={{ min: limits.min, max: brightLux }}
        onCommit={(lux) => apply(changeDivider({ lights: { darkLux: lux, brightLux } }))}
      />
      <QuantityField
        label={divideWords.bright}
        unit={unit}
        value={Number(brightLux.toPrecision(4))}
        limits={{ min: darkLux, max: limits.max }}
        onCommit={(lux) => apply(changeDivider({ lights: { darkLux, brightLux: lux } }))}
      />
    </div>
  );
}
