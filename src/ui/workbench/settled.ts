import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Project } from '@/core/project/project';
import type { Session } from '@/store/session';

/** Changes nearer together than this follow each other, as with a held key, in ms. */
const QUIET_MILLISECONDS = 120;

/**
 * The project without the states that fly by: a change on its own is there at once; of a quick run of them the first, and the
 * last once it is over.
 */
export function followSettled(
  { store }: Pick<Session, 'store'>,
  clock: () => number,
): { readonly settled: StoreApi<Project>; readonly stop: () => void } {
  const settled = createStore<Project>(() => store.getState().project);
  let lastChange = -Infinity;
  let last = store.getState().project;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const unsubscribe = store.subscribe(({ project }) => {
    if (project === last) return;
    last = project;
    const now = clock();
    const follows = now - lastChange < QUIET_MILLISECONDS;
    lastChange = now;
    clearTimeout(timer);
    if (follows) timer = setTimeout(() => settled.setState(project, true), QUIET_MILLISECONDS);
    else settled.setState(project, true);
  });
  const stop = () => {
    unsubscribe();
    clearTimeout(timer);
  };
  return { settled, stop };
}
