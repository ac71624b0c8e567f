'use client';

import { CloseCircleFilled, ExclamationCircleFilled } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { Advice } from '@/core/design/advice';
import { editFor } from '@/core/design/mend';
import { useApply } from '../workbench/context';
import { adviceSentence, mendLabel, stateNames } from '../words/advice';
import styles from './AdviceList.module.css';

/** How many are shown before someone asks for the rest. */
const SHOWN = 3;

/** What is worth telling, worst first; each with the button that mends it where there is one. */
export function AdviceList({ advice }: { readonly advice: readonly Advice[] }) {
  const [all, setAll] = useState(false);
  const apply = useApply();
  if (advice.length === 0) return null;
  const shown = all ? advice : advice.slice(0, SHOWN);
  return (
    <section className={styles.list} aria-label="Advice">
      {shown.map((entry) => (
        <article key={entry.code} className={entry.state === 'cannot' ? styles.cannot : styles.look}>
          {entry.state === 'cannot' ? <CloseCircleFilled aria-hidden /> : <ExclamationCircleFilled aria-hidden />}
          <p>
            <span className="visually-hidden">{stateNames[entry.state]}: </span>
            {adviceSentence(entry)}
          </p>
          {entry.mend && (
            <Button size="small" onClick={() => entry.mend && apply(editFor(entry.mend))}>
              {mendLabel(entry.mend)}
            </Button>
          )}
        </article>
      ))}
      {advice.length > SHOWN && (
        <Button type="link" size="small" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${advice.length - SHOWN} more`}
        </Button>
      )}
    </section>
  );
}
