'use client';

import { DeleteOutlined, DownloadOutlined } from '@ant-design/icons';
import { App, Button } from 'antd';
import { LogSeries, type LogRecord } from '@/core/live/log';
import { openStorage } from '@/store/openStorage';
import { Panel } from '@/ui/common/Panel';
import { useLive, useLiveState } from '@/ui/live/context';
import { logTrouble } from '@/ui/words/refusals';
import { CsvButton } from '../csv/CsvButton';
import styles from './Log.module.css';
import { saveLogCsv } from '@/ui/keeping/saveLogCsv';
import { useOfferUndo } from './useOfferUndo';
import { measureWords } from '@/ui/words/panels/measure';

interface LogListProps {
  readonly logs: readonly LogRecord[];
  readonly shown: string | null;
  readonly onShow: (id: string) => void;
  readonly onChange: () => void;
}

/** The logs of this project: to look at, to take out as CSV, to delete. */
export function LogList({ logs, shown, onShow, onChange }: LogListProps) {
  const running = useLiveState((live) => live.log);
  return (
    <Panel
      title={measureWords.logsOfThis}
      aside={<CsvButton target="log" onDone={(id) => (onChange(), onShow(id))} />}
    >
      {logs.length === 0 && !running && <p className="soft">{measureWords.noneYetA}</p>}
      <ul className={styles.logs}>
        {logs.map((log) => (
          <LogRow
            key={log.id}
            log={log.id === running?.id ? running : log}
            isRunning={log.id === running?.id}
            isShown={log.id === shown}
            onShow={() => onShow(log.id)}
            onChange={onChange}
          />
        ))}
      </ul>
    </Panel>
  );
}

interface LogRowProps {
  readonly log: LogRecord;
  readonly isRunning: boolean;
  readonly isShown: boolean;
  readonly onShow: () => void;
  readonly onChange: () => void;
}

function LogRow({ log, isRunning, isShown, onShow, onChange }: LogRowProps) {
  const { session } = useLive();
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const out = async () => {
    const series =
      isRunning && session.recorder
        ? session.recorder.series
        : LogSeries.of(await (await openStorage()).logs.chunks(log.id));
    const marks = isRunning ? (session.recorder?.record.marks ?? []) : log.marks;
    if (!(await saveLogCsv(log.name, series, marks))) void message.error(measureWords.csvNotWritten);
  };
  const remove = async () => {
    const storage = await openStorage();
    const chunks = await storage.logs.chunks(log.id);
    const outcome = await storage.logs.remove(log.id);
    onChange();
    if (outcome !== 'saved') return void message.error(logTrouble(outcome));
    offerUndo(`“${log.name}” is deleted`, () => storage.logs.write(log, chunks));
  };
  return (
    <li className={isShown ? styles.shown : undefined}>
      <button type="button" className={styles.name} onClick={onShow} aria-pressed={isShown}>
        {log.name} <span className="soft">{log.count} points</span>
      </button>
      <Button
        type="text"
        size="small"
        icon={<DownloadOutlined />}
        aria-label={`CSV out of ${log.name}`}
        title={measureWords.cSVOut}
        onClick={() => void out()}
      />
      {!isRunning && (
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Delete ${log.name}`}
          onClick={() => void remove()}
        />
      )}
    </li>
  );
}
