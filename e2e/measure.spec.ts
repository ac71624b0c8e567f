import { addReading, expect, link, newProject, openSample, test, textOf } from './helpers';

test('an overrange reading counts as “above this”', async ({ page }) => {
  await newProject(page);
  await addReading(page, '2', '150k');
  await addReading(page, '30', '22k');
  await addReading(page, '400', '3k6');
  const before = await textOf(link(page, 1));
  await addReading(page, '0.01', 'OL');
  await expect(page.getByText(/above 20\sMΩ/)).toBeVisible();
  await expect(page.getByText('1 over range')).toBeVisible();
  expect(await textOf(link(page, 1))).not.toBe(before);
  await addReading(page, '0.2', '>200k');
  await expect(page.getByText(/above 200\skΩ/)).toBeVisible();
  await expect(page.getByText('2 over range')).toBeVisible();
});

test('a reading can be set aside: it stays listed and leaves the fit as if it were not there', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps');
  const clean = await textOf(link(page, 1));
  await addReading(page, '20', '187');
  expect(await textOf(link(page, 1))).not.toBe(clean);
  await page.getByRole('button', { name: 'Set the reading at 20 lx aside' }).click();
  expect(await textOf(link(page, 1))).toBe(clean);
  await expect(page.getByRole('textbox', { name: 'Resistance at 20 lx' })).toHaveValue('187');
  await page.getByRole('button', { name: 'Set the reading at 20 lx aside' }).click();
  expect(await textOf(link(page, 1))).not.toBe(clean);
});

test('a bend at the bright end is found and told', async ({ page }) => {
  await newProject(page);
  const readings = [[1, 52_900], [5, 17_300], [25, 5700], [120, 1970], [600, 680], [3000, 280], [15_000, 156], [70_000, 119]]; // prettier-ignore
  for (const [lux, ohms] of readings) await addReading(page, String(lux), String(ohms));
  await expect(page.getByText('with a bright floor')).toBeVisible();
  expect(await textOf(page.getByText('Bright floor', { exact: true }).locator('..'))).toMatch(
    /Bright floor (9\d\.\d|10\d) Ω/,
  );
});
