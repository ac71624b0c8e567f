// The pictures of a first visit: the tour, the words, a phone.

/** @param page a Playwright page @param tools `home` opens the list, `open` a path, `shoot` under a name */
export async function takeHelpPictures(page, { home, open, shoot }) {
  await home();
  await page.getByRole('button', { name: 'On when it gets dark' }).click();
  await page.locator('.ant-tour').waitFor();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await shoot('tour');
  await page.keyboard.press('Escape');
  await open('/project/sample-moss-terrarium/switch');
  await page.keyboard.press('?');
  await page.getByRole('tab', { name: 'Words' }).click();
  await page.getByRole('textbox', { name: 'Search the words' }).fill('re');
  await shoot('glossary');
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 390, height: 844 });
  await open('/project/sample-seedling-shelf/divide');
  await shoot('phone');
  await page.setViewportSize({ width: 1280, height: 800 });
}
