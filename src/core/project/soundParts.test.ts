import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkProject } from './project';
import { sampleProjects } from './samples';
import { soundParts } from './soundParts';
import { mutationOf } from './testMutations';
import { sampleNamed } from './testSamples';

const whole = sampleNamed('Platform lamps');

describe('what is sound of a damaged project', () => {
  it('is each good reading and each good part', () => {
    const readings = whole.readings.map((reading, index) =>
      index === 2 ? { ...reading, ohms: 'torn' } : reading,
    );
    const parts = soundParts({ ...whole, readings, goal: { lux: 'dim' } });
    expect(parts).toMatchObject({
      readings: { sound: whole.readings.length - 1, all: whole.readings.length },
      lost: ['goal'],
      project: { name: whole.name, divider: whole.divider, loads: whole.loads },
    });
  });

  it('is all of it where only a key is strange', () => {
    expect(soundParts({ ...whole, strange: 1 })).toMatchObject({ lost: [], project: whole });
  });

  it('is nothing of something that is no project', () => {
    for (const value of [null, 7, 'text', [], {}, { a: 1 }]) expect(soundParts(value)).toBeNull();
  });

  it('is always a project, whatever is damaged, and loses nothing of a sound one', () => {
    for (const sample of sampleProjects)
      expect(soundParts(sample)).toMatchObject({ project: sample, lost: [] });
    fc.assert(
      fc.property(mutationOf(JSON.stringify(whole)), (text) => {
        let value: unknown;
        try {
          value = JSON.parse(text);
        } catch {
          return;
        }
        const parts = soundParts(value);
        if (parts) expect(checkProject(parts.project).ok).toBe(true);
      }),
      { numRuns: 60, seed: 5 },
    );
  });
});
