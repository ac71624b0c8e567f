import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { sampleProjects } from '../src/core/project/samples';

/** So many projects a new browser begins with. */
export const SAMPLES = sampleProjects.length;

const steps = ['measure', 'divide', 'switch', 'drive', 'try', 'build', 'check'];

/** Leaves a page with nothing of this app but its origin: what it had open is over. */
async function empty(page: Page): Promise<void> {
  const blank = '<!doctype html><link rel="icon" href="data:,">';
  await page.route('**/nothing', (route) => route.fulfill({ contentType: 'text/html', body: blank }));
  await page.goto('/nothing', { timeout: 60_000 });
  await page.unroute('**/nothing');
}

interface Kept {
  page: Page | null;
  /** The address that it is of: a test may have a line of its own to the server. */
  baseURL: string | undefined;
}

/** Leaves a page as a new browser would have it, but for the scripts that it has read. @returns whether it could be */
async function isCleared(page: Page, origin: string): Promise<boolean> {
  const context = page.context();
  try {
    page.removeAllListeners();
    for (const other of context.pages()) if (other !== page) await other.close();
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await context.setOffline(false);
    await context.clearPermissions();
    await empty(page);
    await page.evaluate(() => sessionStorage.clear());
    const session = await context.newCDPSession(page);
    await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
    await session.detach();
    await context.clearCookies();
    await page.emulateMedia({ forcedColors: null, colorScheme: null, media: null });
    await page.setViewportSize({ width: 1280, height: 800 });
    return true;
  } catch {
    return false;
  }
}

/**
 * A test whose page must stay clean: no request to another host, no error on the console.
 * A test may allow messages of its own with `quiet`. Tests after each other share a page, emptied between them: to read
 * all scripts anew was half of the work. What a page cannot forget (a script before all others) and what failed ends it.
 */
export const test = base.extend<{ quiet: RegExp[]; spent: { is: boolean } }, { kept: Kept }>({
  quiet: [async ({}, run) => run([]), { option: true }],
  kept: [
    async ({}, run) => {
      const kept: Kept = { page: null, baseURL: undefined };
      await run(kept);
      await kept.page?.context().close();
    },
    { scope: 'worker' },
  ],
  spent: async ({}, run) => run({ is: false }),
  context: async ({ browser, kept, spent, serviceWorkers, contextOptions, baseURL }, run, info) => {
    const asked = baseURL === undefined ? {} : { baseURL };
    const isUsual = serviceWorkers === 'block' && contextOptions.reducedMotion === 'reduce';
    if (!isUsual) {
      const own = await browser.newContext({ serviceWorkers, ...asked, ...contextOptions });
      await run(own);
      await own.close();
      return;
    }
    if (kept.page && kept.baseURL !== baseURL) {
      await kept.page.context().close();
      kept.page = null;
    }
    kept.baseURL = baseURL;
    const context =
      kept.page?.context() ??
      (await browser.newContext({ serviceWorkers: 'block', reducedMotion: 'reduce', ...asked }));
    await run(context);
    const page = kept.page ?? context.pages()[0] ?? null;
    kept.page = page;
    const isOver = spent.is || info.status !== info.expectedStatus || page === null || page.isClosed();
    if (isOver || !(await isCleared(page, new URL(baseURL ?? '').origin))) {
      kept.page = null;
      await context.close();
    }
  },
  page: async ({ context, kept, spent, quiet, baseURL }, run) => {
    const page = kept.page?.context() === context ? kept.page : await context.newPage();
    const addInitScript = page.addInitScript.bind(page);
    page.addInitScript = (...asked) => {
      spent.is = true;
      return addInitScript(...asked);
    };
    const trouble: string[] = [];
    page.on('request', (request) => {
      const { protocol, origin } = new URL(request.url());
      if (['http:', 'https:', 'ws:', 'wss:'].includes(protocol) && origin !== new URL(baseURL ?? '').origin) {
        trouble.push(`request to ${request.url()}`);
      }
    });
    page.on('console', (message) => {
      if (message.type() === 'error' && !quiet.some((allowed) => allowed.test(message.text()))) {
        trouble.push(`console: ${message.text()}`);
      }
    });
    page.on('pageerror', (error) => trouble.push(`page: ${error.message}`));
    await run(page);
    page.addInitScript = addInitScript;
    expect(trouble).toEqual([]);
  },
});
export { expect };

/** Figures without the no-break spaces they are set with. */
export async function textOf(locator: Locator): Promise<string> {
  return (await locator.innerText()).replaceAll('\u00a0', ' ').replaceAll(/\s+/g, ' ').trim();
}

/** A browser that remembers something of this app before it opens it: settings, a tour that was seen. */
export async function remembering(page: Page, items: Readonly<Record<string, string>>): Promise<void> {
  if (!page.url().endsWith('/nothing')) await empty(page);
  await page.evaluate((all) => {
    for (const [name, value] of Object.entries(all)) localStorage.setItem(name, value);
  }, items);
}

/** One who has seen the tour. */
export const withoutTour = (page: Page) => remembering(page, { 'yemko-tour': '{"stop":0,"isDone":true}' });

/** Opens a sample at its own address, as a bookmark does: the list of projects has tests of its own. */
export async function openSample(page: Page, name: string, step = 1): Promise<void> {
  const sample = sampleProjects.find((project) => project.name === name);
  if (!sample) throw new Error(`no sample ${name}`);
  await page.goto(`/project/${sample.id}/${steps[step - 1] ?? steps[0]}`);
  await expect(link(page, step)).toHaveAttribute('aria-current', 'step');
}

export async function newProject(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'plus New project' }).click();
  await expect(chain(page)).toBeVisible();
}

export const chain = (page: Page) => page.getByRole('navigation', { name: 'Signal chain' });
export const link = (page: Page, step: number) =>
  chain(page)
    .getByRole('button')
    .nth(step - 1);

export async function goTo(page: Page, step: number): Promise<void> {
  await link(page, step).click();
  await expect(link(page, step)).toHaveAttribute('aria-current', 'step');
}

export const field = (page: Page, label: string) => page.getByRole('textbox', { name: label, exact: true });

/** Types into a field and leaves it by Enter. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  await field(page, label).fill(text);
  await field(page, label).press('Enter');
}

/** The field for what the meter shows, whichever range it is on. */
export const shown = (page: Page) => page.getByRole('textbox', { name: /^(Resistance|Meter shows .*)$/ });

/** One line, no mouse: light, Enter, figure, Enter. */
export async function addReading(page: Page, light: string, figure: string): Promise<void> {
  await field(page, 'Light').fill(light);
  await field(page, 'Light').press('Enter');
  await shown(page).fill(figure);
  await shown(page).press('Enter');
  await expect(shown(page)).toHaveValue('');
}

/** Takes an option of a drop-down list; again where the list was still opening and the click was lost. */
export async function pick(page: Page, box: Locator, option: string | RegExp): Promise<void> {
  const list = page.locator('.ant-select-dropdown:visible');
  await expect(async () => {
    if ((await box.getAttribute('aria-expanded')) !== 'true') await box.click();
    await list.getByTitle(option, { exact: true }).click({ timeout: 5000 });
    // A choice may also close what the list stands in.
    if ((await box.count()) > 0)
      await expect(box).toHaveAttribute('aria-expanded', 'false', { timeout: 3000 });
  }).toPass();
}

/** The same of the list with a label. */
export const choose = (page: Page, label: string, option: string | RegExp) =>
  pick(page, page.getByRole('combobox', { name: label, exact: true }), option);

export const chooseMeter = (page: Page, name: string) => choose(page, 'Meter', name);

export const AUTO_METER = '6000 counts, auto range';

/** What is said beside a field; not what tells the name of a page. */
export const said = (page: Page) => page.locator('[role=alert]:not(#__next-route-announcer__)');

/** Goes to another way of measuring. */
export async function measureBy(page: Page, name: string): Promise<void> {
  await page.getByRole('radiogroup', { name: 'Ways of measuring' }).getByText(name, { exact: true }).click();
}

/** Every fact of a panel by its name: `R10, at 10 lx` → `3.04 kΩ ± 34 Ω`. */
export const fact = (page: Page, name: string) => page.locator(`[data-fact="${name}"]`);

export const advice = (page: Page) => page.getByRole('region', { name: 'Advice' });

export const saved = (page: Page) => expect(page.getByText('saved in this browser')).toBeVisible();

/** Every figure of the chain, step by step. */
export async function chainFigures(page: Page): Promise<string[]> {
  const figures: string[] = [];
  for (const step of [1, 2, 3, 4]) figures.push(await textOf(link(page, step)));
  return figures;
}
