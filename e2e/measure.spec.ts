import {
  addReading,
  AUTO_METER,
  chooseMeter,
  expect,
  field,
  link,
  newProject,
  said,
  shown,
  test,
} from './helpers';

test(
  'readings are typed as shown: range, overrange, a range that cannot be, and a slip fixed',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    // On 20 kΩ the meter shows 12.34; the next light comes with the arrows for another range, without a mouse.
    await field(page, 'Light').fill('10');
    await page.keyboard.press('Enter');
    await page.keyboard.type('12.34');
    await expect(page.getByText(/= 12\.3\skΩ ± 119\sΩ/)).toBeVisible();
    await page.keyboard.press('Enter');
    await page.keyboard.type('100');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.type('15.6');
    await page.keyboard.press('Enter');
    await expect(said(page)).toHaveText(/The 2\skΩ range cannot show 15\.6\skΩ; the 20\skΩ range can/);
    await shown(page).fill('1.53');
    await page.keyboard.press('Enter');
    await expect(field(page, 'Resistance at 100 lx')).toHaveValue('1.53 kΩ');
    // A lone 1 on a range is over range.
    await field(page, 'Light').fill('0.05');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
    await expect(field(page, 'Resistance at 0.05 lx')).toHaveValue('>200 kΩ');
    await expect(page.getByText('1 over range')).toBeVisible();
    // 72 on the 200 kΩ range: the knob really was on 2 MΩ, so it was 720.
    for (const [light, figure] of [
      ['1', '101'],
      ['3', '39'],
      ['0.3', '24.5'],
      ['30', '5.41'],
    ] as const) {
      await addReading(page, light, figure);
    }
    await expect(page.getByText(/24\.5\skΩ at 0\.3\slx is ten times too small/)).toBeVisible();
    await page.getByRole('button', { name: /Make it 245\skΩ/ }).click();
    await expect(page.getByText(/is ten times too small/)).toHaveCount(0);
    await expect(field(page, 'Resistance at 0.3 lx')).toHaveValue('245 kΩ');
  },
);

test(
  'names alone work, and turn into lux when their levels are measured; the goal keeps its place',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await chooseMeter(page, AUTO_METER);
    await addReading(page, 'desk, lamp on', '1k85');
    await addReading(page, 'hall, evening', '16k2');
    await addReading(page, 'hand over it', '143k');
    await expect(link(page, 1)).toContainText('no light figures');
    await expect(link(page, 3)).toContainText('between “hall, evening” and “desk, lamp on”');
    const goal = page.getByRole('slider', { name: /^Goal/ });
    await expect(goal).toHaveAttribute('aria-valuetext', /3\.\d+\skΩ/);
    await page.getByRole('button', { name: 'Meters, light meter and levels' }).click();
    for (const [name, lux] of [
      ['desk, lamp on', '300'],
      ['hall, evening', '12'],
      ['hand over it', '0.6'],
    ] as const) {
      await page.getByRole('textbox', { name: `Lux of ${name}` }).fill(lux);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('Escape');
    await expect(goal).toHaveAttribute('aria-valuetext', /1\d\d\slx/);
    await expect(link(page, 3)).toContainText('transition band');
    // The names stay for the next project.
    await newProject(page);
    await field(page, 'Light').press('ArrowDown');
    await expect(field(page, 'Light')).toHaveValue(/desk, lamp on|hall, evening|hand over it/);
  },
);

test(
  'an own meter is typed from its leaflet, and refused where a figure cannot be',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await page.getByRole('button', { name: 'Meters, light meter and levels' }).click();
    await page.getByRole('button', { name: 'Add a meter' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Yellow one');
    await page.getByLabel('Resistance ranges, lowest first').fill('4k 400');
    await page.getByRole('button', { name: 'Add this meter' }).click();
    await expect(said(page)).toHaveText(/from low to high/);
    await page.getByLabel('Resistance ranges, lowest first').fill('400 4k 40k 400k 4M 40M:2:5');
    await page.getByRole('button', { name: 'Add this meter' }).click();
    await page.keyboard.press('Escape');
    await addReading(page, '10', '12.34');
    await page.getByRole('button', { name: 'Expand row' }).click();
    await expect(page.getByText(/On the 40\skΩ range: ± 119\sΩ by the meter/)).toBeVisible();
    await newProject(page);
    await chooseMeter(page, 'Yellow one');
    await expect(page.getByRole('textbox', { name: /Meter shows \(40\skΩ range\)/ })).toBeVisible();
  },
);
