'use client';

import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { MAX_POINTS } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLive, useLiveState } from '@/ui/live/context';
import { recorderOf } from '@/ui/live/sources';
import { useKeys } from '@/ui/workbench/useKeys';
import { storageTrouble } from '@/ui/words/refusals';
import { spanText } from '@/ui/words/time';
import styles from './Log.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const named = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** Starts, pauses and ends a log, and sets marks in it. @param onChange the log that is running now, or `null` */
export function RecordPanel({ onChange }: { readonly onChange: (id: string | null) => void }) {
  const { session, projectId } = useLive();
  const log = useLiveState((live) => live.log);
  const state = useLiveState((live) => live.state);
  const kind = useLiveState((live) => live.kind);
  const saved = useLiveState((live) => live.logSaved);
  const mark = useMark();
  const start = async () => {
    const storage = await openStorage();
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
    const recorder = recorderOf(session, storage.logs, record);
    session.record(recorder);
    await recorder.flush();
    onChange(id);
  };
  const stop = async () => {
    session.changeLog((recorder) => recorder.change({ state: 'stopped' }));
    await session.recorder?.flush();
    const { recorder } = session;
    session.record(null);
    onChange(recorder?.record.id ?? null);
  };
  if (!log) {
    return (
      <Panel title={measureWords.record}>
        <p className="soft">
          {state === 'closed'
            ? 'Connect a meter above first; then every figure it tells is kept with its time.'
            : 'Every figure of the meter is kept with its time, also over a reload of this page.'}
        </p>
        <span>
          <Button type="primary" disabled={state === 'closed'} onClick={() => void start()}>
            {measureWords.startRecording}
          </Button>
        </span>
      </Panel>
    );
  }
  const paused = log.state === 'paused';
  return (
    <Panel title={paused ? 'Paused' : 'Recording'} aside={<span className="soft">{log.name}</span>}>
      <Fact
        name="Points"
        value={<span data-testid="log-count">{log.count}</span>}
        note={`of up to ${MAX_POINTS.toLocaleString('en-GB')}`}
      />
      <Fact name="Running for" value={spanText((log.lastEvent ?? log.startedAt) - log.startedAt)} />
      {state === 'closed' && (
        <p role="alert" className={styles.trouble}>
          {measureWords.theMeterIs}
        </p>
      )}
      {saved !== 'saved' && (
        <p role="alert" className={styles.trouble}>
          {storageTrouble(saved)}
        </p>
      )}
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
    </Panel>
  );
}

/** Marks at the time of the last figure, told or not. */
function useMark() {
  const { session } = useLive();
  const [text, type] = useState('');
  const set = () => {
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
