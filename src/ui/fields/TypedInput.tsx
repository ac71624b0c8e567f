'use client';

import { Button, Input } from 'antd';
import { useId, type ReactNode } from 'react';
import { inNotation } from '@/core/quantity/notation';
import styles from './QuantityField.module.css';
import { sharedWords } from '../words/panels/shared';
import type { Nearest, QuantityText } from './useQuantityText';

interface TypedInputProps<T> {
  readonly field: QuantityText<T>;
  /** Takes what was read; called on Enter and on leaving, never with anything that was refused. */
  readonly onCommit: (read: T) => void;
  /** For a label of its own beside it, or as the name itself where there is none. */
  readonly id?: string;
  readonly label?: string;
  readonly unit?: ReactNode;
  readonly whenEmpty?: string;
  readonly className?: string | undefined;
  readonly title?: string;
  readonly filled?: boolean;
  /** What a phone's keyboard shows: figures alone where no letter belongs to what is typed. */
  readonly keys?: 'decimal' | 'numeric' | 'text';
}

/**
 * A field for anything that is read from typed text. Enter or leaving takes it, Escape brings the old one back; what is
 * refused stays as typed, with the sentence that says why below it.
 */
export function TypedInput<T>(props: TypedInputProps<T>) {
  const { field, onCommit, label, unit, whenEmpty, className, title, filled = false, keys = 'text' } = props;
  const own = useId();
  const id = props.id ?? own;
  const commit = () => {
    const read = field.read();
    if (read === null) return;
    field.reset();
    onCommit(read);
  };
  const takeNearest = (taken: T) => {
    field.reset();
    onCommit(taken);
  };
  return (
    <>
      <Input
        id={id}
        aria-label={label}
        className={className}
        value={field.text}
        title={title}
        placeholder={whenEmpty}
        status={field.error ? 'error' : ''}
        suffix={unit}
        autoComplete="off"
        inputMode={keys}
        spellCheck={false}
        variant={filled ? 'filled' : 'outlined'}
        data-typed={field.isTyped ? 'yes' : 'no'}
        aria-invalid={field.error !== null}
        aria-describedby={field.error ? `${id}-error` : undefined}
        onChange={(event) => field.type(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') field.reset();
          // What is half typed is undone before what the project has.
          if (field.isTyped && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
            event.preventDefault();
            event.stopPropagation();
            field.reset();
          }
        }}
      />
      {field.error && (
        <p id={`${id}-error`} role="alert" className={styles.error}>
          {inNotation(field.error)}{' '}
          {field.nearest && <NearestButton nearest={field.nearest} onTake={takeNearest} />}
        </p>
      )}
    </>
  );
}

interface NearestButtonProps<T> {
  readonly nearest: Nearest<T>;
  readonly onTake: (taken: T) => void;
}

/** Takes the nearest value that is allowed. */
function NearestButton<T>({ nearest, onTake }: NearestButtonProps<T>) {
  return (
    <Button
      size="small"
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => onTake(nearest.taken)}
    >
      {sharedWords.takeNearest} {nearest.text}
    </Button>
  );
}
