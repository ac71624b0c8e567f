'use client';

import type { ReactNode } from 'react';
import type { QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { Labelled } from './Labelled';
import styles from './QuantityField.module.css';
import { TypedInput } from './TypedInput';
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

/** Resistances, capacitors and currents are typed with their letters, `4k7`; other figures are plain. */
export const keysFor = (unit: Unit): 'decimal' | 'text' =>
  unit === 'V' || unit === 'lx' || unit === '×' || unit === 's' ? 'decimal' : 'text';

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
  const quantity = useQuantityText(value, unit, limits);
  return (
    <Labelled label={label} aside={aside} isHidden={labelHidden === true}>
      {(id) => (
        <TypedInput
          id={id}
          field={quantity}
          unit={unit}
          className={/[a-zµ]$/i.test(quantity.text) ? styles.prefixed : styles.input}
          keys={keysFor(unit)}
          filled={labelHidden === true}
          onCommit={(read) => read !== value && onCommit(read)}
        />
      )}
    </Labelled>
  );
}
