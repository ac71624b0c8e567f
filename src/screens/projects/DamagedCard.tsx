'use client';

import { DeleteOutlined, DownloadOutlined, FileDoneOutlined } from '@ant-design/icons';
import { useEffect, useState } from 'react';
import { soundParts, type SoundParts } from '@/core/project/soundParts';
import type { ProjectStorage, StoredProject } from '@/store/storage';
import { download } from '@/ui/common/download';
import { projectsWords } from '@/ui/words/panels/projects';
import { soundText } from '@/ui/words/refusals';
import { Tool } from './ProjectCard';
import styles from './ProjectCard.module.css';

interface DamagedCardProps {
  readonly id: string;
  readonly storage: ProjectStorage;
  readonly onOpenSound: (parts: SoundParts) => void;
  readonly onDelete: () => void;
}

/** A project whose stored figures cannot be read: it can be saved as it is, opened as far as it is sound, or deleted. */
export function DamagedCard({ id, storage, onOpenSound, onDelete }: DamagedCardProps) {
  const [raw, setRaw] = useState<StoredProject | null>(null);
  useEffect(() => {
    let left = false;
    void storage.raw(id).then(
      (found) => !left && setRaw(found),
      () => undefined,
    );
    return () => {
      left = true;
    };
  }, [id, storage]);
  const parts = raw && soundParts(raw.project);
  return (
    <li className={styles.card}>
      <div className={styles.text}>
        <b>{projectsWords.aDamagedProject}</b>
        <p className="soft">What this browser has stored of it ({id}) cannot be read. It is left as it is.</p>
        {parts && <p>{soundText(parts)}</p>}
      </div>
      <div className={styles.tools}>
        <Tool
          label={projectsWords.saveAsIt}
          name="the damaged project"
          icon={<DownloadOutlined />}
          onClick={() => download(`damaged-${id}.json`, JSON.stringify(raw, null, 2), 'application/json')}
        />
        {parts && (
          <Tool
            label={projectsWords.openSound}
            name="of the damaged project"
            icon={<FileDoneOutlined />}
            onClick={() => onOpenSound(parts)}
          />
        )}
        <Tool
          label={projectsWords.delete}
          name="the damaged project"
          icon={<DeleteOutlined />}
          onClick={onDelete}
        />
      </div>
    </li>
  );
}
