import { useCallback, useState } from 'react';
import { checked, type Field } from '@/core/schema';

/** A setting that this browser keeps for all projects; what is kept and is none any more is forgotten. */
export function useKept<T>(
  key: string,
  field: Field<T>,
  start: T,
): readonly [T, (change: Partial<T>) => void] {
  const [value, setValue] = useState<T>(() => readKept(key, field) ?? start);
  const change = useCallback(
    (part: Partial<T>) =>
      setValue((present) => {
        const next = { ...present, ...part };
        keepIn(key, next);
        return next;
      }),
    [key],
  );
  return [value, change];
}

/** Keeps a value in this browser. */
export function keepIn(key: string, value: unknown): void {
  try {
    window.localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // A browser that keeps nothing: it stays as long as the page.
  }
}

/** What is kept under a key; `null` where nothing is, or what is none any more. */
export function readKept<T>(key: string, field: Field<T>): T | null {
  try {
    const kept = window.localStorage.getItem(key);
    const parsed: unknown = kept === null ? null : JSON.parse(kept);
    const found = checked(field, parsed, key);
    return found.ok ? found.value : null;
  } catch {
    return null;
  }
}
