import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { PaletteField } from '../src/ui/words/help/paletteFields';
import { keyList } from '../src/ui/words/panels/help';
import { expect, goTo, link, openSample, test, withoutTour } from './helpers';
import { newFields } from './controls';
import { views } from './views';

const INDEX = 'src/ui/words/help/paletteIndex.ts';
/** `npm run palette` writes the list anew; whether it is whole is held with each view. */
if (process.env.YEMKO_WRITE_PALETTE)
  test('the palette’s list is written', async ({ page }) => {
    await withoutTour(page);
    const found: PaletteField[] = [];
    // The tour lies over a page that has its fields itself.
    for (const view of views.filter(({ name }) => name !== 'the tour')) {
      await view.open(page);
      found.push(...(await newFields(page, view, found)));
    }
    const groups: { step: string; way: string | null; names: string[] }[] = [];
    for (const { name, step, way } of found) {
      const group = groups.find((each) => each.step === step && each.way === way);
      if (group) group.names.push(name);
      else groups.push({ step, way, names: [name] });
    }
    writeFileSync(
      INDEX,
      `/** Written by \`npm run palette\`. */\nexport const paletteIndex = ${JSON.stringify(groups, null, 2)} as const;\n`,
    );
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

test(
  'the palette reaches every action that the list of keys has, from a step where it is not',
  { tag: '@whole' },
  async ({ page }) => {
    await withoutTour(page);
    for (const { finds } of keyList) {
      if (finds === null) continue;
      const isOver = (await page.getByRole('dialog').count()) > 0 || !page.url().includes('seedling-shelf');
      if (isOver) await openSample(page, 'Seedling shelf', 4);
      else await goTo(page, 4);
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
    // Keys do not act behind a dialog: until it is gone, none of them opens another.
    await expect(page.getByRole('dialog')).toBeHidden();
    await find(page, 'Ripple of its lamp');
    await expect(page.getByText('This design has no', { exact: false })).toBeVisible();
  },
);
