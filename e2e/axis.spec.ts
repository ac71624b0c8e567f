import type { Page } from '@playwright/test';
import { expect, goTo, link, openSample, saved, test, textOf, type } from './helpers';

const probe = (page: Page) => page.getByRole('slider', { name: /^Probe/ });
const goal = (page: Page) => page.getByRole('slider', { name: /^Goal/ });

/** The place on the screen of a light on the usual axis, at the height of the strips. */
async function placeOf(page: Page, lux: number) {
  const box = await page.getByTestId('strip-grab').boundingBox();
  if (!box) throw new Error('no axis');
  return { x: box.x + (box.width * Math.log10(lux / 0.1)) / 6, y: box.y + box.height / 2 };
}

test('the probe is dragged along the light and every figure follows', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 3);
  const dark = await placeOf(page, 1);
  const bright = await placeOf(page, 1000);
  await page.mouse.move(bright.x, bright.y);
  await page.mouse.down();
  await page.mouse.move(dark.x, dark.y, { steps: 8 });
  await page.mouse.up();
  expect(await textOf(probe(page))).toMatch(/probe (0\.99\d|1|1\.0\d) lx/);
  const schematic = page.getByRole('group', { name: /^Schematic at/ });
  await expect(schematic).toHaveAttribute('aria-label', /LDR 15\.\d\skΩ.*A 0\.6\d\d\sV.*load 9\.\d+\smA/);
  await expect(page.getByRole('region', { name: 'Load' })).toContainText('9.3');
});

test('the goal is dragged, and the drag is one step of undo', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  const from = await goal(page).boundingBox();
  const to = await placeOf(page, 300);
  if (!from) throw new Error('no goal');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x, from.y + 5, { steps: 10 });
  await expect(goal(page)).toContainText(/300|299|301/);
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'below' })).toHaveValue(/^(300|299|301)$/);
  await expect(page.getByRole('region', { name: 'Advice' })).toContainText('It switches at');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('textbox', { name: 'below' })).toHaveValue('60');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('keys move the probe and the goal, but never while typing', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await page.getByRole('heading', { name: 'Divider', exact: true }).click();
  const before = Number(await probe(page).getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowLeft');
  await expect(probe(page)).toHaveAttribute(
    'aria-valuenow',
    String(Number((before / 10 ** (1 / 48)).toPrecision(3))),
  );
  await page.keyboard.press('Shift+ArrowRight');
  await expect(goal(page)).toHaveAttribute('aria-valuenow', '62.9');
  await goal(page).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(goal(page)).toHaveAttribute('aria-valuenow', '60');

  await page.keyboard.press('4');
  await expect(link(page, 4)).toHaveAttribute('aria-current', 'step');
  await page.getByRole('textbox', { name: 'R2 in use' }).focus();
  await page.keyboard.press('2');
  await page.keyboard.press('ArrowLeft');
  await expect(link(page, 4)).toHaveAttribute('aria-current', 'step');
  await page.keyboard.press('Escape');
});

test(
  'the list of keys opens with its key, and the back button walks the steps',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 2);
    await goTo(page, 3);
    await page.goBack();
    await expect(link(page, 2)).toHaveAttribute('aria-current', 'step');
    await page.getByRole('heading', { name: 'Divider', exact: true }).click();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
  },
);

test('the strips stand behind a table of figures', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps');
  await page.getByRole('button', { name: 'Figures' }).click();
  const rows = page.getByRole('dialog').getByRole('row');
  await expect(rows).toHaveCount(1 + 19 + 3);
  expect(await textOf(rows.filter({ hasText: '58.7' }))).toMatch(/58\.7 lx 88\d Ω 0\.67\d V .* 4\.65 mA/);
});

test(
  'on paper the strips are as wide as their marks, in the look of the day; then all is as it was',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 3);
    await page.getByRole('heading', { name: 'Switching' }).click();
    await page.keyboard.press('n');
    await expect(page.locator('html')).toHaveAttribute('data-look', 'dark-bench');
    const seen = () =>
      page.evaluate(() => ({
        look: document.documentElement.dataset.look,
        main: document.querySelector('main')?.getBoundingClientRect().width,
        over: [...document.querySelectorAll('canvas')].map((canvas) =>
          Math.abs(canvas.clientWidth - (canvas.parentElement?.clientWidth ?? 0)),
        ),
      }));
    const before = await seen();
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    // At once, as paper does not wait.
    const onPaper = await seen();
    expect(onPaper).toMatchObject({ look: 'day', main: 700 });
    expect(onPaper.over.length).toBeGreaterThan(2);
    expect(Math.max(...onPaper.over)).toBeLessThanOrEqual(1);
    await expect(page.getByRole('button', { name: 'Fold' })).toBeHidden();
    await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
    await expect.poll(seen).toEqual(before);
  },
);

/** What every strip's canvas shows, as pictures, once nothing changes them any more. */
async function pictures(page: Page): Promise<string[]> {
  const read = () =>
    page.evaluate(() => [...document.querySelectorAll('canvas')].map((canvas) => canvas.toDataURL()));
  let seen = await read();
  await expect(async () => {
    const before = seen;
    await page.waitForTimeout(250);
    seen = await read();
    expect(seen.length).toBeGreaterThan(2);
    expect(seen).toEqual(before);
  }).toPass();
  return seen;
}

test(
  'the strips show what they would after a reload, whatever curves come and go',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Moss terrarium guide', 3);
    for (const band of ['', '1.5', '2', '']) {
      const before = await pictures(page);
      await type(page, 'Band at each edge', band);
      await saved(page);
      await expect(async () => expect(await pictures(page)).not.toEqual(before)).toPass();
      const there = await pictures(page);
      await page.reload();
      await expect(link(page, 3)).toHaveAttribute('aria-current', 'step');
      await page.mouse.move(0, 0);
      await expect(async () => expect(await pictures(page)).toEqual(there)).toPass();
    }
  },
);
