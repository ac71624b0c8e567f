import { useObservable } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { openStorage } from '@/store/openStorage';
import type { ProjectStorage, RecordTable } from '@/store/storage';

type Table<T extends { readonly id: string }> = (storage: ProjectStorage) => RecordTable<T>;

/** The browser's own tables. */
export const tables = {
  ldrs: (storage: ProjectStorage) => storage.ldrs,
  meters: (storage: ProjectStorage) => storage.meters,
  levels: (storage: ProjectStorage) => storage.levels,
  transistors: (storage: ProjectStorage) => storage.transistors,
  ics: (storage: ProjectStorage) => storage.ics,
  entries: (storage: ProjectStorage) => storage.entries,
};

/** The records of one of them, followed as they change; `null` until they are read. @param tableOf the same from one call to the next */
export function useRecords<T extends { readonly id: string }>(tableOf: Table<T>): readonly T[] | null {
  const records = useMemo(() => recordsOf(tableOf), [tableOf]);
  return useObservable(records, null);
}

/** A table's records as something to subscribe to, whether the browser keeps them or this page alone. */
function recordsOf<T extends { readonly id: string }>(tableOf: Table<T>) {
  type Records = readonly T[] | null;
  return {
    subscribe: (observer: { readonly next?: (records: Records) => void } | ((records: Records) => void)) => {
      const next = typeof observer === 'function' ? observer : observer.next?.bind(observer);
      let left = false;
      let stop: (() => void) | undefined;
      void openStorage().then((storage) => {
        if (left) return;
        stop = tableOf(storage).watch((found) => next?.(found));
      });
      return {
        unsubscribe: () => {
          left = true;
          stop?.();
        },
      };
    },
    [Symbol.for('observable')]() {
      return this;
    },
  };
}
