import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { sampleProjects } from '../src/core/project/samples';

/** So many projects a new browser begins with. */
export const SAMPLES = sampleProjects.length;

const steps = ['measure', 'divide', 'switch', 'drive', 'try', 'build', 'check'];

/**
 * A test whose page must stay clean: no request to another host, no error on the console.
 * A test may allow messages of its own with `quiet`.
 */
export const test = base.extend<{ quiet: RegExp[] }>({
  quiet: [async ({}, run) => run([]), { option: true }],
  page: async ({ page, quiet, baseURL }, run) => {
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
    expect(trouble).toEqual([]);
  },
});
export { expect };

/** Figures without the no-break spaces they are set with. */
export async function textOf(locator: Locator): Promise<string> {
  return (await locator.innerText()).replaceAll('\u00a0', ' ').replaceAll(/\s+/g, ' ').trim();
}

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
    await list.getByTitle(option, { exact: true }).click({ timeout: 2000 });
    // A choice may also close what the list stands in.
    if ((await box.count()) > 0)
      await expect(box).toHaveAttribute('aria-expanded', 'false', { timeout: 1000 });
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
