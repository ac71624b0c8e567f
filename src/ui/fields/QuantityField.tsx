'use client';

import { Input } from 'antd';
import { useId, type ReactNode } from 'react';
import type { QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import styles from './QuantityField.module.css';
import { useQuantityText } from './useQuantityText';

interface QuantityFieldProps {
  readonly label: string;
  readonly unit: Unit;
  readonly value: number;
  readonly limits: QuantityLimits;
  readonly onCommit: (value: number) => void;
  /** Stands right of the label, such as how the figure was found. */
  readonly aside?: ReactNode;
  /** Only for screen readers: inside tables, where the column says what it is. */
  readonly labelHidden?: boolean;
}

/** A value typed as on a part. Enter or leaving takes it, Escape brings the old one back; a bad one stays as typed. */
export function QuantityField({
  label,
  unit,
  value,
  limits,
  onCommit,
  aside,
  labelHidden,
}: QuantityFieldProps) {
  const id = useId();
  const quantity = useQuantityText(value, unit, limits);
  const commit = () => {
    const read = quantity.read();
    if (read === null) return;
    quantity.reset();
    if (read !== value) onCommit(read);
  };
  return (
    <div className={labelHidden ? styles.bare : styles.field}>
      <div className={labelHidden ? 'visually-hidden' : styles.label}>
        <label htmlFor={id}>{label}</label>
        {aside}
      </div>
      <Input
        id={id}
        className={/[a-zµ]$/i.test(quantity.text) ? styles.prefixed : styles.input}
        value={quantity.text}
        status={quantity.error ? 'error' : ''}
        suffix={unit}
        autoComplete="off"
        spellCheck={false}
        variant={labelHidden ? 'filled' : 'outlined'}
        aria-invalid={quantity.error !== null}
        aria-describedby={quantity.error ? `${id}-error` : undefined}
        onChange={(event) => quantity.type(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') quantity.reset();
        }}
      />
      {quantity.error && (
        <p id={`${id}-error`} role="alert" className={styles.error}>
          {quantity.error}
        </p>
      )}
    </div>
  );
}
