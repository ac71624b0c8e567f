import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fileNameFor, readProjectFile, writeProjectFile } from './file';
import { newProject } from './newProject';
import { PROJECT_VERSION } from './migrate';
import { sampleProjects } from './samples';
import { fileLog } from '../live/logFile';
import { promised, runs } from '../testRuns';
import { checkProject } from './project';
import { mutationOf } from './testMutations';
import { passedOff, recordIn } from '../testRecord';

const project = sampleProjects[0];
const text = writeProjectFile(project, '2026-01-02T03:04:05.000Z');
const changed = (change: (file: Record<string, unknown>) => void) => {
  const file = recordIn(JSON.parse(text));
  change(file);
  return JSON.stringify(file);
};

const range = { fullOhms: 2000, accuracyShare: 0.01, accuracyDigits: 2 };
const fallingMeter = {
  id: 'm',
  name: 'M',
  counts: 2000,
  autoRange: false,
  inputOhms: 1e6,
  ranges: [range, range],
};

const importRefusalHasWords = (refusal: { reason: string; path?: string }) =>
  refusal.reason !== 'damaged' || (refusal.path ?? '').length > 0;

describe('project file', () => {
  it('gives every project back exactly, under the new identity', () => {
    for (const original of [...sampleProjects, newProject('n', 'Ünïcode ☀ name')]) {
      const read = readProjectFile(writeProjectFile(original, 'now'));
      expect(read).toEqual({ ok: true, project: original, logs: [] });
    }
  });

  it('takes a byte order mark', () => {
    expect(readProjectFile(`\uFEFF${text}`).ok).toBe(true);
  });

  it.each([
    ['', 'not-json'],
    [text.slice(0, 200), 'not-json'],
    ['null', 'foreign'],
    ['[]', 'foreign'],
    ['{"format":"other","version":1}', 'foreign'],
    [' '.repeat(200_000_001), 'too-large'],
  ])('refuses a broken or foreign file', (content, reason) => {
    expect(readProjectFile(content)).toMatchObject({ ok: false, reason });
  });

  it('refuses a newer version and says which', () => {
    expect(readProjectFile(changed((file) => (file.version = PROJECT_VERSION + 1)))).toEqual({
      ok: false,
      reason: 'newer',
      version: PROJECT_VERSION + 1,
    });
  });

  type Loose = Record<string, unknown>;
  const projectIn = (file: Loose) => recordIn(file.project);
  const readingIn = (file: Loose) => recordIn(recordIn(projectIn(file).readings)[0]);
  const lightIn = (file: Loose) => recordIn(readingIn(file).light);
  it.each<[string, (file: Loose) => void]>([
    ['readings[0].light.lux', (file) => (lightIn(file).lux = -4)],
    ['readings[0].light.lux', (file) => (lightIn(file).lux = '4')],
    ['readings[0].light.kind', (file) => (lightIn(file).kind = 'toString')],
    ['meter', (file) => Object.assign(projectIn(file), { meter: 'other' })],
    ['meter.ranges', (file) => Object.assign(projectIn(file), { meter: fallingMeter })],
    ['part.mark', (file) => Object.assign(recordIn(projectIn(file).part), { mark: 'plaid' })],
    [
      'bag.count',
      (file) =>
        Object.assign(projectIn(file), {
          bag: { count: 2, lnR10Mean: 9, lnR10Std: 0.2, gammaMean: 0.7, gammaStd: 0.1 },
        }),
    ],
    [
      'plan[0].metres',
      (file) => Object.assign(projectIn(file), { plan: [{ kind: 'lamp', metres: 0, layers: 0 }] }),
    ],
    ['readings[0].extra', (file) => (readingIn(file).extra = 1)],
    ['divider', (file) => Object.assign(projectIn(file), { divider: null })],
    ['name', (file) => Object.assign(projectIn(file), { name: '' })],
    [
      'goal.action',
      (file) => Object.assign(projectIn(file), { goal: { action: 'maybe', lux: 4, offLux: null } }),
    ],
    ['readings', (file) => (projectIn(file).readings = [readingIn(file), ...project.readings])],
    ['version', (file) => (file.version = '1')],
    ['extra', (file) => (file.extra = 1)],
  ])('refuses a file that is damaged at %s, and says where', (path, damage) => {
    expect(readProjectFile(changed(damage))).toMatchObject({ ok: false, reason: 'damaged', path });
  });

  it('refuses numbers that JSON makes infinite and keys that reach for the prototype', () => {
    expect(readProjectFile(text.replace('"lux": 60', '"lux": 1e999'))).toMatchObject({
      path: 'goal.lux',
    });
    const hostile = text.replace(
      '"id": "sample-platform-lamps"',
      '"__proto__": {"polluted": true}, "id": "x"',
    );
    expect(readProjectFile(hostile)).toMatchObject({ ok: false, reason: 'damaged' });
    expect('polluted' in {}).toBe(false);
  });

  it('refuses what is nested deeper than any project, without walking down there', () => {
    const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
    for (const [key, path] of [
      ['name', 'project'],
      ['readings', 'project'],
    ]) {
      const file = `{"format":"yemko-project","version":8,"savedAt":"","project":{"${key}":${deep}}}`;
      expect(readProjectFile(file)).toEqual({ ok: false, reason: 'damaged', path });
    }
  });

  it('gives time logs back exactly, and refuses one whose points do not fit together', () => {
    const points = {
      at: Float64Array.of(1, 2.5, 9),
      ohms: Float64Array.of(10, 1e9, 0.1),
      above: Uint8Array.of(0, 1, 0),
    };
    const record = {
      id: 'log',
      projectId: project.id,
      name: 'Dusk "2"',
      source: 'bench',
      startedAt: 1,
      state: 'stopped' as const,
      count: 3,
      marks: [{ id: 'm', at: 2, text: 'cloud' }],
      lastEvent: 9,
      note: '',
    };
    const filed = fileLog({ record, points });
    const read = readProjectFile(writeProjectFile(project, 'now', [filed, { ...filed, id: 'other' }]));
    expect(read).toMatchObject({ ok: true, logs: [{ record, points }, { record: { id: 'other' } }] });
    for (const [path, wrong] of [
      ['at', { at: [1, 1, 2] }],
      ['at', { at: [1, 2, 'x'] }],
      ['ohms', { ohms: [1, 2] }],
      ['ohms', { ohms: [1, 2, -3] }],
      ['above', { above: [3] }],
      ['marks[0].at', { marks: [{ id: 'm', at: -1, text: '' }] }],
      ['stray', { stray: 1 }],
    ] as const) {
      const text = writeProjectFile(project, 'now', [passedOff({ ...filed, ...wrong })]);
      expect(readProjectFile(text)).toEqual({ ok: false, reason: 'damaged', path: `logs[0].${path}` });
    }
  });

  it('refuses 5 000 mutated files or reads a sound project out of them, and never throws', () => {
    let [read, refused] = [0, 0];
    fc.assert(
      fc.property(mutationOf(text), (mutated) => {
        const outcome = readProjectFile(mutated);
        if (!outcome.ok) {
          refused += 1;
          expect(importRefusalHasWords(outcome)).toBe(true);
        } else {
          read += 1;
          expect(checkProject(outcome.project).ok).toBe(true);
        }
      }),
      { numRuns: runs(5000), seed: 12 },
    );
    expect(refused).toBeGreaterThan(read / 10);
    promised('import: mutated project files refused or sound', `${read + refused}`, '5 000');
  });

  it('never throws, whatever JSON it is given', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const file = JSON.stringify({ format: 'yemko-project', version: 1, savedAt: '', project: value });
        expect(readProjectFile(file).ok).toBe(false);
      }),
      { numRuns: 300 },
    );
  });

  it('names the file after the project, in plain letters', () => {
    expect(fileNameFor(project)).toBe('platform-lamps.yemko.json');
    expect(fileNameFor({ ...project, name: '../../☀' })).toBe('project.yemko.json');
    expect(fileNameFor({ ...project, name: 'Häll / lamp' })).toBe('ha-ll-lamp.yemko.json');
  });
});
