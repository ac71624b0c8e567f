// The pictures of measuring: each is a short piece of real work in the app.

const OWN = [5610, 2890, 1345, 702, 331, 131, 45];

/** @param page a Playwright page @param tools `open` a path, `shoot` under a name */
export async function takePictures(page, { open, shoot }) {
  const by = (name) => page.getByRole('radiogroup', { name: 'Ways of measuring' }).getByText(name, { exact: true }).click(); // prettier-ignore
  const shown = () => page.getByRole('textbox', { name: /^(Resistance|Meter shows .*|Meter shows.*)$/ });
  const type = async (figure) => {
    await shown().fill(String(figure));
    await shown().press('Enter');
    await page.waitForTimeout(80);
  };
  await drawer();
  await live();

  async function drawer() {
    await open('/project/sample-platform-lamps/measure');
    for (const factor of [1.25, 0.86]) {
      await page.getByRole('button', { name: /^Another LDR/ }).click();
      await page.getByText('Planned:').waitFor();
      for (const ohms of OWN) await type(Math.round(ohms * factor * (1 + 0.01 * Math.sin(ohms))));
    }
    await by('Saved LDRs');
    await page.getByRole('button', { name: 'Save this LDR' }).click();
    await page.waitForTimeout(3500);
    await page.getByRole('button', { name: 'As light meter' }).last().click();
    await by('By hand');
    await page.getByRole('textbox', { name: 'Light', exact: true }).fill('20');
    await page.getByRole('textbox', { name: 'Light', exact: true }).press('Enter');
    await type('18k');
    await page.getByRole('region', { name: 'Readings worth a look' }).waitFor();
    await page.waitForTimeout(4500);
    await page.evaluate(() => window.scrollTo(0, 190));
    await shoot('measure');
  }

  async function newProject() {
    await page.goto(new URL('/', page.url()).href);
    await page.getByRole('button', { name: 'plus New project' }).click();
    await page.getByRole('navigation', { name: 'Signal chain' }).waitFor();
  }

  async function live() {
    await newProject();
    await by('Live');
    await page.getByRole('button', { name: 'Connect', exact: true }).click();
    for (const share of [0.3, 0.5, 0.7]) {
      const box = await page
        .getByRole('slider', { name: 'Distance of the lamp' })
        .locator('xpath=..')
        .boundingBox();
      await page.mouse.click(box.x + share * box.width, box.y + box.height / 2);
      await page.waitForTimeout(9000);
      await page.keyboard.press('c');
    }
    await page.getByRole('button', { name: /^A ladder of 8 rungs/ }).click();
    await page.getByRole('button', { name: /^Start/ }).click();
    await page.waitForTimeout(4500);
    await page.evaluate(() => window.scrollTo(0, 0));
    await shoot('live');
    await page.getByRole('button', { name: /^Stop/ }).click();
    await page.getByRole('button', { name: 'Drop the plan' }).click();
    await page.getByRole('button', { name: 'Show the hidden figures' }).click();
    await page.getByText('One habit to change:').waitFor();
    await page.keyboard.press('n');
    await page.evaluate(() => window.scrollTo(0, 640));
    await shoot('dark-bench');
    await page.keyboard.press('n');
  }
}
