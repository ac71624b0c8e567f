'use client';

import { FolderOpenOutlined } from '@ant-design/icons';
import { Button, Popconfirm, Upload } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { DryRun } from '@/store/backup';
import type { RestoreMode } from '@/store/restore';
import type { ProjectStorage } from '@/store/storage';
import { Panel } from '@/ui/common/Panel';
import { useFileJob } from '@/ui/keeping/fileJobs';
import { fileTaker } from '@/ui/keeping/fileTaker';
import { damageLines, dryRunLines, restoredText, wholeWarning } from '@/ui/words/backup';
import { storageWords } from '@/ui/words/panels/storage';
import { backupRefusal, storageTrouble } from '@/ui/words/refusals';
import styles from './Storage.module.css';
import { WorkProgress } from './WorkProgress';

/** A backup is looked at first; what it would do is said before anything is done. */
export function RestorePanel({ storage }: { readonly storage: ProjectStorage }) {
  const { run, progress, trouble, setTrouble, said, say, cancel } = useFileJob(storage, 'restore');
  const [seen, setSeen] = useState<{ readonly file: File; readonly run: DryRun } | null>(null);
  const look = async (file: File) => {
    setSeen(null);
    const result = await run({ kind: 'look', file });
    if (result?.kind === 'refused') setTrouble(backupRefusal(result.refusal));
    if (result?.kind === 'look') setSeen({ file, run: result.run });
  };
  // Dropped on another page it waits there; dropped on this one it comes while this is shown.
  const lookAt = useRef(look);
  useEffect(() => {
    lookAt.current = look;
  });
  useEffect(() => {
    const take = ({ backup }: { readonly backup: File | null }) => {
      if (!backup) return;
      fileTaker.setState({ backup: null });
      void lookAt.current(backup);
    };
    queueMicrotask(() => take(fileTaker.getState()));
    return fileTaker.subscribe(take);
  }, []);
  const restore = async (mode: RestoreMode) => {
    if (!seen) return;
    const result = await run({ kind: 'restore', file: seen.file, mode });
    if (result?.kind === 'refused') setTrouble(backupRefusal(result.refusal));
    if (result?.kind !== 'restore') return;
    const { restored } = result;
    if (restored.outcome === 'saved') setSeen(null);
    else setTrouble(storageTrouble(restored.outcome));
    say(restoredText(restored));
  };
  return (
    <Panel title={storageWords.restore}>
      {progress !== null ? (
        <WorkProgress share={progress} onCancel={cancel} />
      ) : (
        <span className={styles.ways}>
          <Upload
            accept=".zip,application/zip"
            showUploadList={false}
            beforeUpload={(file) => {
              void look(file);
              return false;
            }}
          >
            <Button icon={<FolderOpenOutlined />}>{storageWords.restore}</Button>
          </Upload>
          <span role="status">{said}</span>
        </span>
      )}
      {trouble && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      {seen && progress === null && (
        <>
          <h3>{storageWords.whatItDoes}</h3>
          <ul className={styles.run}>
            {[...dryRunLines(seen.run), ...damageLines(seen.run.damaged)].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <span className={styles.ways}>
            <Button type="primary" onClick={() => void restore('merge')}>
              {storageWords.merge}
            </Button>
            <Popconfirm
              title={wholeWarning(seen.run)}
              okText={storageWords.whole}
              onConfirm={() => void restore('whole')}
            >
              <Button>{storageWords.whole}</Button>
            </Popconfirm>
            <Button type="text" onClick={() => setSeen(null)}>
              {storageWords.cancel}
            </Button>
          </span>
        </>
      )}
    </Panel>
  );
}
