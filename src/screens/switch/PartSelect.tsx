'use client';

import { Select } from 'antd';
import { useId } from 'react';
import styles from './Switch.module.css';

interface PartSelectProps<P extends { readonly id: string }> {
  readonly label?: string;
  readonly part: P;
  readonly offered: readonly P[];
  readonly nameOf: (part: P) => string;
  readonly onTake: (part: P) => void;
}

/** One part out of a list, the one in use among them. */
export function PartSelect<P extends { readonly id: string }>({
  label = 'Part',
  part,
  offered,
  nameOf,
  onTake,
}: PartSelectProps<P>) {
  const id = useId();
  const all = offered.some((other) => other.id === part.id) ? offered : [...offered, part];
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{label}</label>
      <Select
        id={id}
        value={part.id}
        options={all.map((other) => ({ value: other.id, label: nameOf(other) }))}
        onChange={(chosen: string) => {
          const found = all.find((other) => other.id === chosen);
          if (found) onTake(found);
        }}
      />
    </div>
  );
}
