import type { Page } from '@playwright/test';
import { sampleNamed } from '../src/core/project/testSamples';
import { shareFragment } from '../src/store/share';
import { expect, measureBy, newProject, openSample, SAMPLES } from './helpers';

/** A view of the app, and how one comes to it from a fresh page. */
export interface View {
  readonly name: string;
  readonly open: (page: Page) => Promise<void>;
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
  await expect(page.getByRole('button', { name })).toBeVisible({ timeout: 60_000 });
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
  { name: 'measure by hand', open: step('Platform lamps', 1) },
  { name: 'measure by ladder', open: measuring('Ladder', 'Start the ladder') },
  { name: 'measure live', open: measuring('Live', 'Connect') },
  { name: 'measure a log', open: measuring('Time log', 'Connect', 'Start recording') },
  { name: 'measure: saved', open: measuring('Saved LDRs', 'Save this LDR') },
  { name: 'divide', open: step('Platform lamps', 2) },
  { name: 'switch: transistor', open: step('Canoe rack marker that stays dim', 3) },
  { name: 'switch: comparator', open: step('Seedling shelf', 3) },
  { name: 'switch: ladder', open: step('Drying rack meter', 3) },
  { name: 'switch: window', open: step('Moss terrarium guide', 3) },
  { name: 'switch: timer', open: step('Cold frame fan', 3) },
  { name: 'switch: controller', open: step('Birdhouse logger', 3) },
  { name: 'switch: change', open: step('Marble gate', 3) },
  { name: 'drive: relay', open: step('Hedgehog hut lamp', 4) },
  { name: 'drive: LED', open: step('Larder telltale', 4) },
  { name: 'try live', open: way('Seedling shelf', 5, TRYING, 'Live') },
  { name: 'try a day', open: way('Seedling shelf', 5, TRYING, 'A day', run('Run the day')) },
  { name: 'try builds', open: way('Seedling shelf', 5, TRYING, 'Builds', run('Build them')) },
  { name: 'try: predict', open: way('Seedling shelf', 5, TRYING, 'Predict') },
  { name: 'build: parts', open: way('Seedling shelf', 6, BUILDING, 'Parts') },
  { name: 'build: board', open: way('Seedling shelf', 6, BUILDING, 'Board', seen('The board is the circuit')) },
  {
    name: 'build: wiring',
    open: way('Seedling shelf', 6, BUILDING, 'Wiring', async (page) =>
      expect(page.getByRole('button', { name: /^Done, next/ })).toBeVisible(),
    ),
  },
  {
    name: 'build: sheet',
    open: way('Seedling shelf', 6, BUILDING, 'Sheet', async (page) =>
      expect(page.getByRole('button', { name: 'Save as PDF' })).toBeEnabled(),
    ),
  },
  { name: 'build: program', open: way('Birdhouse logger', 6, BUILDING, 'Program') },
  { name: 'check: points', open: way('Drying rack meter', 7, CHECKING, 'Test points', seen('Load last')) },
  { name: 'check: faults', open: way('Drying rack meter', 7, CHECKING, 'Faults', seen('Not sure yet.')) },
  {
    name: 'check: practice',
    open: way('Drying rack meter', 7, CHECKING, 'Practice', async (page) => {
      await page.getByRole('button', { name: 'Hide a fault' }).click();
      await expect(page.getByRole('button', { name: 'Show it' })).toBeVisible();
    }),
  },
  { name: 'check: logbook', open: way('Drying rack meter', 7, CHECKING, 'Logbook') },
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
      await page.getByRole('button', { name: /Compare/ }).first().click();
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

