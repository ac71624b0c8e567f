import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.YEMKO_TEST_PORT ?? 3210);
// The same as scripts/prepare.mjs finds, where the tests are run without it.
const chromium = process.env.CHROMIUM ?? ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path)); // prettier-ignore

export default defineConfig({
  testDir: 'e2e',
  // What takes long, or has its like among the others, is asked by `npm run verify` alone.
  ...(process.env.YEMKO_WHOLE === undefined ? { grepInvert: /@whole/ } : {}),
  fullyParallel: true,
  // A third of a test is waiting: three keep two cores at work.
  workers: 3,
  // No test is timed: a busy machine may take several times as long.
  timeout: 1_200_000,
  expect: { timeout: 300_000 },
  reporter: process.env.YEMKO_TEST_REPORT
    ? [['line'], ['json', { outputFile: process.env.YEMKO_TEST_REPORT }]]
    : [['line']],
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    browserName: 'chromium',
    acceptDownloads: true,
    trace: 'off',
    // Tests see every request themselves; what works without the server has a test of its own.
    serviceWorkers: 'block',
    // Nothing waits for a fade to end; the look of fades is no test's matter.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `node scripts/server.mjs -p ${port}`,
    url: `http://localhost:${port}`,
    reuseExistingServer: false,
    env: { NEXT_TELEMETRY_DISABLED: '1' },
  },
});
