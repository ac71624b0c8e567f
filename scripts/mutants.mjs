// npm run mutants [folder [lines]]: changes the core on purpose, one place at a time, and counts the changes that no test sees.
// Without a folder a small list of constants and signs (each must be seen); with one Stryker over that room of the core, by the
// room's own tests or those of the rooms where it shows: the whole room, which may take hours, or so many of its lines by chance.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, checkNode, ensurePackages, root } from './prepare.mjs';

checkNode();
ensurePackages(true);
// Packages only once they are there.
const { uniformInt } = await import('pure-rand/distribution/uniformInt');
const { xoroshiro128plus } = await import('pure-rand/generator/xoroshiro128plus');

/** Constants and signs: what stands in a file, what is put in its place, the tests that should see it. */
const constants = JSON.parse(readFileSync(join(root, 'scripts/mutantConstants.json'), 'utf8'));

const runs = (tests) => spawnSync(bin('vitest'), ['run', tests], { cwd: root, stdio: 'ignore' }).status === 0;
function unseenConstants() {
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
  return unseen;
}

/** Where Stryker changes something: all of a room, or lines of it by chance, the same ones each time. */
function placesIn(room, lines) {
  if (lines === undefined) return `src/core/${room}/**/*.ts,!src/core/**/*.test.ts,!src/core/**/test*.ts`;
  const folder = `src/core/${room}`;
  const sources = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !/(\.test\.ts$|(^|\/)test[^/]*$)/.test(name))
    .sort();
  const all = sources.flatMap((name) =>
    readFileSync(join(root, folder, name), 'utf8')
      .split('\n')
      .map((text, index) => ({ text: text.trim(), place: `${folder}/${name}:${index + 1}-${index + 1}` }))
      .filter(({ text }) => text.length > 2 && !/^(\/?\*|\/\/|import |export \{|readonly )/.test(text))
      .map(({ place }) => place),
  );
  const random = xoroshiro128plus(1);
  const chosen = Array.from({ length: Math.min(Number(lines), all.length) }, () =>
    all.splice(uniformInt(random, 0, all.length - 1), 1),
  );
  return chosen.flat().join(',');
}

/** What a way of switching, a driver or a load is shows in the rooms that make a circuit of it and size it; and theirs in what asks them. */
const shownIn = {
  detectors: ['detectors', 'operate', 'analyse', 'size', 'compare'],
  drivers: ['drivers', 'operate', 'analyse', 'size'],
  loads: ['loads', 'operate', 'analyse', 'size'],
  operate: ['operate', 'analyse', 'size', 'compare'],
  analyse: ['analyse', 'size', 'compare', 'simulate', 'loads'],
  size: ['size', 'compare', 'analyse'],
  advise: ['advise', 'analyse', 'loads'],
  points: ['points', 'analyse', 'compare'],
};

/** Rooms whose tests say as much with a fifth of their random cases. */
const quick = ['circuit', 'ldr', 'readings', 'meter', 'quantity'];

const [room, lines] = process.argv.slice(2);
if (room) {
  const { status } = spawnSync(bin('stryker'), ['run', '--mutate', placesIn(room, lines)], {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      MUTANT_ROOM: (shownIn[room] ?? [room]).join(','),
      MUTANT_SHARE: quick.includes(room) ? '5' : '1',
    },
  });
  process.exit(status ?? 1);
}
process.exit(unseenConstants() === 0 ? 0 : 1);
