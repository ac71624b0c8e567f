'use client';

import { Button, Input, type InputRef } from 'antd';
import { nanoid } from 'nanoid';
import { useId, useRef } from 'react';
import { addReading } from '@/core/project/edits';
import { parseReading } from '@/core/meter/parseReading';
import { LIMITS } from '@/core/project/project';
import { useQuantityText, useTypedText, type QuantityText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import styles from './ReadingEntry.module.css';

/** One line, no mouse: light, Enter, resistance, Enter, next. */
export function ReadingEntry() {
  const apply = useApply();
  const { readings, meter } = useProject();
  const lightInput = useRef<InputRef>(null);
  const ohmsInput = useRef<InputRef>(null);
  const light = useQuantityText(null, 'lx', LIMITS.lux);
  const resistance = useTypedText('', 'Ω', (text) => {
    const parsed = parseReading(text, meter, LIMITS.readingOhms);
    return parsed.ok ? { ok: true, taken: parsed } : parsed;
  });
  const full = readings.length >= LIMITS.readings;

  const add = () => {
    const lux = light.read();
    if (lux === null) return lightInput.current?.focus();
    const read = resistance.read();
    if (read === null) return ohmsInput.current?.focus();
    apply(addReading({ id: nanoid(10), lux, ohms: read.ohms, above: read.above }));
    light.reset();
    resistance.reset();
    lightInput.current?.focus();
  };
  const onwards = () => {
    if (resistance.text !== '') return add();
    if (light.read() !== null) ohmsInput.current?.focus();
  };
  if (full) return <p className="soft">A project holds up to {LIMITS.readings} readings.</p>;
  return (
    <div className={styles.entry}>
      <EntryField
        label="Light"
        unit="lx"
        example="12"
        field={light}
        input={lightInput}
        onEnter={onwards}
        autoFocus
      />
      <EntryField
        label="Resistance"
        unit="Ω"
        example="4k7"
        field={resistance}
        input={ohmsInput}
        onEnter={add}
      />
      <Button type="primary" onClick={add} className={styles.add}>
        Add
      </Button>
    </div>
  );
}

interface EntryFieldProps {
  readonly label: string;
  readonly unit: string;
  readonly example: string;
  readonly field: Omit<QuantityText<unknown>, 'read'>;
  readonly input: React.Ref<InputRef>;
  readonly onEnter: () => void;
  readonly autoFocus?: boolean;
}

function EntryField({ label, unit, example, field, input, onEnter, autoFocus = false }: EntryFieldProps) {
  const id = useId();
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        ref={input}
        autoFocus={autoFocus}
        value={field.text}
        placeholder={example}
        suffix={unit}
        autoComplete="off"
        status={field.error ? 'error' : ''}
        aria-invalid={field.error !== null}
        aria-describedby={field.error ? `${id}-error` : undefined}
        onChange={(event) => field.type(event.target.value)}
        onKeyDown={(event) => {
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
