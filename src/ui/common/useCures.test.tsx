// @vitest-environment happy-dom
import { act, cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { changeDivider } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { memoryStorage } from '@/store/memoryStorage';
import { openSession } from '@/store/session';
import { freshBundle } from '@/store/storage';
import { curesClient } from '@/workers/cures/client';
import { createView, WorkbenchContext } from '../workbench/context';
import { followProject } from '../workbench/settled';
import { useCures } from './useCures';

vi.mock('@/workers/cures/client', () => ({ curesClient: { run: vi.fn() } }));

const platform = sampleNamed('Platform lamps');
const withOhms = (fixedOhms: number) => changeDivider({ fixedOhms })(platform);
const asked = vi.mocked(curesClient.run);
const askedOf = () => asked.mock.calls.map(([project]) => project.divider.fixedOhms);

beforeEach(() => {
  vi.useFakeTimers();
  asked.mockReset();
  asked.mockResolvedValue({ ok: true, output: { corners: [], cures: [] } });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

function Asking({ project }: { readonly project: Project }) {
  return <p>{useCures(project) === null ? 'looked for' : 'found'}</p>;
}

const session = openSession(freshBundle(platform, 0), memoryStorage(), () => 0);
const workbench = {
  session,
  view: createView(1),
  ...followProject(
    session,
    () => 0,
    (go) => go(),
  ),
};
const inWorkbench = (project: Project) => (
  <WorkbenchContext value={workbench}>
    <Asking project={project} />
  </WorkbenchContext>
);
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

it('looks into a single change at once, and into what is changed again and again when it has come to rest', async () => {
  const { rerender, container } = render(inWorkbench(platform));
  // The page is drawn first.
  await pass(50);
  expect(askedOf()).toEqual([]);
  await pass(1000);
  expect(askedOf()).toEqual([platform.divider.fixedOhms]);
  rerender(inWorkbench(withOhms(1000)));
  await pass(1);
  expect(askedOf().slice(1)).toEqual([1000]);
  expect(container.textContent).toBe('found');
  for (const ohms of [2000, 3000, 4000, 5000]) {
    await pass(30);
    rerender(inWorkbench(withOhms(ohms)));
  }
  expect(askedOf().slice(2)).toEqual([]);
  expect(container.textContent).toBe('looked for');
  await pass(130);
  expect(askedOf().slice(2)).toEqual([5000]);
});

it('looks into nothing between while a search takes longer than the key is held', async () => {
  let end: () => void = () => undefined;
  const { rerender } = render(inWorkbench(platform));
  await pass(1000);
  asked.mockImplementation(
    () =>
      new Promise((resolve) => {
        end = () => resolve({ ok: true, output: { corners: [], cures: [] } });
      }),
  );
  rerender(inWorkbench(withOhms(1000)));
  await pass(1);
  for (const ohms of [2000, 3000, 4000]) {
    await pass(30);
    rerender(inWorkbench(withOhms(ohms)));
  }
  // The first is done while the key is still held.
  end();
  await pass(30);
  rerender(inWorkbench(withOhms(5000)));
  await pass(30);
  expect(askedOf().slice(1)).toEqual([1000]);
  await pass(130);
  expect(askedOf().slice(1)).toEqual([1000, 5000]);
  end();
});
