import { readFile } from 'node:fs/promises';
import { PROJECT_VERSION } from '../src/core/project/migrate';
import {
  advice,
  addReading,
  AUTO_METER,
  choose,
  chooseMeter,
  chain,
  chainFigures,
  expect,
  fact,
  field,
  SAMPLES,
  goTo,
  link,
  newProject,
  saved,
  test,
  textOf,
  type,
} from './helpers';

// With all its fades, as most people see it; the other tests run with reduced motion.
test.use({ contextOptions: { reducedMotion: 'no-preference' } });

test('from an empty project to a switching brightness, and on to another browser', async ({
  page,
  browser,
}) => {
  await newProject(page);
  await expect(advice(page).getByText('No readings yet, so a typical LDR stands in')).toBeVisible();

  // 1 Measure: a made-up LDR, typed as it is read.
  await chooseMeter(page, AUTO_METER);
  await addReading(page, '5', '5k9');
  await expect(advice(page).getByText('One reading is not enough for a curve')).toBeVisible();
  await addReading(page, '20 lx', '2,2k');
  await addReading(page, '90', '790R');
  await addReading(page, '400', '276');
  await expect(link(page, 1)).toContainText('4 readings');
  await expect(link(page, 1)).toContainText('in order');
  expect(await textOf(link(page, 1))).toMatch(/3\.6\d kΩ at 10 lx γ 0\.[67]\d ± 0\.0\d/);

  // 2 Divide: the goal, the supply, and one click on a real value.
  await goTo(page, 2);
  await type(page, 'below', '50');
  await type(page, 'Supply', '6');
  await expect(page.getByText('rises in the dark')).toBeVisible();
  const exact = () => textOf(fact(page, 'Exact for the goal'));
  await expect.poll(exact).toMatch(/Exact for the goal 9\.\d\d kΩ/);
  await choose(page, 'Values', 'E24, 5 %');
  await page
    .getByRole('button', { name: /^Use 9\.1\skΩ$/ })
    .first()
    .click();
  await expect(link(page, 2)).toContainText('9.1');

  // 3 Switch and 4 drive.
  await goTo(page, 3);
  expect(await textOf(fact(page, 'Half on'))).toMatch(/Half on (49|5[0-3])(\.\d)? lx/);
  await goTo(page, 4);
  await choose(page, 'Kind', 'green');
  await type(page, 'Current wanted', '8m');
  await page
    .getByRole('button', { name: /^Use 510\sΩ$/ })
    .first()
    .click();
  await expect(link(page, 4)).toContainText('green LED');
  for (const step of [1, 2, 3, 4]) await expect(link(page, step)).toContainText('in order');
  await type(page, 'Project name', 'Bench try');

  // A reload brings the same figures back.
  const figures = await chainFigures(page);
  await saved(page);
  await page.reload();
  await expect(chain(page)).toBeVisible();
  expect(await chainFigures(page)).toEqual(figures);

  // Export here, import in a clean browser: the same figures to all shown digits.
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const file = await (await download).path();
  expect((await download).suggestedFilename()).toBe('bench-try.yemko.json');
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({
    format: 'yemko-project',
    version: PROJECT_VERSION,
  });
  const elsewhere = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await elsewhere.goto('/');
  await expect(elsewhere.getByRole('listitem')).toHaveCount(SAMPLES);
  await elsewhere.locator('input[type=file]').setInputFiles(file);
  await expect(field(elsewhere, 'Project name')).toHaveValue('Bench try');
  expect(await chainFigures(elsewhere)).toEqual(figures);
  await elsewhere.context().close();
});

test('every change can be undone and redone, also after a reload', async ({ page }) => {
  await newProject(page);
  await chooseMeter(page, AUTO_METER);
  await addReading(page, '10', '12k');
  await addReading(page, '100', '2k4');
  const fitted = await textOf(link(page, 1));
  await page.getByRole('button', { name: 'Delete the reading at 100 lx' }).click();
  await expect(link(page, 1)).toContainText('typical LDR');
  await page.getByRole('button', { name: 'Undo' }).click();
  expect(await textOf(link(page, 1))).toBe(fitted);
  await saved(page);
  await page.reload();
  await expect(chain(page)).toBeVisible();
  await chain(page).click({ position: { x: 2, y: 2 } });
  await page.keyboard.press('Control+z');
  await expect(link(page, 1)).toContainText('typical LDR');
  await page.keyboard.press('Control+Shift+z');
  await expect(link(page, 1)).toContainText('2 readings');
  await page.keyboard.press('Control+y');
  await expect(link(page, 1)).toContainText('typical LDR');
});

test('a reading is changed where it stands', { tag: '@whole' }, async ({ page }) => {
  await newProject(page);
  await chooseMeter(page, AUTO_METER);
  await addReading(page, '10', '12k');
  await addReading(page, '100', '24k');
  await expect(advice(page).getByText('The resistance does not fall with light')).toBeVisible();
  await type(page, 'Resistance at 100 lx', '2k4');
  await expect(link(page, 1)).toContainText('2 readings');
  await expect(advice(page).getByText('Two readings always fit a line')).toBeVisible();
});
