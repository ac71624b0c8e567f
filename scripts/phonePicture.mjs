// The picture of a first visit by phone.

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takePhonePicture(page, { open, shoot }) {
  await page.setViewportSize({ width: 390, height: 844 });
  await open('/project/sample-seedling-shelf/divide');
  await shoot('phone');
  await page.setViewportSize({ width: 1280, height: 800 });
}
