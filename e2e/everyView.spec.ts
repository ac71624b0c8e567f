import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { advice, expect, openSample, test } from './helpers';
import { palettes } from '../src/ui/theme/tokens';
import { losesFocus, newFields } from './controls';
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

/** So many buttons of each view are pressed by a key; more of them by YEMKO_FOCUS_BUTTONS. */
const PRESSED = Number(process.env.YEMKO_FOCUS_BUTTONS ?? 2);
/** What lies over a page has keys of its own. */
const LIES_OVER = /^(help|settings|palette|the tour)/;

for (const view of views) {
  const { name, open } = view;
  test(`${name}: axe finds nothing in either look, it fits, the palette knows it, keys keep the focus`, async ({
    page,
    browser,
    baseURL,
  }) => {
    if (!LIES_OVER.test(name))
      await page.addInitScript(() => localStorage.setItem('yemko-tour', '{"stop":0,"isDone":true}'));
    await open(page);
    expect(await faultsOf(page)).toEqual([]);
    expect(await newFields(page, view)).toEqual([]);
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 844 });
      await page.waitForTimeout(150);
      const { wide, room } = await page.evaluate(() => ({
        wide: document.documentElement.scrollWidth,
        room: document.documentElement.clientWidth,
      }));
      expect(wide, `at ${width} px`).toBeLessThanOrEqual(room);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    if (!LIES_OVER.test(name) && view.at) {
      await page.evaluate(() => {
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      });
      await page.keyboard.press('n');
      await expect(page.locator('html')).toHaveAttribute('data-look', 'dark-bench');
      expect(await faultsOf(page)).toEqual([]);
      expect(await losesFocus(page, PRESSED)).toEqual([]);
      return;
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

test('a comma stands in every figure where it is asked for, and is read back', async ({ page }) => {
  test.setTimeout(300_000);
  await page.addInitScript(() =>
    localStorage.setItem(
      'yemko-settings',
      '{"decimal":"comma","distance":"inches","symbols":"ansi","sound":false}',
    ),
  );
  const found: string[] = [];
  // A third of the views, or all of them by YEMKO_ALL_VIEWS.
  const some = views.filter((_, index) => process.env.YEMKO_ALL_VIEWS !== undefined || index % 3 === 0);
  for (const { name, open } of some) {
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

test('a page that hangs on a dark system is dark before any of its scripts run', async ({
  browser,
  baseURL,
}) => {
  for (const [colorScheme, paper] of [
    ['dark', palettes['dark-bench'].paper],
    ['light', palettes.day.paper],
  ] as const) {
    const context = await browser.newContext({
      baseURL: baseURL ?? '',
      colorScheme,
      javaScriptEnabled: false,
    });
    await context.addCookies([{ name: 'yemko-look', value: 'system', url: baseURL ?? '' }]);
    const page = await context.newPage();
    await page.goto('/');
    const root = page.locator('html');
    await expect(root).toHaveCSS('--paper', paper);
    await context.close();
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
