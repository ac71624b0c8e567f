'use client';

import { Button, Progress } from 'antd';
import { storageWords } from '@/ui/words/panels/storage';
import styles from './Storage.module.css';

/** How far a long work is, and the way out of it. */
export function WorkProgress({ share, onCancel }: { readonly share: number; readonly onCancel: () => void }) {
  return (
    <span className={styles.ways}>
      <Progress
        className={styles.progress}
        percent={Math.round(share * 100)}
        aria-label={storageWords.progress}
      />
      <Button onClick={onCancel}>{storageWords.cancel}</Button>
    </span>
  );
}
