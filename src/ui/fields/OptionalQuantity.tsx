'use client';

import { Input } from 'antd';
import { useId } from 'react';
import { formatExact } from '@/core/quantity/format';
import { parseQuantity, type QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { quantityRefusal } from '../words/refusals';
import styles from './QuantityField.module.css';
import { useTypedText } from './useQuantityText';

interface OptionalQuantityProps {
  readonly label: string;
  readonly unit: Unit;
  /** `null`: there is none. */
  readonly value: number | null;
  readonly limits: QuantityLimits;
  readonly onCommit: (value: number | null) => void;
  /** Only for screen readers: inside tables, where the column says what it is. */
  readonly labelHidden?: boolean;
}

/** As QuantityField, for a part or a figure that need not be there: an emptied field takes it away. */
export function OptionalQuantity({
  label,
  unit,
  value,
  limits,
  onCommit,
  labelHidden = false,
}: OptionalQuantityProps) {
  const id = useId();
  const field = useTypedText<{ value: number | null }>(
    value === null ? '' : formatExact(value, unit),
    (text) => {
      if (text.trim() === '') return { ok: true, taken: { value: null } };
      const parsed = parseQuantity(text, unit, limits);
      return parsed.ok
        ? { ok: true, taken: { value: parsed.value } }
        : { ok: false, sentence: quantityRefusal(parsed, unit) };
    },
  );
  const commit = () => {
    const read = field.read();
    if (read === null) return;
    field.reset();
    if (read.value !== value) onCommit(read.value);
  };
  return (
    <div className={labelHidden ? styles.bare : styles.field}>
      <div className={labelHidden ? 'visually-hidden' : styles.label}>
        <label htmlFor={id}>{label}</label>
      </div>
      <Input
        id={id}
        className={/[a-zµ]$/i.test(field.text) ? styles.prefixed : styles.input}
        value={field.text}
        placeholder="none"
        status={field.error ? 'error' : ''}
        suffix={unit}
        autoComplete="off"
        spellCheck={false}
        aria-invalid={field.error !== null}
        aria-describedby={field.error ? `${id}-error` : undefined}
        onChange={(event) => field.type(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') field.reset();
        }}
      />
      {field.error && (
        <p id={`${id}-error`} role="alert" className={styles.error}>
          {field.error}
        </p>
      )}
    </div>
  );
}
