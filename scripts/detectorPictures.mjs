// The pictures of ways of deciding.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takeDetectorPictures(page, { open, shoot }) {
  const scrollTo = (y) => page.evaluate((top) => window.scrollTo(0, top), y);
  await open('/project/sample-seedling-shelf/switch');
  await page.getByRole('button', { name: 'Find parts' }).click();
  await page
    .getByRole('button', { name: /^Take R1/ })
    .first()
    .waitFor();
  // Folded, the strips leave room for what was found.
  await page.getByRole('button', { name: 'Fold' }).click();
  await scrollTo(600);
  await shoot('comparator');
  await page.getByRole('button', { name: 'All strips' }).click();
}
