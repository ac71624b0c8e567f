'use client';

import { Select } from 'antd';
import { useId } from 'react';
import styles from './ChoiceField.module.css';

interface SelectFieldProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of several, out of a list. */
export function SelectField<T extends string>({ label, value, options, onChange }: SelectFieldProps<T>) {
  const id = useId();
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Select<T>
        id={id}
        className={styles.list ?? ''}
        value={value}
        options={[...options]}
        onChange={onChange}
      />
    </div>
  );
}
