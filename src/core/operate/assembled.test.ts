import { describe, expect, it } from 'vitest';
import { circuitInput } from '../analyse/circuitInput';
import { forgetAll } from '../memoize';
import { changeDivider } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { unusualProject } from '../testUnusual';
import { assemble } from './assemble';
import { assembled } from './assembled';
import { Operation } from './operation';

describe('a circuit that is put together once', () => {
  it('is the same as one put together anew, whatever R1 was before, in any project', () => {
    const projects = [...sampleProjects, ...Array.from({ length: 60 }, (_, seed) => unusualProject(seed))];
    for (const project of projects) {
      forgetAll();
      for (const fixedOhms of [1, 4700, project.divider.fixedOhms, 82_000]) {
        const input = circuitInput(changeDivider({ fixedOhms })(project));
        for (const one of [input, { ...input, trimmer: null }])
          expect({ ...assembled(one), withAnyFixed: null }).toEqual(assemble(one));
      }
    }
  });

  it('is solved as it would be by itself where another R1 was before: typical or not, with R1 said anew, and R1 off its value', () => {
    let tried = 0;
    for (const project of Array.from({ length: 40 }, (_, seed) => unusualProject(seed + 500))) {
      forgetAll();
      const input = { ...circuitInput(project), trimmer: null };
      // As the first, it is what the others are compiled as.
      void new Operation(assembled({ ...input, fixedOhms: 330 }));
      const [shared, alone] = [assembled(input), assemble(input)];
      const off = { ohms: { [alone.fixed.element]: input.fixedOhms * 1.2 } };
      for (const conditions of [{}, { grade: 'min', celsius: 50 }, off] as const) {
        const [one, other] = [new Operation(shared, conditions), new Operation(alone, conditions)];
        for (const [position, fixedOhms] of [[0], [one.positions - 1], [0, 5600]] as const) {
          const [found, own] = [one, other].map((each) => each.solveIn(position, 4700, fixedOhms));
          expect(found?.values).toEqual(own?.values);
          own?.volts.forEach((volts, node) => expect(found?.volts[node]).toBeCloseTo(volts, 9));
          tried += own ? 1 : 0;
        }
        expect(one.valuesOf(0)).toEqual(other.valuesOf(0));
      }
    }
    expect(tried).toBeGreaterThan(300);
  });

  it('is the same with R1 as it stands and with R1 said to be that, at either end of a trimmer as well', () => {
    for (const project of Array.from({ length: 30 }, (_, seed) => unusualProject(seed + 700))) {
      const { fixedOhms: own } = project.divider;
      const trimmer = { trackOhms: own * 30, endOhms: own / 3, degrees: 270 };
      for (const fixedOhms of [trimmer.endOhms, own, trimmer.endOhms + trimmer.trackOhms])
        for (const track of [trimmer, null]) {
          const input = { ...circuitInput(project), fixedOhms, trimmer: track };
          const operation = new Operation(assembled(input));
          const [asIs, said] = [operation.solveIn(0, 4700), operation.solveIn(0, 4700, fixedOhms)];
          expect(said === null).toBe(asIs === null);
          asIs?.volts.forEach((volts, node) => expect(said?.volts[node]).toBeCloseTo(volts, 8));
        }
    }
  });
});
