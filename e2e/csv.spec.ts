import { readFileSync } from 'node:fs';
import {
  choose,
  AUTO_METER,
  addReading,
  chooseMeter,
  expect,
  field,
  measureBy,
  newProject,
  pick,
  said,
  test,
} from './helpers';

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test('readings come in from a CSV with a decimal comma, errors told by their row, and go out again', async ({
  page,
}) => {
  await newProject(page);
  await chooseMeter(page, AUTO_METER);
  await page
    .getByTestId('csv-readings')
    .setInputFiles(
      csv('bench.csv', '\ufefflux;kOhm\r\n1;50,4\r\n10;12,2\r\n0;9\r\n100;2,95\r\nhall;5,1\r\n1000;abc\r\n'),
    );
  await expect(
    page
      .getByRole('combobox', { name: 'Resistance is in' })
      .locator('xpath=ancestor::*[contains(@class,"ant-select")][1]'),
  ).toContainText('kΩ');
  await page.getByRole('button', { name: 'Read the file' }).click();
  const left = page.getByRole('list', { name: 'Rows left out' });
  await expect(left.getByRole('listitem')).toHaveCount(2);
  await expect(left).toContainText('Line 4: Complete dark has no place');
  await expect(left).toContainText('Line 7: no resistance can be read there');
  await page.getByRole('button', { name: 'Take 4 readings' }).click();
  await expect(field(page, 'Resistance at 1 lx')).toHaveValue('50.4 kΩ');
  await expect(field(page, 'Resistance at hall')).toHaveValue('5.1 kΩ');

  await addReading(page, '@sum up', '777');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV out' }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  expect(text).toContain('1 lx,50400');
  expect(text.split('\r\n').some((line) => line.startsWith('@'))).toBe(false);
});

test(
  'a wrong delimiter is said and can be put right; nothing is taken before',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await page.getByTestId('csv-readings').setInputFiles(csv('odd.csv', 'lux|ohms\n1|50000\n10|12000\n'));
    const delimiter = page.getByRole('combobox', { name: 'Delimiter' });
    const choose = (title: string) => pick(page, delimiter, title);
    await choose('semicolon');
    await expect(said(page)).toHaveText(/only one column: is the delimiter right/);
    await expect(page.getByRole('button', { name: 'Read the file' })).toBeDisabled();
    await choose('bar |');
    await page.getByRole('button', { name: 'Read the file' }).click();
    await page.getByRole('button', { name: 'Take 2 readings' }).click();
    await expect(field(page, 'Resistance at 10 lx')).toHaveValue('12 kΩ');
  },
);

test('a hundred thousand rows become a log, and play as a meter', { tag: '@whole' }, async ({ page }) => {
  const rows = Array.from(
    { length: 100_000 },
    (_, index) => `${(index * 0.2).toFixed(1)},${Math.round(5000 + 3000 * Math.sin(index / 9000))}`,
  );
  await newProject(page);
  await measureBy(page, 'Time log');
  await page.getByTestId('csv-log').setInputFiles(csv('dusk.csv', `seconds,ohms\n${rows.join('\n')}\n`));
  await page.getByRole('button', { name: 'Read the file' }).click();
  await page.getByRole('button', { name: 'Take 100000 points' }).click();
  await expect(page.getByText('dusk.csv 100000 points')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Resistance in time, from/ })).toBeVisible();

  await measureBy(page, 'Live');
  await choose(page, 'Source of live readings', 'replay of a log');
  await page.getByRole('button', { name: 'Play it' }).click();
  await expect(page.getByTestId('live-figure')).toHaveText(/5\.\d\d\skΩ/);
});
