import { propertyOf } from '@/core/record';
import Dexie, { liveQuery, type EntityTable, type Table, type Transaction } from 'dexie';
import { migrateProject, renameKeys } from '@/core/project/migrate';
import { soundOr } from '@/core/schema';
import type { LogChunk, LogRecord } from '@/core/live/log';
import type { Meter } from '@/core/meter/meter';
import type { SavedLdr } from '@/core/readings/savedLdr';
import type { Level } from '@/core/readings/reading';
import type { TransistorModel } from '@/core/drivers/registry';
import {
  CARD_SHAPE,
  cardOf,
  newestFirst,
  type HistoryEntry,
  type LogStorage,
  type ProjectBundle,
  type ProjectCard,
  type ProjectStorage,
  type RecordTable,
  type StoredProject,
  type WriteOutcome,
} from './storage';

/** The newest version of the database that this program knows. */
export const DATABASE_VERSION = 8;

/** The browser's database. Versions are append-only. */
export class YemkoDatabase extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>;
  cards!: EntityTable<ProjectCard, 'id'>;
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
    // Projects of version 8 are those of version 7.
    this.version(DATABASE_VERSION).stores({ cards: 'id' });
  }

  /** Whether another tab has taken it over: nothing is written any more. */
  isOvertaken = false;

  /** Lets another tab change the database, and writes nothing from now on. */
  giveUp(): void {
    this.isOvertaken = true;
    this.close({ disableAutoOpen: true });
  }

  /** Whether a newer program has made the database into one that this one must not touch. */
  get isNewer(): boolean {
    // IndexedDB counts tenfold.
    return this.isOpen() && this.backendDB().version > DATABASE_VERSION * 10;
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
  const outcomeOf = outcomeIn(db);
  const historyOf = (id: string) =>
    db.history.where('[projectId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  const inOneTransaction = <O>(work: () => Promise<O>): Promise<O | WriteOutcome> =>
    db.transaction('rw', [db.projects, db.history, db.cards], work).catch(outcomeOf);
  const change = (work: () => Promise<void>): Promise<WriteOutcome> =>
    inOneTransaction(() => work().then(() => 'saved' as const));
  const isBinned = async (id: string) => {
    const card = await db.cards.get(id);
    return card !== undefined && card.deletedAt !== null;
  };

  /** Every project has a card of the present shape; those of an older program are given one. */
  const cards = async (): Promise<readonly ProjectCard[]> => {
    const [ids, kept] = await db.transaction('r', db.projects, db.cards, () =>
      Promise.all([db.projects.toCollection().primaryKeys(), db.cards.toArray()]),
    );
    const known = new Map(kept.filter(({ shape }) => shape === CARD_SHAPE).map((card) => [card.id, card]));
    const missing = ids.filter((id) => !known.has(id));
    if (missing.length === 0) return newestFirst(kept);
    const labels = new Map(kept.map((card) => [card.id, card]));
    const stored = await db.projects.bulkGet(missing);
    const made = stored.flatMap((one) => (one ? [cardOf(one, labels.get(one.id))] : []));
    await db.cards.bulkPut(made).catch(() => undefined);
    return newestFirst([...known.values(), ...made]);
  };

  const storage: ProjectStorage = {
    kept: 'browser',
    ldrs: recordTable(db.ldrs, outcomeOf),
    meters: recordTable(db.meters, outcomeOf),
    levels: recordTable(db.levels, outcomeOf),
    transistors: recordTable(db.transistors, outcomeOf),
    logs: logStorage(db),
    cards,
    load: async (id) => {
      const [binned, stored, history] = await db.transaction('r', db.projects, db.history, db.cards, () =>
        Promise.all([isBinned(id), db.projects.get(id), historyOf(id).toArray()]),
      );
      return stored && !binned ? { stored, history } : null;
    },
    raw: async (id) => (await db.projects.get(id)) ?? null,
    write: ({ base, stored, entries, firstSeq, lastSeq }) => {
      const made = cardOf(stored);
      return inOneTransaction(async () => {
        const [present, card] = await Promise.all([db.projects.get(stored.id), db.cards.get(stored.id)]);
        if (!present || (card && card.deletedAt !== null)) return 'gone';
        if (present.revision !== base) return 'stale';
        await db.projects.put(stored);
        await db.cards.put(
          card ? { ...made, tags: card.tags, isArchived: card.isArchived, deletedAt: card.deletedAt } : made,
        );
        await db.history.bulkPut([...entries]);
        await historyOf(stored.id)
          .filter(({ seq }) => seq > lastSeq || seq < firstSeq)
          .delete();
        return 'saved';
      });
    },
    add: (bundles) => {
      const made = bundles.map(({ stored }) => cardOf(stored));
      return change(async () => {
        await db.projects.bulkAdd(bundles.map((bundle: ProjectBundle) => bundle.stored));
        await db.cards.bulkPut(made);
        await db.history.bulkAdd(bundles.flatMap((bundle) => bundle.history));
      });
    },
    label: (ids, label) =>
      change(async () => {
        for (const id of ids) {
          const [stored, card] = await Promise.all([db.projects.get(id), db.cards.get(id)]);
          if (stored) await db.cards.put({ ...cardOf(stored, card), ...label });
        }
      }),
    purge: async (ids) => {
      const logIds = await db.logs
        .where('projectId')
        .anyOf([...ids])
        .primaryKeys();
      return db
        .transaction('rw', [db.projects, db.history, db.cards, db.logs, db.logChunks], async () => {
          await db.projects.bulkDelete([...ids]);
          await db.cards.bulkDelete([...ids]);
          for (const id of ids) await historyOf(id).delete();
          await db.logs.bulkDelete(logIds);
          for (const id of logIds)
            await db.logChunks.where('[logId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]).delete();
        })
        .then(() => 'saved' as const, outcomeOf);
    },
    watch: (onChange) =>
      onMutated(
        db,
        'cards',
        (done) =>
          void cards()
            .then(onChange, () => undefined)
            .finally(done),
      ),
    watchOne: (id, onChange) => follow(() => db.cards.get(id), onChange),
    damaged: async () => [],
    setting: (key, field) => db.settings.get(key).then((entry) => soundOr(field, entry?.value)),
    saveSetting: (key, value) => db.settings.put({ key, value }).then(() => 'saved' as const, outcomeOf),
  };
  return storage;
}

function recordTable<T extends { readonly id: string }>(
  table: Table<T, string>,
  outcomeOf: (error: unknown) => WriteOutcome,
): RecordTable<T> {
  return {
    all: () => table.toArray(),
    put: (record) => table.put(record).then(() => 'saved' as const, outcomeOf),
    remove: (id) => table.delete(id).then(() => 'saved' as const, outcomeOf),
    watch: (onChange) => follow(() => table.toArray(), onChange),
  };
}

/** A list is told of changes that come quickly no more often than this. */
const LIST_MILLISECONDS = 150;

/**
 * Calls back now and whenever a table has changed, in this tab or another; of quick changes the first, and the last when the
 * call before is done and a moment has passed: a table of thousands is not read at each of a thousand writes.
 */
function onMutated(db: YemkoDatabase, table: string, call: (done: () => void) => void): () => void {
  let state: 'idle' | 'busy' | 'again' | 'over' = 'idle';
  const run = () => {
    if (state === 'over') return;
    if (state !== 'idle') {
      state = 'again';
      return;
    }
    state = 'busy';
    call(() =>
      setTimeout(() => {
        if (state === 'over') return;
        const isStale = state === 'again';
        state = 'idle';
        if (isStale) run();
      }, LIST_MILLISECONDS),
    );
  };
  const prefix = `idb://${db.name}/${table}/`;
  const onChange = (parts: object) => {
    if (Object.keys(parts).some((part) => part.startsWith(prefix))) run();
  };
  Dexie.on.storagemutated.subscribe(onChange);
  run();
  return () => {
    state = 'over';
    Dexie.on.storagemutated.unsubscribe(onChange);
  };
}

/** Calls back with what a question finds, now and whenever that changes. */
function follow<T>(question: () => Promise<T>, onChange: (found: T) => void): () => void {
  const subscription = liveQuery(question).subscribe({ next: onChange, error: () => undefined });
  return () => subscription.unsubscribe();
}

function logStorage(db: YemkoDatabase): LogStorage {
  const chunksOf = (id: string) =>
    db.logChunks.where('[logId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]);
  const change = (work: () => Promise<WriteOutcome>): Promise<WriteOutcome> =>
    db.transaction('rw', db.logs, db.logChunks, work).catch(outcomeIn(db));
  return {
    list: (projectId) => db.logs.where('projectId').equals(projectId).sortBy('startedAt'),
    all: () => db.logs.toArray(),
    chunks: (logId) => chunksOf(logId).toArray(),
    write: (record, chunks) =>
      change(async () => {
        await db.logs.put(record);
        await db.logChunks.bulkPut([...chunks]);
        return 'saved';
      }),
    extend: (id, part, chunks) =>
      change(async () => {
        const present = await db.logs.get(id);
        if (!present) return 'gone';
        await db.logs.put({ ...present, ...part });
        await db.logChunks.bulkPut([...chunks]);
        return 'saved';
      }),
    remove: (id) =>
      change(async () => {
        await db.logs.delete(id);
        await chunksOf(id).delete();
        return 'saved';
      }),
    watch: (projectId, onChange) =>
      follow(() => db.logs.where('projectId').equals(projectId).sortBy('startedAt'), onChange),
  };
}

/** Whether a failed write means that there is no room, that a newer program has come, or that nothing may be stored at all. */
const outcomeIn =
  (db: YemkoDatabase) =>
  (error: unknown): WriteOutcome => {
    if (db.isOvertaken) return 'newer';
    const names = [error, propertyOf(error, 'inner')].map((candidate) => propertyOf(candidate, 'name'));
    return names.includes('QuotaExceededError') ? 'full' : 'refused';
  };
