import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Edit } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import type { ProjectBundle, ProjectStorage, WriteOutcome } from './storage';

/** How many steps back are kept. */
export const MOST_HISTORY = 100;
/** Edits with the same merge key within this time are one step of undo. */
const MERGE_MILLISECONDS = 1200;

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
  /** Resolves when everything has been written or refused. */
  readonly settled: () => Promise<void>;
}

/**
 * Opens a session on a stored project.
 * @param clock milliseconds, for merging and for the time of change
 */
export function openSession(bundle: ProjectBundle, storage: ProjectStorage, clock: () => number): Session {
  let states: Project[];
  let firstSeq: number;
  let index: number;
  let revision: number;
  let lastMerge = { key: '', time: 0 };
  let writing: Promise<void> = Promise.resolve();
  let pending = 0;
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

  const save = (changed: readonly number[]) => {
    const { id } = bundle.stored;
    const written = behind ? states.map((_, position) => position) : changed;
    revision += 1;
    const change = {
      stored: { id, project: present(), changedAt: clock(), revision, cursor: firstSeq + index },
      entries: written.map((position) => ({
        projectId: id,
        seq: firstSeq + position,
        project: states[position] ?? present(),
      })),
      firstSeq,
      lastSeq: firstSeq + states.length - 1,
    };
    pending += 1;
    store.setState(snapshot('saving'));
    writing = writing
      .then(() => storage.write(change))
      .catch((): WriteOutcome => 'refused')
      .then((outcome) => {
        pending -= 1;
        behind = outcome !== 'saved';
        if (pending === 0) store.setState(snapshot(outcome));
      });
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
      if (states.length > MOST_HISTORY) {
        firstSeq += states.length - MOST_HISTORY;
        states = states.slice(-MOST_HISTORY);
      }
      index = states.length - 1;
      lastMerge = { key: mergeKey, time };
      save([index]);
    },
    undo: () => move(index - 1),
    redo: () => move(index + 1),
    refresh: async () => {
      if (pending > 0 || behind) return;
      const stored = await storage.load(bundle.stored.id).catch(() => null);
      // A load that was overtaken by a write of our own brings an older state: what is newer stands.
      if (!stored || pending > 0 || stored.stored.revision <= revision) return;
      adopt(stored);
      store.setState(snapshot('saved'));
    },
    settled: () => writing,
  };
}
