'use client';

import { useEffect } from 'react';
import { useStore } from 'zustand';
import { unsaved } from '@/store/unsaved';
import { useIsWorking } from './fileJobs';

/** Asks before the page is closed or loaded anew while something stands on it alone, or while a backup is made or restored. */
export function LeaveGuard() {
  const isHolding = useStore(unsaved, ({ held }) => held.size > 0);
  const isWorking = useIsWorking();
  useEffect(() => {
    if (!isHolding && !isWorking) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isHolding, isWorking]);
  return null;
}
