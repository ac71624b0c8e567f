import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { ChosenLook } from './look';
import { useOnPaper } from './useOnPaper';
import { cssVariables, LOOK_COOKIE, lookChoiceOf, lookOf, type Look, type LookChoice } from './tokens';

const DARK = '(prefers-color-scheme: dark)';

function listen(onChange: () => void): () => void {
  const query = window.matchMedia(DARK);
  query.addEventListener('change', onChange);
  return () => query.removeEventListener('change', onChange);
}

/** Whether the system asks for dark; a server is told that it does not. */
const useSystemIsDark = () =>
  useSyncExternalStore(
    listen,
    () => window.matchMedia(DARK).matches,
    () => false,
  );

function show(look: Look): void {
  const root = document.documentElement;
  root.dataset.look = look;
  delete root.dataset.lookOpen;
  for (const [name, value] of Object.entries(cssVariables(look))) {
    root.style.setProperty(name, value);
  }
}

/** The look as chosen, kept in a cookie so that the server sends the next page in it. @param first the choice that the page came with */
export function useChosenLook(first: LookChoice): ChosenLook {
  const [choice, setChoice] = useState(first);
  const ofScreen = lookOf(choice, useSystemIsDark());
  const look = useOnPaper() ? 'day' : ofScreen;
  const change = useCallback((next: LookChoice) => {
    setChoice(next);
    document.cookie = `${LOOK_COOKIE}=${next}; path=/; max-age=31536000; samesite=strict`;
  }, []);
  useEffect(() => show(look), [look]);
  // A page that was kept for use without the server may be of another look than the one chosen since.
  useEffect(() => {
    const wanted = document.cookie.split('; ').find((cookie) => cookie.startsWith(`${LOOK_COOKIE}=`));
    const kept = lookChoiceOf(wanted?.slice(LOOK_COOKIE.length + 1));
    if (kept !== first) queueMicrotask(() => change(kept));
  }, [first, change]);
  return useMemo(() => ({ choice, look, change }), [choice, look, change]);
}
