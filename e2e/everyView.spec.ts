import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { advice, expect, openSample, test } from './helpers';
import { openView, views } from './views';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeResults {
  readonly violations: readonly {
    readonly id: string;
    readonly impact: string;
    readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
  }[];
}

/** What axe finds, of whatever severity, after all movement has come to rest and with no pointer over anything. */
async function faultsOf(page: Page): Promise<string[]> {
  await page.mouse.move(0, 0);
  await page.waitForTimeout(300);
  await page.evaluate(axeSource);
  const results = await page.evaluate<AxeResults>('axe.run(document)');
  return results.violations.map(
    ({ id, impact, nodes }) => `${impact} ${id}: ${nodes[0]?.html} ${nodes[0]?.failureSummary}`,
  );
}

const WIDTHS = [1280, 768, 390, 320];

for (const { name, open } of views) {
  test(`${name}: axe finds nothing in either look, and nothing is wider than the page`, async ({
    page,
    browser,
    baseURL,
  }) => {
    await open(page);
    expect(await faultsOf(page)).toEqual([]);
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 844 });
      await page.waitForTimeout(150);
      const { wide, room } = await page.evaluate(() => ({
        wide: document.documentElement.scrollWidth,
        room: document.documentElement.clientWidth,
      }));
      expect(wide, `at ${width} px`).toBeLessThanOrEqual(room);
    }
    const context = await browser.newContext({
      baseURL: baseURL ?? '',
      serviceWorkers: 'block',
      reducedMotion: 'reduce',
    });
    await context.addCookies([{ name: 'yemko-look', value: 'dark-bench', url: baseURL ?? '' }]);
    const dark = await context.newPage();
    await open(dark);
    await expect(dark.locator('html')).toHaveAttribute('data-look', 'dark-bench');
    expect(await faultsOf(dark)).toEqual([]);
    await context.close();
  });
}

test('axe finds nothing in what is refused, on a phone, and in the system’s own colours', async ({
  page,
}) => {
  await openView(page, 'new project');
  await page.getByRole('textbox', { name: 'Light' }).fill('x');
  await page.getByRole('textbox', { name: 'Light' }).press('Enter');
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Figures' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 390, height: 844 });
  await openView(page, 'switch: transistor');
  await expect(advice(page)).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.emulateMedia({ forcedColors: 'active' });
  await openView(page, 'divide');
  const outline = await page
    .locator('[aria-current=step]')
    .evaluate((step) => getComputedStyle(step).outlineStyle);
  expect(outline).toBe('solid');
});

test('a comma stands in every figure of every view where it is asked for, and is read back', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await page.addInitScript(() =>
    localStorage.setItem(
      'yemko-settings',
      '{"decimal":"comma","distance":"inches","symbols":"ansi","sound":false}',
    ),
  );
  const found: string[] = [];
  for (const { name, open } of views) {
    await open(page);
    // A program is written in its own language; a file’s name has its own point.
    const points = await page.evaluate(() => {
      const texts = [...document.querySelectorAll('body :not(script, style, pre, pre *)')].flatMap(
        (element) =>
          [...element.childNodes]
            .filter((node) => node.nodeType === Node.TEXT_NODE)
            .map((node) => node.textContent ?? ''),
      );
      const values = [...document.querySelectorAll<HTMLInputElement>('input:not([type=radio])')].map(
        (input) => input.value,
      );
      return [...texts, ...values].filter((text) => /\d\.\d/.test(text));
    });
    found.push(...points.map((text) => `${name}: ${text}`));
  }
  expect(found).toEqual([]);
  await openSample(page, 'Platform lamps', 2);
  await page.getByRole('textbox', { name: 'R1 in use' }).fill('4,725k');
  await page.getByRole('textbox', { name: 'R1 in use' }).press('Enter');
  await expect(page.getByRole('textbox', { name: 'R1 in use' })).toHaveValue('4,725 k');
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
