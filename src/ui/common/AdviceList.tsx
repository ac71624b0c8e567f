'use client';

import { CloseCircleFilled, ExclamationCircleFilled } from '@ant-design/icons';
import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Advice } from '@/core/advise/advice';
import { editFor } from '@/core/advise/fixes';
import { useApply, useLightText } from '../workbench/context';
import { fixLabel } from '../words/said/fixes';
import { stateNames } from '../words/names';
import { adviceSentence } from '../words/said/advice';
import styles from './AdviceList.module.css';
import { sharedWords } from '@/ui/words/panels/shared';

/** What is worth telling, the worst first and alone until someone asks for the rest; each with the button that fixes it. */
export function AdviceList({ advice }: { readonly advice: readonly Advice[] }) {
  const [all, setAll] = useState(false);
  if (advice.length === 0) return null;
  const more = advice.length - 1;
  return (
    <section className={styles.list} aria-label={sharedWords.advice}>
      {(all ? advice : advice.slice(0, 1)).map((entry, index) => (
        <AdviceRow key={entry.code} advice={entry}>
          {index === 0 && more > 0 && (
            <Button type="text" size="small" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'fewer' : `${more} more`}
            </Button>
          )}
        </AdviceRow>
      ))}
    </section>
  );
}

function AdviceRow({ advice, children }: { readonly advice: Advice; readonly children: ReactNode }) {
  const apply = useApply();
  const light = useLightText();
  const { fix, state } = advice;
  return (
    <article className={`${styles.row} ${styles[state]}`}>
      {state === 'cannot' ? <CloseCircleFilled aria-hidden /> : <ExclamationCircleFilled aria-hidden />}
      <p>
        <span className="visually-hidden">{stateNames[state]}: </span>
        {adviceSentence(advice, light)}
      </p>
      {fix && (
        <Button size="small" onClick={() => apply(editFor(fix))}>
          {fixLabel(fix, light)}
        </Button>
      )}
      {children}
    </article>
  );
}
