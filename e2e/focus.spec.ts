import type { Page } from '@playwright/test';
import { expect, test } from './helpers';
import { views } from './views';

/** What is not pressed: it leaves the page for a file, for good, or for a wait of its own. */
const LEFT_OUT = /SVG|PNG|Save|Export|Print|PDF|Delete|Import|Connect|Speak|Photo/;
/** So many of a view are pressed. */
const MOST = Number(process.env.YEMKO_FOCUS_BUTTONS ?? 4);

const BUTTONS = 'main button:not(:disabled), main [role=button]';

const namesOf = (page: Page) =>
  page.evaluate(
    (buttons) =>
      [...document.querySelectorAll<HTMLElement>(buttons)]
        .filter((button) => button.checkVisibility())
        .map((button) => (button.getAttribute('aria-label') ?? button.textContent ?? '').trim()),
    BUTTONS,
  );

/** Sets the focus to a button by its name. @returns whether it is there */
const focusOn = (page: Page, name: string) =>
  page.evaluate(
    ({ buttons, name }) => {
      const found = [...document.querySelectorAll<HTMLElement>(buttons)].find(
        (button) =>
          button.checkVisibility() &&
          (button.getAttribute('aria-label') ?? button.textContent ?? '').trim() === name,
      );
      found?.focus();
      return found !== undefined && document.activeElement === found;
    },
    { buttons: BUTTONS, name },
  );

const hasFocus = (page: Page) =>
  page.evaluate(() => document.activeElement !== null && document.activeElement !== document.body);

/** Spread over the list, so that every part of a view has its turn. */
const spread = (names: readonly string[]) =>
  names.filter((_, index) => index % Math.max(1, Math.ceil(names.length / MOST)) === 0);

for (const { name: view, open } of views.filter(
  ({ name }) => !/^(help|settings|palette|the tour)/.test(name),
)) {
  test(`${view}: a button that is pressed by a key leaves the focus on something`, async ({ page }) => {
    await page.addInitScript(() => localStorage.setItem('yemko-tour', '{"stop":0,"isDone":true}'));
    await open(page);
    const names = [...new Set(await namesOf(page))].filter((name) => name !== '' && !LEFT_OUT.test(name));
    const address = page.url();
    const lost: string[] = [];
    for (const name of spread(names)) {
      if (!(await focusOn(page, name))) continue;
      await page.keyboard.press('Enter');
      // Found at once or a moment later: what falls for good is what counts.
      await expect
        .poll(() => hasFocus(page), { timeout: 4000 })
        .toBe(true)
        .catch(() => lost.push(name));
      await page.keyboard.press('Escape');
      const isAway = page.url() !== address || (await page.locator('[role=dialog]:visible').count()) > 0;
      if (isAway) await page.goto(address);
    }
    expect(lost).toEqual([]);
  });
}
