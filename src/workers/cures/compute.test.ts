import { describe, expect, it } from 'vitest';
import { cornersOf } from '@/core/advise/corners';
import { curesOf } from '@/core/advise/remedies';
import { someProject } from '@/core/advise/testProjects';
import { sampleProjects } from '@/core/project/samples';
import { runs } from '@/core/testRuns';
import { computeCures, type CuresAnswer } from './compute';

describe('cures that are told before what they lead to', () => {
  it('are the same ones in the same order, with nothing in order before their ends are solved, in any project', async () => {
    let [early, open, late] = [0, 0, 0];
    for (let seed = 7100; seed < 7100 + runs(1000, 100, 10); seed++) {
      const project = someProject(seed);
      const told: CuresAnswer[] = [];
      const whole = await computeCures(project, undefined, (answer) => told.push(answer));
      expect(whole).toEqual({ corners: cornersOf(project), cures: curesOf(project) });
      expect(told.length).toBeLessThan(2);
      for (const { corners, cures } of told) {
        early += 1;
        expect([seed, corners]).toEqual([seed, whole.corners]);
        const bare = (answer: CuresAnswer['cures']) =>
          answer.map(({ remedies, ...cure }) => ({
            ...cure,
            changes: remedies.map(({ changes }) => changes),
          }));
        expect([seed, bare(cures)]).toEqual([seed, bare(whole.cures)]);
        cures.forEach(({ remedies }, index) =>
          remedies.forEach(({ then, areEndsSolved }, nth) => {
            const later = whole.cures[index]!.remedies[nth]!;
            expect(later.areEndsSolved).toBe(true);
            if (areEndsSolved) expect([seed, then]).toEqual([seed, later.then]);
            else open += 1;
            // What is left only grows with the ends.
            expect(later.then.looks).toBeGreaterThanOrEqual(then.looks);
            if (later.then.looks > then.looks) late += 1;
            expect({ ...later.then, looks: 0 }).toEqual({ ...then, looks: 0 });
          }),
        );
      }
    }
    expect(early).toBeGreaterThan(5);
    expect(open).toBeGreaterThan(5);
    expect(late).toBeGreaterThan(0);
  });

  it('are none for a design in order', async () => {
    const told: CuresAnswer[] = [];
    const answer = await computeCures(sampleProjects[0], undefined, (sofar) => told.push(sofar));
    expect(told).toEqual([]);
    expect(answer.cures.flatMap(({ remedies }) => remedies)).toEqual([]);
  });
});
