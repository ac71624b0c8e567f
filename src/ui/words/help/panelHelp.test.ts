import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import * as build from '../panels/build';
import * as check from '../panels/check';
import * as divide from '../panels/divide';
import * as drive from '../panels/drive';
import * as measure from '../panels/measure';
import * as storage from '../panels/storage';
import * as switching from '../panels/switch';
import * as trying from '../panels/try';
import { panelHelp } from './panelHelp';

const words: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  ...{ buildWords: build.buildWords, checkWords: check.checkWords, divideWords: divide.divideWords },
  ...{ driveWords: drive.driveWords, measureWords: measure.measureWords, storageWords: storage.storageWords },
  ...{ switchWords: switching.switchWords, tryWords: trying.tryWords },
};
/** Titles that say it all, or that are a result. */
const plain = new Set(['checkWords.itWas', 'checkWords.right', 'checkWords.notRight']);

describe('help of panels', () => {
  it('is there for every panel of every step, in whole sentences', () => {
    const screens = readdirSync('src/screens', { recursive: true, encoding: 'utf8' }).filter(
      (name) => /\.tsx$/.test(name) && !name.includes('test'),
    );
    const titles = screens.flatMap((name) => [
      ...readFileSync(`src/screens/${name}`, 'utf8').matchAll(/<Panel\s+title=\{(\w+Words)\.(\w+)\}/g),
    ]);
    expect(titles.length).toBeGreaterThan(60);
    const missing = titles.flatMap(([, list = '', key = '']) => {
      const title = words[list]?.[key];
      return typeof title === 'string' && panelHelp(title) === null && !plain.has(`${list}.${key}`)
        ? [`${list}.${key}`]
        : [];
    });
    expect(missing).toEqual([]);
    expect(panelHelp('no such panel')).toBeNull();
  });
});
