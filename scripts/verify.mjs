// npm run verify: every promise that is tested over random cases, with all of its cases; prints each promise's figure beside its goal.
// It takes hours: npm run verify core/advise does so for that room alone, and npm run verify browser for what asks a browser; figures
// of what was verified before are kept then.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, checkNode, ensureChromium, ensurePackages, root, wholeFirst } from './prepare.mjs';
import { startServer } from './serve.mjs';

checkNode();
ensurePackages(true);
const chromium = ensureChromium(wholeFirst);

const folder = join(root, 'test-results');
mkdirSync(folder, { recursive: true });
const figures = join(folder, 'verify.jsonl');
const asked = process.argv.slice(2);
const isWhole = asked.length === 0;
const rooms = isWhole ? ['src'] : asked.filter((room) => room !== 'browser');
if (isWhole) rmSync(figures, { force: true });

const done = { status: 0 };
// With the rules that ask the types everywhere, and the compiler about each component.
const lint = isWhole
  ? spawnSync(bin('eslint'), ['.', '--max-warnings=0'], { cwd: root, stdio: 'inherit' })
  : done;

const units =
  rooms.length > 0
    ? spawnSync(bin('vitest'), ['run', ...rooms], {
        cwd: root,
        stdio: 'inherit',
        env: { ...process.env, VERIFY_FILE: figures },
      })
    : done;

// What only a real browser shows: two tabs on one project, kills in the middle of everything, and each view in both looks.
const own = {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, VERIFY_FILE: figures, VERIFY_ROUNDS: '50', YEMKO_WHOLE: '1' },
};
const [kills, end] = isWhole || asked.includes('browser') ? await inBrowser() : [done, done];
const status = lint.status || units.status || kills.status || end.status;

async function inBrowser() {
  const server = await startServer();
  const killed = spawnSync(bin('tsx'), ['verify/kills.ts', server.address, chromium, '100', figures], own);
  server.stop();
  return [killed, spawnSync(bin('playwright'), ['test'], own)];
}

const told = existsSync(figures)
  ? readFileSync(figures, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
  : [];
// Of what was asked twice the last figure holds.
const rows = [...new Map(told.map((row) => [row.promise, row])).values()];
const wide = Math.max(7, ...rows.map(({ promise }) => promise.length));
const lines = rows
  .sort((one, other) => one.promise.localeCompare(other.promise))
  .map(
    ({ promise, figure, goal }) => `${promise.padEnd(wide)}  ${String(figure).padStart(10)}  goal ${goal}`,
  );
writeFileSync(join(folder, 'verify.txt'), `${lines.join('\n')}\n`);
const held = isWhole ? 'Every promise holds.' : 'What was asked holds.';
console.log(`\n${lines.join('\n')}\n\n${status === 0 ? held : 'A promise does not hold.'}`);
process.exit(status ?? 1);
