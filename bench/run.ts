import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { browserFigures } from './browser';
import { adviceFigures } from './advise';
import { checkFigures } from './check';
import { coreFigures, tryingFigures } from './core';
import type { Figure } from './figure';

const inProcess = { core: coreFigures, advice: adviceFigures, trying: tryingFigures, check: checkFigures };
const [address = '', chromium = '', group = '', results = ''] = process.argv.slice(2);
if (group in inProcess) {
  process.stdout.write(JSON.stringify(inProcess[group as keyof typeof inProcess]()));
  process.exit(0);
}

/** The figures of a group, each in a process of its own: as in a worker, what else the core can do has not been run before. */
function apart(name: keyof typeof inProcess): readonly Figure[] {
  const [node = '', script = ''] = process.argv;
  const { stdout } = spawnSync(node, [...process.execArgv, script, '', '', name], {
    stdio: ['ignore', 'pipe', 'inherit'],
    maxBuffer: 1e8,
  });
  return JSON.parse(stdout.toString()) as readonly Figure[];
}
const figures = [
  ...apart('core'),
  ...apart('advice'),
  ...apart('trying'),
  ...apart('check'),
  ...(await browserFigures(address, chromium)),
];
for (const { name, unit, median, p95, goal, ok } of figures) {
  const line = `median ${median.toFixed(2)} ${unit}, 95 % under ${p95.toFixed(2)} ${unit}`;
  console.log(`${ok ? 'met   ' : 'MISSED'}  ${name.padEnd(44)} ${line.padEnd(46)} (goal: ${goal})`);
}
writeFileSync(results, `${JSON.stringify(figures, null, 2)}\n`);
console.log(
  '\nWritten to bench/results.json. These machines are noisy: compare medians, and runs on one machine only.',
);
