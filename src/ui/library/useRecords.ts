import { useEffect, useState } from 'react';
import { openStorage } from '@/store/openStorage';
import type { ProjectStorage, RecordTable } from '@/store/storage';

type Tables = Pick<ProjectStorage, 'ldrs' | 'meters' | 'levels' | 'transistors'>;
type RecordOf<K extends keyof Tables> = Tables[K] extends RecordTable<infer T> ? T : never;

/** The records of one of the browser's own tables, followed as they change; `null` until they are read. */
export function useRecords<K extends keyof Tables>(name: K): readonly RecordOf<K>[] | null {
  const [records, setRecords] = useState<readonly RecordOf<K>[] | null>(null);
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    void openStorage().then((storage) => {
      if (left) return;
      const table = storage[name] as unknown as RecordTable<RecordOf<K>>;
      stop = table.watch(setRecords);
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [name]);
  return records;
}
