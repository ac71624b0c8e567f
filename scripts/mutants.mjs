// npm run mutants [folder]: changes the core on purpose, one place at a time, and counts the changes that no test sees.
// First a small list of constants and signs (each must be seen), then Stryker over a room of the core, by the room's own tests.
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, checkNode, ensurePackages, root } from './prepare.mjs';

checkNode();
ensurePackages();

/** [file, what stands there, what is put in its place, the tests that should see it] */
const constants = [
  ['src/core/circuit/currents.ts', 'largest = Math.max(largest, Math.abs(currentFromNode(solution, node)));', 'largest = 0;', 'src/core/circuit'],
  ['src/core/drivers/bipolar.ts', 'HARD_FORCED_BETA = 10', 'HARD_FORCED_BETA = 20', 'src/core/drivers'],
  ['src/core/drivers/channel.ts', 'HARD_GATE_VOLTS = 10', 'HARD_GATE_VOLTS = 5', 'src/core/drivers'],
  ['src/core/circuit/fieldEffect.ts', 'MOBILITY_POWER = -1.5', 'MOBILITY_POWER = 1.5', 'src/core/circuit'],
  ['src/core/readings/judge.ts', 'OUTLIER_CHANCE = 0.015', 'OUTLIER_CHANCE = 0.15', 'src/core/readings'],
  ['src/core/analyse/stability.ts', 'WARMER_CELSIUS = 10', 'WARMER_CELSIUS = 20', 'src/core/analyse'],
  ['src/core/analyse/stability.ts', '(0.5 / step)', '(1 / step)', 'src/core/analyse'],
  ['src/core/ldr/fitLdr.ts', 'unconditionalError(alternatives, 0)', 'unconditionalError(alternatives, 1)', 'src/core/ldr'],
  ['src/core/ldr/fitLdr.ts', 'Math.exp((min - aicc) / 2)', 'Math.exp((aicc - min) / 2)', 'src/core/ldr'],
  ['src/core/circuit/newton.ts', 'WEAK_SHARE = 1e-4', 'WEAK_SHARE = 0', 'src/core/operate'],
  ['src/core/quantity/format.ts', "/\\.?0+$/, ''", "/[.0]+/g, ''", 'src/core/quantity'],
  ['src/core/quantity/parse.ts', "/^\\d+,\\d{3}$/", "/^\\d,\\d{3}$/", 'src/core/quantity'],
  ['src/core/circuit/fieldEffect.ts', 'THRESHOLD_VOLTS_PER_KELVIN = -0.003', 'THRESHOLD_VOLTS_PER_KELVIN = 0.003', 'src/core/circuit'],
  ['src/core/operate/operation.ts', 'moves = 0; solution && moves < this.positions', 'moves = 0; solution && moves < 0', 'src/core/operate'],
  ['src/core/analyse/midpoints.ts', 'DEFAULT_INPUT_OHMS = 1e7', 'DEFAULT_INPUT_OHMS = 1e6', 'src/core/analyse'],
]; // prettier-ignore

const runs = (tests) => spawnSync(bin('vitest'), ['run', tests], { cwd: root, stdio: 'ignore' }).status === 0;
let unseen = 0;
for (const [file, before, after, tests] of constants) {
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
