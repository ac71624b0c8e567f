import { createStore } from 'zustand/vanilla';
import type { LogRecorder } from './logRecorder';
import type { Session } from './session';

/** Something that stands on this page only: it stays alive, wherever on the page one goes, until it is stored. */
export type Unsaved =
  | { readonly kind: 'project'; readonly session: Session }
  | { readonly kind: 'log'; readonly recorder: LogRecorder };

/** What would be lost if the page were closed now, by the id of its project or log. */
export const unsaved = createStore<{ readonly held: ReadonlyMap<string, Unsaved> }>(() => ({
  held: new Map(),
}));

export function hold(id: string, what: Unsaved): void {
  const { held } = unsaved.getState();
  if (!held.has(id)) unsaved.setState({ held: new Map(held).set(id, what) });
}

export function letGo(id: string): void {
  const { held } = unsaved.getState();
  if (held.has(id)) unsaved.setState({ held: new Map([...held].filter(([key]) => key !== id)) });
}

/** The session of a project that was left with changes that could not be stored. */
export function heldSession(id: string): Session | null {
  const found = unsaved.getState().held.get(id);
  return found?.kind === 'project' ? found.session : null;
}

/** A write that failed is tried again after this long. */
const RETRY_MILLISECONDS = 5000;

/**
 * Keeps a session while its changes are not stored, and tries again by itself.
 * @param kept `memory`: nothing is ever stored, and every change is only here
 */
export function holdWhileUnsaved(id: string, session: Session, kept: 'browser' | 'memory'): void {
  const first = session.store.getState().project;
  let retry: ReturnType<typeof setTimeout> | undefined;
  session.store.subscribe(({ saving, project }) => {
    const isOnlyHere = kept === 'memory' ? project !== first : saving !== 'saved' && saving !== 'saving';
    if (isOnlyHere) hold(id, { kind: 'project', session });
    else if (saving === 'saved' && kept === 'browser') letGo(id);
    clearTimeout(retry);
    if (kept === 'browser' && (saving === 'full' || saving === 'refused'))
      retry = setTimeout(session.retry, RETRY_MILLISECONDS);
  });
}
