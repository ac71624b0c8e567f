'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { lastBackup, noteBackup } from '@/store/lastBackup';
import type { ProjectStorage } from '@/store/storage';
import { download } from '@/ui/common/download';
import { Panel } from '@/ui/common/Panel';
import { useFileJob } from '@/ui/keeping/fileJobs';
import { bytesText } from '@/ui/words/figures';
import { storageWords } from '@/ui/words/panels/storage';
import styles from './Storage.module.css';
import { WorkProgress } from './WorkProgress';

const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' });

/** Everything in one file. */
export function BackupPanel({ storage }: { readonly storage: ProjectStorage }) {
  const { run, progress, trouble, said, say, cancel } = useFileJob(storage, 'backup');
  const [last, setLast] = useState<number | null>(null);
  useEffect(() => {
    void lastBackup(storage).then(setLast, () => undefined);
  }, [storage]);
  const make = async () => {
    const result = await run({ kind: 'backup' });
    if (result?.kind !== 'backup') return;
    const now = new Date();
    download(`yemko-backup-${now.toISOString().slice(0, 10)}.zip`, result.file, 'application/zip');
    say(`Backup made: ${bytesText(result.file.size)}.`);
    setLast(now.getTime());
    await noteBackup(storage, now.getTime());
  };
  return (
    <Panel title={storageWords.backup}>
      <p className="soft">{storageWords.backupTakes}</p>
      <p>{last === null ? storageWords.neverBackedUp : `Last backup: ${day.format(last)}.`}</p>
      {progress === null ? (
        <span className={styles.ways}>
          <Button type="primary" icon={<DownloadOutlined />} onClick={() => void make()}>
            {storageWords.makeBackup}
          </Button>
          <span role="status">{said}</span>
        </span>
      ) : (
        <WorkProgress share={progress} onCancel={cancel} />
      )}
      {trouble && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
    </Panel>
  );
}
