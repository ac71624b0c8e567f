'use client';

import { wholeRefusal } from '../words/refusals';
import { Labelled } from './Labelled';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
import { useTypedText } from './useQuantityText';

interface WholeFieldProps {
  readonly label: string;
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly onCommit: (value: number) => void;
}

/** A count as it is typed: a whole number without a unit, with the nearest one that is allowed. */
export function useWholeText(value: number, limits: WholeFieldProps['limits']) {
  return useTypedText<number>(String(value), (text) => {
    const isWhole = /^\d+$/.test(text.trim());
    const read = Number(text.trim());
    const nearest = Math.min(limits.max, Math.max(limits.min, read));
    if (isWhole && read === nearest) return { ok: true, taken: read };
    return {
      ok: false,
      sentence: wholeRefusal(limits),
      nearest: isWhole ? { text: String(nearest), taken: nearest } : null,
    };
  });
}

/** A count: a whole number without a unit. */
export function WholeField({ label, value, limits, onCommit }: WholeFieldProps) {
  const field = useWholeText(value, limits);
  return (
    <Labelled label={label}>
      {(id) => (
        <TypedInput
          id={id}
          field={field}
          keys="numeric"
          className={styles.whole}
          onCommit={(read) => read !== value && onCommit(read)}
        />
      )}
    </Labelled>
  );
}
