'use client';

import { Input, type InputRef } from 'antd';
import { useId, type KeyboardEvent, type ReactNode } from 'react';
import type { QuantityText } from '@/ui/fields/useQuantityText';
import styles from './ReadingEntry.module.css';

interface EntryFieldProps {
  readonly label: string;
  readonly unit: ReactNode;
  readonly example: string;
  readonly field: Omit<QuantityText<unknown>, 'read'>;
  readonly input: React.Ref<InputRef>;
  readonly onEnter: () => void;
  /** Keys beside Enter and Escape; returns whether it has used one. */
  readonly onKey?: (event: KeyboardEvent<HTMLInputElement>) => boolean;
  readonly autoFocus?: boolean;
  readonly large?: boolean;
}

/** A field of the entry line: Enter goes on, Escape empties it, an error stands below it. */
export function EntryField(props: EntryFieldProps) {
  const { label, unit, example, field, input, onEnter, onKey, autoFocus = false, large = false } = props;
  const id = useId();
  return (
    <div className={large ? styles.large : styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        ref={input}
        size={large ? 'large' : 'middle'}
        autoFocus={autoFocus}
        value={field.text}
        placeholder={example}
        suffix={unit}
        autoComplete="off"
        spellCheck={false}
        status={field.error ? 'error' : ''}
        aria-invalid={field.error !== null}
        aria-describedby={field.error ? `${id}-error` : undefined}
        onChange={(event) => field.type(event.target.value)}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => {
          if (onKey?.(event)) return event.preventDefault();
          if (event.key === 'Enter') onEnter();
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
