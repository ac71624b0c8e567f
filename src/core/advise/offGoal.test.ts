import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { detectorDefinition } from '../detectors/registry';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import type { Advice } from './advice';
import { someProject } from './testProjects';

/** What comes of these says nothing of its own: where it switches is one of them. */
const isCause = ({ step, state, code }: Advice) =>
  state === 'cannot' &&
  (step === 'divide' ||
    code === 'supply-over-limit' ||
    code === 'floating-ground' ||
    code === 'lifted-reference');

describe('a design of which nothing is said about its goal', () => {
  it('switches there, or as near as resistors of a usual stock lie', () => {
    let asked = 0;
    const far: string[] = [];
    for (let seed = 1; seed <= runs(4000); seed++)
      for (const project of [someProject(seed), unusualProject(seed)]) {
        const analysis = analyse(project);
        if (!analysis.ok || detectorDefinition(project.detector).goal.lights === 'start') continue;
        const { half, advice } = analysis.design;
        if (!half.ok || advice.some(isCause)) continue;
        const ratio = Math.exp(Math.abs(Math.log(half.lux / project.goal.lux)));
        const isSaid = advice.some(({ code }) => code === 'off-goal' || code === 'step-off');
        asked += 1;
        if (!isSaid && ratio > 1.31)
          far.push(
            `${seed}: at ${half.lux}, not ${project.goal.lux}: ${advice.map(({ code }) => code).join()}`,
          );
        const said = advice.find(({ code }) => code === 'off-goal');
        if (said?.code === 'off-goal')
          expect(said).toMatchObject({ goalLux: project.goal.lux, switchLux: half.lux });
      }
    promised(
      'designs that switch at their goal, or are said not to',
      `${asked - far.length} of ${asked}`,
      'all',
    );
    expect(asked).toBeGreaterThan(20);
    expect(far).toEqual([]);
  });
});
