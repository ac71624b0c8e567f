'use client';

import { Popover } from 'antd';
import { termIn } from '../words/glossary';
import styles from './Termed.module.css';

/** A label; where it is a term of the field, what it means is a click away. */
export function Termed({ text }: { readonly text: string }) {
  const found = termIn(text);
  if (!found) return text;
  return (
    <Popover
      trigger="click"
      title={found.term}
      content={<p className={styles.means}>{found.means}</p>}
      destroyOnHidden
    >
      <button type="button" className={styles.term} aria-haspopup="dialog">
        {text}
      </button>
    </Popover>
  );
}
