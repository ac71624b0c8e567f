import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { carry } from './carry';
import { changeDivider, changeGoal, rename, takeLoad, type Edit } from './edits';
import { addReading, deleteReading } from './readingEdits';
import { takeDetector } from './detectorEdits';
import { defaultDetectors } from '../detectors/registry';
import { defaultLoads } from '../loads/registry';
import { checkProject } from './project';
import { runs } from '../testRuns';
import { sampleNamed } from './testSamples';

const platform = sampleNamed('Platform lamps');
const edits: readonly Edit[] = [
  rename('Another'),
  changeGoal({ lux: 77 }),
  changeDivider({ supplyVolts: 9 }),
  changeDivider({ ldrSide: 'top' }),
  takeLoad(defaultLoads.relay),
  takeDetector(defaultDetectors.comparator),
  takeDetector(defaultDetectors.ladder),
  addReading({ id: 'added', light: { kind: 'lux', lux: 3 }, ohms: 9000 }),
  deleteReading(platform.readings[1]?.id ?? ''),
];

describe('carrying a change onto another state', () => {
  it('takes an edit back, or makes it again, where nothing else has changed', () => {
    fc.assert(
      // Each at most once: no reading's id is given twice.
      fc.property(fc.shuffledSubarray([...edits], { minLength: 1, maxLength: 5 }), ([edit, ...earlier]) => {
        if (!edit) return;
        const before = earlier.reduce((project, each) => each(project), platform);
        const after = edit(before);
        expect(carry(before, before, after)).toEqual(after);
        const back = carry(after, after, before);
        expect(new Set(back.readings)).toEqual(new Set(before.readings));
        expect({ ...back, readings: [] }).toEqual({ ...before, readings: [] });
      }),
      { numRuns: runs(500, 4) },
    );
  });

  it('leaves what another has changed meanwhile, and always a sound project', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...edits], { minLength: 2, maxLength: 2 }), ([mine, theirs]) => {
        if (!mine || !theirs) return;
        const after = mine(platform);
        const both = theirs(after);
        const back = carry(both, after, platform);
        expect(checkProject(back).ok).toBe(true);
        expect(carry(back, platform, after).name).toBe(both.name);
      }),
    );
    const [named, bright] = [rename('Mine'), changeGoal({ lux: 77 })];
    const both = bright(named(platform));
    expect(carry(both, named(platform), platform)).toEqual(bright(platform));
    expect(carry(both, bright(platform), platform)).toEqual(named(platform));
  });

  it('keeps a reading that another has added, and takes back one’s own', () => {
    const mine = addReading({ id: 'mine', light: { kind: 'lux', lux: 3 }, ohms: 9000 })(platform);
    const both = addReading({ id: 'theirs', light: { kind: 'lux', lux: 5 }, ohms: 7000 })(mine);
    const ids = carry(both, mine, platform).readings.map(({ id }) => id);
    expect(ids).toEqual([...platform.readings.map(({ id }) => id), 'theirs']);
  });
});
