'use client';

import { fixed } from '@/core/quantity/notation';
import { Button } from 'antd';
import { GAP } from '@/core/quantity/format';
import type { BenchEvent } from '@/core/simulate/liveBench';
import { Panel } from '@/ui/common/Panel';
import { useLightText } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { timeText } from '@/ui/words/time';
import styles from '../Try.module.css';
import { useTold, type BenchRun } from './useLiveBench';

interface BenchEventsProps {
  readonly run: BenchRun;
  readonly markedAt: number | null;
  readonly onMark: (at: number | null) => void;
}

const SHOWN = 12;

function eventText({ what, isOn, design }: BenchEvent, hasTwo: boolean): string {
  const of = hasTwo ? (design === 0 ? ' (this)' : ' (beside)') : '';
  if (what === 'contact') return `contact ${isOn ? 'closes' : 'opens'}${of}`;
  if (what === 'step') return `a step ${isOn ? 'more' : 'fewer'}${of}`;
  return `load ${isOn ? 'on' : 'off'}${of}`;
}

/** What has happened, the latest first; a marker measures from one event to all others. */
export function BenchEvents({ run, markedAt, onMark }: BenchEventsProps) {
  const light = useLightText();
  const { bench } = run;
  useTold(run, 'things', () => bench.events.at(-1));
  const events = bench.events.slice(-SHOWN).reverse();
  const hasTwo = bench.simulations.length > 1;
  return (
    <Panel
      title={tryWords.happened}
      aside={
        markedAt !== null && (
          <Button size="small" onClick={() => onMark(null)}>
            {tryWords.reset}
          </Button>
        )
      }
    >
      {events.length === 0 && <p className="soft">{tryWords.nothingYet}</p>}
      <ul className={styles.events}>
        {events.map((event, index) => (
          <li key={`${event.at} ${event.what} ${event.design} ${index}`}>
            <span className="figures">{timeOf(event.at, markedAt)}</span>
            <span>
              {eventText(event, hasTwo)} <span className="soft">at {light(event.lux)}</span>
            </span>
            <Button
              size="small"
              type={event.at === markedAt ? 'primary' : 'text'}
              aria-label={`${tryWords.marker}: ${eventText(event, hasTwo)}`}
              onClick={() => onMark(event.at)}
            >
              {tryWords.mark}
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** Since the start, or since the marker with its sign. */
function timeOf(at: number, markedAt: number | null): string {
  if (markedAt === null) return `${fixed(at, 3)}${GAP}s`;
  const apart = at - markedAt;
  if (apart === 0) return `0${GAP}s`;
  return `${apart < 0 ? '−' : '+'}${timeText(Math.abs(apart))}`;
}
