'use client';

import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { MAX_POINTS, type LogRecord } from '@/core/live/log';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLive, useLiveState } from '@/ui/live/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { logWords } from '@/ui/words/panels/log';
import { logTrouble } from '@/ui/words/refusals';
import { spanText } from '@/ui/words/time';
import styles from './Log.module.css';
import { saveLogCsv } from '@/ui/keeping/saveLogCsv';
import { wholeText } from '@/ui/words/figures';
import { measureWords } from '@/ui/words/panels/measure';

const named = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** Starts, pauses and ends a log, and sets marks in it. @param onChange the log that is running now, or `null` */
export function RecordPanel({ onChange }: { readonly onChange: (id: string | null) => void }) {
  const log = useLiveState((live) => live.log);
  const elsewhere = useLiveState((live) => live.elsewhere);
  if (log) return <Recorded log={log} onChange={onChange} />;
  if (elsewhere) return <RecordedElsewhere log={elsewhere} />;
  return <StartPanel onChange={onChange} />;
}

function StartPanel({ onChange }: { readonly onChange: (id: string | null) => void }) {
  const { projectId, recording, session } = useLive();
  const state = useLiveState((live) => live.state);
  const kind = useLiveState((live) => live.kind);
  const [trouble, setTrouble] = useState<string | null>(null);
  const start = async () => {
    const id = nanoid(10);
    const now = Date.now();
    const record = {
      id,
      projectId,
      name: `Log of ${named.format(now)}`,
      source: kind ?? 'keyboard',
      startedAt: now,
      state: 'running' as const,
      count: 0,
      marks: [],
      lastEvent: null,
      note: '',
    };
    const isStarted = (await recording?.start(record)) ?? false;
    setTrouble(isStarted ? null : logWords.busyElsewhere);
    if (!isStarted) return;
    await session.recorder?.flush();
    onChange(id);
  };
  return (
    <Panel title={measureWords.record}>
      <p className="soft">
        {state === 'closed'
          ? 'Connect a meter above first; then every figure it sends is kept with its time.'
          : 'Every figure of the meter is kept with its time, also over a reload of this page.'}
      </p>
      {trouble && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      <span>
        <Button type="primary" disabled={state === 'closed' || !recording} onClick={() => void start()}>
          {measureWords.startRecording}
        </Button>
      </span>
    </Panel>
  );
}

/** What another tab records, as it goes on there. */
function RecordedElsewhere({ log }: { readonly log: LogRecord }) {
  return (
    <Panel title={logWords.elsewhere} aside={<span className="soft">{log.name}</span>}>
      <Fact name="Points" value={<span data-testid="log-count">{log.count}</span>} />
      <Fact name="Marks" value={log.marks.length} />
      <p className="soft">{logWords.follows}</p>
    </Panel>
  );
}

function Recorded({
  log,
  onChange,
}: {
  readonly log: LogRecord;
  readonly onChange: (id: string | null) => void;
}) {
  const { session, recording } = useLive();
  const state = useLiveState((live) => live.state);
  const saved = useLiveState((live) => live.logSaved);
  const mark = useMark();
  const { state: running } = log;
  const stop = async () => {
    if (running !== 'stopped') session.changeLog((recorder) => recorder.change({ state: 'stopped' }));
    const outcome = await session.recorder?.flush();
    // What could not be stored stays here, with its ways out, until it is.
    if (outcome !== 'saved' && outcome !== 'gone') return;
    recording?.end();
    onChange(outcome === 'saved' ? log.id : null);
  };
  const drop = () => {
    recording?.end();
    onChange(null);
  };
  const paused = running === 'paused';
  const isOver = running === 'stopped' || saved === 'gone';
  const title = isOver ? logWords.ended : paused ? 'Paused' : 'Recording';
  return (
    <Panel title={title} aside={<span className="soft">{log.name}</span>}>
      <Fact
        name="Points"
        value={<span data-testid="log-count">{log.count}</span>}
        note={`of up to ${wholeText(MAX_POINTS)}`}
      />
      <Fact name="Running for" value={spanText((log.lastEvent ?? log.startedAt) - log.startedAt)} />
      {state === 'closed' && !isOver && (
        <p role="alert" className={styles.trouble}>
          {measureWords.theMeterIs}
        </p>
      )}
      {saved !== 'saved' && (
        <>
          <p role="alert" className={styles.trouble}>
            {logTrouble(saved)}
          </p>
          <span className={styles.ways}>
            {saved !== 'gone' && (
              <Button onClick={() => void (isOver ? stop() : session.recorder?.flush())}>
                {logWords.tryAgain}
              </Button>
            )}
            <Button
              onClick={() =>
                session.recorder && void saveLogCsv(log.name, session.recorder.series, log.marks)
              }
            >
              {logWords.saveCsv}
            </Button>
            {isOver && <Button onClick={drop}>{logWords.drop}</Button>}
          </span>
        </>
      )}
      {!isOver && (
        <>
          <span className={styles.ways}>
            <Button
              onClick={() =>
                session.changeLog((recorder) => recorder.change({ state: paused ? 'running' : 'paused' }))
              }
            >
              {paused ? 'Go on' : 'Pause'}
            </Button>
            <Button onClick={() => void stop()}>{measureWords.endTheLog}</Button>
          </span>
          <div className={styles.mark}>
            <Input
              aria-label={measureWords.whatHappensNow}
              placeholder={measureWords.whatHappensNow2}
              maxLength={120}
              value={mark.text}
              onChange={(event) => mark.type(event.target.value)}
              onKeyDown={(event) => event.key === 'Enter' && mark.set()}
            />
            <Button onClick={mark.set}>
              Mark <kbd>M</kbd>
            </Button>
          </div>
        </>
      )}
    </Panel>
  );
}

/** Marks at the time of the last figure, told or not. */
function useMark() {
  const { session } = useLive();
  const [text, type] = useState('');
  const set = () => {
    if (session.store.getState().log?.state === 'stopped') return;
    session.changeLog((recorder) =>
      recorder.mark({
        id: nanoid(8),
        at: session.store.getState().last?.at ?? Date.now(),
        text: text.trim() || `mark ${recorder.record.marks.length + 1}`,
      }),
    );
    type('');
  };
  useKeys({ m: set });
  return { text, type, set };
}
