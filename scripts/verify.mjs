// npm run verify: every promise that is tested over random cases, with all of its cases; prints each promise's figure beside its goal.
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
rmSync(figures, { force: true });

// With the rules that ask the types everywhere, and the compiler about each component.
const lint = spawnSync(bin('eslint'), ['.', '--max-warnings=0'], { cwd: root, stdio: 'inherit' });

const units = spawnSync(bin('vitest'), ['run', 'src'], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, VERIFY_FILE: figures },
});

// What only a real browser shows: two tabs on one project, kills in the middle of everything, and each view in both looks.
const own = {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, VERIFY_FILE: figures, VERIFY_ROUNDS: '50', YEMKO_WHOLE: '1' },
};
const server = await startServer();
const kills = spawnSync(bin('tsx'), ['verify/kills.ts', server.address, chromium, '100', figures], own);
server.stop();
const end = spawnSync(bin('playwright'), ['test'], own);
const status = lint.status || units.status || kills.status || end.status;

const rows = existsSync(figures)
  ? readFileSync(figures, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
  : [];
const wide = Math.max(7, ...rows.map(({ promise }) => promise.length));
const lines = rows
  .sort((one, other) => one.promise.localeCompare(other.promise))
  .map(
    ({ promise, figure, goal }) => `${promise.padEnd(wide)}  ${String(figure).padStart(10)}  goal ${goal}`,
  );
writeFileSync(join(folder, 'verify.txt'), `${lines.join('\n')}\n`);
console.log(`\n${lines.join('\n')}\n\n${status === 0 ? 'Every promise holds.' : 'A promise does not hold.'}`);
process.exit(status ?? 1);
