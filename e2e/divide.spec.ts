import { expect, field, link, openSample, said, test, textOf, type } from './helpers';

const methods = (page: Parameters<typeof link>[0]) =>
  page.getByRole('region', { name: 'Sizing methods for R1' });

test('R1 is sized by each school: only the stage’s own threshold hits the goal', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await type(page, 'bright', '900');
  for (const method of ['Geometric mean', 'Equal at the goal', 'Trimmer', 'The stage’s threshold']) {
    await methods(page)
      .getByRole('button', { name: `Use: ${method}` })
      .click();
    await expect(methods(page).getByText('in use').first()).toBeVisible();
    const light = await textOf(link(page, 3));
    if (method.startsWith('The stage')) expect(light).toContain('58.7 lx');
    else if (method === 'Trimmer') expect(light).toMatch(/(59\.\d|60) lx/);
    else expect(light).not.toMatch(/ [56]\d(\.\d)? lx/);
  }
  await expect(field(page, 'R1 in use')).toHaveValue('6.8 k');
  await field(page, 'bright').fill('5');
  await field(page, 'bright').press('Enter');
  await expect(said(page).first()).toBeVisible();
  await expect(field(page, 'bright')).toHaveValue('5');
});

test('the decade box steps by the arrows, finer with Shift, by tens with the page keys, and the strips follow', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 2);
  const box = page.getByRole('spinbutton', { name: 'Decade box for R1' });
  await box.focus();
  await page.keyboard.press('ArrowUp');
  await expect(box).toHaveAttribute('aria-valuetext', /8\.2\skΩ, switches at/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(box).toHaveAttribute('aria-valuetext', /6\.81\skΩ/);
  await page.keyboard.press('PageUp');
  await expect(box).toHaveAttribute('aria-valuetext', /68\.1\skΩ/);
  expect(await textOf(link(page, 2))).toContain('68.1 kΩ');
  await page.keyboard.press('PageDown');
  expect(await textOf(link(page, 3))).toContain('58.6 lx');
  // A run on the box is one step of undo.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(box).toHaveAttribute('aria-valuetext', /6\.8\skΩ/);
});

test('proposals keep to the stock: own values, pairs, and nothing when it is empty', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await page.getByRole('combobox', { name: 'Values' }).click();
  await page.locator('.ant-select-dropdown').getByTitle('own list').click();
  await expect(page.getByText('No resistors are in stock', { exact: false })).toBeVisible();
  await type(page, 'Own values', '1k x');
  await expect(page.getByText('“x” is no resistance. Write them like 1k 2k2 4k7.')).toBeVisible();
  await type(page, 'Own values', '4k7 2k 10k');
  await expect(field(page, 'Own values')).toHaveValue('2k 4.7k 10k');
  await page.getByRole('checkbox', { name: /Two may stand for one/ }).check();
  await page.getByRole('button', { name: /Use 4\.7\skΩ \+ 2\skΩ/ }).click();
  await expect(link(page, 2)).toContainText('6.7');
  await type(page, 'Trimmers', '');
  await expect(page.getByText('No trimmer is in stock: add one below.')).toBeVisible();
});

test('a trimmer tells its travel in light, and says when it cannot reach the goal', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await page.getByRole('button', { name: 'Use this trimmer' }).click();
  await expect(page.getByText('Travel', { exact: true })).toBeVisible();
  await type(page, 'Track', '500');
  await expect(page.getByText('This trimmer cannot reach the goal', { exact: false })).toBeVisible();
  await type(page, 'Track', '10k');
  await page.getByRole('button', { name: 'Set it to the goal' }).click();
  expect(await textOf(link(page, 3))).toMatch(/(59\.9|60) lx/);
  await page.getByRole('button', { name: 'Back to a resistor' }).click();
  await expect(page.getByText('Trimmer instead of R1')).toBeVisible();
});

test('a measured midpoint is held against the predicted one, and the likeliest cause is named', async ({
  page,
}) => {
  await openSample(page, 'Platform lamps', 2);
  const measured = page.getByRole('textbox', { name: 'Measured at 240 lx' });
  await measured.fill('0.28');
  await measured.press('Enter');
  await expect(page.getByText('as it should be')).toBeVisible();
  await measured.fill('0.001');
  await measured.press('Enter');
  await expect(page.getByText('No voltage at all', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByText('No voltage at all', { exact: false })).toBeVisible();
});

test('resistors beside the LDR stand in the schematic and move the figures', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  const before = await textOf(link(page, 3));
  await type(page, 'In series, R4', '220');
  await type(page, 'Across it, R5', '100k');
  const schematic = page.getByRole('group', { name: /^Schematic/ });
  await expect(schematic.getByText('R4')).toBeVisible();
  await expect(schematic.getByText('R5')).toBeVisible();
  expect(await textOf(link(page, 3))).not.toBe(before);
  await type(page, 'In series, R4', '');
  await type(page, 'Across it, R5', '');
  expect(await textOf(link(page, 3))).toBe(before);
});
