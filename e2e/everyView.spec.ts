import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { sampleNamed } from '../src/core/project/testSamples';
import { shareFragment } from '../src/store/share';
import { expect, goTo, measureBy, newProject, openSample, SAMPLES, test } from './helpers';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeResults {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
  }[];
}

/** What axe finds that is serious or worse, after all movement has come to rest. */
async function seriousFaults(page: Page): Promise<string[]> {
  await page.waitForTimeout(400);
  await page.evaluate(axeSource);
  const results = await page.evaluate<AxeResults>('axe.run(document)');
  return results.violations
    .filter((violation) => ['serious', 'critical'].includes(violation.impact))
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html} ${nodes[0]?.failureSummary}`);
}

const fits = async (page: Page) => {
  const { wide, room } = await page.evaluate(() => ({
    wide: document.documentElement.scrollWidth,
    room: document.documentElement.clientWidth,
  }));
  expect(wide).toBeLessThanOrEqual(room);
};

test('axe finds no serious fault in the list of projects', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('checkbox', { name: 'Choose Hedgehog hut lamp' }).check();
  await page.getByRole('button', { name: 'Tags Platform lamps' }).click();
  expect(await seriousFaults(page)).toEqual([]);
});

test('axe finds no serious fault in storage and backup, and in a shared project; both fit a phone', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Delete Hedgehog hut lamp' }).click();
  await page.goto('/storage');
  await expect(page.getByText('Undo history')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  const shared = shareFragment(sampleNamed('Seedling shelf'));
  await page.goto(`/share#${shared.ok ? shared.fragment : ''}`);
  await expect(page.getByRole('heading', { name: 'Seedling shelf' })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  for (const width of [390, 320]) {
    await page.setViewportSize({ width, height: 844 });
    for (const address of ['/storage', '/share', '/']) {
      await page.goto(address);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await fits(page);
    }
  }
});

/** Every step of one sample, and of the others those whose panels are different. */
const stepsOf: readonly (readonly [sample: string, steps: readonly number[]])[] = [
  ['Platform lamps', [1, 2, 3, 4]],
  ['Canoe rack marker that stays dim', [3]],
  ['Seedling shelf', [3, 4]],
  ['Drying rack meter', [3]],
  ['Marble gate', [3]],
];
for (const [sample, steps] of stepsOf) {
  test(`axe finds no serious fault in the steps of ${sample}`, async ({ page }) => {
    await openSample(page, sample, steps[0]);
    for (const step of steps) {
      await goTo(page, step);
      expect(await seriousFaults(page)).toEqual([]);
    }
  });
}

test('axe finds no serious fault in a new project, in errors and in what opens over the page', async ({
  page,
}) => {
  await newProject(page);
  await page.getByRole('textbox', { name: 'Light' }).fill('x');
  await page.getByRole('textbox', { name: 'Light' }).press('Enter');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Figures' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
});

for (const look of ['day', 'dark-bench']) {
  test(`axe finds no serious fault in any way of measuring, ${look}`, async ({ page, context, baseURL }) => {
    await context.addCookies([{ name: 'yemko-look', value: look, url: baseURL ?? '' }]);
    await openSample(page, 'Platform lamps', 1);
    expect(await seriousFaults(page)).toEqual([]);
    await measureBy(page, 'Ladder');
    await page.getByRole('button', { name: 'Start the ladder' }).click();
    expect(await seriousFaults(page)).toEqual([]);
    await measureBy(page, 'Live');
    await page.getByRole('button', { name: 'Connect', exact: true }).click();
    await expect(page.getByTestId('live-figure')).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    await measureBy(page, 'Time log');
    await page.getByRole('button', { name: 'Start recording' }).click();
    await page.keyboard.press('m');
    expect(await seriousFaults(page)).toEqual([]);
    await measureBy(page, 'Saved LDRs');
    await page.getByRole('button', { name: 'Save this LDR' }).click();
    expect(await seriousFaults(page)).toEqual([]);
  });
}

test('axe finds no serious fault in any way of trying, nor do they run over a phone', async ({ page }) => {
  await openSample(page, 'Seedling shelf', 5);
  for (const [way, run] of [
    ['Live', null],
    ['A day', 'Run the day'],
    ['Builds', 'Build them'],
    ['Predict', null],
  ] as const) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByText(way, { exact: true }).click();
    if (run) await page.getByRole('button', { name: run }).click();
    if (run) await expect(page.getByRole('button', { name: run })).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    for (const width of [390, 320]) {
      await page.setViewportSize({ width, height: 844 });
      await fits(page);
    }
  }
});

test('axe finds no serious fault in any way of building, nor do they run over a phone', async ({ page }) => {
  await openSample(page, 'Seedling shelf', 6);
  for (const way of ['Parts', 'Board', 'Wiring', 'Sheet', 'Program']) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('radiogroup', { name: 'What to build by' }).getByText(way, { exact: true }).click();
    if (way === 'Board') await expect(page.getByText('The board is the circuit')).toBeVisible();
    if (way === 'Wiring') await expect(page.getByRole('button', { name: /^Done, next/ })).toBeVisible();
    if (way === 'Sheet') await expect(page.getByRole('button', { name: 'Save as PDF' })).toBeEnabled();
    expect(await seriousFaults(page)).toEqual([]);
    for (const width of [390, 320]) {
      await page.setViewportSize({ width, height: 844 });
      await fits(page);
    }
  }
});

test('axe finds no serious fault in any way of checking, nor do they run over a phone', async ({ page }) => {
  await openSample(page, 'Drying rack meter', 7);
  for (const way of ['Test points', 'Faults', 'Practice', 'Logbook']) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('radiogroup', { name: 'What to check by' }).getByText(way, { exact: true }).click();
    if (way === 'Test points') await expect(page.getByText('Load last')).toBeVisible();
    if (way === 'Faults') await expect(page.getByText('Not sure yet.')).toBeVisible();
    if (way === 'Practice') {
      await page.getByRole('button', { name: 'Hide a fault' }).click();
      await expect(page.getByRole('button', { name: 'Show it' })).toBeVisible();
    }
    expect(await seriousFaults(page)).toEqual([]);
    for (const width of [390, 320]) {
      await page.setViewportSize({ width, height: 844 });
      await fits(page);
    }
  }
});

test('the pages fit a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
  await fits(page);
  await page.getByRole('link', { name: 'Platform lamps' }).click();
  for (const step of [1, 2, 3, 4]) {
    await goTo(page, step);
    await fits(page);
  }
  await goTo(page, 1);
  for (const way of ['Ladder', 'Live', 'Time log', 'Saved LDRs']) {
    await measureBy(page, way);
    await fits(page);
  }
});

test('security headers stand on every answer', async ({ request }) => {
  for (const path of ['/', '/project/x/measure', '/icon.svg']) {
    const headers = (await request.get(path)).headers();
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-frame-options']).toBe('DENY');
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-powered-by']).toBeUndefined();
    if (path !== '/icon.svg') expect(headers['content-security-policy']).toContain("default-src 'self'");
  }
});

test('nothing is asked of another host, from the first page to the last', async ({ page, baseURL }) => {
  const hosts = new Set<string>();
  await page.route('**/*', (route) => {
    hosts.add(new URL(route.request().url()).host);
    return route.continue();
  });
  await openSample(page, 'Platform lamps');
  for (const step of [2, 3, 4]) await goTo(page, step);
  await page.getByRole('button', { name: 'Figures' }).click();
  expect([...hosts]).toEqual([new URL(baseURL ?? '').host]);
  const fonts = await page.evaluate(
    () => [...document.fonts].filter((face) => face.status === 'loaded').length,
  );
  expect(fonts).toBeGreaterThan(1);
});
