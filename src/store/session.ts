import isEqual from 'fast-deep-equal/es6/index.js';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Edit } from '@/core/project/edits';
import { carry } from '@/core/project/carry';
import type { Project } from '@/core/project/project';
import type { ProjectBundle, ProjectStorage, ProjectWrite, WriteOutcome } from './storage';

/** How many steps back are kept. */
export const MAX_HISTORY = 100;
/** Edits with the same merge key within this time are one step of undo. */
const MERGE_MILLISECONDS = 1200;

export interface SessionState {
  readonly project: Project;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** How the last write went; `saving` while one is on its way. */
  readonly saving: WriteOutcome | 'saving';
}

/** An own change of the project, as the states before and after it. */
interface OwnChange {
  readonly before: Project;
  readonly after: Project;
}

/** What is not known to be stored yet: the state that is, the one in the write on its way, and the present one. */
export interface Unwritten {
  readonly before: Project;
  readonly underway: Project;
  readonly after: Project;
}

/** What has been done and is not stored yet: if another tab was quicker, it is done again on what that one has left. */
type Action =
  | { readonly kind: 'undo' | 'redo' }
  | { readonly kind: 'edit'; readonly edit: Edit; readonly mergeKey: string };

/** One opened project: edits happen at once, are stored at once, and can be undone and redone. */
export interface Session {
  readonly store: StoreApi<SessionState>;
  /** @param mergeKey edits in quick succession with the same key become one step of undo */
  readonly apply: (edit: Edit, mergeKey?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Takes over what another tab has written; while a write of our own is on its way, after it. */
  readonly refresh: () => Promise<void>;
  /** Tries a write that failed once more. */
  readonly retry: () => void;
  /** Writes what waits at once: the page is being left. */
  readonly hurry: () => void;
  /** `null` where what is stored is the present state, whether the write on its way still arrives or not. */
  readonly unwritten: () => Unwritten | null;
  /** Resolves when everything has been written or refused. */
  readonly settled: () => Promise<void>;
}

/**
 * Opens a session on a stored project.
 * @param clock milliseconds, for merging and for the time of change
 * @param restMilliseconds how long a second write waits after the first, so that a held key does not write at every step; nothing
 *   older than half a second may be unwritten
 */
export function openSession(
  bundle: ProjectBundle,
  storage: ProjectStorage,
  clock: () => number,
  restMilliseconds = 0,
): Session {
  let states: Project[];
  let firstSeq: number;
  let index: number;
  let revision: number;
  let lastMerge = { key: '', time: 0 };
  let writing: Promise<void> = Promise.resolve();
  let isWriting = false;
  let endRest: () => void = () => undefined;
  /** A change waits to be written. */
  let isWanted = false;
  /** Numbers of the history entries that are not written yet. */
  const unwritten = new Set<number>();
  /** The state that was stored last, and the one in the write on its way. */
  let stored: Project;
  let onItsWay: Project;
  /** After a write that failed, the next one carries the whole history. */
  let behind = false;
  /** Done since the last write that was taken up, in order; the first so many of them are in the write on its way. */
  let pending: Action[] = [];
  let underway = 0;
  /** One's own changes that stand, the last one last; and those taken back on top of another tab's, for redoing. */
  let own: OwnChange[] = [];
  let takenBack: OwnChange[] = [];
  let isRefreshWanted = false;
  /** One's own changes as they were when the write on its way was made, and when the last one was taken up. */
  let ownUnderway = { own, takenBack };
  let ownStored = { own, takenBack };

  const adopt = ({ stored: last, history }: ProjectBundle) => {
    const kept =
      history.length > 0 ? history : [{ projectId: last.id, seq: last.cursor, project: last.project }];
    states = kept.map((entry) => entry.project);
    firstSeq = kept[0]?.seq ?? 0;
    index = Math.max(
      0,
      kept.findIndex((entry) => entry.seq === last.cursor),
    );
    states[index] = last.project;
    revision = last.revision;
    stored = last.project;
    onItsWay = last.project;
  };
  adopt(bundle);

  const present = () => states[index] ?? bundle.stored.project;
  const snapshot = (saving: SessionState['saving']): SessionState => ({
    project: present(),
    canUndo: index > 0,
    canRedo: index < states.length - 1 || takenBack.length > 0,
    saving,
  });
  const store = createStore<SessionState>(() => snapshot('saved'));

  /** What is to be written, as one change; history entries by their numbers. */
  const change = (): ProjectWrite => {
    const { id } = bundle.stored;
    const seqs = behind ? states.map((_, position) => firstSeq + position) : [...unwritten];
    unwritten.clear();
    underway = pending.length;
    onItsWay = present();
    ownUnderway = { own, takenBack };
    return {
      base: revision,
      stored: {
        id,
        project: present(),
        changedAt: clock(),
        revision: revision + 1,
        cursor: firstSeq + index,
      },
      entries: seqs.flatMap((seq) => {
        const project = states[seq - firstSeq];
        return project ? [{ projectId: id, seq, project }] : [];
      }),
      firstSeq,
      lastSeq: firstSeq + states.length - 1,
    };
  };

  const rest = () =>
    new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, restMilliseconds);
      endRest = () => {
        clearTimeout(timer);
        resolve();
      };
    });

  /** Writes until nothing is left: what changes while a write is on its way goes into the next one, all of it at once. */
  const writeAll = async () => {
    let outcome: WriteOutcome = 'saved';
    while (isWanted) {
      isWanted = false;
      const written = await storage.write(change()).catch((): WriteOutcome => 'refused');
      if (written === 'stale' && (await catchUp())) continue;
      outcome = written === 'stale' ? 'refused' : written;
      behind = outcome !== 'saved';
      if (!behind) {
        revision += 1;
        stored = onItsWay;
        pending = pending.slice(underway);
        ownStored = ownUnderway;
      }
      if (!isWanted) store.setState(snapshot(outcome));
      if (restMilliseconds > 0) await rest();
    }
    isWriting = false;
    if (store.getState().saving === 'saving') store.setState(snapshot(outcome));
    if (isRefreshWanted) await refresh();
  };

  /** Another tab has written meanwhile: its state is taken, and what was done here since is done again on top of it. `false` where it cannot be read. */
  const catchUp = async (): Promise<boolean> => {
    const newer = await storage.load(bundle.stored.id).catch(() => undefined);
    if (newer === undefined) return false;
    if (newer) {
      const again = pending;
      adopt(newer);
      unwritten.clear();
      pending = [];
      lastMerge = { key: '', time: 0 };
      ({ own, takenBack } = ownStored);
      for (const action of again) perform(action);
    }
    isWanted = true;
    return true;
  };

  const refresh = async () => {
    isRefreshWanted = isWriting;
    if (isWriting) return;
    const newer = await storage.load(bundle.stored.id).catch(() => undefined);
    if (newer === undefined || isWriting) return;
    if (newer === null) {
      behind = true;
      store.setState(snapshot('gone'));
    } else if (behind) {
      // There is room again, or it has been brought back: what was done here goes on top of it.
      if (store.getState().saving === 'gone') save();
    } else if (newer.stored.revision > revision) {
      adopt(newer);
      store.setState(snapshot('saved'));
    }
  };

  const save = () => {
    isWanted = true;
    store.setState(snapshot('saving'));
    if (isWriting) return;
    isWriting = true;
    writing = writeAll();
  };

  /** Puts a state on top of the present one. */
  const push = (next: Project, merges: boolean) => {
    states = [...states.slice(0, merges ? index : index + 1), next];
    if (states.length > MAX_HISTORY) {
      firstSeq += states.length - MAX_HISTORY;
      states = states.slice(-MAX_HISTORY);
    }
    index = states.length - 1;
    unwritten.add(firstSeq + index);
  };

  const edit = ({ edit: change, mergeKey }: Extract<Action, { kind: 'edit' }>): boolean => {
    const before = present();
    const next = change(before);
    if (isEqual(next, before)) return false;
    const time = clock();
    const last = own[own.length - 1];
    const merges =
      mergeKey !== '' &&
      mergeKey === lastMerge.key &&
      time - lastMerge.time < MERGE_MILLISECONDS &&
      index > 0 &&
      last?.after === before;
    push(next, merges);
    own =
      merges && last
        ? [...own.slice(0, -1), { before: last.before, after: next }]
        : [...own, { before, after: next }];
    takenBack = [];
    lastMerge = { key: mergeKey, time };
    return true;
  };

  /** The last own change goes; what another tab has done since stays. Without any of one's own the list of states is walked back. */
  const undo = (): boolean => {
    lastMerge = { key: '', time: 0 };
    for (let last = own[own.length - 1]; last && last.after !== present(); last = own[own.length - 1]) {
      own = own.slice(0, -1);
      const next = carry(present(), last.after, last.before);
      // Another tab may have taken it back already.
      if (isEqual(next, present())) continue;
      takenBack = [...takenBack, last];
      push(next, false);
      return true;
    }
    if (index === 0) return false;
    own = own.slice(0, -1);
    index -= 1;
    return true;
  };

  const redo = (): boolean => {
    const last = takenBack[takenBack.length - 1];
    lastMerge = { key: '', time: 0 };
    if (index < states.length - 1) {
      const before = present();
      index += 1;
      own = [...own, { before, after: present() }];
      return true;
    }
    if (!last) return false;
    takenBack = takenBack.slice(0, -1);
    own = [...own, last];
    push(carry(present(), last.before, last.after), false);
    return true;
  };

  const perform = (action: Action): boolean => {
    const has = action.kind === 'edit' ? edit(action) : action.kind === 'undo' ? undo() : redo();
    if (has) pending = [...pending, action];
    return has;
  };
  const act = (action: Action) => {
    if (perform(action)) save();
  };

  return {
    store,
    apply: (change, mergeKey = '') => act({ kind: 'edit', edit: change, mergeKey }),
    undo: () => act({ kind: 'undo' }),
    redo: () => act({ kind: 'redo' }),
    refresh,
    retry: () => {
      if (behind && !isWriting) save();
    },
    hurry: () => endRest(),
    unwritten: () => {
      const after = present();
      const isStored = isEqual(stored, after) && isEqual(onItsWay, after);
      return isStored ? null : { before: stored, underway: onItsWay, after };
    },
    settled: () => writing,
  };
}
