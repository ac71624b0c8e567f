'use client';

import { useSyncExternalStore } from 'react';

const QUERY = '(prefers-reduced-motion: reduce)';

function onChange(tell: () => void): () => void {
  const media = window.matchMedia(QUERY);
  media.addEventListener('change', tell);
  return () => media.removeEventListener('change', tell);
}

/** Whether the reader has asked their system for less motion; followed as it changes. */
export function useReducedMotion(): boolean {
  return useSyncExternalStore(
    onChange,
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
}
