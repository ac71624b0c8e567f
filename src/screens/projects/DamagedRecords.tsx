'use client';

import { Alert, Button } from 'antd';
import { useEffect, useState } from 'react';
import type { DamagedRecord, ProjectStorage } from '@/store/storage';
import { download } from '@/ui/common/download';
import styles from './ProjectsScreen.module.css';
import { projectsWords } from '@/ui/words/panels/projects';

/** What this browser keeps beside the projects and cannot read: each can be saved as it is, and deleted. */
export function DamagedRecords({ storage }: { readonly storage: Pick<ProjectStorage, 'damaged'> | null }) {
  const [damaged, setDamaged] = useState<readonly DamagedRecord[]>([]);
  useEffect(() => {
    let left = false;
    void storage?.damaged().then(
      (found) => {
        // A damaged project has a card of its own.
        if (!left) setDamaged(found.filter(({ what }) => what !== 'project'));
      },
      () => undefined,
    );
    return () => {
      left = true;
    };
  }, [storage]);
  if (damaged.length === 0) return null;
  const forget = (record: DamagedRecord) =>
    void record.forget().then(() => setDamaged((present) => present.filter((other) => other !== record)));
  return (
    <Alert
      type="warning"
      showIcon
      title={projectsWords.someStoredRecords}
      description={
        <ul className={styles.damaged}>
          {damaged.map((entry) => (
            <li key={`${entry.what} ${entry.id}`}>
              {entry.what} {entry.id}{' '}
              <Button
                size="small"
                onClick={() =>
                  download(
                    `damaged-${entry.id}.json`,
                    JSON.stringify(entry.record, null, 2),
                    'application/json',
                  )
                }
              >
                Save {entry.what} as it is
              </Button>{' '}
              <Button size="small" onClick={() => forget(entry)}>
                Delete {entry.what}
              </Button>
            </li>
          ))}
        </ul>
      }
    />
  );
}
