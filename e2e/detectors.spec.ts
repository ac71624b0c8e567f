import type { Page } from '@playwright/test';
import { expect, fact, field, goTo, link, newProject, openSample, said, test, textOf, type } from './helpers';

const advice = (page: Page) => page.getByRole('region', { name: 'Advice' });
async function switchingBy(page: Page, name: string): Promise<void> {
  const box = page.getByRole('combobox', { name: 'Switched by', exact: true });
  const option = page.locator('.ant-select-dropdown:visible').getByText(name, { exact: true });
  await expect(async () => {
    if ((await box.getAttribute('aria-expanded')) !== 'true') await box.click();
    await option.click({ timeout: 5000 });
    await expect(box).toHaveAttribute('aria-expanded', 'false', { timeout: 3000 });
  }).toPass();
}

test(
  'a comparator with hysteresis: from two lights to parts in stock, turned round and put right',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 3);
    await switchingBy(page, 'a comparator');
    await expect(advice(page)).toContainText('It turns on and off at the same light');
    await type(page, 'Off again above', '50');
    await page.getByRole('button', { name: 'Find parts' }).click();
    await expect(said(page)).toContainText('so it must turn off above the light at which it turns on');
    await type(page, 'Off again above', '90');
    await page.getByRole('button', { name: 'Find parts' }).click();
    const found = page.getByRole('group', { name: 'Parts found' });
    await expect(found.getByRole('button', { name: /^Take R1/ })).toHaveCount(10);
    await found
      .getByRole('button', { name: /^Take R1/ })
      .first()
      .click();
    await expect(link(page, 3)).toContainText('in order');
    expect(await textOf(link(page, 3))).toMatch(/(59|60)(\.\d)? lx off at (89|90|91)/);
    expect(await textOf(page.getByRole('region', { name: 'Where it switches' }))).toMatch(
      /Band ×1\.(4[89]|5\d)/,
    );
    await page.getByRole('button', { name: 'on in the light' }).first().click();
    await expect(advice(page)).toContainText('wrong way round');
    await page
      .getByRole('button', { name: /^Swap (LDR and R1|the two inputs)/ })
      .first()
      .click();
    await expect(link(page, 2)).toContainText('on in the dark');
    await page.getByRole('button', { name: /^Change R22/ }).click();
    await field(page, 'R22').fill('47k');
    await field(page, 'R22').press('Enter');
    await expect(field(page, 'Reference, lower R22')).toHaveValue('47 k');
  },
);

test(
  'a microcontroller takes codes for two lights, refuses one it never reads, and wants its own supply',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Birdhouse logger', 3);
    await type(page, 'On code', '9000');
    await expect(said(page)).toContainText('A whole number from 0 to 4095.');
    await field(page, 'On code').press('Escape');
    await type(page, 'Off again below', '4');
    const panel = page.getByRole('region', { name: 'Switching' });
    await panel.getByRole('button', { name: 'Use the codes for these lights' }).click();
    await expect(async () =>
      expect(await textOf(fact(page, 'Turns off'))).toMatch(/(3\.9\d*|4(\.0\d*)?) lx/),
    ).toPass();
    await openSample(page, 'Seedling shelf', 3);
    await switchingBy(page, 'a microcontroller');
    await advice(page)
      .getByRole('button', { name: /5\sV for the sensor side/ })
      .first()
      .click();
    await expect(page.getByText('+5 V').first()).toBeVisible();
    await expect(page.getByText('+12 V').first()).toBeVisible();
  },
);

test('from the bench: two midpoints, own light, a beam, a band', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 3);
  await switchingBy(page, 'a comparator');
  await page.getByRole('tab', { name: 'Two midpoints' }).click();
  await type(page, 'Midpoint in the dark', '4.1');
  await type(page, 'Midpoint in the light', '1.2');
  expect(await textOf(fact(page, 'Best threshold'))).toMatch(/2\.\d+ V/);
  await page.getByRole('button', { name: 'Put the reference there' }).click();
  await expect(page.getByText(/^R$/)).toBeVisible();
  await page.getByRole('tab', { name: 'Feedback light' }).click();
  await type(page, 'The load adds at the LDR', '40');
  await expect(advice(page)).toContainText('blinks');
  await page.getByRole('tab', { name: 'How wide a band' }).click();
  await page.getByRole('button', { name: 'Ask for this band' }).click();
  await page.getByRole('button', { name: 'Find parts' }).click();
  await page
    .getByRole('button', { name: /^Take R1/ })
    .first()
    .click();
  await expect(page.getByText('wide enough')).toBeVisible();
  await page.getByRole('tab', { name: 'Trip beam' }).click();
  await page.getByRole('button', { name: 'There is a beam' }).click();
  await type(page, 'At the LDR without it', '100');
  await type(page, 'The beam adds', '500');
  await expect(page.getByText('It does not work')).toBeVisible();
  await page.getByRole('button', { name: 'Put the goal there' }).click();
  await expect(page.getByText('It works', { exact: true })).toBeVisible();
});

test(
  'every way is held side by side; one is taken as a variant and put on the same axis',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Larder telltale', 3);
    await page.getByRole('button', { name: 'Compare', exact: true }).click();
    const rows = page.getByRole('group', { name: 'Every way' });
    await expect(rows.getByRole('button', { name: /^Use:/ })).toHaveCount(12);
    await rows.getByRole('button', { name: 'As B: Comparator with hysteresis' }).click();
    const variants = page.getByRole('group', { name: 'Variants side by side' });
    await expect(variants).toContainText('comparator with hysteresis');
    await page.getByRole('checkbox', { name: 'Variant A on the axis' }).check();
    await expect(page.getByRole('region', { name: 'Load of variant A' })).toBeVisible();
    await page.getByRole('button', { name: 'Open variant A' }).click();
    await expect(link(page, 3)).toContainText('transition band');
    await page.reload();
    await expect(variants).toContainText('comparator with hysteresis');
    await goTo(page, 2);
    await expect(variants).toBeVisible();
    await page.getByRole('button', { name: 'Throw variant B away' }).click();
    await expect(variants).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(variants).toBeVisible();
  },
);

test(
  'an own IC stays on the shelf too: for another project, and where its output works',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await goTo(page, 3);
    await switchingBy(page, 'a comparator');
    await page.getByRole('button', { name: 'Custom part…' }).first().click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('textbox', { name: 'Name' }).fill('Tray comparator');
    await dialog.getByRole('button', { name: 'Save it and use it' }).click();
    await expect(dialog).toBeHidden();
    await newProject(page);
    await goTo(page, 3);
    await switchingBy(page, 'a comparator');
    await page.getByRole('combobox', { name: 'Part', exact: true }).first().click();
    await page.locator('.ant-select-dropdown:visible').getByText('Tray comparator', { exact: true }).click();
    await page.getByRole('button', { name: 'Custom part…' }).first().click();
    await page.getByRole('button', { name: 'Delete Tray comparator' }).click();
    await expect(page.getByRole('region', { name: 'Saved parts' })).toBeHidden();
  },
);
