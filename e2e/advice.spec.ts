import { expect, goTo, link, openSample, test } from './helpers';

test(
  'a load that the base cannot hold is said, and its button leads out of it at once',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Canoe rack marker that stays dim', 3);
    await expect(link(page, 3)).toContainText('cannot work');
    await expect(page.getByText('carries only')).toBeVisible();
    const advice = page.getByRole('region', { name: 'Advice' });
    const best = advice.getByRole('article').first();
    await expect(best).toContainText(/then switches at 2\.\d+\slx \(now: never switches\), in order/);
    await best.getByRole('button', { name: /N-MOSFET/ }).click();
    for (const step of [2, 3, 4]) await expect(link(page, step)).toContainText('in order');
    await expect(page.getByText('the load is fully on')).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(link(page, 3)).toContainText('cannot work');
  },
);

test(
  'each figure says how it was found, with this project’s numbers',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 4);
    await page.getByRole('button', { name: 'How found: Series resistor of the LED' }).click();
    await expect(page.getByText(/\(6\.00\sV − 2\.90\sV − 0\.035\sV\) \/ 10\.0\smA = 306\sΩ/)).toBeVisible();
    await page.keyboard.press('Escape');
    await goTo(page, 3);
    await page.getByRole('button', { name: 'How found: Forced β' }).click();
    await expect(page.getByText(/forced β = full load current/)).toBeVisible();
  },
);
