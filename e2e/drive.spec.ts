import {
  advice,
  choose,
  expect,
  fact,
  goTo,
  link,
  newProject,
  openSample,
  test,
  textOf,
  type,
} from './helpers';

test(
  'a relay on a battery: its two lights, its contacts, the life of the cells',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await goTo(page, 4);
    await choose(page, 'Load', 'relay');
    await expect(advice(page)).toContainText('It may never be fully on');
    await goTo(page, 3);
    await choose(page, 'Kind', 'N-MOSFET');
    await expect(link(page, 3)).not.toContainText('cannot work');
    await goTo(page, 4);
    await choose(page, 'From, sensor side', 'battery');
    await expect(page.getByRole('textbox', { name: 'Voltage', exact: true })).toHaveValue('6');
    expect(await textOf(fact(page, 'Pull-in'))).toMatch(/[\d.]+ lx/);
    expect(await textOf(fact(page, 'Drop-out'))).toMatch(/[\d.]+ lx/);
    const life = await textOf(fact(page, 'Lasts about'));
    expect(life).toMatch(/days|hours/);
    await page.getByRole('slider', { name: 'Share of dark hours' }).press('Home');
    await expect(fact(page, 'Lasts about')).toContainText(/months|over ten years/);
    expect(await textOf(fact(page, 'Switches, fresh to flat'))).toMatch(/lx … [\d.]+ lx flat at 4\.02 V/);

    await choose(page, 'Switches', 'a motor');
    await type(page, 'Its current', '2');
    await expect(advice(page).getByText('they would weld or burn', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: /^Use contacts for 10/ }).click();
    await expect(advice(page).getByText('they would weld or burn', { exact: false })).toBeHidden();
    await page.getByRole('checkbox', { name: 'It is on the mains' }).check();
    await expect(
      page.getByText('Mains only behind an enclosed, rated relay', { exact: false }),
    ).toBeVisible();
    await expect(
      page.getByText('The diode across the coil always belongs there', { exact: false }),
    ).toBeVisible();
  },
);

test(
  'what stops on flat cells is said with the volts at which it ends, and one button makes it last',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 4);
    await choose(page, 'Load', 'relay');
    await goTo(page, 3);
    await choose(page, 'Kind', 'N-MOSFET');
    await goTo(page, 4);
    await choose(page, 'From, sensor side', 'battery');
    await type(page, 'Cells in series, sensor', '3');
    await expect(link(page, 4)).toContainText('worth a look');
    const more = page.getByRole('button', { name: /^\d more$/ });
    if (await more.count()) await more.click();
    const flat = advice(page).getByRole('article').filter({ hasText: 'flat or at its lowest' });
    await expect(flat).toContainText(/It works down to 1\.[23]\d*\sV a cell/);
    await flat.getByRole('button', { name: /supply/ }).click();
    await expect(advice(page).getByText('flat or at its lowest')).toHaveCount(0);
    await expect(link(page, 4)).toContainText('in order');
  },
);
