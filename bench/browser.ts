import { gzipSync } from 'node:zlib';
import type { CDPSession, Page } from '@playwright/test';
import { quantile, type Figure } from './figure';
import { handFigures } from './hand';
import { tryingMemory } from './memory';
import { storageFigures } from './storage';

const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Benchmarks in Chromium against the production server: work per frame, page weight, and how soon it is painted. */
export async function browserFigures(address: string, executablePath: string): Promise<Figure[]> {
  // Not before: what else is loaded slows down what is timed in the core's own processes.
  const { chromium } = await import('@playwright/test');
  const fresh = await chromium.launch({ executablePath, args });
  const memory = await tryingMemory(fresh, address).finally(() => fresh.close());
  const browser = await chromium.launch({ executablePath, args });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const weight = await firstViewWeight(page, address);
    await page.goto(`${address}/project/sample-platform-lamps/switch`);
    await page.getByTestId('strip-grab').waitFor();
    await page.waitForTimeout(1500);
    const drag = await dragWork(page);
    await page.goto(`${address}/project/sample-platform-lamps/divide`);
    const box = page.getByRole('spinbutton', { name: 'Decade box for R1' });
    await box.waitFor();
    await page.waitForTimeout(1500);
    await box.focus();
    return [
      drag,
      await heldWork(page),
      await liveWork(page, address),
      memory,
      weight,
      ...(await handFigures(browser, address)),
      ...(await csvIn(page, address)),
      ...(await storageFigures(browser, address)),
    ];
  } finally {
    await browser.close();
  }
}

/** JavaScript that the first view loads, gzipped here so that the server's settings do not matter. */
async function firstViewWeight(page: Page, address: string): Promise<Figure> {
  const sizes: Promise<number>[] = [];
  const seen = new Set<string>();
  page.on('response', (response) => {
    if (response.request().resourceType() !== 'script' || seen.has(response.url())) return;
    seen.add(response.url());
    sizes.push(
      response.body().then(
        (body) => gzipSync(body).length,
        () => 0,
      ),
    );
  });
  await page.goto(address);
  await page.getByText('Platform lamps').waitFor();
  await page.waitForLoadState('networkidle');
  const kilobytes = (await Promise.all(sizes)).reduce((total, size) => total + size, 0) / 1000;
  return {
    name: 'JavaScript of the first view, gzipped',
    unit: 'kB',
    median: kilobytes,
    p95: kilobytes,
    goal: 'under 450',
    ok: kilobytes < 450,
  };
}

/**
 * Main-thread task time of each frame while the probe is dragged across the whole axis and back, less what the same
 * measuring loop costs while the pointer rests.
 */
async function dragWork(page: Page): Promise<Figure> {
  const box = await page.getByTestId('strip-grab').boundingBox();
  if (!box) throw new Error('no axis');
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable', { timeDomain: 'threadTicks' });
  const y = box.y + box.height / 2;
  const frameWork = async (act: () => Promise<void>) => {
    const before = await taskMilliseconds(session);
    await act();
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    );
    return (await taskMilliseconds(session)) - before;
  };
  await page.mouse.move(box.x + 2, y);
  await page.mouse.down();
  const resting: number[] = [];
  for (let round = 0; round < 40; round++) resting.push(await frameWork(async () => undefined));
  const rest = quantile(resting, 0.5);
  const frames: number[] = [];
  const count = 120;
  for (let step = 0; step <= 2 * count; step++) {
    const share = step <= count ? step / count : 2 - step / count;
    const work = await frameWork(() => page.mouse.move(box.x + 2 + share * (box.width - 4), y));
    if (step > 10) frames.push(Math.max(0, work - rest));
  }
  await page.mouse.up();
  const p95 = quantile(frames, 0.95);
  return {
    name: 'main-thread work per frame, probe dragged',
    unit: 'ms',
    median: quantile(frames, 0.5),
    p95,
    goal: '95 % under 12',
    ok: p95 < 12,
  };
}

/** What of a trace event is read here; times in microseconds. */
interface TraceEvent {
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  readonly ts: number;
  readonly dur?: number;
  readonly tdur?: number;
  readonly args: { readonly name?: string };
}

/** Between the beginnings of two frames, in microseconds. */
const FRAME = 1e6 / 60;

/**
 * Main-thread work in each frame, from one beginning of a frame to the next, while an arrow key is held on the decade box, up
 * and down again; a held key repeats some thirty times a second, which is every second frame. Frames in which nothing was to
 * be done count too.
 */
async function heldWork(page: Page): Promise<Figure> {
  return workWhile(page, 'decade box held', 12, async () => {
    let due = performance.now();
    for (let step = 0; step < 120; step++) {
      const key = step % 24 < 12 ? 'ArrowUp' : 'ArrowDown';
      // A held key repeats without going up between, and does not wait for what it did.
      void page.keyboard.down(key);
      if (step % 12 === 11) void page.keyboard.up(key);
      due += (2 * FRAME) / 1000;
      await page.waitForTimeout(Math.max(0, due - performance.now()));
    }
  });
}

/** The live bench as it runs: a sunset in a minute on a relay with hysteresis, drawn whole. */
async function liveWork(page: Page, address: string): Promise<Figure> {
  await page.goto(`${address}/project/sample-seedling-shelf/try`);
  await page.getByRole('button', { name: /^Sunset in a minute/ }).click();
  await page.waitForTimeout(1500);
  return workWhile(page, 'live bench running', 6, () => page.waitForTimeout(6000));
}

/** Main-thread work in each frame while something is done. Frames in which nothing was to be done count too. */
async function workWhile(page: Page, what: string, goal: number, act: () => Promise<void>): Promise<Figure> {
  const session = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])));
  await session.send('Tracing.start', {
    traceConfig: {
      includedCategories: ['toplevel', 'disabled-by-default-devtools.timeline.frame'],
      excludedCategories: ['*'],
    },
  });
  await act();
  const ended = new Promise((done) => session.once('Tracing.tracingComplete', done));
  await session.send('Tracing.end');
  await ended;
  const frames = workByFrame(events);
  const p95 = quantile(frames, 0.95);
  return {
    name: `main-thread work per frame, ${what}`,
    unit: 'ms',
    median: quantile(frames, 0.5),
    p95,
    goal: `95 % under ${goal}`,
    ok: p95 < goal,
  };
}

/** The milliseconds that the page's main thread was at work in each frame of a trace. */
function workByFrame(events: readonly TraceEvent[]): number[] {
  const threads = new Map(
    events
      .filter(({ name }) => name === 'thread_name')
      .map((event) => [`${event.pid} ${event.tid}`, event.args.name]),
  );
  const on = (thread: string, name: string) =>
    events
      .filter((event) => event.name === name && threads.get(`${event.pid} ${event.tid}`) === thread)
      .sort((one, other) => one.ts - other.ts);
  const begins = on('Compositor', 'BeginFrame').map(({ ts }) => ts);
  const cuts: number[] = [];
  begins.forEach((begin, index) => {
    const next = begins[index + 1] ?? begin;
    for (let at = begin; at === begin || next - at > FRAME / 2; at += FRAME) cuts.push(at);
  });
  const work = new Array<number>(Math.max(0, cuts.length - 1)).fill(0);
  let frame = 0;
  for (const { ts, dur = 0, tdur = dur } of on('CrRendererMain', 'ThreadControllerImpl::RunTask')) {
    while (frame + 1 < cuts.length && (cuts[frame + 1] ?? 0) <= ts) frame++;
    if (ts >= (cuts[0] ?? 0) && frame < work.length) work[frame] = (work[frame] ?? 0) + tdur / 1000;
  }
  return work;
}

/** A CSV of 100 000 rows: how long the worker takes, and the longest that the page stands still meanwhile. */
async function csvIn(page: Page, address: string): Promise<Figure[]> {
  await page.goto(`${address}/project/sample-platform-lamps/measure/log`);
  await page.getByText('Logs of this project').waitFor();
  const rows = Array.from(
    { length: 100_000 },
    (_, index) => `${(index / 5).toFixed(1)},${4000 + (index % 997)}`,
  );
  const file = {
    name: 'bench.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`seconds,ohms\n${rows.join('\n')}\n`),
  };
  const [times, tasks]: number[][] = [[], []];
  for (let round = 0; round < 5; round++) {
    await page.getByTestId('csv-log').setInputFiles(file);
    const read = page.getByRole('button', { name: 'Read the file' });
    await read.and(page.locator(':enabled')).waitFor();
    await page.waitForTimeout(600);
    // As text: what compiles this file would put names of its own into a function.
    const { took, longest } = await page.evaluate<{ took: number; longest: number }>(`(async () => {
      let longest = 0;
      const observer = new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
      });
      observer.observe({ type: 'longtask' });
      const button = (start) => [...document.querySelectorAll('button')].find(({ textContent }) => textContent.startsWith(start));
      const started = performance.now();
      button('Read the file').click();
      while (!button('Take 100000')) await new Promise((resolve) => setTimeout(resolve, 5));
      const took = performance.now() - started;
      await new Promise((resolve) => setTimeout(resolve, 100));
      observer.disconnect();
      return { took, longest };
    })()`);
    times?.push(took);
    tasks?.push(longest);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  }
  const [time, task] = [quantile(times ?? [], 0.5), quantile(tasks ?? [], 0.5)];
  return [
    {
      name: 'CSV of 100 000 rows read',
      unit: 'ms',
      median: time,
      p95: quantile(times ?? [], 0.95),
      goal: 'under 1500',
      ok: time < 1500,
    },
    {
      name: 'longest main-thread task meanwhile',
      unit: 'ms',
      median: task,
      p95: quantile(tasks ?? [], 0.95),
      goal: 'none over 50',
      ok: task <= 50,
    },
  ];
}

async function taskMilliseconds(session: CDPSession): Promise<number> {
  const { metrics } = await session.send('Performance.getMetrics');
  return (metrics.find((metric) => metric.name === 'TaskDuration')?.value ?? 0) * 1000;
}
