import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Edit } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import type { ProjectBundle, ProjectStorage, ProjectWrite, WriteOutcome } from './storage';

/** How many steps back are kept. */
export const MAX_HISTORY = 100;
/** Edits with the same merge key within this time are one step of undo. */
const MERGE_MILLISECONDS = 1200;
/** Changes that keep coming put a write off by so many rests at most. */
const MAX_RESTS = 8;

export interface SessionState {
  readonly project: Project;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** How the last write went; `saving` while one is on its way. */
  readonly saving: WriteOutcome | 'saving';
}

/** One opened project: edits happen at once, are stored at once, and can be undone and redone. */
export interface Session {
  readonly store: StoreApi<SessionState>;
  /** @param mergeKey edits in quick succession with the same key become one step of undo */
  readonly apply: (edit: Edit, mergeKey?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Takes over what another tab has written; does nothing while a write of our own is on its way. */
  readonly refresh: () => Promise<void>;
  /** Writes what waits at once: the page is being left. */
  readonly hurry: () => void;
  /** Resolves when everything has been written or refused. */
  readonly settled: () => Promise<void>;
}

/**
 * Opens a session on a stored project.
 * @param clock milliseconds, for merging and for the time of change
 * @param restMilliseconds how long a second write waits after the first, and after every change meanwhile, so that a held key
 *   does not write at every step
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
  let endRest = () => undefined as void;
  let prolongRest = () => undefined as void;
  /** A change waits to be written. */
  let isWanted = false;
  /** Numbers of the history entries that are not written yet. */
  const unwritten = new Set<number>();
  /** After a write that failed, the next one carries the whole history. */
  let behind = false;

  const adopt = ({ stored, history }: ProjectBundle) => {
    const kept =
      history.length > 0 ? history : [{ projectId: stored.id, seq: stored.cursor, project: stored.project }];
    states = kept.map((entry) => entry.project);
    firstSeq = kept[0]?.seq ?? 0;
    index = Math.max(
      0,
      kept.findIndex((entry) => entry.seq === stored.cursor),
    );
    states[index] = stored.project;
    revision = stored.revision;
  };
  adopt(bundle);

  const present = () => states[index] ?? bundle.stored.project;
  const snapshot = (saving: SessionState['saving']): SessionState => ({
    project: present(),
    canUndo: index > 0,
    canRedo: index < states.length - 1,
    saving,
  });
  const store = createStore<SessionState>(() => snapshot('saved'));

  /** What is to be written, as one change; history entries by their numbers. */
  const change = (): ProjectWrite => {
    const { id } = bundle.stored;
    const seqs = behind ? states.map((_, position) => firstSeq + position) : [...unwritten];
    unwritten.clear();
    revision += 1;
    return {
      stored: { id, project: present(), changedAt: clock(), revision, cursor: firstSeq + index },
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
      const latest = clock() + MAX_RESTS * restMilliseconds;
      let timer: ReturnType<typeof setTimeout> | undefined;
      endRest = () => {
        clearTimeout(timer);
        resolve();
      };
      prolongRest = () => {
        clearTimeout(timer);
        timer = setTimeout(resolve, Math.max(0, Math.min(restMilliseconds, latest - clock())));
      };
      prolongRest();
    });

  /** Writes until nothing is left: what changes while a write is on its way goes into the next one, all of it at once. */
  const writeAll = async () => {
    let outcome: WriteOutcome = 'saved';
    while (isWanted) {
      isWanted = false;
      outcome = await storage.write(change()).catch((): WriteOutcome => 'refused');
      behind = outcome !== 'saved';
      if (!isWanted) store.setState(snapshot(outcome));
      if (restMilliseconds > 0) await rest();
    }
    isWriting = false;
    if (store.getState().saving === 'saving') store.setState(snapshot(outcome));
  };

  const save = (changed: readonly number[]) => {
    for (const position of changed) unwritten.add(firstSeq + position);
    isWanted = true;
    store.setState(snapshot('saving'));
    prolongRest();
    if (isWriting) return;
    isWriting = true;
    writing = writeAll();
  };

  const move = (to: number) => {
    if (to < 0 || to >= states.length) return;
    index = to;
    lastMerge = { key: '', time: 0 };
    save([]);
  };

  return {
    store,
    apply: (edit, mergeKey = '') => {
      const next = edit(present());
      if (next === present()) return;
      const time = clock();
      const merges =
        mergeKey !== '' &&
        mergeKey === lastMerge.key &&
        time - lastMerge.time < MERGE_MILLISECONDS &&
        index > 0;
      states = [...states.slice(0, merges ? index : index + 1), next];
      if (states.length > MAX_HISTORY) {
        firstSeq += states.length - MAX_HISTORY;
        states = states.slice(-MAX_HISTORY);
      }
      index = states.length - 1;
      lastMerge = { key: mergeKey, time };
      save([index]);
    },
    undo: () => move(index - 1),
    redo: () => move(index + 1),
    refresh: async () => {
      if (isWriting || behind) return;
      const stored = await storage.load(bundle.stored.id).catch(() => null);
      // A load that was overtaken by a write of our own brings an older state: what is newer stands.
      if (!stored || isWriting || stored.stored.revision <= revision) return;
      adopt(stored);
      store.setState(snapshot('saved'));
    },
    hurry: () => endRest(),
    settled: () => writing,
  };
}
