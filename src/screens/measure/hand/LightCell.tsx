'use client';

import { Input } from 'antd';
import { nanoid } from 'nanoid';
import { useId } from 'react';
import { changeReading, putLevel, together } from '@/core/project/edits';
import { lightAsTyped, parseLight, type TypedLight } from '@/core/readings/parseLight';
import { sameLight, type Reading } from '@/core/readings/reading';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import { lightRefusal } from '@/ui/words/readings';
import styles from './ReadingTable.module.css';

/** The light of a reading, to be told in another way where it stands: lux, a distance, a name. */
export function LightCell({ reading, name }: { readonly reading: Reading; readonly name: string }) {
  const id = useId();
  const apply = useApply();
  const { levels } = useProject();
  const { light } = reading;
  const bare = light.kind === 'lamp' ? 'distance' : 'lux';
  const field = useTypedText<TypedLight>(lightAsTyped(light, levels), (text) => {
    const parsed = parseLight(text, { bare, levels, previous: light });
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: lightRefusal(parsed) };
  });
  const commit = () => {
    const typed = field.read();
    if (typed === null) return;
    field.reset();
    if ('light' in typed) {
      if (!sameLight(typed.light, light)) apply(changeReading(reading.id, { light: typed.light }));
      return;
    }
    const level = { id: nanoid(10), name: typed.newLevel, lux: null };
    apply(
      together(putLevel(level), changeReading(reading.id, { light: { kind: 'level', level: level.id } })),
    );
  };
  return (
    <div className={styles.light}>
      <Input
        aria-label={`Light of the reading at ${name}`}
        variant="filled"
        className={light.kind === 'level' ? undefined : 'figures'}
        value={field.text}
        title={name}
        status={field.error ? 'error' : ''}
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
