import type { Page } from '@playwright/test';
import { paletteFields, type PaletteField } from '../src/ui/words/help/paletteFields';
import type { View } from './views';

/** Fields and buttons that every design of their kind has: not those of a row, of what was found, or of a help. */
const controlsOf = (page: Page) =>
  page.evaluate(() => {
    const left = 'tbody, li, svg, article, [data-tour=sentence], nav, [aria-haspopup=dialog], .ant-popover';
    const all = document.querySelectorAll<HTMLElement>(
      'main button, main input, main textarea, main [role=slider], main [role=switch]',
    );
    return [...all]
      .filter((one) => one.checkVisibility() && one.closest(left) === null)
      .map((one) => {
        const own = one.getAttribute('aria-label');
        const field = one instanceof HTMLInputElement || one instanceof HTMLTextAreaElement ? one : null;
        const label = field ? field.labels?.[0]?.textContent : one.textContent;
        return (own ?? label ?? '').replace(/\s+/g, ' ').trim();
      });
  });

/** A name that holds for every design and by itself: no figure of this one, and more than a word beside another field. */
const isLasting = (name: string) =>
  /^[^a-z]/.test(name) &&
  name.length <= 60 &&
  !/\d[\d.,]*\s?(k|M|µ|m)?(Ω|V|A|lx|%|×|°)|[“”]|\d{2,}/.test(name);

/** What stands in every step is gone to where it is met first. */
const isCommon = (name: string) => /^(Probe|Goal|Fold|Figures|IEC|ANSI|Save the schematic)/.test(name);

/** What the palette should find of a view that is open. @param known what it finds already */
export async function newFields(
  page: Page,
  { at }: View,
  known: readonly PaletteField[] = paletteFields,
): Promise<PaletteField[]> {
  if (!at) return [];
  // What a view is still drawing comes up meanwhile.
  let controls = await controlsOf(page);
  for (let before: readonly string[] = []; before.length !== controls.length;) {
    await page.waitForTimeout(300);
    [before, controls] = [controls, await controlsOf(page)];
  }
  const names = [...new Set(controls)].filter(isLasting);
  return names
    .filter(
      (name) => !known.some((entry) => entry.name === name && (isCommon(name) || entry.step === at.step)),
    )
    .map((name) => ({ name, step: at.step, way: at.way ?? null }));
}

/** What is not pressed: it leaves the page for a file, for good, or for a wait of its own. */
const LEFT_OUT = /SVG|PNG|Save|Export|Print|PDF|Delete|Import|Connect|Speak|Photo/;
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

/**
 * Presses buttons of the open view by a key, spread over all that it has, each from the view as it was.
 * @param most how many
 * @returns the names of those after which nothing had the focus
 */
export async function losesFocus(page: Page, most: number): Promise<string[]> {
  const names = [...new Set(await namesOf(page))].filter((name) => name !== '' && !LEFT_OUT.test(name));
  const chosen = names.filter((_, index) => index % Math.max(1, Math.ceil(names.length / most)) === 0);
  const address = page.url();
  const lost: string[] = [];
  for (const name of chosen) {
    if (!(await focusOn(page, name))) continue;
    await page.keyboard.press('Enter');
    // What was pressed may go away a moment later; the focus may be found a moment after that. What falls for good counts.
    await page.waitForTimeout(150);
    let has = await hasFocus(page);
    for (let look = 0; look < 100 && !has; look++) {
      await page.waitForTimeout(100);
      has = await hasFocus(page);
    }
    if (!has) lost.push(name);
    await page.keyboard.press('Escape');
    const isAway = page.url() !== address || (await page.locator('[role=dialog]:visible').count()) > 0;
    if (isAway) await page.goto(address);
  }
  return lost;
}
