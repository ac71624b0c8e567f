'use client';

import { Radio } from 'antd';
import { useId } from 'react';
import styles from './ChoiceField.module.css';

interface ChoiceFieldProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of two or three, side by side. */
export function ChoiceField<T extends string>({ label, value, options, onChange }: ChoiceFieldProps<T>) {
  const id = useId();
  return (
    <div className={styles.field}>
      <span id={id}>{label}</span>
      <Radio.Group
        aria-labelledby={id}
        optionType="button"
        buttonStyle="solid"
        block
        value={value}
        options={[...options]}
        onChange={(event) => onChange(event.target.value as T)}
      />
    </div>
  );
}
