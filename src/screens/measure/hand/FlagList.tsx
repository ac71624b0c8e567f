'use client';

import { Button } from 'antd';
import type { Design } from '@/core/design';
import {
  changeReading,
  deleteReading,
  readAgain,
  setReadingAside,
  trustReading,
} from '@/core/project/readingEdits';
import type { Flag } from '@/core/readings/judge';
import { useApply, useProject } from '@/ui/workbench/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { ohms } from '@/ui/words/figures';
import { readingLightText } from '@/ui/words/light';
import { flagSentence } from '@/ui/words/measure/readings';
import styles from './FlagList.module.css';
import { RightOrWrongNote } from './RightOrWrongNote';
import { measureWords } from '@/ui/words/panels/measure';

/** The readings that do not go with the others, each with what would fix it. Nothing is dropped by itself. */
export function FlagList({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { readings } = useProject();
  const { flags } = design.judgement;
  const doubted = flags.find(isDoubted);
  const again = (id: string) => apply(readAgain(id));
  useKeys({ a: () => doubted && again(doubted.id) });
  if (flags.length === 0) return null;
  return (
    <section className={styles.flags} aria-label={measureWords.readingsWorthA}>
      {flags.map((flag) => (
        <FlagRow
          key={flag.id}
          flag={flag}
          lux={design.resolved.lights[readings.findIndex(({ id }) => id === flag.id)] ?? null}
          onAgain={again}
          hasKey={flag === doubted}
        />
      ))}
    </section>
  );
}

/** Whether a reading may be wrong, and is not only less sure than it could be. */
const isDoubted = ({ code }: Flag) => code !== 'coarse' && code !== 'unsettled';

interface FlagRowProps {
  readonly flag: Flag;
  readonly lux: number | null;
  readonly onAgain: (id: string) => void;
  /** The key that reads again is this one's. */
  readonly hasKey: boolean;
}

function FlagRow({ flag, lux, onAgain, hasKey }: FlagRowProps) {
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
      {isDoubted(flag) && <RightOrWrongNote id={flag.id} lux={lux} read={reading.ohms} />}
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
        {flag.code === 'unsettled' && (
          <Button size="small" onClick={() => onAgain(flag.id)}>
            {measureWords.readItAgain}
          </Button>
        )}
        {isDoubted(flag) && (
          <>
            <Button size="small" onClick={() => onAgain(flag.id)}>
              {measureWords.readItAgain} {hasKey && <kbd>A</kbd>}
            </Button>
            <Button size="small" onClick={() => apply(setReadingAside(flag.id, true))}>
              {measureWords.setAside}
            </Button>
            <Button size="small" onClick={() => apply(trustReading(flag.id, true))}>
              {measureWords.itIsRight}
            </Button>
          </>
        )}
        <Button size="small" onClick={() => apply(deleteReading(flag.id))}>
          {measureWords.delete}
        </Button>
      </span>
    </article>
  );
}
