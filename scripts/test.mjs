// npm test: formatting, lint and types, unit tests, production build, end-to-end tests; ends with "N passed, N failed".
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  bin,
  checkNode,
  chromiumOnTheWay,
  ensureChromium,
  ensurePackages,
  freePort,
  root,
} from './prepare.mjs';

checkNode();
const browserThere = chromiumOnTheWay();
ensurePackages();
// Mostly there by now: whoever has none hears of it before anything is tested.
await browserThere;
const browser = ensureChromium();

const reports = mkdtempSync(join(tmpdir(), 'yemko-test-'));
const unitReport = join(reports, 'unit.json');
const endReport = join(reports, 'end.json');
const next = join(root, 'node_modules/next/dist/bin/next');

/** Runs one check to its end; its output is shown whole when it is done, so that checks side by side do not mix. */
function check(name, command, args, env = {}) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    let output = '';
    child.stdout.on('data', (chunk) => (output += chunk));
    child.stderr.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => (output += error.message));
    child.on('close', (code) => {
      const seconds = ((Date.now() - started) / 1000).toFixed(0);
      console.log(`\n── ${name}: ${code === 0 ? 'passed' : 'FAILED'} (${seconds} s)`);
      if (code !== 0) console.log(output.trimEnd());
      resolve({ name, ok: code === 0 });
    });
  });
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
/** The tests of a runner as counts; a runner that left no report counts as one failure. */
function counted(step, counts) {
  if (!counts) return { passed: 0, failed: 1 };
  return { passed: counts.passed, failed: Math.max(counts.failed, step.ok ? 0 : 1) };
}

// Two rows side by side, for two cores: tests in the browser wait a great deal, and the other row works meanwhile.
const browserRow = async () => {
  const styles = await check('styles', bin('tsx'), ['scripts/antdCss.ts']);
  const build = await check('production build', process.execPath, [next, 'build']);
  const port = await freePort(3210);
  const end = await check('end-to-end tests', bin('playwright'), ['test'], {
    YEMKO_TEST_PORT: String(port),
    CHROMIUM: browser,
    YEMKO_TEST_REPORT: endReport,
  });
  return { built: [styles, build], end };
};
const sourceRow = async () => {
  const formatting = await check('formatting', bin('oxfmt'), ['--check']);
  // In a fraction of the time of `npm run lint`, which asks a few rules more (eslint.config.mjs) and compiles each component
  // besides, and of TypeScript's own check: sources are read once for both.
  const lint = await check('lint and types', bin('oxlint'), [
    '--type-aware',
    '--type-check',
    '--max-warnings=0',
  ]);
  const unit = await check('unit tests', bin('vitest'), [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${unitReport}`,
  ]);
  return { quick: [formatting, lint], unit };
};
const [{ built, end }, { quick, unit }] = await Promise.all([browserRow(), sourceRow()]);

const unitCounts = read(unitReport);
const endCounts = read(endReport);
const parts = [
  ...[...quick, ...built].map(({ ok }) => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 })),
  counted(unit, unitCounts && { passed: unitCounts.numPassedTests, failed: unitCounts.numFailedTests }),
  counted(
    end,
    endCounts && {
      passed: endCounts.stats.expected,
      failed: endCounts.stats.unexpected + endCounts.stats.flaky,
    },
  ),
];
rmSync(reports, { recursive: true, force: true });
const passed = parts.reduce((total, part) => total + part.passed, 0);
const failed = parts.reduce((total, part) => total + part.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
