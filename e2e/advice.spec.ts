import { expect, goTo, link, openSample, test, textOf, type } from './helpers';

test('a load that the base cannot hold is said, and its buttons lead out of it', async ({ page }) => {
  await openSample(page, 'Stair marker that stays dim', 3);
  await expect(link(page, 3)).toContainText('cannot work');
  await expect(page.getByText('carries only')).toBeVisible();
  await page.getByRole('button', { name: /^Use 75\skΩ$/ }).click();
  await expect(page.getByText(/The base gets .* It may never be fully on\./)).toBeVisible();
  await page.getByRole('button', { name: /^Run the LED at/ }).click();
  await expect(link(page, 3)).not.toContainText('cannot work');
  await expect(page.getByText('the load is fully on')).toBeVisible();
});

test('the wrong action is said and put right with one button', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await page.getByRole('radiogroup', { name: 'Goal: on in the' }).getByText('light').click();
  await expect(
    page.getByText('This wiring is the wrong way round: it should be on in the light'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Swap LDR and R1' }).click();
  await expect(page.getByText('rises in the light')).toBeVisible();
  await expect(page.getByText('wrong way round')).toBeHidden();
});

test('a goal out of reach tells what can be reached', async ({ page }) => {
  await openSample(page, 'Larder telltale', 2);
  await type(page, 'above', '0.02');
  const advice = page.getByRole('region', { name: 'Advice' });
  await expect(advice).toContainText('No resistor puts the switching light at');
  expect(await textOf(advice)).toMatch(/this circuit can reach [\d.]+ lx to [\d.]+ k?lx/);
  await expect(link(page, 2)).toContainText('cannot work');
});

test('which side the LDR is on decides the action, and the app says which', async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await expect(link(page, 2)).toContainText('LDR below · on in the dark');
  await page.getByText('LDR above', { exact: true }).click();
  await expect(link(page, 2)).toContainText('LDR above · on in the light');
});

test('a base resistor can be put in, changed and taken out', async ({ page }) => {
  await openSample(page, 'Platform lamps', 3);
  const before = await textOf(link(page, 3));
  await page.getByText('resistor R3').click();
  await type(page, 'Base resistor R3', '2k2');
  await expect(page.getByText('Midpoint A, and base B (dotted)')).toBeVisible();
  expect(await textOf(link(page, 3))).not.toBe(before);
  await page.getByText('wired', { exact: true }).click();
  expect(await textOf(link(page, 3))).toBe(before);
});

test('each figure says how it was found, with this project’s numbers', async ({ page }) => {
  await openSample(page, 'Platform lamps', 4);
  await page.getByRole('button', { name: 'How found: Series resistor of the LED' }).click();
  await expect(page.getByText(/\(6\.00\sV − 2\.90\sV − 0\.035\sV\) \/ 10\.0\smA = 306\sΩ/)).toBeVisible();
  await page.keyboard.press('Escape');
  await goTo(page, 3);
  await page.getByRole('button', { name: 'How found: Forced β' }).click();
  await expect(page.getByText(/forced β = full load current/)).toBeVisible();
});

test('an LED of one’s own, and a supply that is too low for it', async ({ page }) => {
  await openSample(page, 'Platform lamps', 4);
  await page.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByTitle('custom figures').click();
  await type(page, 'Forward voltage Vf', '3.4');
  await type(page, '… at', '20m');
  await expect(link(page, 4)).toContainText('own LED');
  await goTo(page, 2);
  await type(page, 'Supply', '3');
  await expect(page.getByRole('region', { name: 'Advice' })).toContainText('cannot light this LED');
});
