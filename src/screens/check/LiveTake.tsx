'use client';

import { Button } from 'antd';
import { useContext } from 'react';
import { OVER_OHMS, type Probe } from '@/core/faults/probe';
import { LiveContext, useLiveState } from '@/ui/live/context';
import type { LiveState } from '@/ui/live/liveSession';
import { checkWords } from '@/ui/words/panels/check';
import styles from './Check.module.css';

interface LiveTakeProps {
  readonly kind: Extract<Probe['kind'], 'volts' | 'amps' | 'ohms'>;
  readonly label: string;
  readonly textOf: (value: number) => string;
  readonly onTake: (value: number) => void;
}

/** What a meter that talks shows now, to be taken by one click; nothing where none does, or it is on another range. */
export function LiveTake(props: LiveTakeProps) {
  return useContext(LiveContext) === null ? null : <Shown {...props} />;
}

/** What a probe of a kind would be answered with; a primitive, so that nothing is drawn anew but for another figure. */
const figureFor =
  (kind: LiveTakeProps['kind']) =>
  ({ state, figure, last, held }: LiveState): number | null => {
    if (state !== 'open') return null;
    if (kind !== 'ohms') return figure?.unit === (kind === 'volts' ? 'V' : 'A') ? figure.value : null;
    const sample = held ?? last;
    if (figure || !sample) return null;
    return sample.above ? OVER_OHMS : sample.ohms;
  };

function Shown({ kind, label, textOf, onTake }: LiveTakeProps) {
  const value = useLiveState(figureFor(kind));
  if (value === null) return null;
  return (
    <Button
      size="small"
      className={styles.live ?? ''}
      aria-label={`${checkWords.takeLive}: ${label}`}
      // The field that it stands beside keeps the focus.
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => onTake(value)}
    >
      {checkWords.takeShort} <span className="figures">{textOf(value)}</span>
    </Button>
  );
}
