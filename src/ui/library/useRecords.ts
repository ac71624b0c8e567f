import { useObservable } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { openStorage } from '@/store/openStorage';
import type { ProjectStorage, RecordTable } from '@/store/storage';

type Tables = Pick<ProjectStorage, 'ldrs' | 'meters' | 'levels' | 'transistors'>;
type RecordOf<K extends keyof Tables> = Tables[K] extends RecordTable<infer T> ? T : never;

/** The records of one of the browser's own tables, followed as they change; `null` until they are read. */
export function useRecords<K extends keyof Tables>(name: K): readonly RecordOf<K>[] | null {
  const records = useMemo(() => recordsOf(name), [name]);
  return useObservable(records, null);
}

/** A table's records as something to subscribe to, whether the browser keeps them or this page alone. */
function recordsOf<K extends keyof Tables>(name: K) {
  type Records = readonly RecordOf<K>[] | null;
  return {
    subscribe: (observer: { readonly next?: (records: Records) => void } | ((records: Records) => void)) => {
      const next = typeof observer === 'function' ? observer : observer.next?.bind(observer);
      let left = false;
      let stop: (() => void) | undefined;
      void openStorage().then((storage) => {
        if (left) return;
        const table = storage[name] as unknown as RecordTable<RecordOf<K>>;
        stop = table.watch((found) => next?.(found));
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
