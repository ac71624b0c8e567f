import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { paletteFields, type PaletteField } from '../src/ui/words/help/paletteFields';
import { keyList } from '../src/ui/words/panels/help';
import { expect, link, openSample, test } from './helpers';
import { views } from './views';

const INDEX = 'src/ui/words/help/paletteIndex.ts';
/** Fields and buttons that every design of their kind has: not those of a row, of what was found, or of a help. */
const controlsOf = (page: Page) =>
  page.evaluate(() => {
    const left = 'tbody, li, svg, article, [data-tour=sentence], nav, [aria-haspopup=dialog], .ant-popover';
    const all = document.querySelectorAll<HTMLElement>(
      'main button, main input, main textarea, main [role=slider], main [role=switch]',
    );
    return [...all]
      .filter((one) => one.checkVisibility() && one.closest(left) === null)
      .map((one) => {
        const own = one.getAttribute('aria-label');
        const field = one instanceof HTMLInputElement || one instanceof HTMLTextAreaElement ? one : null;
        const label = field ? field.labels?.[0]?.textContent : one.textContent;
        return (own ?? label ?? '').replace(/\s+/g, ' ').trim();
      });
  });

/** A name that holds for every design and by itself: no figure of this one, and more than a word beside another field. */
const isLasting = (name: string) =>
  /^[^a-z]/.test(name) &&
  name.length <= 60 &&
  !/\d[\d.,]*\s?(k|M|µ|m)?(Ω|V|A|lx|%|×|°)|[“”]|\d{2,}/.test(name);

/** What stands in every step is gone to where it is met first. */
const isCommon = (name: string) => /^(Probe|Goal|Fold|Figures|IEC|ANSI|Save the schematic)/.test(name);

test('the palette knows every field and every action of every view', async ({ page }) => {
  test.setTimeout(300_000);
  await page.addInitScript(() => localStorage.setItem('yemko-tour', '{"stop":0,"isDone":true}'));
  const found: PaletteField[] = [];
  for (const { at, open } of views) {
    if (!at) continue;
    await open(page);
    for (const name of new Set(await controlsOf(page)))
      if (
        isLasting(name) &&
        !found.some((entry) => entry.name === name && (isCommon(name) || entry.step === at.step))
      )
        found.push({ name, step: at.step, way: at.way ?? null });
  }
  if (process.env.YEMKO_WRITE_PALETTE)
    writeFileSync(
      INDEX,
      `/** Written by \`npm run palette\`. */\nexport const paletteIndex = ${JSON.stringify(found, null, 2)} as const;\n`,
    );
  const missing = found.filter(
    ({ name, step }) =>
      !paletteFields.some((entry) => entry.name === name && (isCommon(name) || entry.step === step)),
  );
  expect(missing).toEqual([]);
});

/** Opens the palette, types, and takes what is found first. @returns its name */
async function find(page: Page, words: string): Promise<string> {
  await page.keyboard.press('Control+k');
  const field = page.getByRole('combobox', { name: 'Find an action or a field' });
  await expect(field).toBeFocused();
  await field.fill(words);
  const name = (await page.getByRole('option').first().locator('span').first().textContent()) ?? '';
  await page.keyboard.press('Enter');
  await expect(field).toBeHidden();
  return name;
}

test('the palette reaches every action that the list of keys has, from a step where it is not', async ({
  page,
}) => {
  await page.addInitScript(() => localStorage.setItem('yemko-tour', '{"stop":0,"isDone":true}'));
  for (const { finds } of keyList) {
    if (finds === null) continue;
    await openSample(page, 'Seedling shelf', 4);
    await expect(page.getByRole('slider', { name: /^Probe/ })).toBeVisible();
    expect(await find(page, finds)).toContain(finds);
  }
  // One of each sort, to its end: a step, a field elsewhere, a way within a step, a setting.
  await openSample(page, 'Seedling shelf', 4);
  await find(page, 'Go to step 3');
  await expect(link(page, 3)).toHaveAttribute('aria-current', 'step');
  await find(page, 'Supply');
  await expect(page.getByRole('textbox', { name: 'Supply', exact: true })).toBeFocused();
  await find(page, 'Save as PDF');
  await expect(page.getByRole('button', { name: 'Save as PDF' })).toBeVisible();
  await find(page, 'Latitude');
  await expect(page.getByRole('textbox', { name: /^Latitude/ })).toBeFocused();
  await find(page, 'Settings');
  await expect(page.getByRole('dialog').getByText('Decimals')).toBeVisible();
  await page.keyboard.press('Escape');
  await find(page, 'Ripple of its lamp');
  await expect(page.getByText('This design has no', { exact: false })).toBeVisible();
});
