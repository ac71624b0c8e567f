'use client';

import { Button } from 'antd';
import type { Design } from '@/core/design';
import { changeReading, deleteReading, setReadingAside } from '@/core/project/edits';
import type { Flag } from '@/core/readings/judge';
import { useApply, useProject } from '@/ui/workbench/context';
import { ohms } from '@/ui/words/figures';
import { readingLightText } from '@/ui/words/light';
import { flagSentence } from '@/ui/words/readings';
import styles from './FlagList.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** The readings that do not go with the others, each with what would fix it. Nothing is dropped by itself. */
export function FlagList({ design }: { readonly design: Design }) {
  const { flags } = design.judgement;
  if (flags.length === 0) return null;
  return (
    <section className={styles.flags} aria-label={measureWords.readingsWorthA}>
      {flags.map((flag) => (
        <FlagRow key={flag.id} flag={flag} />
      ))}
    </section>
  );
}

function FlagRow({ flag }: { readonly flag: Flag }) {
  const apply = useApply();
  const { readings, levels } = useProject();
  const nameOf = (id: string) => {
    const found = readings.find((reading) => reading.id === id);
    return found ? readingLightText(found.light, levels) : '';
  };
  const reading = readings.find(({ id }) => id === flag.id);
  if (!reading) return null;
  const name = nameOf(flag.id);
  return (
    <article className={styles.flag}>
      <p>{flagSentence(flag, reading, name, nameOf)}</p>
      <span className={styles.ways}>
        {flag.code === 'slip' && (
          <Button
            size="small"
            type="primary"
            onClick={() => apply(changeReading(flag.id, { ohms: flag.fixedOhmsOf, rangeOhms: null }))}
          >
            Make it {ohms(flag.fixedOhmsOf)}
          </Button>
        )}
        {flag.code !== 'coarse' && (
          <Button size="small" onClick={() => apply(setReadingAside(flag.id, true))}>
            {measureWords.setAside}
          </Button>
        )}
        <Button size="small" onClick={() => apply(deleteReading(flag.id))}>
          {measureWords.delete}
        </Button>
      </span>
    </article>
  );
}
