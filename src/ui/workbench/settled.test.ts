import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createStore } from 'zustand/vanilla';
import { changeDivider } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import type { SessionState } from '@/store/session';
import { followProject, frameAfterThis } from './settled';

const first = newProject('n', 'N');
const state = (fixedOhms: number): SessionState => ({
  project: changeDivider({ fixedOhms })(first),
  canUndo: true,
  canRedo: false,
  saving: 'saved',
});

describe('the settled project', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  const follow = () => {
    const store = createStore<SessionState>(() => state(1000));
    const frames: (() => void)[] = [];
    const paces = followProject(
      { store },
      () => Date.now(),
      (go) => frames.push(go),
    );
    return {
      store,
      stop: paces.stop,
      ohms: () => paces.settled.getState().divider.fixedOhms,
      behind: () => paces.followed.getState().divider.fixedOhms,
      present: () => paces.present.getState().divider.fixedOhms,
      frame: () => frames.splice(0).forEach((go) => go()),
    };
  };

  it('takes a change on its own at once', () => {
    const { store, ohms } = follow();
    store.setState(state(2000));
    expect(ohms()).toBe(2000);
    vi.advanceTimersByTime(1000);
    store.setState(state(3000));
    expect(ohms()).toBe(3000);
  });

  it('takes of a quick run the first and, when it is over, the last', () => {
    const { store, ohms } = follow();
    for (let step = 1; step <= 20; step++) {
      store.setState(state(1000 + step));
      vi.advanceTimersByTime(33);
      expect(ohms()).toBe(1001);
    }
    vi.advanceTimersByTime(300);
    expect(ohms()).toBe(1020);
  });

  it('does not mind what is not the project, and stops when it is told', () => {
    const { store, stop, ohms } = follow();
    store.setState(state(2000));
    store.setState({ saving: 'saving' });
    store.setState(state(3000));
    stop();
    vi.advanceTimersByTime(1000);
    expect(ohms()).toBe(2000);
  });

  it('is a frame behind in a quick run, with whatever stands then, and not at all otherwise', () => {
    const { store, present, behind, frame } = follow();
    store.setState(state(2000));
    expect([present(), behind()]).toEqual([2000, 2000]);
    vi.advanceTimersByTime(10);
    store.setState(state(3000));
    vi.advanceTimersByTime(5);
    store.setState(state(4000));
    expect([present(), behind()]).toEqual([4000, 2000]);
    frame();
    expect(behind()).toBe(4000);
    vi.advanceTimersByTime(10);
    store.setState(state(5000));
    expect(behind()).toBe(4000);
    frame();
    expect(behind()).toBe(5000);
  });

  it('needs no frame where none is drawn, as in a tab that is hidden', () => {
    const { store, behind } = follow();
    store.setState(state(2000));
    store.setState(state(3000));
    expect(behind()).toBe(2000);
    vi.advanceTimersByTime(300);
    expect(behind()).toBe(3000);
  });

  it('takes nothing any more from a frame that comes after it was told to stop', () => {
    const { store, stop, behind, frame } = follow();
    store.setState(state(2000));
    store.setState(state(3000));
    stop();
    frame();
    expect(behind()).toBe(2000);
  });
});

describe('what follows a change', () => {
  let frames: ((began: number) => void)[];
  beforeEach(() => {
    vi.useFakeTimers();
    frames = [];
    vi.stubGlobal('requestAnimationFrame', (go: (began: number) => void) => frames.push(go));
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });
  const frame = (began: number) => frames.splice(0).forEach((go) => go(began));
  const follow = () => {
    const state = { done: false };
    frameAfterThis(() => (state.done = true));
    return state;
  };

  it('waits for the next frame where the change is shown in the one in which it came', () => {
    const state = follow();
    frame(performance.now() - 5);
    vi.advanceTimersByTime(10);
    expect(state.done).toBe(false);
    frame(performance.now());
    expect(state.done).toBe(true);
  });

  it('is worked out after the frame that shows the change, where that is the next one', () => {
    const state = follow();
    frame(performance.now() + 5);
    expect(state.done).toBe(false);
    vi.advanceTimersByTime(1);
    expect(state.done).toBe(true);
    expect(frames).toEqual([]);
  });
});
