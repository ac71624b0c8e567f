import { describe, expect, it } from 'vitest';
import { detectorKinds } from '../detectors/kinds';
import { noteAnswer } from './built/checkEdits';
import { changeGoal } from './edits';
import { newProject } from './newProject';
import { isAsShipped, sampleProjects } from './samples';

describe('a sample', () => {
  it('is as it came until its design changes, whatever was built or measured of it', () => {
    for (const sample of sampleProjects) {
      expect(isAsShipped(sample)).toBe(true);
      expect(isAsShipped(noteAnswer('volts mid 0', 2)(sample))).toBe(true);
      expect(isAsShipped(changeGoal({ lux: sample.goal.lux * 2 })(sample))).toBe(false);
    }
    expect(isAsShipped(newProject('p', 'P'))).toBe(false);
  });

  it('is there for every way of switching', () => {
    const shown = new Set(sampleProjects.map(({ detector }) => detector.kind));
    expect([...shown].sort()).toEqual([...detectorKinds].sort());
  });
});
