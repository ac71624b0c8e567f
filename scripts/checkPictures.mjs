// The pictures of checking: test points, the fault finder after three of them, the logbook, and practice on a hidden fault.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name, a picture of a `board` */
export async function takeCheckPictures(page, { open, shoot, board }) {
  const way = (name) =>
    page.getByRole('radiogroup', { name: 'What to check by' }).getByText(name, { exact: true }).click();
  await open('/project/sample-hedgehog-hut/check');
  await page.getByText('Load last').waitFor();
  const found = async (point, figure) => {
    const field = page.getByLabel(point, { exact: true }).first();
    await field.fill(figure);
    await field.press('Enter');
  };
  await found('Resistance across R1 (47 kΩ)', '44k2');
  await found('Voltage at plus, in the light', '6.1');
  await found('Voltage at A, in the dark', '0.001');
  await page.evaluate(() => window.scrollTo(0, 0));
  await shoot('check-points');
  await way('Faults');
  await page.getByText(/Not sure yet|As good as sure/).waitFor();
  await page.getByRole('button', { name: 'never on' }).click();
  await page.waitForTimeout(1500);
  await shoot('check-faults');
  await way('Logbook');
  const note = async (text, photo) => {
    await page.getByLabel('What happened').fill(text);
    if (photo) {
      await page.locator('input[type=file]').last().setInputFiles(photo);
      await page.getByAltText('Photo 1').first().waitFor();
    }
    await page.getByRole('button', { name: 'Write it down' }).click();
    await page.getByRole('article').filter({ hasText: text }).waitFor();
  };
  await note('First switched on: the relay does nothing, by day or by night.', board);
  await note('A leg of R1 stood one row too far. Moved it: it pulls in at dusk.');
  await page.evaluate(() => window.scrollTo(0, 0));
  await shoot('check-logbook');
  await open('/project/sample-platform-lamps/check');
  await way('Practice');
  await page.getByRole('button', { name: 'Hide a fault' }).click();
  for (const probe of ['Voltage at C (collector), in the dark', 'Voltage at A, in the dark'])
    await page.getByRole('button', { name: probe }).click();
  await page.getByText('Your way: 2').waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await shoot('check-practice');
}
