import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createStore } from 'zustand/vanilla';
import { changeDivider } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import type { SessionState } from '@/store/session';
import { followSettled } from './settled';

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
    const { settled, stop } = followSettled({ store }, () => Date.now());
    return { store, stop, ohms: () => settled.getState().divider.fixedOhms };
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
});
