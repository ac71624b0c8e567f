import type { Page } from '@playwright/test';
import { expect, fact, link, openSample, test, textOf, type } from './helpers';

const way = (page: Page, name: string) => page.getByText(name, { exact: true }).click();
const panel = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test(
  'a hand over the light: it switches, is measured from event to event, and looked back on',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 5);
    const events = panel(page, 'What happened');
    await expect(events).toContainText('Nothing yet');
    await page.getByRole('button', { name: /^Hand over it/ }).click();
    await expect(events).toContainText('load on');
    await expect(events).toContainText('contact closes');
    await expect(events).toContainText('load off');
    await events.getByRole('button', { name: 'Measure from here: load on' }).click();
    // A relay's contact comes seven milliseconds after its coil.
    await expect(events).toContainText('+7 ms');
    await page.getByRole('button', { name: /Pause/ }).click();
    await expect(page.getByRole('button', { name: /Go on/ })).toBeVisible();
    await page.getByRole('slider', { name: 'Look back through the last minute' }).press('PageDown');
    await expect(panel(page, 'The last seconds')).toContainText('s ago');
    // A key does what a tap does, and stays until it is pressed again; it is shown while the time stands, too.
    await page.keyboard.press('c');
    await expect(page.getByRole('button', { name: /^Cover/ })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: /Go on/ }).click();
    await expect(panel(page, 'Load')).toContainText('pulled in');
  },
);

test('a day of leaves: it chatters, the cause is named, and a cure that was tried leaves it quiet', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 5);
  await way(page, 'A day');
  await type(page, 'Shaded by walls, trees or curtains, %', '99.5');
  await page.getByRole('switch', { name: 'Leaves in front of it' }).click();
  await page.getByRole('button', { name: 'Run the day' }).click();
  await expect(panel(page, 'What the day does')).toContainText(/\d+ bursts/);
  await expect(panel(page, 'What the day does')).toContainText(/by (leaves in the wind|clouds that pass)/);
  await page.getByRole('button', { name: 'Look for a cure' }).click();
  const cure = panel(page, 'What would cure it');
  await expect(cure).toContainText('A comparator, its lights to turn on and to turn off');
  await cure.getByRole('button', { name: 'Take it' }).click();
  await expect(link(page, 3)).toContainText('off at');
  await page.getByRole('button', { name: 'Run the day' }).click();
  await expect(panel(page, 'What the day does')).toContainText(/Chatter\s*none/);
});

test('a goal by the clock, and the year', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 5);
  await way(page, 'A day');
  await page.getByLabel('It should turn on at').fill('18:00');
  const told = await textOf(panel(page, 'On at a time'));
  const lux = Number(/then it is ([\d.]+) lx/.exec(told)?.[1]);
  await page.getByRole('button', { name: 'Set the goal to that light' }).click();
  const moved = Number.parseFloat(await textOf(link(page, 3).locator('b')));
  expect(Math.abs(Math.log(moved / lux))).toBeLessThan(Math.log(1.2));
  await page.getByRole('button', { name: 'Work out the year' }).click();
  await expect(page.getByRole('img', { name: 'Times of switching over the year' })).toBeVisible();
});

test(
  'thousands of builds: how many do the job, what makes the difference, and what pays',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 5);
    await way(page, 'Builds');
    await page.getByRole('button', { name: 'Build them' }).click();
    await expect(panel(page, 'What makes the difference')).toContainText('R21, ±10 %');
    const before = Number.parseFloat(await textOf(page.getByText('do the job').locator('b')));
    expect(before).toBeLessThan(90);
    await page.getByRole('button', { name: 'Try what pays' }).click();
    const pays = panel(page, 'What would pay');
    // Held against the very share that stands above.
    await expect(pays.getByRole('listitem').first()).toContainText(
      `1 % resistors: 100.0 % good in place of ${before.toFixed(1)}`,
    );
    await pays.getByRole('listitem').first().getByRole('button', { name: 'Take it' }).click();
    await page.getByRole('button', { name: 'Build them' }).click();
    await expect(page.getByText('do the job').locator('b')).toHaveText(/100\.0/);
  },
);

test('a run that is given up leaves the page as it was', async ({ page }) => {
  await openSample(page, 'Platform lamps', 5);
  await way(page, 'Builds');
  await type(page, 'Builds', '200000');
  await page.getByRole('button', { name: 'Build them' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('button', { name: 'Build them' })).toBeVisible();
  await expect(page.getByText('Every part of a bag is a little different', { exact: false })).toBeVisible();
});

test(
  'predict first: the outputs are hidden until one has answered, and the score is kept',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 5);
    await way(page, 'Predict');
    const asked = panel(page, 'Predict first');
    await expect(page.getByRole('region', { name: 'Light axis' })).toBeHidden();
    await asked.locator('.ant-btn').first().click();
    await expect(page.getByRole('region', { name: 'Light axis' })).toBeVisible();
    await expect(asked.getByRole('status')).toContainText(/Right\.|Not so:/);
    await expect(fact(page, 'Right so far')).toContainText('of 1');
    await asked.getByRole('button', { name: 'Next question' }).click();
    await expect(page.getByRole('region', { name: 'Light axis' })).toBeHidden();
    await page.reload();
    await way(page, 'Predict');
    await expect(fact(page, 'Right so far')).toContainText('of 1');
  },
);

test(
  'a light that was recorded takes the place of a day’s, or says what is wrong with it',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 5);
    await way(page, 'A day');
    await way(page, 'from a log');
    const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    const csv = page.getByTestId('light-csv');
    await expect(page.getByRole('button', { name: 'Run the day' })).toBeDisabled();
    await csv.setInputFiles(file('back.csv', 'time,lx\n0,500\n60,400\n30,300\n'));
    await expect(page.getByText('The time goes back at point 3', { exact: false })).toBeVisible();
    await csv.setInputFiles(file('dusk.csv', 'time,lx\n0,500\n600,300\n1200,5\n1800,5\n'));
    await page.getByRole('button', { name: 'Run the day' }).click();
    await expect(fact(page, 'Switchings')).toContainText('1');
    expect(await textOf(fact(page, 'On and off'))).toMatch(/on 00:1\d/);
  },
);
