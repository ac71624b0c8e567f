'use client';

import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import type { ProjectCard, ProjectStorage } from '@/store/storage';
import { Panel } from '@/ui/common/Panel';
import { storageWords } from '@/ui/words/panels/storage';
import { storageTrouble } from '@/ui/words/refusals';
import type { ProjectActions } from '../projects/useProjects';
import styles from './Storage.module.css';

const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

interface BinPanelProps {
  readonly storage: ProjectStorage;
  readonly cards: readonly ProjectCard[];
  readonly actions: ProjectActions;
}

/** Deleted projects: brought back, or deleted for good. */
export function BinPanel({ storage, cards, actions }: BinPanelProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const binned = cards.filter(({ deletedAt }) => deletedAt !== null);
  const empty = async () => {
    const outcome = await storage.purge(binned.map(({ id }) => id));
    setTrouble(outcome === 'saved' ? null : storageTrouble(outcome));
  };
  return (
    <Panel title={storageWords.bin}>
      <p className="soft">{binned.length === 0 ? storageWords.binEmpty : storageWords.binKept}</p>
      <ul className={styles.bin}>
        {binned.map(({ id, summary, deletedAt }) => (
          <li key={id}>
            <span>
              {summary?.name ?? id} <span className="soft">deleted {day.format(deletedAt ?? 0)}</span>
            </span>
            <Button
              size="small"
              aria-label={`${storageWords.bringBack} ${summary?.name ?? id}`}
              onClick={() => void actions.label([id], { deletedAt: null })}
            >
              {storageWords.bringBack}
            </Button>
          </li>
        ))}
      </ul>
      {trouble && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      {binned.length > 0 && (
        <span>
          <Popconfirm
            title={storageWords.sureEmpty}
            okText={storageWords.emptyBin}
            onConfirm={() => void empty()}
          >
            <Button danger>{storageWords.emptyBin}</Button>
          </Popconfirm>
        </span>
      )}
    </Panel>
  );
}
