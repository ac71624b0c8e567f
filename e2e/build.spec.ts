import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { choose, expect, goTo, openSample, test, textOf, type } from './helpers';

const way = (page: Page, name: string) =>
  page.getByRole('radiogroup', { name: 'What to build by' }).getByText(name, { exact: true }).click();
const panel = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const piece = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}, `) });

test('from a sample to a ticked build: each step lit, progress kept over a reload, a way back', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 6);
  await expect(panel(page, 'What it takes').first()).toContainText('resistor');
  await way(page, 'Wiring');
  const next = page.getByRole('button', { name: /^Done, next/ });
  await expect(next).toBeVisible();
  await next.click();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^2 \/ \d+$/)).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.getByText(/^1 \/ \d+$/)).toBeVisible();
  await page.reload();
  await way(page, 'Wiring');
  await expect(page.getByText(/^1 \/ \d+$/)).toBeVisible();
  for (let step = 0; step < 40 && (await next.isEnabled()); step++) await page.keyboard.press('Enter');
  await expect(page.getByText('All is in its place and joined.', { exact: false })).toBeVisible();
});

test(
  'a part is dragged into a fault that is told at once, and back; by keyboard as well',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 6);
    await way(page, 'Board');
    const checked = panel(page, 'Read back from the holes');
    await expect(checked).toContainText('The board is the circuit');
    const legs = page.locator('[data-piece=R1] [data-leg]');
    const [one, other] = [await legs.first().boundingBox(), await legs.last().boundingBox()];
    if (!one || !other) throw new Error('R1 is not drawn');
    const x = (one.x + other.x + one.width) / 2;
    const y = (one.y + other.y + one.height) / 2;
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 26, y, { steps: 4 });
    await page.mouse.up();
    await expect(checked).toContainText(/Open|Shorted|same hole/);
    await page.keyboard.press('Control+z');
    await expect(checked).toContainText('The board is the circuit');
    await piece(page, 'D1').focus();
    await page.keyboard.press('r');
    await expect(checked).toContainText('Shorted');
    await page.getByRole('button', { name: 'Place everything anew' }).click();
    await expect(checked).toContainText('The board is the circuit');
  },
);

test('the sheet as a PDF holds every designator, its type embedded; the program as a file', async ({
  page,
}) => {
  await openSample(page, 'Birdhouse logger', 6);
  await way(page, 'Sheet');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PDF' }).click();
  const file = await (await saved).path();
  const bytes = new Uint8Array(readFileSync(file));
  expect(Buffer.from(bytes).toString('latin1')).toContain('/FontFile2');
  const pdf = await getDocument({ data: bytes }).promise;
  expect(pdf.numPages).toBeLessThanOrEqual(3);
  const texts: string[] = [];
  for (let number = 1; number <= pdf.numPages; number++) {
    const { items } = await (await pdf.getPage(number)).getTextContent();
    for (const item of items) if ('str' in item) texts.push(item.str);
  }
  const text = texts.join(' ');
  const designators = (await textOf(page.getByRole('group', { name: 'Parts', exact: true }))).match(
    /\b[A-Z]+\d+\b/g,
  );
  expect(designators?.length).toBeGreaterThan(4);
  for (const designator of designators ?? []) expect(text).toContain(designator);
  expect(text).toContain('Codes: on at');
  await way(page, 'Program');
  const program = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  const sketch = readFileSync(await (await program).path(), 'utf8');
  expect(sketch).toContain('void loop()');
  await page.getByLabel('Input pin').fill('A 0');
  await expect(page.getByText('A pin is called by letters, digits')).toBeVisible();
  await page.getByLabel('Input pin').fill('GP26');
  await page.getByLabel('Input pin').press('Enter');
  await expect(panel(page, 'birdhouse-logger.ino').first()).toContainText('SENSE_PIN = GP26;');
});

test('a sheet of a name in another script is made as well', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 6);
  await page.getByRole('textbox', { name: 'Project name' }).fill('夜の灯 ليل');
  await page.getByRole('textbox', { name: 'Project name' }).press('Enter');
  await way(page, 'Sheet');
  await expect(page.getByRole('heading', { name: '夜の灯 ليل', exact: true })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as PDF' }).click();
  const bytes = new Uint8Array(readFileSync(await (await saved).path()));
  // The name is a picture in it, the rest is text.
  expect(Buffer.from(bytes).toString('latin1')).toContain('/Subtype /Image');
  expect((await getDocument({ data: bytes }).promise).numPages).toBeLessThanOrEqual(3);
});

test(
  'more copies want more of each; a part that is not in stock is said, with a design that does without',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Larder telltale', 6);
    const list = panel(page, 'What it takes').first();
    await page.getByLabel('Built so many times').fill('3');
    await page.getByLabel('Built so many times').press('Enter');
    await expect(list.getByRole('row', { name: /^R1 / })).toContainText(/3$/);
    await goTo(page, 2);
    await choose(page, 'Values', 'E6, 20 %');
    await goTo(page, 6);
    await list.getByRole('button', { name: /^Use / }).first().click();
    await expect(list.getByRole('row', { name: /^R1 / })).toContainText('yes');
  },
);

test(
  'where it goes counts: an LDR on leads leaves the board, other legs turn it, a window dims the day',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 6);
    await choose(page, 'Legs of Q1', 'collector · base · emitter');
    await way(page, 'Board');
    const checked = panel(page, 'Read back from the holes');
    await expect(checked).toContainText('The board is the circuit');
    await expect(page.locator('[data-piece=LDR1]')).toBeVisible();
    await type(page, 'LDR on leads of', '2 m');
    await expect(page.locator('[data-piece=LDR1]')).toBeHidden();
    await expect(checked).toContainText('The board is the circuit');
    await page.getByText('The leads run beside mains wiring').click();
    await expect(panel(page, 'Where it goes')).toContainText('Hum on the leads');
    await type(page, 'Light through its window or tube, %', '40');
    await expect(panel(page, 'Where it goes')).toContainText('Goal, in front of that');
    await goTo(page, 5);
    await page.getByText('A day', { exact: true }).click();
    await expect(page.getByText(/come to the LDR through its window or tube .*40/)).toBeVisible();
  },
);
