import { readFile } from 'node:fs/promises';
import type { Browser } from '@playwright/test';
import type { Figure } from './figure';

const GOAL_MEGABYTES = 300;

/**
 * The most memory that a page and its workers take, in a browser in which no other page is open, while a design is tried: live, from a bag of parts, what pays, through a day.
 */
export async function tryingMemory(browser: Browser, address: string): Promise<Figure> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const seen: number[] = [];
  const watch = async (milliseconds: number) => {
    for (const end = performance.now() + milliseconds; performance.now() < end;) {
      const sizes = await Promise.all((await renderers(browser)).map(megabytesOf));
      seen.push(Math.max(...sizes));
      await page.waitForTimeout(100);
    }
  };
  await page.goto(`${address}/project/sample-seedling-shelf/try`);
  await page.getByRole('button', { name: /^Sunset in a minute/ }).click();
  await watch(4000);
  await page.getByText('Builds', { exact: true }).click();
  await page.getByRole('button', { name: 'Build them' }).click();
  await watch(4000);
  await page.getByRole('button', { name: 'Try what pays' }).click();
  await watch(12_000);
  await page.getByText('A day', { exact: true }).click();
  await page.getByRole('switch', { name: 'Leaves in front of it' }).click();
  await page.getByRole('button', { name: 'Run the day' }).click();
  await watch(5000);
  await page.close();
  const most = Math.max(...seen);
  return {
    name: 'most memory of a page and its workers, live, 10 000 builds, what pays, a day',
    unit: 'MB',
    median: most,
    p95: most,
    goal: `under ${GOAL_MEGABYTES}`,
    ok: most < GOAL_MEGABYTES,
  };
}

/** The processes in which pages run. */
async function renderers(browser: Browser): Promise<number[]> {
  const session = await browser.newBrowserCDPSession();
  const { processInfo } = await session.send('SystemInfo.getProcessInfo');
  await session.detach();
  return processInfo.filter(({ type }) => type === 'renderer').map(({ id }) => id);
}

/** A process's own share of the machine's memory, as Linux counts it; none once it has ended. */
async function megabytesOf(id: number): Promise<number> {
  const rollup = await readFile(`/proc/${id}/smaps_rollup`, 'utf8').catch(() => '');
  return Number(/^Pss:\s+(\d+)/m.exec(rollup)?.[1] ?? 0) / 1024;
}
