import { advice, chain, expect, link, openSample, test, textOf, withoutTour } from './helpers';

const stops = [
  'What it is for',
  'The way of the signal',
  'One light axis',
  'The circuit',
  'What to set',
  'Help, whenever',
];

test(
  'five ways in: each picture makes a whole project that does what it says',
  { tag: '@whole' },
  async ({ page }) => {
    const starts = [
      ['On when it gets dark', /in the dark, below 20\slx and off again/],
      ['On when light comes in', /in the light, above 60\slx/],
      ['When something crosses a beam', /buzzer/],
      ['Show how bright it is', /ladder/],
      ['From my own readings', /in the dark/],
    ] as const;
    await withoutTour(page);
    for (const [name, says] of starts) {
      await page.goto('/');
      await page.getByRole('button', { name }).click();
      await expect(chain(page)).toBeVisible();
      await expect(page.getByRole('region', { name: 'The design in one sentence' })).toContainText(says);
      expect(await textOf(chain(page))).not.toContain('cannot work');
    }
  },
);

test(
  'the tour has six stops, is left in the middle and taken up again there',
  { tag: '@whole' },
  async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'On when it gets dark' }).click();
    const stop = (index: number) => page.locator('.ant-tour').filter({ hasText: stops[index] ?? '' });
    await expect(stop(0)).toBeVisible();
    await page.getByRole('button', { name: 'Next', exact: true }).click();
    await expect(stop(1)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(stop(1)).toBeHidden();
    await page.getByRole('button', { name: 'Keys' }).click();
    await page.getByRole('button', { name: 'Tour of six stops' }).click();
    for (let index = 1; index < stops.length; index++) {
      await expect(stop(index)).toBeVisible();
      await page
        .getByRole('button', { name: index === stops.length - 1 ? 'Done' : 'Next', exact: true })
        .click();
    }
    await expect(page.locator('.ant-tour')).toBeHidden();
    await page.reload();
    await expect(chain(page)).toBeVisible();
    await expect(page.locator('.ant-tour')).toBeHidden();
  },
);

test('from the first page to a relay on 12 V that switches at 20 and back at 60 lx, in fewer than 25 actions', async ({
  page,
}) => {
  await withoutTour(page);
  await page.goto('/');
  let actions = 0;
  const act = async (done: Promise<unknown>) => {
    actions += 1;
    await done;
  };
  const sentence = page.getByRole('region', { name: 'The design in one sentence' });
  const dialog = page.locator('.ant-popover:not(.ant-popover-hidden)');
  await act(page.getByRole('button', { name: 'On when it gets dark' }).click());
  await act(sentence.getByRole('button', { name: '5 V' }).click());
  await act(dialog.getByRole('textbox').fill('12'));
  await act(page.keyboard.press('Enter'));
  await act(page.keyboard.press('Escape'));
  await act(sentence.getByRole('button', { name: /LED/ }).click());
  await act(dialog.getByRole('combobox').click());
  await act(page.getByTitle('relay', { exact: true }).click());
  await act(page.keyboard.press('Escape'));
  // What cannot work yet has a button that leads out of it.
  while ((await textOf(chain(page))).includes('cannot work') && actions < 25) {
    await act(advice(page).getByRole('button').first().click());
    await page.waitForTimeout(500);
  }
  await act(sentence.getByRole('button', { name: /in the dark/ }).click());
  await act(dialog.getByLabel('Off again above').fill('60'));
  await act(page.keyboard.press('Enter'));
  await act(dialog.getByRole('button', { name: 'Find parts for both lights' }).click());
  await act(page.keyboard.press('Escape'));
  expect(actions).toBeLessThan(25);
  await expect(sentence).toContainText(/off again above 60\slx/);
  await expect(sentence).toContainText('relay');
  const figure = await textOf(link(page, 3));
  expect(figure).toMatch(/(19|20|21)(\.\d)? lx/);
  expect(figure).toMatch(/off at (5\d|6\d)(\.\d)? lx/);
  expect(await textOf(chain(page))).not.toContain('cannot work');
});

test('the palette finds steps, actions and fields, here and elsewhere, by keys alone', async ({ page }) => {
  await openSample(page, 'Seedling shelf', 2);
  const find = async (words: string) => {
    await page.keyboard.press('Control+k');
    const field = page.getByRole('combobox', { name: 'Find an action or a field' });
    await expect(field).toBeFocused();
    await field.fill(words);
    await page.keyboard.press('Enter');
  };
  await find('step 4');
  await expect(link(page, 4)).toHaveAttribute('aria-current', 'step');
  await find('logbook');
  await expect(page.getByText('Nothing is written down yet.', { exact: false })).toBeVisible();
  await find('project name');
  await expect(page.getByRole('textbox', { name: 'Project name' })).toBeFocused();
  await find('dark bench');
  await expect(page.locator('html')).toHaveAttribute('data-look', 'dark-bench');
  await find('words');
  await page.getByRole('textbox', { name: 'Search the words' }).fill('hysteresis');
  await expect(page.getByRole('dialog')).toContainText('Turning off at another light than on.');
  await page.keyboard.press('Escape');
  await find('explain');
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(8);
});

test('a term is explained where it stands; the page says what it is, and what changes', async ({ page }) => {
  await openSample(page, 'Hedgehog hut lamp', 4);
  await expect(page).toHaveTitle(/Hedgehog hut lamp · Drive the load · Yemko/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Hedgehog hut lamp');
  await page.getByRole('button', { name: 'Pull-in', exact: true }).first().click();
  await expect(
    page.getByText('The coil voltage from which a relay switches', { exact: false }),
  ).toBeVisible();
  const spoken = page.getByRole('region', { name: 'The design in one sentence' }).getByRole('status');
  await expect(spoken).toContainText('switches at');
});

test(
  'what opens beside a word takes the keys in, gives them back, and shuts when they go on',
  { tag: '@whole' },
  async ({ page }) => {
    await openSample(page, 'Seedling shelf', 2);
    const word = page.getByRole('button', { name: '12 V', exact: true });
    const popped = page.getByRole('dialog', { name: /supply/i });
    for (const press of ['Enter', 'Space']) {
      await word.focus();
      await page.keyboard.press(press);
      await expect(popped.getByRole('textbox')).toBeFocused();
      await page.keyboard.press('Escape');
      await expect(popped).toBeHidden();
      await expect(word).toBeFocused();
    }
    await page.keyboard.press('Enter');
    await expect(popped.getByRole('textbox')).toBeFocused();
    await chain(page).getByRole('button').first().focus();
    await expect(popped).toBeHidden();
    // By a pointer nothing is focused in it: no keyboard comes up on a phone.
    await word.click();
    await expect(popped).toBeVisible();
    await expect(popped.getByRole('textbox')).not.toBeFocused();
  },
);

test('on a phone a swipe over the light axis scrolls, and a drag sideways moves the probe', async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({
    ...{ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, serviceWorkers: 'block' },
    baseURL: baseURL ?? '',
  });
  const page = await context.newPage();
  await openSample(page, 'Platform lamps', 2);
  const ruler = page.getByTestId('strip-grab');
  await ruler.scrollIntoViewIfNeeded();
  const probe = page.getByRole('slider', { name: /^Probe/ });
  const before = await probe.getAttribute('aria-valuetext');
  const box = await ruler.boundingBox();
  if (!box) throw new Error('no axis');
  const session = await context.newCDPSession(page);
  const touch = async (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  const [x, y] = [box.x + box.width / 2, Math.min(700, box.y + box.height / 2)];
  const top = await page.evaluate(() => window.scrollY);
  await touch('touchStart', x, y);
  for (let step = 1; step <= 10; step++) await touch('touchMove', x, y - 20 * step);
  await touch('touchEnd', x, y - 200);
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBeGreaterThan(top + 60);
  expect(await probe.getAttribute('aria-valuetext')).toBe(before);
  const again = await ruler.boundingBox();
  if (!again) throw new Error('no axis');
  const row = Math.max(120, Math.min(700, again.y + 60));
  await touch('touchStart', x, row);
  for (let step = 1; step <= 8; step++) await touch('touchMove', x + 10 * step, row);
  await touch('touchEnd', x + 80, row);
  await expect.poll(() => probe.getAttribute('aria-valuetext')).not.toBe(before);
  await context.close();
});
