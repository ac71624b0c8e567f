import { soundOr } from '@/core/schema';
import type { LogChunk, LogRecord } from '@/core/live/log';
import type { LogbookEntry } from '@/core/logbook/entry';
import {
  cardOf,
  newestFirst,
  type LogStorage,
  type ProjectBundle,
  type ProjectCard,
  type ProjectStorage,
  type RecordTable,
} from './storage';

/** Projects kept only as long as the page is open: for browsers that refuse to store anything. */
export function memoryStorage(): ProjectStorage {
  const bundles = new Map<string, ProjectBundle>();
  const labels = new Map<string, ProjectCard>();
  const settings = new Map<string, unknown>();
  const listeners = new Set<() => void>();
  const changed = () => {
    for (const listener of listeners) listener();
    return 'saved' as const;
  };
  const listen = (listener: () => void) => {
    listeners.add(listener);
    listener();
    return () => void listeners.delete(listener);
  };
  const cards = () => newestFirst([...labels.values()]);
  const present = (id: string) => (labels.get(id)?.deletedAt === null ? bundles.get(id) : undefined);
  const put = (bundle: ProjectBundle) => {
    const { id } = bundle.stored;
    bundles.set(id, bundle);
    labels.set(id, cardOf(bundle.stored, labels.get(id)));
  };
  const logs = memoryLogs();
  const entries = memoryTable<LogbookEntry>();
  const storage: ProjectStorage = {
    kept: 'memory',
    ldrs: memoryTable(),
    meters: memoryTable(),
    levels: memoryTable(),
    transistors: memoryTable(),
    ics: memoryTable(),
    entries,
    logs,
    cards: async () => cards(),
    load: async (id) => present(id) ?? null,
    raw: async (id) => bundles.get(id)?.stored ?? null,
    write: async ({ base, stored, entries, firstSeq, lastSeq }) => {
      const before = present(stored.id);
      if (!before) return 'gone';
      if (before.stored.revision !== base) return 'stale';
      const written = new Set(entries.map(({ seq }) => seq));
      const kept = before.history.filter(({ seq }) => seq >= firstSeq && seq <= lastSeq && !written.has(seq));
      const history = [...kept, ...entries].sort((one, other) => one.seq - other.seq);
      put({ stored, history });
      return changed();
    },
    add: async (added) => {
      if (added.some(({ stored }) => bundles.has(stored.id))) return 'refused';
      for (const bundle of added) put(bundle);
      return changed();
    },
    label: async (ids, change) => {
      for (const id of ids) {
        const card = labels.get(id);
        if (card) labels.set(id, { ...card, ...change });
      }
      return changed();
    },
    purge: async (ids) => {
      for (const id of ids) {
        bundles.delete(id);
        labels.delete(id);
        for (const log of await logs.list(id)) await logs.remove(log.id);
        for (const entry of await entries.all()) if (entry.projectId === id) await entries.remove(entry.id);
      }
      return changed();
    },
    watch: (onChange) => listen(() => onChange(cards())),
    watchOne: (_, onChange) => listen(onChange),
    damaged: async () => [],
    setting: async (key, field) => soundOr(field, settings.get(key)),
    saveSetting: async (key, value) => {
      settings.set(key, value);
      return 'saved';
    },
  };
  return storage;
}

function memoryTable<T extends { readonly id: string }>(): RecordTable<T> {
  const records = new Map<string, T>();
  const listeners = new Set<(records: readonly T[]) => void>();
  const changed = () => {
    for (const listener of listeners) listener([...records.values()]);
    return 'saved' as const;
  };
  return {
    all: async () => [...records.values()],
    put: async (record) => {
      records.set(record.id, record);
      return changed();
    },
    remove: async (id) => {
      records.delete(id);
      return changed();
    },
    watch: (onChange) => {
      listeners.add(onChange);
      onChange([...records.values()]);
      return () => listeners.delete(onChange);
    },
  };
}

function memoryLogs(): LogStorage {
  const logs = new Map<string, { record: LogRecord; chunks: Map<number, LogChunk> }>();
  const listeners = new Set<() => void>();
  const changed = () => {
    for (const listener of listeners) listener();
    return 'saved' as const;
  };
  const of = (projectId: string) =>
    [...logs.values()]
      .map(({ record }) => record)
      .filter((record) => record.projectId === projectId)
      .sort((one, other) => one.startedAt - other.startedAt);
  const put = (record: LogRecord, chunks: readonly LogChunk[]) => {
    const kept = logs.get(record.id)?.chunks ?? new Map<number, LogChunk>();
    for (const chunk of chunks) kept.set(chunk.seq, chunk);
    logs.set(record.id, { record, chunks: kept });
    return changed();
  };
  return {
    list: async (projectId) => of(projectId),
    all: async () => [...logs.values()].map(({ record }) => record),
    chunks: async (logId) =>
      [...(logs.get(logId)?.chunks.values() ?? [])].sort((one, other) => one.seq - other.seq),
    write: async (record, chunks) => put(record, chunks),
    extend: async (id, part, chunks) => {
      const present = logs.get(id);
      return present ? put({ ...present.record, ...part }, chunks) : 'gone';
    },
    remove: async (id) => {
      logs.delete(id);
      return changed();
    },
    watch: (projectId, onChange) => {
      const listener = () => onChange(of(projectId));
      listeners.add(listener);
      listener();
      return () => void listeners.delete(listener);
    },
  };
}
