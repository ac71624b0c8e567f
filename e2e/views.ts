import type { Page } from '@playwright/test';
import type { Step } from '../src/core/advise/advice';
import { sampleNamed } from '../src/core/project/testSamples';
import { shareFragment } from '../src/store/share';
import { expect, measureBy, newProject, openSample, SAMPLES } from './helpers';

/** A view of the app, and how one comes to it from a fresh page. */
export interface View {
  readonly name: string;
  readonly open: (page: Page) => Promise<void>;
  /** Where it is within a project: the step, and the way within that. */
  readonly at?: { readonly step: Step; readonly way?: string };
}

const step =
  (sample: string, number: number) =>
  (page: Page): Promise<void> =>
    openSample(page, sample, number);

/** A way within a step: by its name in that step's row of ways. */
const way =
  (sample: string, number: number, row: string, name: string, ready?: (page: Page) => Promise<void>) =>
  async (page: Page): Promise<void> => {
    await openSample(page, sample, number);
    await page.getByRole('radiogroup', { name: row }).getByText(name, { exact: true }).click();
    await ready?.(page);
  };

const measuring =
  (name: string, ...buttons: readonly string[]) =>
  async (page: Page): Promise<void> => {
    await openSample(page, 'Platform lamps', 1);
    await measureBy(page, name);
    for (const button of buttons) await page.getByRole('button', { name: button, exact: true }).click();
  };

const seen = (text: string) => async (page: Page) => expect(page.getByText(text).first()).toBeVisible();
const run = (name: string) => async (page: Page) => {
  await page.getByRole('button', { name }).click();
  await expect(page.getByRole('button', { name })).toBeVisible();
};

const TRYING = 'What to try';
const BUILDING = 'What to build by';
const CHECKING = 'What to check by';

/** Every main view, each step's ways and the ways of switching among them. */
export const views: readonly View[] = [
  {
    name: 'projects',
    open: async (page) => {
      await page.goto('/');
      await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
    },
  },
  {
    name: 'storage',
    open: async (page) => {
      await page.goto('/storage');
      await expect(page.getByText('Undo history')).toBeVisible();
    },
  },
  {
    name: 'share',
    open: async (page) => {
      const shared = shareFragment(sampleNamed('Seedling shelf'));
      await page.goto(`/share#${shared.ok ? shared.fragment : ''}`);
      await expect(page.getByRole('heading', { name: 'Seedling shelf' })).toBeVisible();
    },
  },
  {
    name: 'new project',
    open: async (page) => {
      await newProject(page);
    },
  },
  { name: 'measure by hand', at: { step: 'measure', way: 'By hand' }, open: step('Platform lamps', 1) },
  {
    name: 'measure by ladder',
    at: { step: 'measure', way: 'Ladder' },
    open: measuring('Ladder', 'Start the ladder'),
  },
  { name: 'measure live', at: { step: 'measure', way: 'Live' }, open: measuring('Live', 'Connect') },
  {
    name: 'measure a log',
    at: { step: 'measure', way: 'Time log' },
    open: async (page) => {
      await measuring('Time log', 'Connect', 'Start recording')(page);
      await expect(page.getByLabel('Name of the log')).toBeVisible();
    },
  },
  {
    name: 'measure: saved',
    at: { step: 'measure', way: 'Saved LDRs' },
    open: measuring('Saved LDRs', 'Save this LDR'),
  },
  { name: 'divide', at: { step: 'divide' }, open: step('Platform lamps', 2) },
  { name: 'switch: transistor', at: { step: 'switch' }, open: step('Canoe rack marker that stays dim', 3) },
  { name: 'switch: comparator', at: { step: 'switch' }, open: step('Seedling shelf', 3) },
  { name: 'switch: ladder', at: { step: 'switch' }, open: step('Drying rack meter', 3) },
  { name: 'switch: window', at: { step: 'switch' }, open: step('Moss terrarium guide', 3) },
  { name: 'switch: timer', at: { step: 'switch' }, open: step('Cold frame fan', 3) },
  { name: 'switch: controller', at: { step: 'switch' }, open: step('Birdhouse logger', 3) },
  { name: 'switch: change', at: { step: 'switch' }, open: step('Marble gate', 3) },
  { name: 'drive: relay', at: { step: 'drive' }, open: step('Hedgehog hut lamp', 4) },
  { name: 'drive: LED', at: { step: 'drive' }, open: step('Larder telltale', 4) },
  { name: 'try live', at: { step: 'try', way: 'Live' }, open: way('Seedling shelf', 5, TRYING, 'Live') },
  {
    name: 'try a day',
    at: { step: 'try', way: 'A day' },
    open: way('Seedling shelf', 5, TRYING, 'A day', run('Run the day')),
  },
  {
    name: 'try builds',
    at: { step: 'try', way: 'Builds' },
    open: way('Seedling shelf', 5, TRYING, 'Builds', run('Build them')),
  },
  {
    name: 'try: predict',
    at: { step: 'try', way: 'Predict' },
    open: way('Seedling shelf', 5, TRYING, 'Predict'),
  },
  {
    name: 'build: parts',
    at: { step: 'build', way: 'Parts' },
    open: way('Seedling shelf', 6, BUILDING, 'Parts'),
  },
  {
    name: 'build: board',
    at: { step: 'build', way: 'Board' },
    open: way('Seedling shelf', 6, BUILDING, 'Board', seen('The board is the circuit')),
  },
  {
    name: 'build: wiring',
    at: { step: 'build', way: 'Wiring' },
    open: way('Seedling shelf', 6, BUILDING, 'Wiring', async (page) =>
      expect(page.getByRole('button', { name: /^Done, next/ })).toBeVisible(),
    ),
  },
  {
    name: 'build: sheet',
    at: { step: 'build', way: 'Sheet' },
    open: way('Seedling shelf', 6, BUILDING, 'Sheet', async (page) =>
      expect(page.getByRole('button', { name: 'Save as PDF' })).toBeEnabled(),
    ),
  },
  {
    name: 'build: program',
    at: { step: 'build', way: 'Program' },
    open: way('Birdhouse logger', 6, BUILDING, 'Program'),
  },
  {
    name: 'check: points',
    at: { step: 'check', way: 'Test points' },
    open: way('Drying rack meter', 7, CHECKING, 'Test points', seen('Load last')),
  },
  {
    name: 'check: faults',
    at: { step: 'check', way: 'Faults' },
    open: way('Drying rack meter', 7, CHECKING, 'Faults', seen('Not sure yet.')),
  },
  {
    name: 'check: practice',
    at: { step: 'check', way: 'Practice' },
    open: way('Drying rack meter', 7, CHECKING, 'Practice', async (page) => {
      await page.getByRole('button', { name: 'Hide a fault' }).click();
      await expect(page.getByRole('button', { name: 'Show it' })).toBeVisible();
    }),
  },
  {
    name: 'check: logbook',
    at: { step: 'check', way: 'Logbook' },
    open: way('Drying rack meter', 7, CHECKING, 'Logbook'),
  },
  {
    name: 'help: words',
    open: async (page) => {
      await openSample(page, 'Seedling shelf', 2);
      await page.keyboard.press('?');
      await page.getByRole('tab', { name: 'Words' }).click();
      await expect(page.getByRole('textbox', { name: 'Search the words' })).toBeVisible();
    },
  },
  {
    name: 'settings',
    open: async (page) => {
      await openSample(page, 'Seedling shelf', 2);
      await page.getByRole('button', { name: 'Settings' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'palette',
    open: async (page) => {
      await openSample(page, 'Seedling shelf', 2);
      await page.keyboard.press('Control+k');
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'comparison',
    open: async (page) => {
      await openSample(page, 'Seedling shelf', 3);
      await page
        .getByRole('button', { name: /Compare/ })
        .first()
        .click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'the tour',
    open: async (page) => {
      await page.goto('/');
      await page.getByRole('button', { name: 'On when it gets dark' }).click();
      await expect(page.locator('.ant-tour')).toBeVisible();
    },
  },
];

/** Opens a view by its name, from any page. */
export async function openView(page: Page, name: string): Promise<void> {
  const view = views.find((each) => each.name === name);
  if (!view) throw new Error(`no view ${name}`);
  await view.open(page);
}
