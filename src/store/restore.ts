import type { Project } from '@/core/project/project';
import { dryRun, standingOf, type Backup, type BackedUpProject, type Standing } from './backup';
import { addProjectAs, editStored, writeLog } from './projects';
import type { ProjectStorage, RecordTable, WriteOutcome } from './storage';

/** `merge`: what is new or newer comes in, nothing else changes. `whole`: everything is as it was then. */
export type RestoreMode = 'merge' | 'whole';

export interface Restored {
  readonly outcome: WriteOutcome;
  /** How many projects came in or were brought to what they were. */
  readonly projects: number;
  readonly logs: number;
  readonly records: number;
}

/**
 * Restores a backup: project by project, each in a transaction of its own, and what is to go last of all. Stopped in the
 * middle, what stood before stands or has been replaced whole; what is replaced can be undone in its own history, and what
 * goes lies in the bin.
 */
export async function restoreBackup(
  storage: ProjectStorage,
  backup: Backup,
  mode: RestoreMode,
  now: number,
  onProgress: (share: number) => void,
): Promise<Restored> {
  const run = await dryRun(storage, backup);
  const standings = new Map(run.projects.map(({ id, standing }) => [id, standing]));
  let [projects, logs, records] = [0, 0, 0];
  const failed = (outcome: WriteOutcome): Restored => ({ outcome, projects, logs, records });
  for (const [index, entry] of backup.projects.entries()) {
    const standing = standings.get(entry.project.id) ?? 'new';
    const outcome = await restoreProject(storage, entry, standing, mode);
    if (outcome !== 'saved' && outcome !== 'kept') return failed(outcome);
    if (outcome === 'saved') projects += 1;
    const written = await restoreLogs(storage, entry);
    logs += written.count;
    if (written.outcome !== 'saved') return failed(written.outcome);
    onProgress((index + 1) / (backup.projects.length + 1));
  }
  for (const table of [
    () => restoreRecords(storage.ldrs, backup.records.ldrs, mode),
    () => restoreRecords(storage.meters, backup.records.meters, mode),
    () => restoreRecords(storage.levels, backup.records.levels, mode),
    () => restoreRecords(storage.transistors, backup.records.transistors, mode),
    () => restoreRecords(storage.ics, backup.records.ics, mode),
    () => restoreRecords(storage.entries, backup.records.entries, mode),
  ]) {
    const { outcome, count } = await table();
    records += count;
    if (outcome !== 'saved') return failed(outcome);
  }
  if (mode === 'whole' && run.onlyHere.length > 0) {
    const outcome = await storage.label(
      run.onlyHere.map(({ id }) => id),
      { deletedAt: now },
    );
    if (outcome !== 'saved') return failed(outcome);
  }
  onProgress(1);
  return { outcome: 'saved', projects, logs, records };
}

async function restoreProject(
  storage: ProjectStorage,
  entry: BackedUpProject,
  standing: Standing,
  mode: RestoreMode,
): Promise<WriteOutcome | 'kept'> {
  const { project, changedAt, tags, isArchived } = entry;
  const label = { tags, isArchived };
  switch (standing) {
    case 'new': {
      const outcome = await addProjectAs(storage, project, changedAt);
      return outcome === 'saved' ? storage.label([project.id], label) : outcome;
    }
    case 'binned': {
      // Out of the bin, and then as any other: what is newer here stays.
      const here = await storage.raw(project.id);
      const outcome = await storage.label([project.id], { ...label, deletedAt: null });
      if (outcome !== 'saved' || !here) return outcome;
      const card = { deletedAt: null, changedAt: here.changedAt };
      const next = await standingOf(storage, card, project, changedAt);
      const restored = await restoreProject(storage, entry, next, mode);
      return restored === 'kept' ? 'saved' : restored;
    }
    case 'same':
      return mode === 'whole' ? storage.label([project.id], label) : 'kept';
    case 'older':
      if (mode === 'merge') return 'kept';
      break;
    case 'newer':
      break;
  }
  const outcome = await editStored(storage, project.id, (): Project => project);
  return outcome === 'saved' ? storage.label([project.id], label) : outcome;
}

async function restoreLogs(
  storage: ProjectStorage,
  { project, logs }: BackedUpProject,
): Promise<{ readonly outcome: WriteOutcome; readonly count: number }> {
  const here = new Map((await storage.logs.list(project.id)).map((record) => [record.id, record.count]));
  let count = 0;
  for (const log of logs) {
    if ((here.get(log.record.id) ?? -1) >= log.record.count) continue;
    const outcome = await writeLog(storage, log);
    if (outcome !== 'saved') return { outcome, count };
    count += 1;
  }
  return { outcome: 'saved', count };
}

async function restoreRecords<T extends { readonly id: string }>(
  table: RecordTable<T>,
  records: readonly T[],
  mode: RestoreMode,
): Promise<{ readonly outcome: WriteOutcome; readonly count: number }> {
  const here = new Set((await table.all()).map(({ id }) => id));
  let count = 0;
  for (const record of records) {
    if (mode === 'merge' && here.has(record.id)) continue;
    const outcome = await table.put(record);
    if (outcome !== 'saved') return { outcome, count };
    count += 1;
  }
  return { outcome: 'saved', count };
}
