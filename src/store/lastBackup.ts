import { within } from '@/core/schema';
import { sampleProjects } from '@/core/project/samples';
import type { ProjectCard, ProjectStorage } from './storage';

const LAST_BACKUP = 'last-backup';
const FIRST_SEEN = 'first-seen';
const timeField = within({ min: 0, max: 1e14 });

/** An older backup than this is worth a reminder. */
export const BACKUP_DUE_MILLISECONDS = 30 * 86_400_000;

/** When the last backup was made in this browser, in ms since 1970; `null` for never. */
export const lastBackup = (storage: ProjectStorage) => storage.setting(LAST_BACKUP, timeField);

export const noteBackup = (storage: ProjectStorage, now: number) => storage.saveSetting(LAST_BACKUP, now);

/** Since when there could have been a backup: the last one, or the first visit. */
export async function backupBase(storage: ProjectStorage, now: number): Promise<number> {
  const last = await lastBackup(storage);
  if (last !== null) return last;
  const first = await storage.setting(FIRST_SEEN, timeField);
  if (first === null) await storage.saveSetting(FIRST_SEEN, now);
  return first ?? now;
}

/** Whether something own has changed since, and that is long ago. */
export function isBackupDue(cards: readonly ProjectCard[], base: number, now: number): boolean {
  if (now - base < BACKUP_DUE_MILLISECONDS) return false;
  const samples = new Set(sampleProjects.map(({ id }) => id));
  return cards.some(
    ({ id, changedAt, revision, deletedAt }) =>
      deletedAt === null && changedAt > base && (revision > 1 || !samples.has(id)),
  );
}
