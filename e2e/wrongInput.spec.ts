import {
  chooseMeter,
  chainFigures,
  expect,
  field,
  goTo,
  newProject,
  openSample,
  test,
  type,
} from './helpers';

const wrong: readonly (readonly [typed: string, says: RegExp])[] = [
  ['abc', /Not a number/],
  ['0', /Must be above zero/],
  ['-5', /Must be above zero/],
  ['1e999', /Too large to be a real value/],
  ['4x7', /“x7” is no prefix or unit here/],
  ['5 lx', /This field is in Ω/],
  ['1,000', /The comma could mean thousands or decimals/],
  ['', /Type a value/],
  ['900M', /Too large: takes 1\sΩ to 100\sMΩ/],
];

test('a bad value keeps what was typed, says what is wrong beside it and changes nothing', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 2);
  const figures = await chainFigures(page);
  const resistor = field(page, 'R1 in use');
  for (const [typed, says] of wrong) {
    await resistor.fill(typed);
    await resistor.press('Enter');
    await expect(resistor).toHaveValue(typed);
    await expect(resistor).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    expect(await chainFigures(page)).toEqual(figures);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  }
  await resistor.press('Escape');
  await expect(resistor).toHaveValue('6.8 k');
  await expect(resistor).toHaveAttribute('aria-invalid', 'false');
});

test('the same holds for every other field', async ({ page }) => {
  await openSample(page, 'Larder telltale');
  const figures = await chainFigures(page);
  const fields: readonly (readonly [step: number, label: string])[] = [
    [1, 'Light of the reading at 0.8 lx'],
    [1, 'Resistance at 0.8 lx'],
    [2, 'above'],
    [2, 'Supply'],
    [3, 'Base resistor R3'],
    [4, 'Current wanted'],
    [4, 'R2 in use'],
  ];
  for (const [step, label] of fields) {
    await goTo(page, step);
    await type(page, label, '-7');
    await expect(field(page, label)).toHaveValue('-7');
    await expect(page.getByRole('alert').filter({ hasText: 'Must be above zero' })).toBeVisible();
    expect(await chainFigures(page)).toEqual(figures);
    await field(page, label).press('Escape');
  }
});

test('the entry line refuses a bad reading and keeps both figures', async ({ page }) => {
  await newProject(page);
  await chooseMeter(page, 'meter unknown');
  await field(page, 'Light').fill('12');
  await field(page, 'Resistance').fill('OL');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('The meter is over its range')).toBeVisible();
  await expect(field(page, 'Light')).toHaveValue('12');
  await expect(field(page, 'Resistance')).toHaveValue('OL');
  await field(page, 'Light').fill('0');
  await field(page, 'Light').press('Enter');
  await expect(page.getByText('Complete dark has no place on a logarithmic axis')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a project keeps its name when an empty one is typed', async ({ page }) => {
  await openSample(page, 'Platform lamps');
  await type(page, 'Project name', '   ');
  await expect(page.getByText('A project needs a name.')).toBeVisible();
  await field(page, 'Project name').press('Escape');
  await expect(field(page, 'Project name')).toHaveValue('Platform lamps');
});
