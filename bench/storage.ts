import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { LogSeries } from '@/core/live/log';
import { copyOf } from '@/core/project/copy';
import { sampleProjects } from '@/core/project/samples';
import { makeBackup } from '@/store/backup';
import { memoryStorage } from '@/store/memoryStorage';
import { addProject } from '@/store/projects';
import { quantile, type Figure } from './figure';

/** A backup of so many projects, with a log of so many points in each; as a file. */
async function backupOf(projects: number, points: number): Promise<string> {
  const storage = memoryStorage();
  let ids = 0;
  const newId = () => `id-${ids++}`;
  for (let index = 0; index < projects; index++) {
    const sample = sampleProjects[index % sampleProjects.length];
    if (!sample) break;
    const project = { ...copyOf(sample, newId), name: `Project ${index + 1}` };
    const series = new LogSeries();
    for (let point = 1; point <= points; point++)
      series.push(1e12 + point * 200, 1000 + ((point * 7919) % 90_000) / 10, point % 50 === 0);
    const record = {
      id: newId(),
      projectId: project.id,
      name: 'Log',
      source: 'bench',
      startedAt: 1e12,
      state: 'stopped' as const,
      count: points,
      marks: [],
      lastEvent: 1e12 + points * 200,
      note: '',
    };
    await addProject(storage, project, points > 0 ? [{ record, points: series }] : []);
  }
  const file = join(mkdtempSync(join(tmpdir(), 'yemko-bench-')), 'backup.zip');
  const blob = await makeBackup(storage, new Date(), () => undefined);
  writeFileSync(file, new Uint8Array(await blob.arrayBuffer()));
  return file;
}

/** Tasks of the page's main thread that took over 50 ms, from now on. */
const watchTasks = (page: Page) =>
  page.evaluate(() => {
    const seen: number[] = [];
    new PerformanceObserver((list) =>
      seen.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({
      type: 'longtask',
    });
    Object.assign(window, { longTasks: seen });
  });
const longestTask = (page: Page) =>
  page.evaluate(() => Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks));

async function restore(page: Page, address: string, file: string): Promise<number> {
  await page.goto(`${address}/storage`);
  await page.getByRole('button', { name: 'Make a backup' }).waitFor();
  await page.waitForTimeout(1500);
  await watchTasks(page);
  const started = performance.now();
  await page.locator('input[type=file]').setInputFiles(file);
  await page.getByRole('button', { name: 'Take what is new or newer' }).click({ timeout: 60_000 });
  await page.getByText('other records restored').waitFor({ timeout: 120_000 });
  return performance.now() - started;
}

const seconds = (name: string, milliseconds: number, goal: number): Figure => ({
  name,
  unit: 's',
  median: milliseconds / 1000,
  p95: milliseconds / 1000,
  goal: `under ${goal}`,
  ok: milliseconds < goal * 1000,
});
const task = (name: string, milliseconds: number): Figure => ({
  name,
  unit: 'ms',
  median: milliseconds,
  p95: milliseconds,
  goal: 'at most 50',
  ok: milliseconds <= 50,
});

/** Backup and restore of 50 projects with 500 000 points, and the list with 1 000 projects. */
export async function storageFigures(browser: Browser, address: string): Promise<Figure[]> {
  const context = await browser.newContext({ acceptDownloads: true });
  const page = await context.newPage();
  const restored = await restore(page, address, await backupOf(50, 10_000));
  const restoreTask = await longestTask(page);
  await watchTasks(page);
  const started = performance.now();
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    page.getByRole('button', { name: 'Make a backup' }).click(),
  ]);
  await download.path();
  const saved = performance.now() - started;
  const backupTask = await longestTask(page);
  await restore(page, address, await backupOf(942, 0));
  const opened: number[] = [];
  for (let round = 0; round < 5; round++) {
    const from = performance.now();
    await page.goto(address, { waitUntil: 'commit' });
    await page
      .getByRole('link', { name: /^Project \d+$/ })
      .first()
      .waitFor();
    opened.push(performance.now() - from);
  }
  await context.close();
  const list = seconds('List of 1 000 projects, opened', quantile(opened, 0.5), 1);
  return [
    seconds('Restore of 50 projects, 500 000 points', restored, 10),
    task('  longest task of the page meanwhile', restoreTask),
    seconds('Backup of 50 projects, 500 000 points', saved, 10),
    task('  longest task of the page meanwhile', backupTask),
    { ...list, p95: quantile(opened, 0.95) / 1000 },
  ];
}
