import { useEffect, useState } from 'react';
import { backupBase, isBackupDue } from '@/store/lastBackup';
import { openStorage } from '@/store/openStorage';
import type { ProjectCard } from '@/store/storage';

/** Whether a backup should be made: the last one is old, and there is something new. */
export function useBackupDue(cards: readonly ProjectCard[] | null): boolean {
  const [isDue, setDue] = useState(false);
  useEffect(() => {
    if (!cards) return;
    let left = false;
    void openStorage()
      .then((storage) => backupBase(storage, Date.now()))
      .then((base) => !left && setDue(isBackupDue(cards, base, Date.now())))
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [cards]);
  return isDue;
}
