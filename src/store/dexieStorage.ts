import { propertyOf } from '@/core/record';
import Dexie, { liveQuery, type EntityTable, type Table, type Transaction } from 'dexie';
import { migrateProject, renameKeys } from '@/core/project/migrate';
import { soundOr } from '@/core/schema';
import type { LogChunk, LogRecord } from '@/core/live/log';
import type { Meter } from '@/core/meter/meter';
import type { SavedLdr } from '@/core/readings/savedLdr';
import type { Level } from '@/core/readings/reading';
import type { TransistorModel } from '@/core/drivers/registry';
import type {
  HistoryEntry,
  LogStorage,
  ProjectBundle,
  ProjectStorage,
  RecordTable,
  StoredProject,
  WriteOutcome,
} from './storage';

/** The browser's database. Versions are append-only. */
export class YemkoDatabase extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>;
  history!: Table<HistoryEntry, [string, number]>;
  settings!: EntityTable<{ key: string; value: unknown }, 'key'>;
  ldrs!: Table<SavedLdr, string>;
  meters!: Table<Meter, string>;
  levels!: Table<Level, string>;
  transistors!: Table<TransistorModel, string>;
  logs!: EntityTable<LogRecord, 'id'>;
  logChunks!: Table<LogChunk, [string, number]>;

  constructor(name = 'yemko') {
    super(name);
    this.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
    this.version(2).upgrade((transaction) => migrateAll(transaction, 1, 2));
    this.version(3)
      .stores({
        ldrs: 'id',
        meters: 'id',
        levels: 'id',
        logs: 'id, projectId',
        logChunks: '[logId+seq]',
      })
      .upgrade((transaction) => migrateAll(transaction, 2, 3));
    this.version(4).upgrade((transaction) => migrateAll(transaction, 3, 4));
    this.version(5)
      .stores({ transistors: 'id' })
      .upgrade((transaction) => migrateAll(transaction, 4, 5));
    this.version(6).upgrade((transaction) => migrateAll(transaction, 5, 6));
    this.version(7).upgrade(async (transaction) => {
      await migrateAll(transaction, 6, 7);
      for (const table of ['ldrs', 'meters', 'levels', 'transistors'])
        await transaction
          .table(table)
          .toCollection()
          .modify((record: unknown, entry: { value: unknown }) => {
            entry.value = renameKeys(record);
          });
    });
  }
}

/** Brings every stored project and every entry of its history from one version to the next. */
async function migrateAll(transaction: Transaction, from: number, to: number): Promise<void> {
  const upgrade = (entry: { project: unknown }) => {
    entry.project = migrateProject(entry.project, from, to);
  };
  await transaction.table('projects').toCollection().modify(upgrade);
  await transaction.table('history').toCollection().modify(upgrade);
}

/** Projects in IndexedDB. Every write is one transaction; its failure is a value. */
export function dexieStorage(db: YemkoDatabase): ProjectStorage {
  const historyOf = (id: string) =>
    db.history.where('[projectId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  const inOneTransaction = <O>(work: () => Promise<O>): Promise<O | WriteOutcome> =>
    db.transaction('rw', db.projects, db.history, work).catch(outcomeOf);
  const change = (work: () => Promise<void>): Promise<WriteOutcome> =>
    inOneTransaction(() => work().then(() => 'saved' as const));

  const storage: ProjectStorage = {
    kept: 'browser',
    ldrs: recordTable(db.ldrs),
    meters: recordTable(db.meters),
    levels: recordTable(db.levels),
    transistors: recordTable(db.transistors),
    logs: logStorage(db),
    list: () => db.projects.orderBy('changedAt').reverse().toArray(),
    load: async (id) => {
      const [stored, history] = await db.transaction('r', db.projects, db.history, () =>
        Promise.all([db.projects.get(id), historyOf(id).toArray()]),
      );
      return stored ? { stored, history } : null;
    },
    write: ({ base, stored, entries, firstSeq, lastSeq }) =>
      inOneTransaction(async () => {
        const present = await db.projects.get(stored.id);
        if (!present) return 'gone';
        if (present.revision !== base) return 'stale';
        await db.projects.put(stored);
        await db.history.bulkPut([...entries]);
        await historyOf(stored.id)
          .filter(({ seq }) => seq > lastSeq || seq < firstSeq)
          .delete();
        return 'saved';
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
      // Keys alone: they change with every write, and are read in no time.
      const subscription = liveQuery(() => db.projects.orderBy('changedAt').keys()).subscribe({
        next: () => onChange(),
        error: () => undefined,
      });
      return () => subscription.unsubscribe();
    },
    restore: (bundle) => storage.add([bundle]),
    damaged: async () => [],
    setting: (key, field) => db.settings.get(key).then((entry) => soundOr(field, entry?.value)),
    saveSetting: (key, value) => db.settings.put({ key, value }).then(() => 'saved' as const, outcomeOf),
  };
  return storage;
}

function recordTable<T extends { readonly id: string }>(table: Table<T, string>): RecordTable<T> {
  return {
    all: () => table.toArray(),
    put: (record) => table.put(record).then(() => 'saved' as const, outcomeOf),
    remove: (id) => table.delete(id).then(() => 'saved' as const, outcomeOf),
    watch: (onChange) => {
      const subscription = liveQuery(() => table.toArray()).subscribe({
        next: onChange,
        error: () => undefined,
      });
      return () => subscription.unsubscribe();
    },
  };
}

function logStorage(db: YemkoDatabase): LogStorage {
  const chunksOf = (id: string) =>
    db.logChunks.where('[logId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  const change = (work: () => Promise<void>): Promise<WriteOutcome> =>
    db.transaction('rw', db.logs, db.logChunks, work).then(() => 'saved' as const, outcomeOf);
  return {
    list: (projectId) => db.logs.where('projectId').equals(projectId).sortBy('startedAt'),
    chunks: (logId) => chunksOf(logId).toArray(),
    write: (record, chunks) =>
      change(async () => {
        await db.logs.put(record);
        await db.logChunks.bulkPut([...chunks]);
      }),
    remove: (id) =>
      change(async () => {
        await db.logs.delete(id);
        await chunksOf(id).delete();
      }),
    keepOnly: async (projectIds) => {
      const gone = await db.logs
        .where('projectId')
        .noneOf([...projectIds])
        .primaryKeys();
      await change(async () => {
        await db.logs.bulkDelete(gone);
        for (const id of gone) await chunksOf(id).delete();
      });
    },
  };
}

/** Whether a failed write means that there is no room, or that nothing may be stored at all. */
function outcomeOf(error: unknown): WriteOutcome {
  const names = [error, propertyOf(error, 'inner')].map((candidate) => propertyOf(candidate, 'name'));
  return names.includes('QuotaExceededError') ? 'full' : 'refused';
}
