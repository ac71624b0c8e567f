import { expect, openSample, test } from './helpers';

test(
  'a measured midpoint is held against the predicted one, and the likeliest cause is named',
  { tag: '@whole' },
  async ({ page }) => {
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
  },
);
