import { expect, fact, link, measureBy, newProject, said, test, textOf } from './helpers';

const meterShows = /^Meter shows/;

test('a ladder without any lux: planned, led rung by rung, in relative light, then anchored by one lux reading', async ({
  page,
}) => {
  await newProject(page);
  await measureBy(page, 'Ladder');
  await page.getByRole('textbox', { name: 'Lamp’s largest size' }).fill('4 cm');
  await expect(said(page)).toHaveText(/Nearer than 10 lamp sizes \(40\scm\)/);
  await page.getByRole('textbox', { name: 'Lamp’s largest size' }).fill('2 cm');
  await page.getByRole('spinbutton', { name: 'Stops' }).fill('6');
  await page.getByRole('button', { name: 'Start the ladder' }).click();

  // First the background, then each √2 farther: R of a cell of γ 0.7 with 6.96 kΩ at 1 m.
  await expect(page.getByText('First the background: switch the lamp')).toBeVisible();
  for (const figure of ['1', '1.00', '1.62', '2.64', '4.29', '6.96', '11.31', '18.38']) {
    const input = page.getByRole('textbox', { name: meterShows });
    await expect(input).toHaveValue('');
    await input.fill(figure);
    await input.press('Enter');
  }
  await expect(page.getByText('7 rungs are read.', { exact: false })).toBeVisible();
  await expect(link(page, 1)).toContainText('at 1 m');
  expect(await textOf(fact(page, 'γ, the slope'))).toMatch(/0\.(69|70)\d/);
  await expect(page.getByRole('slider', { name: /^Goal/ })).toHaveAttribute('aria-valuetext', /×$/);
  await expect(link(page, 3)).toContainText('×');

  await page.getByRole('textbox', { name: 'Light meter' }).fill('60');
  await page.getByRole('textbox', { name: 'LDR there' }).fill('6k96');
  await page.getByRole('button', { name: 'Anchor' }).click();
  await expect(link(page, 1)).toContainText('at 10 lx');
  expect(await textOf(fact(page, 'Lamp at 1 m'))).toMatch(/Lamp at 1 m (59|60|61)[\d.]* lx/);
  await expect(page.getByRole('slider', { name: /^Goal/ })).toHaveAttribute('aria-valuetext', /lx$/);
});
