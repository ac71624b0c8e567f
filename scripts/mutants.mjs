// npm run mutants [folder]: changes the core on purpose, one place at a time, and counts the changes that no test sees.
// First a small list of constants and signs (each must be seen), then Stryker over a room of the core, by the room's own tests.
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, checkNode, ensurePackages, root } from './prepare.mjs';

checkNode();
ensurePackages(true);

/** Constants and signs: what stands in a file, what is put in its place, the tests that should see it. */
const constants = JSON.parse(readFileSync(join(root, 'scripts/mutantConstants.json'), 'utf8'));

const runs = (tests) => spawnSync(bin('vitest'), ['run', tests], { cwd: root, stdio: 'ignore' }).status === 0;
let unseen = 0;
for (const { file, before, after, tests } of constants) {
  const path = join(root, file);
  const text = readFileSync(path, 'utf8');
  if (!text.includes(before)) {
    console.log(`NOT FOUND  ${file}: ${before}`);
    unseen += 1;
    continue;
  }
  writeFileSync(path, text.replace(before, after));
  try {
    const survived = runs(tests);
    if (survived) unseen += 1;
    console.log(`${survived ? 'UNSEEN' : 'seen  '}  ${file}: ${before} → ${after}`);
  } finally {
    writeFileSync(path, text);
  }
}
console.log(`${constants.length - unseen} of ${constants.length} seen`);

const room = process.argv[2];
if (room) {
  const mutate = `src/core/${room}/**/*.ts,!src/core/**/*.test.ts,!src/core/**/test*.ts`;
  const { status } = spawnSync(bin('stryker'), ['run', '--mutate', mutate], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, MUTANT_ROOM: room },
  });
  process.exit(status ?? 1);
}
process.exit(unseen === 0 ? 0 : 1);
