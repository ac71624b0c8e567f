'use client';

import { useEffect } from 'react';
import { useStore } from 'zustand';
import { unsaved } from '@/store/unsaved';

/** Asks before the page is closed or loaded anew while something stands on it alone. */
export function LeaveGuard() {
  const count = useStore(unsaved, ({ held }) => held.size);
  useEffect(() => {
    if (count === 0) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [count]);
  return null;
}
