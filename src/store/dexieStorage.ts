import { propertyOf } from '@/core/record';
import Dexie, { liveQuery, type Table } from 'dexie';
import { soundOr } from '@/core/schema';
import type { YemkoDatabase } from './database';
import {
  CARD_SHAPE,
  cardOf,
  newestFirst,
  type LogStorage,
  type ProjectBundle,
  type ProjectCard,
  type ProjectStorage,
  type RecordTable,
  type WriteOutcome,
} from './storage';

/** Projects in IndexedDB. Every write is one transaction; its failure is a value. */
export function dexieStorage(db: YemkoDatabase): ProjectStorage {
  const outcomeOf = outcomeIn(db);
  const historyWithin = (from: readonly unknown[], to: readonly unknown[]) =>
    db.history.where('[projectId+seq]').between(from, to, true, true);
  const historyOf = (id: string) => historyWithin([id, Dexie.minKey], [id, Dexie.maxKey]);
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
    ics: recordTable(db.ics, outcomeOf),
    entries: recordTable(db.entries, outcomeOf),
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
        // By their keys alone: reading a hundred states to drop one would make every edit slow.
        await historyWithin([stored.id, Dexie.minKey], [stored.id, firstSeq - 1]).delete();
        await historyWithin([stored.id, lastSeq + 1], [stored.id, Dexie.maxKey]).delete();
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
      const tables = [db.projects, db.history, db.cards, db.entries, db.logs, db.logChunks];
      return db
        .transaction('rw', tables, async () => {
          await db.projects.bulkDelete([...ids]);
          await db.cards.bulkDelete([...ids]);
          for (const id of ids) await historyOf(id).delete();
          await db.entries
            .where('projectId')
            .anyOf([...ids])
            .delete();
          await db.logs.bulkDelete(logIds);
          for (const id of logIds)
            await db.logChunks.where('[logId+seq]').between([id, Dexie.minKey], [id, Dexie.maxKey]).delete();
        })
        .then(() => 'saved' as const, outcomeOf);
    },
    watch: (onChange, onTrouble) =>
      onMutated(
        db,
        'cards',
        (done) =>
          void cards()
            .then(onChange, () => onTrouble?.())
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
