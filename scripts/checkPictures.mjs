// The pictures of checking: test points, and the fault finder after two of them.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takeCheckPictures(page, { open, shoot }) {
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
}
