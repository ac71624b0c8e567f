'use client';

import { Button, Progress } from 'antd';
import type { Work } from '@/ui/common/useWork';
import { sharedWords } from '@/ui/words/panels/shared';
import { workTrouble } from '@/ui/words/work';
import styles from './WorkStart.module.css';

interface WorkStartProps {
  readonly work: Pick<Work<unknown>, 'running' | 'failed' | 'start' | 'cancel'>;
  /** What the button says. */
  readonly name: string;
  readonly isPrimary?: boolean;
  readonly isReady?: boolean;
  /** There is nothing to start: its result is there. */
  readonly isDone?: boolean;
}

/** Begins a work beside the page, shows how far it is, gives it up, and says why it gave nothing. */
export function WorkStart({ work, name, isPrimary = false, isReady = true, isDone = false }: WorkStartProps) {
  const { running, failed, start, cancel } = work;
  return (
    <>
      {running !== null ? (
        <span className={styles.progress}>
          <Progress percent={Math.round(running * 100)} size="small" />
          <Button onClick={cancel}>{sharedWords.cancel}</Button>
        </span>
      ) : (
        !isDone && (
          <Button
            type={isPrimary ? 'primary' : 'default'}
            disabled={!isReady}
            onClick={start}
            style={isPrimary ? undefined : { justifySelf: 'start' }}
          >
            {name}
          </Button>
        )
      )}
      {failed && (
        <p role="alert" className={styles.trouble}>
          {workTrouble(failed)}
        </p>
      )}
    </>
  );
}
