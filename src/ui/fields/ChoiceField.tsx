'use client';

import { useId } from 'react';
import { Choice, type ChoiceProps } from './Choice';
import styles from './ChoiceField.module.css';

type ChoiceFieldProps<T extends string> = Pick<ChoiceProps<T>, 'value' | 'options' | 'onChange'> & {
  readonly label: string;
};

/** One of two or three, side by side, under its label. */
export function ChoiceField<T extends string>({ label, ...choice }: ChoiceFieldProps<T>) {
  const id = useId();
  return (
    <div className={styles.field}>
      <span id={id}>{label}</span>
      <Choice {...choice} aria-labelledby={id} block />
    </div>
  );
}
