import type { Page } from '@playwright/test';
import {
  fact,
  choose,
  expect,
  field,
  goTo,
  link,
  newProject,
  openSample,
  said,
  test,
  textOf,
  type,
} from './helpers';

const ways = (page: Page) => page.getByRole('group', { name: 'Ways out' });
const press = async (page: Page, group: string, name: string) =>
  page.getByRole('radiogroup', { name: group, exact: true }).getByText(name, { exact: true }).click();

async function weakBase(page: Page) {
  await openSample(page, 'Canoe rack marker that stays dim', 2);
  await page.getByRole('button', { name: /^Use 75\skΩ$/ }).click();
  await goTo(page, 3);
  await expect(page.getByText('Light and load want different resistors')).toBeVisible();
}

test(
  'the weak-base conflict is drawn, and a MOSFET is a way out that keeps the light',
  { tag: '@whole' },
  async ({ page }) => {
    await weakBase(page);
    await expect(
      page.getByRole('img', { name: /^The light wants R1 = .* the load wants at most/ }),
    ).toBeVisible();
    expect(await textOf(ways(page))).toMatch(/As it is now 75 kΩ 1\.66 lx 4\.92 mA of 15\.1 mA/);
    await ways(page)
      .getByRole('button', { name: /N-MOSFET/ })
      .click();
    await expect(page.getByText('Light and load want different resistors')).toBeHidden();
    await expect(link(page, 3)).toContainText('in order');
    expect(await textOf(link(page, 3))).toMatch(/ (1\.9\d|2(\.0\d)?) lx/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Light and load want different resistors')).toBeVisible();
  },
);

test(
  'the LDR may drive the base directly, and the spread by β shows what that costs',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Larder telltale', 3);
    const spread = fact(page, 'Weakest to strongest part');
    const before = await textOf(spread);
    await press(page, 'Driven by', 'LDR directly');
    await expect(
      page.getByText('The LDR’s own current drives the base through R1', { exact: false }),
    ).toBeVisible();
    expect(await textOf(spread)).not.toBe(before);
    await goTo(page, 2);
    await expect(
      page.getByText('The LDR’s own current drives the base: the load is', { exact: false }),
    ).toBeVisible();
  },
);

test(
  'an own part is typed from its datasheet, refused where it cannot be, and stays on the shelf',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await goTo(page, 3);
    await page.getByRole('button', { name: 'plus Custom part…' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Save it and use it' }).click();
    await expect(said(page).filter({ hasText: 'Give the part a name.' })).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Name' }).fill('Tray NPN');
    await type(page, 'β (hFE), minimum', '0');
    await expect(said(page).filter({ hasText: 'Must be above zero.' })).toBeVisible();
    await expect(field(page, 'β (hFE), minimum')).toHaveValue('0');
    await type(page, 'β (hFE), minimum', '300');
    await dialog.getByRole('button', { name: 'Save it and use it' }).click();
    await expect(said(page).filter({ hasText: 'The minimum β must not be above' })).toBeVisible();
    await type(page, 'β (hFE), minimum', '150');
    await dialog.getByRole('button', { name: 'Save it and use it' }).click();
    await expect(page.getByText('150 guaranteed')).toBeVisible();
    await newProject(page);
    await goTo(page, 3);
    await choose(page, 'Part', 'Tray NPN');
    await expect(page.getByText('150 guaranteed')).toBeVisible();
    await page.getByRole('button', { name: 'plus Custom part…' }).click();
    await page.getByRole('button', { name: 'Delete Tray NPN' }).click();
    await expect(page.getByRole('region', { name: 'Saved parts' })).toBeHidden();
  },
);
