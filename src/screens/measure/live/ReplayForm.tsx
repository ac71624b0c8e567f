'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { LogSeries } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';
import { useLive } from '@/ui/live/context';
import { replaySource } from '@/ui/live/sources';
import { useLogs } from '@/ui/live/useLogs';
import { CsvButton } from '../csv/CsvButton';
import styles from './Live.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const speeds = [1, 10, 60, 600].map((value) => ({
  value,
  label: value === 1 ? 'as it was' : `${value} times faster`,
}));

/** Plays a log of this project, or a CSV file that becomes one, as if it were a meter. */
export function ReplayForm() {
  const { session, projectId } = useLive();
  const logs = useLogs(projectId);
  const [chosen, setChosen] = useState<string | null>(null);
  const [speed, setSpeed] = useState(10);
  const id = chosen ?? logs[logs.length - 1]?.id ?? null;
  const play = async () => {
    if (!id) return;
    const storage = await openStorage();
    const series = LogSeries.of(await storage.logs.chunks(id));
    await session.connect(replaySource(series, speed));
  };
  return (
    <div className={styles.form}>
      {logs.length === 0 ? (
        <p className="soft">{measureWords.noLogYet}</p>
      ) : (
        <label className={styles.line}>
          Log
          <Select
            value={id}
            options={logs.map((log) => ({ value: log.id, label: `${log.name} (${log.count} points)` }))}
            onChange={setChosen}
          />
        </label>
      )}
      <label className={styles.line}>
        Pace
        <Select value={speed} options={speeds} onChange={setSpeed} />
      </label>
      <span className={styles.ways}>
        <Button type="primary" disabled={!id} onClick={() => void play()}>
          {measureWords.playIt}
        </Button>
        <CsvButton target="log" onDone={setChosen} />
      </span>
    </div>
  );
}
