// The pictures of building: the board, and a step of wiring.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takeBuildPictures(page, { open, shoot }) {
  const way = (name) =>
    page.getByRole('radiogroup', { name: 'What to build by' }).getByText(name, { exact: true }).click();
  await open('/project/sample-drying-rack/build');
  await way('Board');
  await page.getByText('The board is the circuit').waitFor();
  await shoot('build-board');
  await open('/project/sample-seedling-shelf/build');
  await way('Wiring');
  await page.getByRole('button', { name: /^Done, next/ }).waitFor();
  for (let step = 0; step < 15; step++) await page.keyboard.press('Enter');
  await shoot('build-wiring');
  await way('Sheet');
  await page.getByRole('button', { name: 'Save as PDF' }).waitFor();
  await shoot('build-sheet');
}
