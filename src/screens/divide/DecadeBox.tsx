'use client';

import { useMemo, type KeyboardEvent } from 'react';
import { changeDivider } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { OFFERED_OHMS, stepIn, DEFAULT_STOCK, valuesIn } from '@/core/series/stock';
import { useAnalysis, useApply, useLightText, useProject } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';
import { switchesText } from '@/ui/words/goal';
import styles from './DividePanel.module.css';
import { divideWords } from '@/ui/words/panels/divide';

const fineValues = valuesIn({ ...DEFAULT_STOCK, series: 'E96' });

/** R1 as a decade box: arrows step through the values in stock, with Shift through E96, page keys through decades. */
export function DecadeBox() {
  const analysis = useAnalysis();
  const apply = useApply();
  const light = useLightText();
  const project = useProject();
  const { divider, resistors } = project;
  const values = useMemo(() => valuesIn(resistors), [resistors]);
  const { fixedOhms } = divider;
  const turn = (event: KeyboardEvent) => {
    const next = turned(event, fixedOhms, values);
    if (next === null) return;
    event.preventDefault();
    event.stopPropagation();
    if (next !== fixedOhms) apply(changeDivider({ fixedOhms: next, trimmer: null }), 'decade-box');
  };
  const half = analysis.ok ? analysis.design.half : null;
  const at = switchesText(project, half?.ok ? half.lux : null, light);
  return (
    <div>
      <div
        role="spinbutton"
        tabIndex={0}
        aria-label={divideWords.decadeBoxFor}
        aria-valuenow={fixedOhms}
        aria-valuemin={OFFERED_OHMS.min}
        aria-valuemax={OFFERED_OHMS.max}
        aria-valuetext={`${partOhms(fixedOhms)}, ${at}`}
        className={styles.decade}
        onKeyDown={turn}
      >
        <b className="figures">{partOhms(fixedOhms)}</b>
        <span className="figures">{at}</span>
        <small>
          decade box: <kbd>↑</kbd> <kbd>↓</kbd> step, with <kbd>{divideWords.shift}</kbd> finer,{' '}
          <kbd>{divideWords.page}</kbd> by ten
        </small>
      </div>
    </div>
  );
}

/** The value after a key; `null` for a key that turns nothing. */
function turned(event: KeyboardEvent, ohms: number, values: readonly number[]): number | null {
  const list = event.shiftKey || values.length === 0 ? fineValues : values;
  const { min, max } = LIMITS.fixedOhms;
  switch (event.key) {
    case 'ArrowUp':
    case 'ArrowRight':
      return stepIn(list, ohms, 1);
    case 'ArrowDown':
    case 'ArrowLeft':
      return stepIn(list, ohms, -1);
    case 'PageUp':
      return Number(Math.min(max, ohms * 10).toPrecision(12));
    case 'PageDown':
      return Number(Math.max(min, ohms / 10).toPrecision(12));
    default:
      return null;
  }
}
