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
import { sampleProjects } from '@/core/project/samples';
import { parseQuantity } from '@/core/quantity/parse';
import { someProject } from '@/core/advise/testProjects';
import { analyse } from '@/core/design';
import { runs } from '@/core/testRuns';
import { lightText } from '../light';
import { hasFigures, panelFigures } from './panelFigures';
import { panelHelp } from './panelHelp';

const words: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  ...{ buildWords: build.buildWords, checkWords: check.checkWords, divideWords: divide.divideWords },
  ...{ driveWords: drive.driveWords, measureWords: measure.measureWords, storageWords: storage.storageWords },
  ...{ switchWords: switching.switchWords, tryWords: trying.tryWords },
};
/** Titles that say it all, or that are a result. */
const plain = new Set(['checkWords.itWas', 'checkWords.right', 'checkWords.notRight']);
/** Panels in which nothing is computed: what is typed, kept, chosen or drawn. */
const notComputed = new Set([
  ...['thisLDR', 'meterThatTalks', 'practice', 'record', 'resistanceInTime', 'logsOfThis', 'savedLDRs'],
  ...['output', 'variants', 'takeCare', 'pinsTitle', 'colors', 'sheetTitle', 'made', 'level', 'guess'],
  ...['practiceProbe', 'entry', 'logbook', 'backup', 'restore', 'usage', 'bin'],
]);
const titlesOf = () =>
  readdirSync('src/screens', { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx$/.test(name) && !name.includes('test'))
    .flatMap((name) => [
      ...readFileSync(`src/screens/${name}`, 'utf8').matchAll(/<Panel\s+title=\{(\w+Words)\.(\w+)\}/g),
    ]);

describe('help of panels', () => {
  it('is there for every panel of every step, in whole sentences', () => {
    const titles = titlesOf();
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

  it('tells how its figures are found, of every panel in which something is computed', () => {
    const missing = titlesOf().flatMap(([, list = '', key = '']) => {
      const title = words[list]?.[key];
      const isPlain = plain.has(`${list}.${key}`) || notComputed.has(key);
      return typeof title === 'string' && hasFigures(title) === isPlain ? [`${list}.${key}`] : [];
    });
    expect(missing).toEqual([]);
  });

  it('tells it with figures that are some, of whatever project', () => {
    const random = Array.from({ length: runs(800) }, (_, seed) => someProject(seed));
    const titles = titlesOf().flatMap(([, list = '', key = '']) => words[list]?.[key] ?? []);
    for (const project of [...sampleProjects, ...random]) {
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const given = { project, design: analysis.design, light: lightText(analysis.design.resolved.scale) };
      for (const title of titles)
        for (const line of panelFigures(String(title), given))
          expect(line, `${project.name}: ${title}`).not.toMatch(
            /NaN|Infinity|undefined|null|\[object|e[+-]\d/,
          );
    }
  });

  it('says of the divider what its own formula gives, with whatever stands beside the LDR and on whatever rails', () => {
    const read = (text = '') => {
      const parsed = parseQuantity(text.replace('−', '-').trim(), /V$/.test(text) ? 'V' : 'Ω', {
        min: -1e9,
        max: 1e12,
      });
      return parsed.ok ? parsed.value : NaN;
    };
    let count = 0;
    for (let seed = 0; seed < runs(4000); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok || project.divider.isDirect) continue;
      const given = { project, design: analysis.design, light: lightText(analysis.design.resolved.scale) };
      const line = panelFigures(divide.divideWords.divider, given)[1]?.replaceAll('\u00a0', ' ') ?? '';
      const told =
        /: (?:(−?[\d.]+ \w?V) \+ )?([\d.]+ \w?V) · ([\d.]+ \w?Ω) \/ \(([\d.]+ \w?Ω) \+ ([\d.]+ \w?Ω)\) = (−?[\d.]+ \w?V)\./.exec(
          line,
        );
      expect(told, line).not.toBeNull();
      const [low, rails, lower, upper, , result] = (told ?? [])
        .slice(1)
        .map((text) => (text ? read(text) : 0));
      const found = (low ?? 0) + ((rails ?? 0) * (lower ?? 0)) / ((upper ?? 0) + (lower ?? 0));
      // Each figure is shown to three digits, volts to a hundredth or thousandth.
      expect(Math.abs(found - (result ?? 0)), line).toBeLessThan(0.012 * (rails ?? 0) + 0.01);
      count++;
    }
    expect(count).toBeGreaterThan(20);
  });
});
