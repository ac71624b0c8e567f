// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { memoryStorage } from '@/store/memoryStorage';
import { useFileJob, useIsWorking } from './fileJobs';
import { LeaveGuard } from './LeaveGuard';

type Run = (outcome: { ok: true; output: { kind: 'refused' } } | { ok: false; reason: 'died' }) => void;
const worker = vi.hoisted((): { finish?: Run } => ({}));
vi.mock('@/workers/files/client', () => ({
  runFiles: (_storage: unknown, _work: unknown, options: { onProgress: (share: number) => void }) => {
    options.onProgress(0.25);
    return new Promise((resolve) => (worker.finish = resolve));
  },
}));

afterEach(cleanup);

const storage = memoryStorage();

function Job() {
  const { run, progress, trouble } = useFileJob(storage, 'restore');
  return (
    <>
      <button onClick={() => void run({ kind: 'restore', file: new Blob(), mode: 'merge' })}>restore</button>
      <p data-testid="progress">{String(progress)}</p>
      <p data-testid="trouble">{trouble}</p>
    </>
  );
}

const Working = () => <p data-testid="working">{String(useIsWorking())}</p>;

/** Whether the page asks before it is closed. */
const asks = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));

describe('a long work on files', () => {
  it('goes on when its page is left, is found again there, and is asked about before the page is closed', async () => {
    const view = (isShown: boolean) => (
      <>
        <LeaveGuard />
        <Working />
        {isShown && <Job />}
      </>
    );
    const { rerender } = render(view(true));
    expect(asks()).toBe(false);
    act(() => screen.getByRole('button').click());
    expect(screen.getByTestId('progress').textContent).toBe('0.25');
    rerender(view(false));
    expect(screen.getByTestId('working').textContent).toBe('true');
    expect(asks()).toBe(true);
    rerender(view(true));
    expect(screen.getByTestId('progress').textContent).toBe('0.25');
    await act(async () => worker.finish?.({ ok: false, reason: 'died' }));
    expect(screen.getByTestId('progress').textContent).toBe('null');
    expect(screen.getByTestId('trouble').textContent).toContain('reload the page');
    expect(asks()).toBe(false);
  });
});
