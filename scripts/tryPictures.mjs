// The pictures of trying: live under a hand, through a day, built many times over, and asked first.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takeTryPictures(page, { open, shoot }) {
  const way = (name) => page.getByText(name, { exact: true }).click();
  await open('/project/sample-platform-lamps/try');
  await page.getByRole('button', { name: /^Leaf/ }).waitFor();
  await page.waitForTimeout(2000);
  await page.getByRole('button', { name: /^Hand over it/ }).click();
  await page.waitForTimeout(3500);
  await page.getByRole('button', { name: /^Leaf/ }).click();
  await page.waitForTimeout(3000);
  await page.getByRole('button', { name: /^Cover/ }).click();
  await page.waitForTimeout(900);
  await shoot('try-live');
  await open('/project/sample-seedling-shelf/try');
  await way('A day');
  await page.getByRole('switch', { name: 'Leaves in front of it' }).click();
  await page.getByRole('button', { name: 'Run the day' }).click();
  await page.getByRole('heading', { name: 'What the day does' }).waitFor();
  await shoot('try-day');
  await way('Builds');
  await page.getByRole('button', { name: 'Build them' }).click();
  await page.getByRole('heading', { name: 'What makes the difference' }).waitFor();
  await shoot('try-builds');
}
