import { describe, expect, it } from 'vitest';
import { analyse } from './design';
import { forgetAll, memoize } from './memoize';
import { changeMeasurement, changeReading } from './project/readingEdits';
import { checkProject, type Project } from './project/project';
import { sampleProjects } from './project/samples';
import { measuredLdr } from './readings/ldrOf';
import { judge } from './readings/judge';
import { promised, runs } from './testRuns';
import { passedOff } from './testRecord';

/** Every place of a document that holds a figure, a switch or nothing, with another value for it. */
function changesOf(value: unknown, put: (next: unknown) => Project): readonly Project[] {
  if (typeof value === 'number') return [put(value * 1.25), put(value * 0.8)];
  if (typeof value === 'boolean') return [put(!value)];
  if (value === null || typeof value !== 'object') return [];
  if (Array.isArray(value))
    return value.flatMap((entry, index) => changesOf(entry, (next) => put(value.with(index, next))));
  return Object.entries(value).flatMap(([key, entry]) =>
    changesOf(entry, (next) => put({ ...value, [key]: next })),
  );
}

describe('memoized answers', () => {
  it('are found once for the same arguments, and anew for others', () => {
    let found = 0;
    const twice = memoize((value: { readonly of: number }) => {
      found += 1;
      return value.of * 2;
    }, 2);
    expect([twice({ of: 1 }), twice({ of: 1 }), twice({ of: 2 }), twice({ of: 1 })]).toEqual([2, 2, 4, 2]);
    expect(found).toBe(2);
    expect([twice({ of: 3 }), twice({ of: 2 })]).toEqual([6, 4]);
    expect(found).toBe(4);
  });

  it('change with every single input of an analysis as without memory', () => {
    let count = 0;
    for (const sample of sampleProjects) {
      const changed = changesOf(sample, (next) => passedOff<Project>(next)).filter(
        (each) => checkProject(each).ok,
      );
      const every = Math.ceil(changed.length / Math.min(changed.length, runs(1200, 600, 2)));
      for (const [index, project] of changed.entries()) {
        if (index % every !== 0) continue;
        analyse(sample);
        const warm = analyse(project);
        forgetAll();
        expect(warm).toEqual(analyse(project));
        count += 1;
      }
    }
    promised('memory: single inputs changed', count, 'every one of 8 samples');
    expect(count).toBeGreaterThan(15);
  });

  it('are found anew when only the light meter’s tolerance has changed', () => {
    const [platform] = sampleProjects;
    const [, , , reading] = platform.readings;
    if (!reading) throw new Error('no reading');
    const slipped = changeReading(reading.id, { ohms: reading.ohms * 1.5 })(platform);
    expect(judge(slipped).flags.map(({ id }) => id)).toContain(reading.id);
    const unsure = changeMeasurement({ lightTolerance: 0.3 })(slipped);
    const warm = measuredLdr(unsure);
    forgetAll();
    expect(warm).toEqual(measuredLdr(unsure));
    expect(warm).not.toEqual(measuredLdr(slipped));
  });
});
