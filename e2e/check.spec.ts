import { readFileSync } from 'node:fs';
import { expect, openSample, test, textOf } from './helpers';
import type { Page } from '@playwright/test';
import { sampleProjects } from '../src/core/project/samples';
import { writeProjectFile } from '../src/core/project/file';

const way = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'What to check by' }).getByText(name, { exact: true }).click();
const panel = (page: Page, name: string) => page.getByRole('region', { name, exact: true }).first();

/** Types a figure into the field of a point. */
async function measure(page: Page, point: string, figure: string): Promise<void> {
  const field = page.getByLabel(point, { exact: true }).first();
  await field.fill(figure);
  await field.press('Enter');
}

test('a planted fault is measured, found by what is proposed, and written down', async ({ page }) => {
  await openSample(page, 'Platform lamps', 7);
  await expect(panel(page, 'What your meter should show')).toContainText('Voltage at A, in the dark');
  // D1 is the wrong way round: the base conducts, nothing flows through the load.
  await measure(page, 'Voltage at A, in the dark', '0.69');
  await expect(page.getByText('All that you measured is in its band.')).toBeVisible();
  await measure(page, 'Voltage at C (collector), in the dark', '0.003');
  await way(page, 'Faults');
  await expect(panel(page, 'What was found')).toContainText('Voltage at A');
  const found = panel(page, 'What is wrong');
  await expect(found.getByRole('listitem').first()).toBeVisible();
  await page.getByRole('button', { name: 'never on' }).click();
  const next = panel(page, 'Measure next');
  for (let probes = 0; probes < 6; probes++) {
    if (await found.getByText('As good as sure.').isVisible()) break;
    const text = await textOf(next.locator('p').first());
    if (text.includes('right way round') && text.includes('D1'))
      await next.getByRole('button', { name: 'Wrong' }).click();
    else if (await next.getByRole('button', { name: 'As it should be' }).isVisible())
      await next.getByRole('button', { name: 'As it should be' }).click();
    else {
      const field = next.getByRole('textbox');
      await field.fill(
        text.includes('Resistance')
          ? '180'
          : text.includes('plus')
            ? '6'
            : text.includes('anode')
              ? '5.9'
              : '0',
      );
      await field.press('Enter');
    }
    await page.waitForTimeout(400);
  }
  await expect(found.getByRole('listitem').first()).toContainText('D1');
  await expect(found).toContainText('As good as sure.');
  await page.getByRole('button', { name: 'That was it: write it down' }).click();
  await way(page, 'Logbook');
  await expect(panel(page, 'Logbook')).toContainText('D1');
  await page.reload();
  await way(page, 'Logbook');
  await expect(panel(page, 'Logbook')).toContainText('D1');
});

test(
  'a trimmer is turned to where it should be, and what was measured is taken over',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 7);
    await measure(page, 'Voltage at plus, in the light', '11.5');
    const adopt = panel(page, 'Take it into the model');
    await expect(adopt).toContainText(/The supply gives 11\.\d/);
    await adopt.getByRole('button', { name: 'Take over' }).first().click();
    await expect(page.getByRole('button', { name: /^2 Divide/ })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(adopt).toContainText(/The supply gives 11\.\d/);
  },
);

test('practice hides a fault, answers to probes, and shows it with the program’s own way', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 7);
  await way(page, 'Practice');
  await page.getByRole('button', { name: 'Hide a fault' }).click();
  await page.getByRole('button', { name: 'Voltage at C (collector), in the dark' }).click();
  await expect(panel(page, 'Your way: 1')).toContainText(/[\d.]+\sV/);
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(panel(page, 'It was:')).toContainText('A short way that Yemko found');
});

test('a logbook keeps notes and photos, finds them, and goes out as Markdown; the report has the whole project', async ({
  page,
}) => {
  await openSample(page, 'Birdhouse logger', 7);
  await way(page, 'Logbook');
  await expect(panel(page, 'Logbook')).toContainText('Nothing is written down yet.');
  await page.getByLabel('What happened').fill('New cells; it wakes up again.');
  const picture = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page
    .locator('input[type=file]')
    .last()
    .setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByAltText('Photo 1')).toBeVisible();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('article')).toContainText('New cells');
  await page.reload();
  await way(page, 'Logbook');
  await expect(page.getByRole('article').getByAltText('Photo 1')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search' }).fill('nothing like it');
  await expect(page.getByText('No entry has these words.')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search' }).fill('cells');
  await expect(page.getByRole('article')).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Report of the whole project' }).click();
  const text = readFileSync(await (await saved).path(), 'utf8');
  expect(text).toContain('# Birdhouse logger');
  expect(text).toContain('New cells; it wakes up again.');
  await page.getByRole('button', { name: 'Remove' }).click();
  await page.getByRole('button', { name: 'OK', exact: true }).click();
  await expect(panel(page, 'Logbook')).toContainText('Nothing is written down yet.');
});

test('the interface from outside has the screen’s figures, and refuses what is no project', async ({
  page,
  request,
}) => {
  const sample = sampleProjects.find(({ name }) => name === 'Seedling shelf');
  if (!sample) throw new Error('no sample');
  const file = writeProjectFile(sample, new Date().toISOString());
  const answer = await request.post('/api/analyse', {
    data: file,
    headers: { 'Content-Type': 'text/plain' },
  });
  expect(answer.status()).toBe(200);
  const body = (await answer.json()) as {
    readonly switching: { readonly half: { readonly lux: number } };
    readonly testPoints: readonly { readonly key: string; readonly value: number }[];
  };
  await openSample(page, 'Seedling shelf', 7);
  await expect(page.getByRole('button', { name: /^3 Switch/ })).toContainText(
    `${Math.round(body.switching.half.lux)}`,
  );
  const mid = body.testPoints.find(({ key }) => key === 'volts mid 0')?.value ?? NaN;
  await expect(page.getByRole('row', { name: /Voltage at A, in the dark/ })).toContainText(mid.toFixed(2));
  const post = async (data: string | Buffer, headers: Record<string, string> = {}) =>
    (
      await request.post('/api/analyse', { data, headers: { 'Content-Type': 'text/plain', ...headers } })
    ).status();
  expect(await post('{"format":')).toBe(400);
  expect(await post('{}')).toBe(422);
  expect(await post(Buffer.alloc(5_000_000, 32))).toBe(413);
  expect(await post(file, { Origin: 'http://elsewhere.example' })).toBe(403);
  const many = await Promise.all(Array.from({ length: 40 }, () => post(file)));
  expect(new Set(many)).toEqual(new Set([200]));
  expect((await request.get('/api/schema')).status()).toBe(200);
});

test('on a phone the points are measured with nothing to the side', { tag: '@whole' }, async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openSample(page, 'Seedling shelf', 7);
  await measure(page, 'Voltage at A, in the dark', '6.5');
  await expect(page.getByText('All that you measured is in its band.')).toBeVisible();
  for (const name of ['Faults', 'Practice', 'Logbook', 'Test points']) {
    await way(page, name);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect([name, wide]).toEqual([name, 390]);
  }
});
