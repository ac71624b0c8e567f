import { soundOr } from '@/core/schema';
import type { LogChunk, LogRecord } from '@/core/live/log';
import type { LogStorage, ProjectBundle, ProjectStorage, RecordTable } from './storage';

/** Projects kept only as long as the page is open: for browsers that refuse to store anything. */
export function memoryStorage(): ProjectStorage {
  const bundles = new Map<string, ProjectBundle>();
  const settings = new Map<string, unknown>();
  const listeners = new Set<() => void>();
  const changed = () => {
    for (const listener of listeners) listener();
    return 'saved' as const;
  };
  const storage: ProjectStorage = {
    kept: 'memory',
    ldrs: memoryTable(),
    meters: memoryTable(),
    levels: memoryTable(),
    transistors: memoryTable(),
    logs: memoryLogs(),
    list: async () =>
      [...bundles.values()].map(({ stored }) => stored).sort((one, other) => other.changedAt - one.changedAt),
    load: async (id) => bundles.get(id) ?? null,
    write: async ({ base, stored, entries, firstSeq, lastSeq }) => {
      const present = bundles.get(stored.id);
      if (!present) return 'gone';
      if (present.stored.revision !== base) return 'stale';
      const written = new Set(entries.map(({ seq }) => seq));
      const kept = present.history.filter(
        ({ seq }) => seq >= firstSeq && seq <= lastSeq && !written.has(seq),
      );
      const history = [...kept, ...entries].sort((one, other) => one.seq - other.seq);
      bundles.set(stored.id, { stored, history });
      return changed();
    },
    add: async (added) => {
      if (added.some(({ stored }) => bundles.has(stored.id))) return 'refused';
      for (const bundle of added) bundles.set(bundle.stored.id, bundle);
      return changed();
    },
    remove: async (id) => {
      bundles.delete(id);
      return changed();
    },
    watch: (onChange) => {
      listeners.add(onChange);
      onChange();
      return () => listeners.delete(onChange);
    },
    restore: (bundle) => storage.add([bundle]),
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
  return {
    list: async (projectId) =>
      [...logs.values()]
        .map(({ record }) => record)
        .filter((record) => record.projectId === projectId)
        .sort((one, other) => one.startedAt - other.startedAt),
    chunks: async (logId) =>
      [...(logs.get(logId)?.chunks.values() ?? [])].sort((one, other) => one.seq - other.seq),
    write: async (record, chunks) => {
      const kept = logs.get(record.id)?.chunks ?? new Map<number, LogChunk>();
      for (const chunk of chunks) kept.set(chunk.seq, chunk);
      logs.set(record.id, { record, chunks: kept });
      return 'saved';
    },
    remove: async (id) => {
      logs.delete(id);
      return 'saved';
    },
    keepOnly: async (projectIds) => {
      for (const [id, { record }] of logs) if (!projectIds.includes(record.projectId)) logs.delete(id);
    },
  };
}
