import type { Page } from '@playwright/test';
import { choose, expect, fact, field, measureBy, newProject, said, shown, test, textOf } from './helpers';

async function connectBench(page: Page) {
  await page.getByRole('button', { name: 'Connect', exact: true }).click();
  await expect(page.getByTestId('live-figure')).toBeVisible();
}

/** Sets a knob of the bench by clicking its rail at a share of its length. */
async function turn(page: Page, knob: string, share: number) {
  const handle = page.getByRole('slider', { name: knob });
  const box = await handle.locator('xpath=..').boundingBox();
  if (!box) throw new Error(knob);
  await page.mouse.click(box.x + share * box.width, box.y + box.height / 2);
}

test(
  'the simulated bench captured to a fit near its hidden figures, with one key a reading',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await measureBy(page, 'Live');
    await connectBench(page);
    await turn(page, 'Light of the room', 0);
    for (const share of [0.22, 0.35, 0.46, 0.57, 0.69, 0.8, 0.915]) {
      await turn(page, 'Distance of the lamp', share);
      await expect(page.getByText(/settling|waiting/)).toBeVisible();
      await expect(page.getByText('settled', { exact: true })).toBeVisible();
      await page.keyboard.press('c');
    }
    await expect(page.getByText(/· 7 readings/)).toBeVisible();
    await page.getByRole('button', { name: 'Show the hidden figures' }).click();
    const off = async (name: string) =>
      Number(
        (await textOf(fact(page, name)))
          .replace('−', '-')
          .match(/yours ([+±-]?[\d.]+)/)?.[1]
          ?.replace('±', ''),
      );
    expect(Math.abs(await off('Hidden R10'))).toBeLessThan(10);
    expect(Math.abs(await off('Hidden γ'))).toBeLessThan(0.05);
    await expect(page.getByText('Well measured', { exact: false })).toBeVisible();
    await expect(page.getByText('One habit to change:')).toBeVisible();
    await expect(page.getByRole('columnheader', { name: 'Without it the fit would be' })).toBeVisible();
  },
);

test(
  'a live figure can be held, goes over range when covered, and never settles by a flickering screen',
  { tag: '@whole' },
  async ({ page }) => {
    await newProject(page);
    await measureBy(page, 'Live');
    await connectBench(page);
    await page.getByRole('switch', { name: 'Flickering screen' }).click();
    await page.waitForTimeout(6000);
    await expect(page.getByText('settled', { exact: true })).toBeHidden();
    await page.getByRole('switch', { name: 'Flickering screen' }).click();
    await page.keyboard.press('h');
    await expect(page.getByText('held', { exact: true })).toBeVisible();
    const held = await page.getByTestId('live-figure').innerText();
    await page.getByRole('switch', { name: 'LDR covered' }).click();
    await page.waitForTimeout(1500);
    expect(await page.getByTestId('live-figure').innerText()).toBe(held);
    await choose(page, 'Range on the bench', /^20\skΩ$/);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Let go' }).click();
    await expect(page.getByTestId('live-figure')).toHaveText(/^> 20\skΩ/);
    // By typed light, as a limit.
    await page.getByRole('checkbox', { name: /light by the bench/ }).uncheck();
    await page.getByRole('button', { name: /Capture/ }).click();
    await expect(said(page).filter({ hasText: 'Which light' })).toBeVisible();
    await field(page, 'Light of the capture').fill('covered');
    await page.keyboard.press('Enter');
    await measureBy(page, 'By hand');
    await expect(field(page, 'Resistance at covered')).toHaveValue('>20 kΩ');
  },
);

test('figures typed at the keyboard are live too', { tag: '@whole' }, async ({ page }) => {
  await newProject(page);
  await measureBy(page, 'Live');
  await choose(page, 'Source of live readings', 'keyboard');
  await page.getByRole('button', { name: 'Connect', exact: true }).click();
  await shown(page).fill('4k7x');
  await page.keyboard.press('Enter');
  await expect(said(page)).toBeVisible();
  await shown(page).fill('4k7');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('live-figure')).toHaveText(/4\.70\skΩ/);
  await field(page, 'Light of the capture').fill('30');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Taken: 4\.70\skΩ at 30\slx/)).toBeVisible();
});

/** A serial port as the browser would give it, fed from the test. */
async function fakeSerial(page: Page, lines: string, end: 'stay' | 'unplug') {
  await page.addInitScript(
    ([text, how]) => {
      const port = {
        readable: new ReadableStream({
          start(controller) {
            setTimeout(() => {
              controller.enqueue(new TextEncoder().encode(text));
              if (how === 'unplug')
                setTimeout(() => ((port.readable = null as never), controller.error(new Error('lost'))), 300);
            }, 300);
          },
        }),
        open: async () => undefined,
        close: async () => undefined,
      };
      Object.defineProperty(navigator, 'serial', {
        value: { requestPort: async () => port },
        configurable: true,
      });
    },
    [lines, end] as const,
  );
}

async function connectSerial(page: Page) {
  await newProject(page);
  await measureBy(page, 'Live');
  await choose(page, 'Source of live readings', 'serial port');
  await page.getByRole('button', { name: 'Choose the port' }).click();
}

test('a serial port: torn lines are left out and said, one pulled out in the middle loses nothing', async ({
  page,
}) => {
  await fakeSerial(page, '23\n4700\nNaN\n0.5,4800\n', 'unplug');
  await connectSerial(page);
  await expect(said(page).filter({ hasText: 'The port was lost' })).toBeVisible();
  await expect(page.getByText('not connected')).toBeVisible();
});

test('a serial port that sends no number says so and goes on', { tag: '@whole' }, async ({ page }) => {
  await fakeSerial(page, 'x\n4700\nNaN\n', 'stay');
  await connectSerial(page);
  await expect(page.getByTestId('live-figure')).toHaveText(/4\.70\skΩ/);
  await expect(said(page)).toHaveText(/a line that is no number \(“NaN”\); it was left out/);
});

test('a browser without serial ports says so', { tag: '@whole' }, async ({ page }) => {
  await page.addInitScript(() =>
    Object.defineProperty(Navigator.prototype, 'serial', { value: undefined, configurable: true }),
  );
  await connectSerial(page);
  await expect(said(page)).toHaveText(/This browser offers no serial ports/);
});
