import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fileNameFor, readProjectFile, writeProjectFile } from './file';
import { newProject } from './newProject';
import { PROJECT_VERSION } from './migrate';
import { sampleProjects } from './samples';
import type { Project } from './project';

const project = sampleProjects[0] as Project;
const text = writeProjectFile(project, '2026-01-02T03:04:05.000Z');
const changed = (change: (file: Record<string, unknown>) => void) => {
  const file = JSON.parse(text) as Record<string, unknown>;
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

describe('project file', () => {
  it('gives every project back exactly, under the new identity', () => {
    for (const original of [...sampleProjects, newProject('n', 'Ünïcode ☀ name')]) {
      const read = readProjectFile(writeProjectFile(original, 'now'), 'fresh');
      expect(read).toEqual({ ok: true, project: { ...original, id: 'fresh' } });
    }
  });

  it('takes a byte order mark', () => {
    expect(readProjectFile(`\uFEFF${text}`, 'fresh').ok).toBe(true);
  });

  it.each([
    ['', 'not-json'],
    [text.slice(0, 200), 'not-json'],
    ['null', 'foreign'],
    ['[]', 'foreign'],
    ['{"format":"other","version":1}', 'foreign'],
    [' '.repeat(2_000_001), 'too-large'],
  ])('refuses a broken or foreign file', (content, reason) => {
    expect(readProjectFile(content, 'fresh')).toMatchObject({ ok: false, reason });
  });

  it('refuses a newer version and says which', () => {
    expect(
      readProjectFile(
        changed((file) => (file.version = PROJECT_VERSION + 1)),
        'fresh',
      ),
    ).toEqual({
      ok: false,
      reason: 'newer',
      version: PROJECT_VERSION + 1,
    });
  });

  type Loose = {
    project: Record<string, never> & {
      readings: { light: { lux: unknown; kind?: unknown }; extra?: unknown }[];
    };
  };
  it.each<[string, (file: Record<string, unknown>) => void]>([
    ['readings[0].light.lux', (file) => ((file as Loose).project.readings[0]!.light.lux = -4)],
    ['readings[0].light.lux', (file) => ((file as Loose).project.readings[0]!.light.lux = '4')],
    ['readings[0].light', (file) => ((file as Loose).project.readings[0]!.light.kind = 'toString')],
    ['meter', (file) => Object.assign((file as Loose).project, { meter: 'other' })],
    ['meter.ranges', (file) => Object.assign((file as Loose).project, { meter: fallingMeter })],
    ['part.mark', (file) => Object.assign((file as Loose).project.part!, { mark: 'plaid' })],
    [
      'bag.count',
      (file) =>
        Object.assign((file as Loose).project, {
          bag: { count: 2, lnR10Mean: 9, lnR10Std: 0.2, gammaMean: 0.7, gammaStd: 0.1 },
        }),
    ],
    [
      'plan[0].metres',
      (file) => Object.assign((file as Loose).project, { plan: [{ kind: 'lamp', metres: 0, layers: 0 }] }),
    ],
    ['readings[0]', (file) => ((file as Loose).project.readings[0]!.extra = 1)],
    ['divider', (file) => Object.assign((file as Loose).project, { divider: null })],
    ['name', (file) => Object.assign((file as Loose).project, { name: '' })],
    [
      'goal.action',
      (file) => Object.assign((file as Loose).project, { goal: { action: 'maybe', lux: 4, offLux: null } }),
    ],
    ['readings', (file) => (file as Loose).project.readings.push((file as Loose).project.readings[0]!)],
    ['version', (file) => (file.version = '1')],
    ['extra', (file) => (file.extra = 1)],
  ])('refuses a file that is damaged at %s, and says where', (path, damage) => {
    expect(readProjectFile(changed(damage), 'fresh')).toMatchObject({ ok: false, reason: 'damaged', path });
  });

  it('refuses numbers that JSON makes infinite and keys that reach for the prototype', () => {
    expect(readProjectFile(text.replace('"lux": 60', '"lux": 1e999'), 'fresh')).toMatchObject({
      path: 'goal.lux',
    });
    const hostile = text.replace(
      '"id": "sample-platform-lamps"',
      '"__proto__": {"polluted": true}, "id": "x"',
    );
    expect(readProjectFile(hostile, 'fresh')).toMatchObject({ ok: false, reason: 'damaged' });
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });

  it('never throws, whatever JSON it is given', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const file = JSON.stringify({ format: 'yemko-project', version: 1, savedAt: '', project: value });
        expect(readProjectFile(file, 'fresh').ok).toBe(false);
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
