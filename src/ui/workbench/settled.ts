import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Project } from '@/core/project/project';
import type { Session } from '@/store/session';

/** Changes nearer together than this follow each other, as with a held key, in ms. */
const QUIET_MILLISECONDS = 120;

/** The project at three paces, so that a held key costs no frame too much. A change on its own is in all of them at once. */
export interface Paces {
  readonly present: StoreApi<Project>;
  /** One frame behind in a quick run of changes: what a key does and what follows from it share the work of two frames. */
  readonly followed: StoreApi<Project>;
  /** Without the states that fly by: of a quick run the first, and the last once it is over. */
  readonly settled: StoreApi<Project>;
}

/**
 * Follows a session's project.
 * @param clock milliseconds
 * @param nextFrame calls back soon, in no frame that has the change itself to show ({@link frameAfterThis})
 */
export function followProject(
  { store }: Pick<Session, 'store'>,
  clock: () => number,
  nextFrame: (go: () => void) => void,
): Paces & { readonly stop: () => void } {
  let last = store.getState().project;
  const storeOf = (project: Project): StoreApi<Project> => createStore(() => project);
  const [present, followed, settled] = [storeOf(last), storeOf(last), storeOf(last)];
  let lastChange = -Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isWaiting = false;
  let isStopped = false;
  const follow = () => {
    isWaiting = false;
    if (!isStopped) followed.setState(last, true);
  };
  const settle = () => {
    followed.setState(last, true);
    settled.setState(last, true);
  };
  const unsubscribe = store.subscribe(({ project }) => {
    if (project === last) return;
    last = project;
    const now = clock();
    const isRun = now - lastChange < QUIET_MILLISECONDS;
    lastChange = now;
    clearTimeout(timer);
    present.setState(project, true);
    if (!isRun) {
      settle();
      return;
    }
    timer = setTimeout(settle, QUIET_MILLISECONDS);
    if (isWaiting) return;
    isWaiting = true;
    nextFrame(follow);
  });
  const stop = () => {
    isStopped = true;
    unsubscribe();
    clearTimeout(timer);
  };
  return { present, followed, settled, stop };
}

/**
 * Calls back when what follows a change shares no frame's work with it. The browser may show a change in the frame in which it
 * comes: what follows is then for the next one. Or it shows it in the next: what follows is then worked out after that frame is
 * painted, and shown in the one behind it.
 */
export function frameAfterThis(go: () => void): void {
  const now = performance.now();
  requestAnimationFrame((began) => (began > now ? setTimeout(go) : requestAnimationFrame(go)));
}
