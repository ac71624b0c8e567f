'use client';

import { useId } from 'react';
import { wholeRefusal } from '../words/refusals';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
import { useTypedText } from './useQuantityText';

interface WholeFieldProps {
  readonly label: string;
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly onCommit: (value: number) => void;
}

/** A count: a whole number without a unit. */
export function WholeField({ label, value, limits, onCommit }: WholeFieldProps) {
  const id = useId();
  const field = useTypedText<number>(String(value), (text) => {
    const read = Number(text.trim());
    const isIn = /^\d+$/.test(text.trim()) && read >= limits.min && read <= limits.max;
    return isIn ? { ok: true, taken: read } : { ok: false, sentence: wholeRefusal(limits) };
  });
  return (
    <div className={styles.field}>
      <div className={styles.label}>
        <label htmlFor={id}>{label}</label>
      </div>
      <TypedInput
        id={id}
        field={field}
        className={styles.whole}
        onCommit={(read) => read !== value && onCommit(read)}
      />
    </div>
  );
}
