'use client';

import { memo, type ReactNode } from 'react';
import { inNotation } from '@/core/quantity/notation';
import { termIn } from '../words/help/glossary';
import { Popped } from './Popped';
import styles from './Termed.module.css';

interface ExplainedProps {
  readonly text: string;
  readonly title: string;
  readonly means: string;
  /** What more there is to say. */
  readonly children?: ReactNode;
}

/** Words that are explained by a click on them. */
export function Explained({ text, title, means, children }: ExplainedProps) {
  const content = (
    <>
      <p className={styles.means}>{inNotation(means)}</p>
      {children}
    </>
  );
  return (
    <Popped title={title} content={content}>
      <button type="button" className={styles.term} aria-haspopup="dialog">
        {text}
      </button>
    </Popped>
  );
}

/** A label; where it is a term of the field, what it means is a click away. */
export const Termed = memo(function Termed({ text }: { readonly text: string }) {
  const found = termIn(text);
  return found ? <Explained text={text} title={found.term} means={found.means} /> : text;
});
