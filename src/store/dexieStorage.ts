import Dexie, { liveQuery, type EntityTable, type Table } from 'dexie';
import { migrateProject } from '@/core/project/migrate';
import type { HistoryEntry, ProjectBundle, ProjectStorage, StoredProject, WriteOutcome } from './storage';

/** The browser's database. Versions are append-only. */
export class YemkoDatabase extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>;
  history!: Table<HistoryEntry, [string, number]>;
  settings!: EntityTable<{ key: string; value: unknown }, 'key'>;

  constructor(name = 'yemko') {
    super(name);
    this.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
    this.version(2).upgrade(async (transaction) => {
      const upgrade = (entry: { project: unknown }) => {
        entry.project = migrateProject(entry.project, 1);
      };
      await transaction.table('projects').toCollection().modify(upgrade);
      await transaction.table('history').toCollection().modify(upgrade);
    });
  }
}

/** Projects in IndexedDB. Every write is one transaction; its failure is a value. */
export function dexieStorage(db: YemkoDatabase): ProjectStorage {
  const historyOf = (id: string) =>
    db.history.where('[projectId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  const change = (work: () => Promise<void>): Promise<WriteOutcome> =>
    db.transaction('rw', db.projects, db.history, work).then(() => 'saved' as const, outcomeOf);

  return {
    kept: 'browser',
    list: () => db.projects.orderBy('changedAt').reverse().toArray(),
    load: async (id) => {
      const [stored, history] = await db.transaction('r', db.projects, db.history, () =>
        Promise.all([db.projects.get(id), historyOf(id).toArray()]),
      );
      return stored ? { stored, history } : null;
    },
    write: ({ stored, entries, firstSeq, lastSeq }) =>
      change(async () => {
        await db.projects.put(stored);
        await db.history.bulkPut([...entries]);
        await historyOf(stored.id)
          .filter(({ seq }) => seq > lastSeq || seq < firstSeq)
          .delete();
      }),
    add: (bundles) =>
      change(async () => {
        await db.projects.bulkAdd(bundles.map((bundle: ProjectBundle) => bundle.stored));
        await db.history.bulkAdd(bundles.flatMap((bundle) => bundle.history));
      }),
    remove: (id) =>
      change(async () => {
        await db.projects.delete(id);
        await historyOf(id).delete();
      }),
    watch: (onChange) => {
      const subscription = liveQuery(() => db.projects.toArray()).subscribe({
        next: onChange,
        error: () => undefined,
      });
      return () => subscription.unsubscribe();
    },
    setting: (key) => db.settings.get(key).then((entry) => entry?.value),
    saveSetting: (key, value) => db.settings.put({ key, value }).then(() => 'saved' as const, outcomeOf),
  };
}

/** Whether a failed write means that there is no room, or that nothing may be stored at all. */
function outcomeOf(error: unknown): WriteOutcome {
  const names = [error, (error as { inner?: unknown } | null)?.inner].map(
    (candidate) => (candidate as { name?: string } | null | undefined)?.name,
  );
  return names.includes('QuotaExceededError') ? 'full' : 'refused';
}
