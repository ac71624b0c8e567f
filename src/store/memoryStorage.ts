import type { ProjectBundle, ProjectStorage } from './storage';

/** Projects kept only as long as the page is open: for browsers that refuse to store anything. */
export function memoryStorage(): ProjectStorage {
  const bundles = new Map<string, ProjectBundle>();
  const settings = new Map<string, unknown>();
  const listeners = new Set<() => void>();
  const changed = () => {
    for (const listener of listeners) listener();
    return 'saved' as const;
  };
  return {
    kept: 'memory',
    list: async () =>
      [...bundles.values()].map(({ stored }) => stored).sort((one, other) => other.changedAt - one.changedAt),
    load: async (id) => bundles.get(id) ?? null,
    write: async ({ stored, entries, firstSeq, lastSeq }) => {
      const written = new Set(entries.map(({ seq }) => seq));
      const kept = bundles
        .get(stored.id)
        ?.history.filter(({ seq }) => seq >= firstSeq && seq <= lastSeq && !written.has(seq));
      const history = [...(kept ?? []), ...entries].sort((one, other) => one.seq - other.seq);
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
    setting: async (key) => settings.get(key),
    saveSetting: async (key, value) => {
      settings.set(key, value);
      return 'saved';
    },
  };
}
