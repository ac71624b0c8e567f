import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, measureBy, newProject, openSample, test } from './helpers';
import { UnsteadyLine } from './unsteadyLine';

const count = async (page: Page) => Number(await page.getByTestId('log-count').innerText());

async function record(page: Page) {
  await newProject(page);
  await measureBy(page, 'Time log');
  await page.getByRole('button', { name: 'Connect', exact: true }).click();
  await page.getByRole('button', { name: 'Start recording' }).click();
  await expect.poll(() => count(page)).toBeGreaterThan(5);
}

/** Times of a log's points in seconds, from its CSV. */
async function timesOut(page: Page): Promise<{ seconds: number[]; text: string }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^CSV out of/ }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  const seconds = text
    .split('\r\n')
    .slice(1)
    .map((line) => Number(line.split(',')[1]));
  return { seconds, text };
}

test(
  'a log goes on over a reload without losing a point, with its marks, pause and end',
  { tag: '@whole' },
  async ({ page }) => {
    await record(page);
    await page.getByRole('textbox', { name: 'What happens now' }).fill('=lamp off');
    await page.keyboard.press('Enter');
    await page.getByRole('switch', { name: 'Lamp on' }).click();
    await page.keyboard.press('m');
    await expect(page.getByRole('textbox', { name: 'Text of the mark mark 2' })).toBeVisible();
    const before = await count(page);
    await page.reload();
    await expect(page.getByText('Recording', { exact: true })).toBeVisible();
    await expect.poll(() => count(page)).toBeGreaterThan(before + 10);
    await expect(page.getByRole('textbox', { name: 'Text of the mark =lamp off' })).toBeVisible();
    await page.getByRole('button', { name: 'Pause' }).click();
    await expect(page.getByText('Paused')).toBeVisible();
    const paused = await count(page);
    await page.waitForTimeout(800);
    expect(await count(page)).toBe(paused);
    await page.getByRole('button', { name: 'End the log' }).click();
    await expect(page.getByRole('button', { name: 'Start recording' })).toBeVisible();

    const { seconds, text } = await timesOut(page);
    expect(seconds.length).toBe(paused);
    // Five samples a second, over the reload too: no gap of three in a row, unless the machine itself stood still.
    const gaps = seconds.slice(1).map((time, index) => time - (seconds[index] ?? 0));
    expect(Math.min(...gaps)).toBeGreaterThan(0);
    // A busy machine reads less often; what was lost would leave a gap as long as the line was cut.
    expect(Math.max(...gaps)).toBeLessThan(CUT_SECONDS);
    expect(text).toContain("'=lamp off");
  },
);

const CUT_SECONDS = 1.5;

test.describe('over a line that can be cut', () => {
  const lined = test.extend<{ line: UnsteadyLine }>({
    line: async ({ playwright: _ }, run, { project }) => {
      const line = await UnsteadyLine.to(project.use.baseURL ?? '');
      await run(line);
      await line.close();
    },
    baseURL: async ({ line }, run) => run(line.address),
  });

  lined('a log goes on after a lost connection without losing a point', async ({ page, quiet, line }) => {
    quiet.push(/ERR_(EMPTY_RESPONSE|CONNECTION|INCOMPLETE|SOCKET)|Failed to load resource/);
    await record(page);
    line.cut();
    await expect(page.getByText(/connection lost/)).toBeVisible();
    const before = await count(page);
    await page.waitForTimeout(1000 * CUT_SECONDS);
    line.fix();
    await expect.poll(() => count(page)).toBeGreaterThan(before + 12);
    const { seconds } = await timesOut(page);
    const gaps = seconds.slice(1).map((time, index) => time - (seconds[index] ?? 0));
    // A busy machine reads less often; what was lost would leave a gap as long as the line was cut.
    expect(Math.max(...gaps)).toBeLessThan(CUT_SECONDS);
  });
});

test('many readers share one bench, and nothing ticks for one who has left', async ({ request, baseURL }) => {
  const id = `e2e-${Date.now()}`;
  const read = async (since?: string) => {
    const control = new AbortController();
    const answer = await fetch(`${baseURL}/api/bench/${id}${since ? `?since=${since}` : ''}`, {
      signal: control.signal,
    });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    while ((text.match(/event: sample/g) ?? []).length < 4) text += (await reader.read()).value ?? '';
    control.abort();
    return [...text.matchAll(/id: (\d+)/g)].map(([, number]) => Number(number));
  };
  const [one, other] = await Promise.all([read(), read()]);
  expect(one.some((number) => other.includes(number))).toBe(true);
  const again = await read(String(one[0]));
  expect(again.slice(0, 2)).toEqual(one.slice(1, 3));
  expect((await request.post(`/api/bench/${id}`, { data: { lampMetres: -1 } })).status()).toBe(400);
  expect((await request.post(`/api/bench/${id}`, { data: { lampOn: false } })).ok()).toBe(true);
  expect((await request.get('/api/bench/..%2Fx')).status()).toBe(404);
});

test('one tab records, the other follows, and goes on by itself when that one is closed', async ({
  page,
  context,
}) => {
  await openSample(page, 'Platform lamps');
  await measureBy(page, 'Time log');
  await page.getByRole('button', { name: 'Connect' }).click();
  await page.getByRole('button', { name: 'Start recording' }).click();
  await expect.poll(async () => Number(await page.getByTestId('log-count').innerText())).toBeGreaterThan(3);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('heading', { name: 'Recording in another tab' })).toBeVisible();
  await expect(other.getByRole('button', { name: 'End the log' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Mark M', exact: true }).click();
  await page.getByRole('button', { name: 'Mark M', exact: true }).click();
  const before = Number(await page.getByTestId('log-count').innerText());
  await expect
    .poll(async () => Number(await other.getByTestId('log-count').innerText()))
    .toBeGreaterThan(before);
  await page.close();
  await expect(other.getByRole('button', { name: 'End the log' })).toBeVisible();
  await other.getByRole('button', { name: 'Mark M', exact: true }).click();
  await expect
    .poll(async () => Number(await other.getByTestId('log-count').innerText()))
    .toBeGreaterThan(before + 5);
  await other.getByRole('button', { name: 'End the log' }).click();
  for (const mark of ['mark 1', 'mark 2', 'mark 3'])
    await expect(other.getByRole('textbox', { name: `Text of the mark ${mark}` })).toBeVisible();
  await other.reload();
  await expect(other.getByRole('button', { name: 'Start recording' })).toBeVisible();
});
