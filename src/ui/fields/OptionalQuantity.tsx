'use client';

import { formatExact } from '@/core/quantity/format';
import { parseQuantity, type QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { quantityRefusal } from '../words/refusals';
import { keysFor } from './QuantityField';
import { Labelled } from './Labelled';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
import { nearestAllowed, useTypedText } from './useQuantityText';

interface OptionalQuantityProps {
  readonly label: string;
  readonly unit: Unit;
  /** `null`: there is none. */
  readonly value: number | null;
  readonly limits: QuantityLimits;
  readonly onCommit: (value: number | null) => void;
  /** Only for screen readers: inside tables, where the column says what it is. */
  readonly labelHidden?: boolean;
  /** What stands in the field while it is empty. */
  readonly whenEmpty?: string;
}

/** As QuantityField, for a part or a figure that need not be there: an emptied field takes it away. */
export function OptionalQuantity({
  label,
  unit,
  value,
  limits,
  onCommit,
  labelHidden = false,
  whenEmpty = 'none',
}: OptionalQuantityProps) {
  const field = useTypedText<{ value: number | null }>(
    value === null ? '' : formatExact(value, unit),
    (text) => {
      if (text.trim() === '') return { ok: true, taken: { value: null } };
      const parsed = parseQuantity(text, unit, limits);
      if (parsed.ok) return { ok: true, taken: { value: parsed.value } };
      const nearest = nearestAllowed(parsed, limits, unit);
      return {
        ok: false,
        sentence: quantityRefusal(parsed, unit),
        nearest: nearest && { text: nearest.text, taken: { value: nearest.taken } },
      };
    },
  );
  return (
    <Labelled label={label} isHidden={labelHidden}>
      {(id) => (
        <TypedInput
          id={id}
          field={field}
          unit={unit}
          keys={keysFor(unit)}
          whenEmpty={whenEmpty}
          className={/[a-zµ]$/i.test(field.text) ? styles.prefixed : styles.input}
          onCommit={(read) => read.value !== value && onCommit(read.value)}
        />
      )}
    </Labelled>
  );
}
