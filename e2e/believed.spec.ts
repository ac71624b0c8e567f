import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  addReading,
  chain,
  expect,
  field,
  link,
  measureBy,
  newProject,
  openSample,
  pick,
  said,
  shown,
  test,
  textOf,
} from './helpers';

const doubts = (page: Page) => page.getByRole('region', { name: 'Readings worth a look' });
const connect = (page: Page) => page.getByRole('button', { name: 'Connect', exact: true }).click();

test(
  'a doubtful reading shows the design right and wrong, hardly moves it, and is read again by one key',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Larder telltale');
    const before = await textOf(link(page, 3));
    await addReading(page, '300', '14k');
    await expect(doubts(page)).toContainText('ten times too large');
    await expect(doubts(page)).toContainText('If it is right');
    await expect(doubts(page)).toContainText('Without it');
    await expect(doubts(page).getByRole('img', { name: /curve if the reading is right/ })).toBeVisible();
    const light = (text: string) => Number(/([\d.]+) lx/.exec(text)?.[1]);
    expect(light(await textOf(link(page, 3))) / light(before)).toBeGreaterThan(0.97);
    expect(light(await textOf(link(page, 3))) / light(before)).toBeLessThan(1.03);
    await page.getByRole('heading', { name: 'Readings', exact: true }).click();
    await page.keyboard.press('a');
    await expect(page.getByText('Planned:')).toContainText('300 lx');
    await shown(page).fill('1k4');
    await shown(page).press('Enter');
    await expect(page.getByText('Planned:')).toHaveCount(0);
    await expect(doubts(page)).toHaveCount(0);
  },
);

test(
  'a false OL is named with its lead, and one that is right can be stood by',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Larder telltale');
    await addReading(page, '70', 'OL');
    await expect(doubts(page)).toContainText('lead off');
    await doubts(page).getByRole('button', { name: 'It is right' }).click();
    await expect(doubts(page)).toHaveCount(0);
  },
);

test(
  'a figure means the same in every field: in the unit of the range, with its way out',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await field(page, 'Light').fill('10');
    await field(page, 'Light').press('Enter');
    await shown(page).fill('12.34');
    await expect(page.getByText('12.3 kΩ', { exact: true })).toBeVisible();
    await shown(page).fill('4700');
    await shown(page).press('Enter');
    await expect(said(page)).toContainText('cannot show');
    await page.getByRole('button', { name: /It is 4\.7/ }).click();
    await shown(page).press('Enter');
    await expect(field(page, 'Resistance at 10 lx')).toHaveValue('4.7 kΩ');
    await addReading(page, '60', '1.2');
    await expect(field(page, 'Resistance at 60 lx')).toHaveValue('1.2 kΩ');
    await measureBy(page, 'Ladder');
    await page.getByRole('button', { name: /Start/ }).click();
    await shown(page).fill('82k');
    await shown(page).press('Enter');
    await page.getByRole('button', { name: /The knob is on 200/ }).click();
    await shown(page).press('Enter');
    await expect(page.getByRole('list', { name: 'Rungs' })).toContainText('82 kΩ');
    await page.getByRole('button', { name: 'Read lamp off again' }).click();
    await expect(page.getByText('First the background')).toBeVisible();
  },
);

/** Sets the bench's lamp to a distance by its rail. */
async function lampTo(page: Page, metres: number) {
  const box = await page
    .getByRole('slider', { name: 'Distance of the lamp' })
    .locator('xpath=..')
    .boundingBox();
  if (!box) throw new Error('no lamp');
  await page.mouse.click(
    box.x + (Math.log(metres / 0.05) / Math.log(100)) * box.width,
    box.y + box.height / 2,
  );
}

test(
  'a ladder is read hands free: it says what to set, waits, takes and goes on, and no key is pressed',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await measureBy(page, 'Live');
    await connect(page);
    await expect(page.getByTestId('live-figure')).toBeVisible();
    await page.getByRole('button', { name: 'A ladder of 8 rungs from 25 cm' }).click();
    await page.getByRole('button', { name: /^Start/ }).click();
    await expect(page.getByText('Switch the lamp off.')).toBeVisible();
    await page.getByRole('switch', { name: 'Lamp on' }).click();
    let isOn = false;
    for (const metres of [0.25, 0.355, 0.5, 0.705, 1, 1.415, 2, 2.83]) {
      const text = metres >= 2 ? `${metres} m` : `${Number((metres * 100).toFixed(1))} cm`;
      await expect(page.getByText(`Set the lamp to ${text}.`)).toBeVisible();
      if (!isOn) await page.getByRole('switch', { name: 'Lamp on' }).click();
      isOn = true;
      await lampTo(page, metres);
    }
    await expect(page.getByText('All lights of the plan are read.')).toBeVisible();
    await expect(chain(page)).toContainText(/γ 0\.[5-9]/);
    await expect(page.getByText('9 taken', { exact: false })).toBeVisible();
  },
);

test('a measured LDR is the light meter of the next one', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Larder telltale');
  await measureBy(page, 'Saved LDRs');
  await page.getByRole('button', { name: 'Save this LDR' }).click();
  await page
    .getByRole('group', { name: 'Measured LDRs' })
    .getByRole('button', { name: 'As light meter' })
    .last()
    .click();
  await measureBy(page, 'By hand');
  await expect(page.getByText('Light meter:')).toBeVisible();
  for (const [light, figure] of [
    ['ldr 40k', '31k'],
    ['ldr 6k', '4k9'],
    ['ldr 900', '810'],
  ] as const)
    await addReading(page, light, figure);
  await expect(chain(page)).toContainText('8 readings');
  await expect(page.getByRole('textbox', { name: /Light of the reading at light LDR/ })).toHaveCount(3);
});

test(
  'a log gives readings, its LDR’s speed, and takes nothing away for good',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await measureBy(page, 'Time log');
    await connect(page);
    await page.getByRole('button', { name: 'Start recording' }).click();
    await expect
      .poll(async () => Number(await page.getByTestId('log-count').innerText()))
      .toBeGreaterThan(10);
    await page.keyboard.press('m');
    await page.getByRole('switch', { name: 'Lamp on' }).click();
    const before = Number(await page.getByTestId('log-count').innerText());
    await expect
      .poll(async () => Number(await page.getByTestId('log-count').innerText()))
      .toBeGreaterThan(before + 14);
    await page.getByRole('button', { name: 'End the log' }).click();
    await page.getByRole('button', { name: 'Find the step in it' }).click();
    await expect(page.getByText(/Toward dark/)).toBeVisible();
    const mark = page.getByRole('textbox', { name: 'Text of the mark mark 1' });
    await mark.fill('lamp off');
    await mark.press('Enter');
    await expect(page.getByRole('textbox', { name: 'Text of the mark lamp off' })).toBeVisible();
    await page.getByRole('button', { name: 'Take a reading at the mark lamp off' }).click();
    await field(page, 'Light in this stretch').fill('240');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Taken:', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'Delete the mark lamp off' }).click();
    await expect(page.getByRole('textbox', { name: 'Text of the mark lamp off' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
    await expect(page.getByRole('textbox', { name: 'Text of the mark lamp off' })).toBeVisible();
    await page.getByRole('button', { name: /^Delete Log of/ }).click();
    await expect(page.getByRole('button', { name: /^Delete Log of/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
    await expect(page.getByRole('button', { name: /^Delete Log of/ })).toBeVisible();
    await measureBy(page, 'By hand');
    await expect(field(page, 'Resistance at 240 lx')).toBeVisible();
  },
);

test('readings go out to a CSV and come back whole', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Larder telltale');
  await page.getByRole('textbox', { name: 'Note', exact: true }).fill('=by the window');
  await pick(page, page.getByRole('combobox', { name: 'Kind of lamp' }), 'torch');
  await addReading(page, 'pantry', '33k');
  await page.getByRole('button', { name: 'Set the reading at pantry aside' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV out' }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  await newProject(page);
  await page
    .getByTestId('csv-readings')
    .setInputFiles({ name: 'back.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Read the file' }).click();
  await page.getByRole('button', { name: 'Take 6 readings' }).click();
  await expect(page.getByRole('button', { name: 'Set the reading at pantry aside' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const row = page.getByRole('row').filter({ has: field(page, 'Resistance at pantry') });
  await row.getByRole('button', { name: /Expand row/ }).click();
  await expect(page.getByRole('textbox', { name: /Note of the reading at pantry/ })).toHaveValue(
    '=by the window',
  );
});

test(
  'what to read next is a light that can be made, with what it and two more would bring',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf');
    await expect(page.getByText(/A reading at .* would help most/)).toContainText('3 readings, to about');
    await page.getByRole('button', { name: 'Read it next' }).click();
    await expect(page.getByText('Planned:')).toBeVisible();
  },
);
