import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { advice, expect, openSample, remembering, test, withoutTour } from './helpers';
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
  const results = await page.evaluate<AxeResults>(
    `axe.run(document, { resultTypes: ['violations'], selectors: false })`,
  );
  return results.violations.map(
    ({ id, impact, nodes }) => `${impact} ${id}: ${nodes[0]?.html} ${nodes[0]?.failureSummary}`,
  );
}

const WIDTHS = [1280, 768, 390, 320];

/** `npm run verify` holds each view in both looks and presses eight of its buttons; `npm test` every eighteenth view in one look by turns, and one button. */
const isWhole = process.env.YEMKO_WHOLE !== undefined;
const PRESSED = isWhole ? 8 : 1;
/** What lies over a page has keys of its own. */
const LIES_OVER = /^(help|settings|palette|the tour)/;

const held = views.filter((_, index) => isWhole || index % 18 === 0);

for (const [index, view] of held.entries()) {
  const { name, open } = view;
  test(`${name}: axe finds nothing in its looks, it fits, the palette knows it, keys keep the focus`, async ({
    page,
    browser,
    context,
    baseURL,
  }) => {
    const [isSeenByDay, isSeenDark] = [isWhole || index % 2 === 0, isWhole || index % 2 === 1];
    const dark = { name: 'yemko-look', value: 'dark-bench', url: baseURL ?? '' };
    if (!LIES_OVER.test(name)) await withoutTour(page);
    if (!isSeenByDay) await context.addCookies([dark]);
    await open(page);
    expect(await faultsOf(page)).toEqual([]);
    expect(await newFields(page, view)).toEqual([]);
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 844 });
      await page.evaluate(() => new Promise((after) => requestAnimationFrame(() => setTimeout(after, 30))));
      const { wide, room } = await page.evaluate(() => ({
        wide: document.documentElement.scrollWidth,
        room: document.documentElement.clientWidth,
      }));
      expect(wide, `at ${width} px`).toBeLessThanOrEqual(room);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    if (isSeenByDay && isSeenDark) {
      const other = await browser.newContext({
        baseURL: baseURL ?? '',
        serviceWorkers: 'block',
        reducedMotion: 'reduce',
      });
      await other.addCookies([dark]);
      const again = await other.newPage();
      await open(again);
      await expect(again.locator('html')).toHaveAttribute('data-look', 'dark-bench');
      expect(await faultsOf(again)).toEqual([]);
      await other.close();
    }
    if (!LIES_OVER.test(name) && view.at) expect(await losesFocus(page, PRESSED)).toEqual([]);
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

test(
  'a comma stands in every figure where it is asked for, and is read back',
  { tag: '@whole' },
  async ({ page }) => {
    await remembering(page, {
      'yemko-settings': '{"decimal":"comma","distance":"inches","symbols":"ansi","sound":false}',
    });
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
  },
);

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
