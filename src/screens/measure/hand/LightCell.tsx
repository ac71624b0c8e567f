'use client';

import { nanoid } from 'nanoid';
import { together } from '@/core/project/edits';
import { changeReading, putLevel } from '@/core/project/readingEdits';
import { lightAsTyped, parseLight, type TypedLight } from '@/core/readings/parseLight';
import { sameLight, type Reading } from '@/core/readings/reading';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import { lightRefusal } from '@/ui/words/measure/readings';
import styles from './ReadingTable.module.css';

/** The light of a reading, to be told in another way where it stands: lux, a distance, a name. */
export function LightCell({ reading, name }: { readonly reading: Reading; readonly name: string }) {
  const apply = useApply();
  const { levels } = useProject();
  const { light } = reading;
  const bare = light.kind === 'lamp' ? 'distance' : 'lux';
  const field = useTypedText<TypedLight>(lightAsTyped(light, levels), (text) => {
    const parsed = parseLight(text, { bare, levels, previous: light });
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: lightRefusal(parsed) };
  });
  const commit = (typed: TypedLight) => {
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
      <TypedInput
        label={`Light of the reading at ${name}`}
        field={field}
        title={name}
        filled
        className={light.kind === 'level' ? undefined : 'figures'}
        onCommit={commit}
      />
    </div>
  );
}
