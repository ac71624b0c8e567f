import type { Locator, Page } from '@playwright/test';
import { chain, expect, link, test, textOf, withoutTour } from './helpers';

/** The job: from the first page to a relay on 12 V that is on below 20 lx and off above 60, its first wire ticked, and a note of it. */
const sentence = (page: Page) => page.getByRole('region', { name: 'The design in one sentence' });

async function isDone(page: Page): Promise<void> {
  await expect(sentence(page)).toContainText(/relay.*below 20\slx and off again above 60\slx.*12\sV/);
  expect(await textOf(chain(page))).not.toContain('cannot work');
  expect(await textOf(link(page, 3))).toMatch(/(19|20|21)(\.\d)? lx/);
}

const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: element } = document;
    if (element === null || element === document.body) return null;
    const label =
      element instanceof HTMLInputElement ? element.labels?.[0]?.textContent : element.textContent;
    return (element.getAttribute('aria-label') ?? label ?? '').replace(/\s+/g, ' ').trim();
  });

test('a whole job by keyboard alone, with the focus always on something', async ({ page }) => {
  const key = async (...keys: string[]) => {
    for (const each of keys) {
      await page.keyboard.press(each);
      await expect.poll(() => focused(page)).not.toBeNull();
    }
  };
  /** Tabs on until what has the focus is called so. */
  const tabTo = async (name: RegExp, most = 80) => {
    for (let step = 0; step < most; step++) {
      if (name.test((await focused(page)) ?? '')) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`${name} is not reached by Tab`);
  };
  const find = async (words: string) => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('combobox', { name: 'Find an action or a field' })).toBeFocused();
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('combobox', { name: 'Find an action or a field' })).toBeHidden();
  };
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'On when it gets dark' })).toBeEnabled();
  await tabTo(/^On when it gets dark$/);
  await page.keyboard.press('Enter');
  await expect(page.locator('.ant-tour')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.ant-tour')).toBeHidden();
  await expect.poll(() => focused(page)).not.toBeNull();

  await tabTo(/^5\sV$/);
  await key('Enter');
  await expect.poll(() => focused(page)).toContain('Supply');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('12');
  await key('Enter', 'Escape');
  expect(await focused(page)).toMatch(/^12\sV$/);

  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Shift+Tab');
  expect(await focused(page)).toMatch(/LED/);
  await key('Enter');
  await expect(page.getByRole('dialog').getByRole('combobox')).toBeFocused();
  await page.keyboard.press('Enter');
  const active = page.locator('.ant-select-dropdown:visible .ant-select-item-option-active');
  for (let step = 0; step < 20 && (await active.textContent()) !== 'relay'; step++)
    await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toContainText('relay');
  await key('Escape');

  // What cannot work yet has a button that leads out of it.
  for (let tries = 0; tries < 8 && (await textOf(chain(page))).includes('cannot work'); tries++) {
    const remedy = page.getByRole('region', { name: 'Advice' }).getByRole('button').first();
    await expect(remedy).toBeVisible();
    const name = ((await remedy.textContent()) ?? '').replace(/\s+/g, ' ').trim();
    await tabTo(new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`));
    await key('Enter');
    await page.waitForTimeout(400);
  }
  await find('Go to step 3');
  await find('Off again above');
  await expect.poll(() => focused(page)).toContain('Off again above');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('60');
  await key('Enter');
  await find('Find parts');
  await expect(page.getByRole('button', { name: /^Take R1/ }).first()).toBeVisible();
  await tabTo(/^Take R1/);
  await key('Enter');
  await isDone(page);

  await find('Done, next');
  await expect(page.getByRole('checkbox', { checked: true }).first()).toBeVisible();
  await find('What happened');
  await expect(page.getByRole('textbox', { name: 'What happened' })).toBeFocused();
  await page.keyboard.type('Relay clicks at dusk.');
  await tabTo(/^Write it down$/);
  await key('Enter');
  await expect(page.getByText('Relay clicks at dusk.').first()).toBeVisible();
});

test(
  'the same by touch on a phone, with swipes that scroll',
  { tag: '@whole' },
  async ({ browser, baseURL }) => {
    const context = await browser.newContext({
      ...{ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, serviceWorkers: 'block' },
      reducedMotion: 'reduce',
      baseURL: baseURL ?? '',
    });
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
      session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
    /** Swipes up by so much, wherever the finger happens to be. */
    const swipe = async (x: number, y: number, up: number) => {
      await touch('touchStart', x, y);
      for (let step = 1; step <= 10; step++) await touch('touchMove', x, y - (up * step) / 10);
      await touch('touchEnd');
      await page.waitForTimeout(150);
    };
    /** Swipes until a finger would touch it, then taps it: nothing is scrolled by other means. */
    const tap = async (what: Locator) => {
      await expect(what).toBeAttached();
      // Of words that flow over the end of a line the first piece is touched.
      const reach = () =>
        what.evaluate((element) => {
          const { left, top, width, height } = element.getClientRects()[0] ?? element.getBoundingClientRect();
          const [x, y] = [left + Math.min(width / 2, 40), top + Math.min(height / 2, 14)];
          const there = document.elementFromPoint(x, y);
          return { isFree: there !== null && element.contains(there), x, y };
        });
      for (let tries = 0; tries < 40; tries++) {
        const { isFree, y } = await reach();
        if (isFree) break;
        await swipe(380, y > 400 ? 700 : 420, y > 400 ? Math.min(400, y - 400) : y - 400);
      }
      // Where something above it still comes, it stands elsewhere by the time that the finger is there.
      let [before, now] = [await reach(), await reach()];
      for (let tries = 0; tries < 20 && (tries === 0 || before.y !== now.y); tries++) {
        await page.waitForTimeout(60);
        [before, now] = [now, await reach()];
      }
      await page.touchscreen.tap(now.x, now.y);
    };
    const popped = page.locator('.ant-popover:not(.ant-popover-hidden)');
    const type = async (box: Locator, text: string) => {
      await tap(box);
      await box.fill(text);
      await box.press('Enter');
    };
    await withoutTour(page);
    await page.goto('/');
    await tap(page.getByRole('button', { name: 'On when it gets dark' }));
    await expect(chain(page)).toBeVisible();
    await tap(sentence(page).getByRole('button', { name: '5 V' }));
    expect(await popped.getByRole('textbox').getAttribute('inputmode')).toBe('decimal');
    await type(popped.getByRole('textbox'), '12');
    await page.touchscreen.tap(5, 830);
    await tap(sentence(page).getByRole('button', { name: /LED/ }));
    await tap(popped.getByRole('combobox'));
    await tap(page.getByTitle('relay', { exact: true }));
    await page.touchscreen.tap(5, 830);
    for (let tries = 0; tries < 8 && (await textOf(chain(page))).includes('cannot work'); tries++) {
      await tap(page.getByRole('region', { name: 'Advice' }).getByRole('button').first());
      await page.waitForTimeout(500);
    }
    await tap(sentence(page).getByRole('button', { name: /in the dark/ }));
    await type(popped.getByLabel('Off again above'), '60');
    await tap(popped.getByRole('button', { name: 'Find parts for both lights' }));
    await page.touchscreen.tap(5, 830);
    await isDone(page);
    // Past the strips, over the whole page, by swipes that begin on them.
    const axis = page.getByTestId('strip-grab');
    const box = await axis.boundingBox();
    if (!box) throw new Error('no axis');
    const top = await page.evaluate(() => window.scrollY);
    await swipe(box.x + box.width / 2, Math.min(760, box.y + 100), 250);
    await expect.poll(() => page.evaluate(() => window.scrollY)).toBeGreaterThan(top + 100);
    await link(page, 7).tap();
    // What is advised may still come, and push it from under the finger: then it is tapped again.
    const ways = page.getByRole('radiogroup', { name: 'What to check by' });
    await expect(async () => {
      await tap(ways.getByText('Logbook', { exact: true }));
      await expect(ways.getByRole('radio', { name: 'Logbook' })).toBeChecked({ timeout: 5000 });
    }).toPass();
    await type(page.getByRole('textbox', { name: 'What happened' }), 'Relay clicks at dusk.');
    await tap(page.getByRole('button', { name: 'Write it down' }));
    await expect(page.getByText('Relay clicks at dusk.').first()).toBeVisible();
    await context.close();
  },
);

test('what a screen reader is given of the main path: roles, names, live texts', async ({ page }) => {
  await page.goto('/project/sample-seedling-shelf/switch');
  await expect(chain(page)).toBeVisible();
  await expect(page.getByRole('banner')).toMatchAriaSnapshot(`
    - banner:
      - link "Yemko"
      - textbox "Project name": Seedling shelf
      - status: saved in this browser
      - button "Undo" [disabled]
      - button "Redo" [disabled]
      - button "Export"
      - button "Share"
      - button "Dark bench"
      - button "Settings"
      - button "Keys"
  `);
  await expect(page.getByRole('main')).toMatchAriaSnapshot(`
    - main:
      - heading "Seedling shelf · Set the switch" [level=1]
      - region "The design in one sentence":
        - paragraph
        - paragraph:
          - button "relay"
          - button /in the dark, below 900\\slx and off again above 2200\\slx/
          - button "comparator with hysteresis"
          - button /12\\sV/
        - status: /switches at/
      - navigation "Signal chain":
        - button /1 Measure/
        - button /2 Divide/
        - button /3 Switch/
        - button /4 Drive/
        - button /5 Try/
        - button /6 Build/
        - button /7 Check/
      - region "Switching"
      - region "Light axis":
        - slider /Probe/
        - slider /Goal/
  `);
  await page.getByRole('slider', { name: /^Probe/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('slider', { name: /^Probe/ })).toHaveAttribute('aria-valuetext', /lx/);
  const spoken = sentence(page).getByRole('status');
  const before = await spoken.textContent();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => spoken.textContent()).not.toBe(before);
});
