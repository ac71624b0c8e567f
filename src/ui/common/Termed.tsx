'use client';

import { Popover } from 'antd';
import { termIn } from '../words/help/glossary';
import styles from './Termed.module.css';

interface ExplainedProps {
  readonly text: string;
  readonly title: string;
  readonly means: string;
}

/** Words that are explained by a click on them. */
export function Explained({ text, title, means }: ExplainedProps) {
  return (
    <Popover trigger="click" title={title} content={<p className={styles.means}>{means}</p>} destroyOnHidden>
      <button type="button" className={styles.term} aria-haspopup="dialog">
        {text}
      </button>
    </Popover>
  );
}

/** A label; where it is a term of the field, what it means is a click away. */
export function Termed({ text }: { readonly text: string }) {
  const found = termIn(text);
  return found ? <Explained text={text} title={found.term} means={found.means} /> : text;
}
