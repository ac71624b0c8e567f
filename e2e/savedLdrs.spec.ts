import { expect, field, link, measureBy, openSample, shown, test, textOf } from './helpers';

const FACTORS = [1.25, 0.86];

test(
  'LDRs of a bag: the same lights by one key, compared, put in, and their spread used',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 1);
    const before = await textOf(link(page, 3));
    const own = [5610, 2890, 1345, 702, 331, 131, 45];
    for (const factor of FACTORS) {
      await field(page, 'Light').press('Escape');
      await page.getByRole('heading', { name: 'Readings' }).click();
      await page.locator('body').press('r');
      await expect(page.getByText('Planned:')).toBeVisible();
      for (const ohms of own) {
        await expect(shown(page)).toHaveValue('');
        await shown(page).fill(String(Math.round(ohms * factor)));
        await shown(page).press('Enter');
      }
      await expect(page.getByText('Planned:')).toHaveCount(0);
    }
    await measureBy(page, 'Saved LDRs');
    await page.getByRole('textbox', { name: 'Rated voltage' }).fill('0');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Must be above zero.')).toBeVisible();
    await page.getByRole('textbox', { name: 'Rated voltage' }).fill('150');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Save this LDR' }).click();
    const table = page.getByRole('group', { name: 'Measured LDRs' });
    await expect(table.getByRole('checkbox')).toHaveCount(3);

    await page.getByRole('button', { name: 'Use this spread' }).click();
    await expect(page.getByText(/uses the spread of a bag of 3: R10 within a factor of 1\.2/)).toBeVisible();

    await table.getByRole('button', { name: 'Put in Layout room LDR', exact: true }).click();
    await expect(page.getByText(/it switched at .* now at/)).toBeVisible();
    expect(await textOf(link(page, 3))).toBe(before);
    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await textOf(link(page, 3))).not.toBe(before);
  },
);

test('the dark bench stays over a reload, from the first byte on', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Platform lamps', 2);
  await page.keyboard.press('n');
  await expect(page.locator('html')).toHaveAttribute('data-look', 'dark-bench');
  const answer = await page.request.get('/', { headers: { cookie: 'yemko-look=dark-bench' } });
  expect(await answer.text()).toContain('data-look="dark-bench"');
  await page.reload();
  const paper = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(paper).toBe('rgb(6, 2, 2)');
  await page.getByRole('button', { name: 'Dark bench' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-look', 'day');
});
