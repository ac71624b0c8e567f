import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { choose, expect, field, link, openSample, said, test, textOf } from './helpers';

const schematic = (page: Page) => page.getByRole('group', { name: /^Schematic at/ });
const part = (page: Page, name: RegExp) => schematic(page).getByRole('button', { name });

test(
  'a part is changed where it stands, by a click or by keys, and a bad value changes nothing',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Platform lamps', 3);
    await part(page, /^Change R1 6\.8\skΩ/).click();
    await expect(field(page, 'R1')).toBeFocused();
    await page.keyboard.type('8k2');
    await page.keyboard.press('Enter');
    await expect(part(page, /^Change R1 8\.2\skΩ/)).toBeFocused();
    expect(await textOf(link(page, 2))).toContain('8.2 kΩ');

    await page.keyboard.press('Enter');
    await page.keyboard.type('4x7');
    await page.keyboard.press('Enter');
    await expect(said(page).filter({ hasText: 'is no prefix or unit here' })).toBeVisible();
    await expect(field(page, 'R1')).toHaveValue('4x7');
    await page.keyboard.press('Escape');
    await expect(field(page, 'R1')).toBeHidden();
    expect(await textOf(link(page, 2))).toContain('8.2 kΩ');

    await part(page, /^Change BT1/).click();
    await page.keyboard.type('9');
    await page.keyboard.press('Enter');
    await expect(part(page, /^Change BT1 \+9\sV/)).toBeVisible();
    await part(page, /^Change Q1/).click();
    await choose(page, 'Q1', '1 A NPN');
    await expect(page.getByText('60 guaranteed')).toBeVisible();
  },
);

test('symbols are IEC or ANSI by choice, and the choice stays', { tag: '@whole' }, async ({ page }) => {
  await openSample(page, 'Hedgehog hut lamp', 4);
  const drawn = () => schematic(page).innerHTML();
  const iec = await drawn();
  await page.getByRole('radiogroup', { name: 'Symbols' }).getByText('ANSI').click();
  await expect.poll(drawn).not.toBe(iec);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'ANSI' })).toBeChecked();
});

test('the drawing goes out as an SVG that stands alone, and as a PNG', async ({ page }) => {
  await openSample(page, 'Platform lamps', 3);
  const saved = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `Save the schematic as ${name}` }).click(),
    ]);
    return { file: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
  };
  const svg = await saved('SVG');
  expect(svg.file).toBe('platform-lamps.svg');
  const text = svg.bytes.toString('utf8');
  expect(text).not.toMatch(/var\(--|href=|url\(|<script|class="[^"]*__/);
  const read = await page.evaluate((source) => {
    const tree = new DOMParser().parseFromString(source, 'image/svg+xml');
    return {
      fault: tree.querySelector('parsererror')?.textContent ?? null,
      root: tree.documentElement.nodeName,
      text: tree.documentElement.textContent,
    };
  }, text);
  expect(read).toMatchObject({ fault: null, root: 'svg' });
  for (const label of ['LDR1', 'R1', 'R2', 'D1', 'Q1', '0 V']) expect(read.text).toContain(label);
  const png = await saved('PNG');
  expect([...png.bytes.subarray(0, 4)]).toEqual([0x89, 0x50, 0x4e, 0x47]);
  expect(png.bytes.readUInt32BE(16)).toBe(1200);
});
