import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';
import { addReading, field, goTo, link, measureBy, SAMPLES, type } from './helpers';

test.use({ serviceWorkers: 'allow' });

async function serve(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['scripts/server.mjs', '-p', String(port)], { stdio: 'ignore' });
  const answers = () =>
    fetch(`http://localhost:${port}/`).then(
      ({ ok }) => ok,
      () => false,
    );
  await expect.poll(answers).toBe(true);
  return server;
}

test('with the server stopped a whole job goes on: reload, a new project, readings, the bench, export', async ({
  browser,
}) => {
  const port = 3700 + Math.floor(Math.random() * 90);
  const server = await serve(port);
  const context = await browser.newContext({
    baseURL: `http://localhost:${port}`,
    acceptDownloads: true,
    reducedMotion: 'reduce',
  });
  try {
    const page = await context.newPage();
    await page.goto('/');
    await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    const ended = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGTERM');
    await ended;

    await page.reload();
    await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
    // A project that was never opened while the server was there.
    await page.goto('/project/sample-hedgehog-hut/drive');
    await expect(link(page, 4)).toHaveAttribute('aria-current', 'step');
    await page.goto('/');
    await page.getByRole('button', { name: 'plus New project' }).click();
    await expect(link(page, 1)).toHaveAttribute('aria-current', 'step');
    await type(page, 'Project name', 'Made without a server');
    for (const [light, ohms] of [
      ['5', '8k2'],
      ['50', '1k9'],
      ['500', '0.42'],
    ] as const)
      await addReading(page, light, ohms);
    await measureBy(page, 'Live');
    await page.getByRole('button', { name: 'Connect' }).click();
    await expect(page.getByText('this bench runs in the page')).toBeVisible();
    await expect(page.getByTestId('live-figure')).toContainText('Ω');
    await goTo(page, 2);
    await type(page, 'R1 in use', '4k7');
    await expect(link(page, 2)).toContainText('4.7');
    await page.reload();
    await expect(field(page, 'Project name')).toHaveValue('Made without a server');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export' }).click();
    expect((await download).suggestedFilename()).toBe('made-without-a-server.yemko.json');
  } finally {
    server.kill('SIGKILL');
    await context.close();
  }
});

/** The server as it is, until a newer build is put on it: then its offline script is another. */
async function updatable(target: string): Promise<{ server: Server; address: string; update: () => void }> {
  let isNewer = false;
  const server = createServer((request, response) => {
    void fetch(`${target}${request.url}`, { redirect: 'manual' }).then(async (answer) => {
      const body = Buffer.from(await answer.arrayBuffer());
      const isScript = request.url === '/offline/sw.js' && isNewer;
      const headers = Object.fromEntries(answer.headers);
      delete headers['content-encoding'];
      delete headers['content-length'];
      delete headers['transfer-encoding'];
      response.writeHead(answer.status, headers);
      response.end(isScript ? Buffer.concat([body, Buffer.from('\n// a newer build')]) : body);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, 'localhost', resolve));
  const address = `http://localhost:${(server.address() as AddressInfo).port}`;
  return { server, address, update: () => (isNewer = true) };
}

test('a newer build waits until the user takes it, and what was typed is there after it', async ({
  browser,
  baseURL,
}) => {
  const { server, address, update } = await updatable(baseURL ?? '');
  const context = await browser.newContext({ baseURL: address, reducedMotion: 'reduce' });
  try {
    const page = await context.newPage();
    await page.goto('/project/sample-platform-lamps/divide');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    update();
    await page.reload();
    const taking = page.getByRole('button', { name: 'Reload and take it' });
    await expect(taking).toBeVisible();
    await type(page, 'R1 in use', '8k2');
    await expect(page.getByText('saved in this browser')).toBeVisible();
    const isWaiting = () =>
      page.evaluate(async () => Boolean((await navigator.serviceWorker.getRegistration())?.waiting));
    expect(await isWaiting()).toBe(true);
    const loaded = page.waitForEvent('load');
    await taking.click();
    await loaded;
    await expect.poll(isWaiting).toBe(false);
    await expect(taking).toBeHidden();
    await expect(field(page, 'R1 in use')).toHaveValue('8.2 k');
  } finally {
    await context.close();
    server.close();
    server.closeAllConnections();
  }
});
