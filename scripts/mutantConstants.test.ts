import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import constants from './mutantConstants.json';

it('finds every constant that is changed on purpose, once, and changes it', () => {
  expect(constants.length).toBeGreaterThan(13);
  for (const { file, before, after, tests } of constants) {
    const times = readFileSync(file, 'utf8').split(before).length - 1;
    expect([file, before, times]).toEqual([file, before, 1]);
    expect(after).not.toBe(before);
    expect([file, tests].every((path) => path.startsWith('src/core/'))).toBe(true);
  }
});
