import equal from 'fast-deep-equal';
import { useSyncExternalStore } from 'react';
import { stockField, type ResistorStock } from '@/core/series/stock';
import { keepIn, readKept } from '../common/useKept';

const KEY = 'yemko-stock';

let last: ResistorStock | null = null;
const followers = new Set<() => void>();

/** The resistors that this user has, as said last in whichever project; `null` until they are said. */
export function keptStock(): ResistorStock | null {
  const now = readKept(KEY, stockField);
  // The same object for the same stock, so that what follows it rests.
  if (!equal(now, last)) last = now;
  return last;
}

/** Keeps what someone has for every project that is begun from now on, and to be taken over in others. */
export function keepStock(stock: ResistorStock): void {
  keepIn(KEY, stock);
  followers.forEach((tell) => tell());
}

function follow(tell: () => void): () => void {
  followers.add(tell);
  window.addEventListener('storage', tell);
  return () => {
    followers.delete(tell);
    window.removeEventListener('storage', tell);
  };
}

/** The kept resistors, followed as they change, here and in other tabs. */
export const useKeptStock = (): ResistorStock | null => useSyncExternalStore(follow, keptStock, () => null);
