'use client';

import { inNotation } from '@/core/quantity/notation';
import { numberRefusal } from '../words/refusals';
import { Labelled } from './Labelled';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
import { useTypedText } from './useQuantityText';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly onCommit: (value: number) => void;
}

/** A figure without a unit of its own, such as a latitude: may be below 0, with a point or a comma. */
export function NumberField({ label, value, limits, onCommit }: NumberFieldProps) {
  const field = useTypedText<number>(inNotation(String(value)), (text) => {
    const typed = text.trim().replace('−', '-').replace(',', '.');
    const read = typed === '' ? NaN : Number(typed);
    const nearest = Math.min(limits.max, Math.max(limits.min, read));
    if (read === nearest) return { ok: true, taken: read };
    return {
      ok: false,
      sentence: numberRefusal(limits),
      nearest: Number.isNaN(read) ? null : { text: inNotation(String(nearest)), taken: nearest },
    };
  });
  return (
    <Labelled label={label}>
      {(id) => (
        <TypedInput
          id={id}
          field={field}
          className={styles.whole}
          onCommit={(read) => read !== value && onCommit(read)}
        />
      )}
    </Labelled>
  );
}
