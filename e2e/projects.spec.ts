import { promised } from '../src/core/testRuns';
import { expect, field, goTo, newProject, SAMPLES, saved, test, type } from './helpers';

test('the list opens on the samples; projects are renamed, duplicated, deleted and brought back', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);

  await page.getByRole('button', { name: 'Rename Platform lamps' }).click();
  await field(page, 'New name of Platform lamps').fill('Station lamps');
  await field(page, 'New name of Platform lamps').press('Enter');
  await expect(page.getByRole('link', { name: 'Station lamps' })).toBeVisible();

  await page.getByRole('link', { name: 'Station lamps' }).click();
  await type(page, 'Project name', '   ');
  await expect(page.getByText('A project needs a name.')).toBeVisible();
  await field(page, 'Project name').press('Escape');
  await expect(field(page, 'Project name')).toHaveValue('Station lamps');
  await page.goBack();

  await page.getByRole('button', { name: 'Duplicate Station lamps' }).click();
  await expect(page.getByRole('link', { name: 'Station lamps copy' })).toBeVisible();

  await page.getByRole('button', { name: 'Delete Station lamps', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Station lamps', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Station lamps', exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Delete Larder telltale' }).click();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Station lamps copy' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Larder telltale' })).toBeHidden();
  await page.getByRole('button', { name: 'Bring back the sample projects' }).click();
  await expect(page.getByRole('link', { name: 'Larder telltale' })).toBeVisible();
});

test('a new project gets a name that is free', { tag: '@whole' }, async ({ page }) => {
  await newProject(page);
  await newProject(page);
  await expect(field(page, 'Project name')).toHaveValue('New project 2');
});

test('an address without a project says so', async ({ page }) => {
  await page.goto('/project/nothing-here/measure');
  await expect(page.getByText('This project is not in this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Back to your projects' }).click();
  await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
});

test.describe('import', () => {
  test.use({ quiet: [/404/] });
  const file = (content: string) => ({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from(content),
  });
  const bad: readonly (readonly [content: string, says: RegExp])[] = [
    ['{"format":', /not readable as JSON/],
    ['{"some":"thing"}', /not a Yemko project file/],
    ['{"format":"yemko-project","version":99,"project":{}}', /newer Yemko \(version 99/],
    ['{"format":"yemko-project","version":1,"project":{"__proto__":{"a":1}}}', /damaged at/],
  ];

  test('a broken, foreign, newer or hostile file gives one sentence and changes nothing', async ({
    page,
  }) => {
    await page.goto('/');
    const list = page.getByRole('list').first();
    await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
    const before = await list.innerText();
    for (const [content, says] of bad) {
      await page.locator('input[type=file]').setInputFiles(file(content));
      await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
      expect(await list.innerText()).toBe(before);
    }
  });
});

/** All of them with `npm run verify`. */
const rounds = Number(process.env.VERIFY_ROUNDS ?? 5);

test('two tabs on one project keep both edits made at the same moment, and show the same', async ({
  page,
  context,
}) => {
  await newProject(page);
  await goTo(page, 2);
  const other = await context.newPage();
  await other.goto(page.url());
  test.setTimeout(600_000 + rounds * 20_000);
  for (let round = 1; round <= rounds; round++) {
    await field(page, 'R1 in use').fill(`${round}k`);
    await field(other, 'Project name').fill(`Named ${round}`);
    await Promise.all([field(page, 'R1 in use').press('Enter'), field(other, 'Project name').press('Enter')]);
    for (const tab of [page, other]) {
      await expect(field(tab, 'Project name')).toHaveValue(`Named ${round}`);
      await expect(field(tab, 'R1 in use')).toHaveValue(`${round} k`);
      await saved(tab);
    }
  }
  promised('two real tabs: rounds in which both edits were kept', rounds, '50');
  // Each undoes its own.
  await other.getByRole('button', { name: 'Undo' }).click();
  for (const tab of [page, other]) {
    await expect(field(tab, 'Project name')).toHaveValue(`Named ${rounds - 1}`);
    await expect(field(tab, 'R1 in use')).toHaveValue(`${rounds} k`);
  }
});

test('a project deleted in another tab says so and can be kept as a copy', async ({ page, context }) => {
  await newProject(page);
  const other = await context.newPage();
  await other.goto('/');
  await other.getByRole('button', { name: 'Delete New project' }).click();
  await expect(page.getByText('has been deleted in another tab', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Keep it as a copy' }).click();
  await saved(page);
  await page.reload();
  await expect(field(page, 'Project name')).toHaveValue('New project');
});
