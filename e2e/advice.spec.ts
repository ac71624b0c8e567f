import { expect, goTo, link, openSample, test } from './helpers';

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

test('each figure says how it was found, with this project’s numbers', async ({ page }) => {
  await openSample(page, 'Platform lamps', 4);
  await page.getByRole('button', { name: 'How found: Series resistor of the LED' }).click();
  await expect(page.getByText(/\(6\.00\sV − 2\.90\sV − 0\.035\sV\) \/ 10\.0\smA = 306\sΩ/)).toBeVisible();
  await page.keyboard.press('Escape');
  await goTo(page, 3);
  await page.getByRole('button', { name: 'How found: Forced β' }).click();
  await expect(page.getByText(/forced β = full load current/)).toBeVisible();
});
