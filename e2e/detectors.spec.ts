import type { Page } from '@playwright/test';
import { expect, fact, field, goTo, link, newProject, openSample, said, test, textOf, type } from './helpers';

const advice = (page: Page) => page.getByRole('region', { name: 'Advice' });
const choose = async (page: Page, group: string, name: string) =>
  page.getByRole('radiogroup', { name: group, exact: true }).getByText(name, { exact: true }).click();

async function switchingBy(page: Page, name: string): Promise<void> {
  const box = page.getByRole('combobox', { name: 'Switched by', exact: true });
  const option = page.locator('.ant-select-dropdown:visible').getByText(name, { exact: true });
  await expect(async () => {
    if ((await box.getAttribute('aria-expanded')) !== 'true') await box.click();
    await option.click({ timeout: 2000 });
    await expect(box).toHaveAttribute('aria-expanded', 'false', { timeout: 1000 });
  }).toPass();
}

test('a comparator with hysteresis: from two lights to parts in stock, turned round and put right', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 3);
  await switchingBy(page, 'a comparator');
  await expect(advice(page)).toContainText('It turns on and off at the same light');
  await type(page, 'Off again above', '50');
  await page.getByRole('button', { name: 'Find parts' }).click();
  await expect(said(page)).toContainText('so it must turn off above the light at which it turns on');
  await type(page, 'Off again above', '90');
  await page.getByRole('button', { name: 'Find parts' }).click();
  const found = page.getByRole('region', { name: 'Parts found' });
  await expect(found.getByRole('button', { name: /^Take R1/ })).toHaveCount(10);
  await found
    .getByRole('button', { name: /^Take R1/ })
    .first()
    .click();
  await expect(link(page, 3)).toContainText('in order');
  expect(await textOf(link(page, 3))).toMatch(
    /(59|60)(\.\d)? lx comparator with hysteresis · off at (89|90|91)/,
  );
  expect(await textOf(page.getByRole('region', { name: 'Where it switches' }))).toMatch(
    /Band ×1\.(4[89]|5\d)/,
  );
  await page.getByRole('button', { name: 'on in the light' }).first().click();
  await expect(advice(page)).toContainText('wrong way round');
  await page.getByRole('button', { name: 'Swap the two inputs' }).click();
  await expect(link(page, 2)).toContainText('on in the dark');
  await page.getByRole('button', { name: /^Change R22/ }).click();
  await field(page, 'R22').fill('47k');
  await field(page, 'R22').press('Enter');
  await expect(field(page, 'Reference, lower R22')).toHaveValue('47 k');
});

test('an output that cannot go low enough is caught, and a reference by trimmer tells its light per degree', async ({
  page,
}) => {
  await openSample(page, 'Seedling shelf', 3);
  await expect(page.getByText('steady')).toBeVisible();
  const part = page.getByRole('combobox', { name: 'Part', exact: true }).first();
  await part.click();
  await page.locator('.ant-select-dropdown:visible').getByText('general-purpose op-amp').click();
  await expect(page.getByRole('button', { name: /from base to emitter$/ })).toBeVisible();
  await page.getByRole('button', { name: /from base to emitter$/ }).click();
  await expect(field(page, 'Base to emitter R6')).not.toHaveValue('');
  await expect(advice(page).getByText('it never turns off', { exact: false })).toHaveCount(0);
  await choose(page, 'Reference', 'with a trimmer');
  await expect(page.getByText(/From end to end it turns on at .* per degree/)).toBeVisible();
});

test('a window is on between two lights', async ({ page }) => {
  await openSample(page, 'Larder telltale', 3);
  await switchingBy(page, 'a window of two comparators');
  await expect(field(page, 'On between')).toHaveValue('25');
  await type(page, 'and', '250');
  await page.getByRole('button', { name: 'Find the string for these two lights' }).click();
  await expect(async () =>
    expect(await textOf(fact(page, 'Turns off'))).toMatch(/2[45]\d(\.\d)? lx/),
  ).toPass();
  expect(await textOf(fact(page, 'Turns on'))).toMatch(/2[456](\.\d)? lx/);
  await expect(page.getByText('H', { exact: true })).toBeVisible();
});

test('a ladder puts each step at its own light; a ninth step is refused', async ({ page }) => {
  await openSample(page, 'Drying rack meter', 3);
  await type(page, 'Steps', '9');
  await expect(said(page)).toContainText('A whole number from 2 to 8.');
  await type(page, 'Steps', '3');
  await expect(field(page, 'Step 3 at')).toBeVisible();
  await expect(field(page, 'Step 4 at')).toHaveCount(0);
  await type(page, 'Step 2 at', '8k');
  await page.getByRole('button', { name: 'Find the string' }).click();
  await expect(async () =>
    expect(await textOf(fact(page, 'Step 2'))).toMatch(/(7[6-9]|8[0-4])\d\d lx wanted 8000 lx/),
  ).toPass();
  await choose(page, 'Shows', 'only the one');
  await expect(page.getByText('IC1B out').first()).toBeVisible();
});

test('a timer lets the other light follow; as a one-shot its parts come from its time', async ({ page }) => {
  await openSample(page, 'Platform lamps', 3);
  await switchingBy(page, 'a timer IC');
  await expect(page.getByText(/The other light follows: it turns off at/)).toBeVisible();
  await choose(page, 'The goal is where it', 'turns off');
  await expect(page.getByText(/The other light follows: it turns on at/)).toBeVisible();
  await choose(page, 'It is a', 'one-shot');
  await type(page, 'Pulse', '3');
  await expect(async () =>
    expect(await textOf(fact(page, 'It lasts'))).toMatch(/^It lasts (2\.9\d*|3(\.0\d*)?) s/),
  ).toPass();
  await page.getByRole('button', { name: 'Time for each capacitor' }).click();
  await expect(page.getByRole('button', { name: /^Take 1\sµF/ })).toBeVisible();
});

test('a microcontroller takes codes for two lights, refuses one it never reads, and wants its own supply', async ({
  page,
}) => {
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
  await page.getByRole('button', { name: /^Sensor side on 5\.00\sV/ }).click();
  await expect(page.getByText('+5 V').first()).toBeVisible();
  await expect(page.getByText('+12 V').first()).toBeVisible();
});

test('a change detector with a one-shot: what fires it, and the gain it takes', async ({ page }) => {
  await openSample(page, 'Marble gate', 3);
  await expect(link(page, 3)).toContainText('change detector');
  await type(page, 'Coupling capacitor C1', '0');
  await expect(said(page)).not.toHaveCount(0);
  await field(page, 'Coupling capacitor C1').press('Escape');
  await type(page, 'Gain', '1');
  await type(page, 'Fires when it dims by, %', '5');
  await expect(advice(page)).toContainText('it does not fire');
  await page.getByRole('button', { name: /^Use a gain of/ }).click();
  await expect(page.getByText('behind the gain: it fires')).toBeVisible();
  await expect(page.getByText('one-shot').first()).toBeVisible();
});

test('from the bench: two midpoints, own light, a beam, a band', async ({ page }) => {
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

test('on a supply of both signs a midpoint below 0 V is read, taken, and refused where the reference cannot follow', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 3);
  await switchingBy(page, 'a comparator');
  await choose(page, 'Supply', '± supply');
  await expect(field(page, 'Lower rail, below 0 V')).toHaveValue('6');
  await page.getByRole('tab', { name: 'Two midpoints' }).click();
  await type(page, 'Midpoint in the dark', '4.2');
  await type(page, 'Midpoint in the light', '-1.5');
  expect(await textOf(fact(page, 'Best threshold'))).toMatch(/[0-3]\.\d+ V/);
  await page.getByRole('button', { name: 'Put the reference there' }).click();
  await expect(link(page, 3)).toContainText('comparator');
  await expect(link(page, 3)).not.toContainText('never');
  await type(page, 'Midpoint in the dark', '-0.8');
  await expect(page.getByText('Its reference lies between 0 V and plus')).toBeVisible();
  await type(page, 'Midpoint in the light', '-9');
  await expect(said(page)).toContainText('−6');
  await expect(field(page, 'Midpoint in the light')).toHaveValue('−9');
});

test('every way is held side by side; one is taken as a variant and put on the same axis', async ({
  page,
}) => {
  await openSample(page, 'Larder telltale', 3);
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  const rows = page.getByRole('region', { name: 'Every way' });
  await expect(rows.getByRole('button', { name: /^Use:/ })).toHaveCount(12);
  await rows.getByRole('button', { name: 'As variant B: Comparator with hysteresis' }).click();
  const variants = page.getByRole('region', { name: 'Variants side by side' });
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
});

test('a new project can be switched by any of them with the keys and figures of a typical LDR', async ({
  page,
}) => {
  await newProject(page);
  await goTo(page, 3);
  for (const name of [
    'a comparator',
    'a timer IC',
    'a microcontroller',
    'a change detector',
    'the transistor alone',
  ]) {
    await switchingBy(page, name);
    await expect(link(page, 3)).not.toContainText('cannot work');
  }
});
