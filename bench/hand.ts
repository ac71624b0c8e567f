import type { Browser, Page } from '@playwright/test';
import { quantile, type Figure } from './figure';

const READINGS = 500;
/** A table of 500 readings of a made-up LDR over four decades, with some scatter. */
const table = Array.from({ length: READINGS }, (_, index) => {
  const lux = 0.5 * 10 ** (index / 120);
  return `${lux.toFixed(3)};${Math.round(50_000 * (lux / 10) ** -0.7 * (1 + 0.02 * Math.sin(7 * index)))}`;
});

// As text: what compiles this file would put names of its own into a function.
const WATCH = `
  window.events = [];
  window.largest = 0;
  new PerformanceObserver((list) => {
    for (const { interactionId, duration } of list.getEntries()) if (interactionId) window.events.push([interactionId, duration]);
  }).observe({ type: 'event', durationThreshold: 16, buffered: true });
  new PerformanceObserver((list) => {
    for (const { startTime } of list.getEntries()) window.largest = Math.max(window.largest, startTime);
  }).observe({ type: 'largest-contentful-paint', buffered: true });
  localStorage.setItem('yemko-tour', '{"stop":0,"isDone":true}');
`;

/** What a hand feels: when the first view is there, and how soon the page is painted after each key and click. */
export async function handFigures(browser: Browser, address: string): Promise<Figure[]> {
  return [await firstPaint(browser, address), await nextPaint(browser, address)];
}

/** Largest Contentful Paint of the first view, each time in a browser that has never been there. */
async function firstPaint(browser: Browser, address: string): Promise<Figure> {
  const times: number[] = [];
  for (let round = 0; round < 5; round++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(WATCH);
    await page.goto(address);
    await page.getByText('Platform lamps').waitFor();
    await page.waitForTimeout(1500);
    times.push(await page.evaluate<number>('window.largest'));
    await page.close();
  }
  const [median, p95] = [quantile(times, 0.5), quantile(times, 0.95)];
  return { name: 'Largest Contentful Paint', unit: 'ms', median, p95, goal: 'under 1500', ok: median < 1500 };
}

/** From a key or click to the next paint, on a project with 500 readings. What is under 16 ms is not told by the browser. */
async function nextPaint(browser: Browser, address: string): Promise<Figure> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(WATCH);
  await page.goto(address);
  await page.getByRole('button', { name: 'plus New project' }).click();
  await page.getByTestId('csv-readings').setInputFiles({
    name: 'readings.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`lx;ohm\n${table.join('\n')}\n`),
  });
  await page.getByRole('button', { name: 'Read the file' }).click();
  await page.getByRole('button', { name: `Take ${READINGS}` }).click();
  await page.getByText(`${READINGS} readings`).first().waitFor();
  await page.waitForTimeout(3000);
  await page.evaluate('window.events.length = 0');
  let acts = 0;
  const act = async (work: () => Promise<unknown>) => {
    await work();
    acts += 1;
    await page.waitForTimeout(400);
  };
  const type = async (text: string) => {
    for (const sign of text) await act(() => page.keyboard.type(sign));
    await act(() => page.keyboard.press('Enter'));
  };
  const step = (number: number) => act(() => stepOf(page, number).click());
  for (let times = 0; times < 15; times++) await act(() => page.keyboard.press('ArrowRight'));
  for (const number of [2, 3, 4, 5, 6, 7, 1, 2]) await step(number);
  await act(() => page.getByRole('textbox', { name: 'R1 in use' }).click());
  await type('12k');
  await act(() => page.keyboard.press('Control+k'));
  for (const sign of 'supply') await act(() => page.keyboard.type(sign));
  await act(() => page.keyboard.press('Escape'));
  await step(1);
  await act(() => page.getByRole('textbox', { name: 'Light', exact: true }).click());
  await type('55');
  await type('9k1');
  await page.waitForTimeout(1000);
  const events = await page.evaluate<[id: number, duration: number][]>('window.events');
  const slowest = new Map<number, number>();
  for (const [id, duration] of events) slowest.set(id, Math.max(slowest.get(id) ?? 0, duration));
  await page.close();
  const unseen = new Array<number>(Math.max(0, acts - slowest.size)).fill(16);
  const times = [...slowest.values(), ...unseen];
  const [median, p95] = [quantile(times, 0.5), quantile(times, 0.95)];
  return {
    name: 'next paint after a key or click, 500 readings',
    unit: 'ms',
    median,
    p95,
    goal: '95 % under 100',
    ok: p95 < 100,
  };
}

const stepOf = (page: Page, number: number) =>
  page
    .getByRole('navigation', { name: 'Signal chain' })
    .getByRole('button')
    .nth(number - 1);
