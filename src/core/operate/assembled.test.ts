import { describe, expect, it } from 'vitest';
import { circuitInput } from '../analyse/circuitInput';
import { forgetAll } from '../memoize';
import { changeDivider } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { unusualProject } from '../testUnusual';
import { assemble } from './assemble';
import { assembled } from './assembled';

describe('a circuit that is put together once', () => {
  it('is the same as one put together anew, whatever R1 was before, in any project', () => {
    const projects = [...sampleProjects, ...Array.from({ length: 60 }, (_, seed) => unusualProject(seed))];
    for (const project of projects) {
      forgetAll();
      for (const fixedOhms of [1, 4700, project.divider.fixedOhms, 82_000]) {
        const input = circuitInput(changeDivider({ fixedOhms })(project));
        expect(assembled(input)).toEqual(assemble(input));
        expect(assembled({ ...input, trimmer: null })).toEqual(assemble({ ...input, trimmer: null }));
      }
    }
  });
});
