import { writeFileSync } from 'node:fs';
import { browserFigures } from './browser';
import { checkFigures } from './check';
import { coreFigures } from './core';

const [address = '', chromium = ''] = process.argv.slice(2);
const figures = [...coreFigures(), ...checkFigures(), ...(await browserFigures(address, chromium))];
for (const { name, unit, median, p95, goal, ok } of figures) {
  const line = `median ${median.toFixed(2)} ${unit}, 95 % under ${p95.toFixed(2)} ${unit}`;
  console.log(`${ok ? 'met   ' : 'MISSED'}  ${name.padEnd(44)} ${line.padEnd(46)} (goal: ${goal})`);
}
writeFileSync(new URL('results.json', import.meta.url), `${JSON.stringify(figures, null, 2)}\n`);
console.log(
  '\nWritten to bench/results.json. These machines are noisy: compare medians, and runs on one machine only.',
);
