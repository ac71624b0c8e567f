import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { detectorDefinition } from '../detectors/registry';
import { changeTrimmer, trimmerReaches } from '../project/edits';
import { resized } from '../size/resize';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { sampleNamed } from '../project/testSamples';
import type { Advice } from './advice';
import { changesBetween } from './changes';
import { curesOf, editTo } from './remedies';
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

describe('a trimmer in R1’s place', () => {
  it('is turned to the goal itself where its travel reaches it, and no resistor is asked for then', () => {
    let [asked, there] = [0, 0];
    for (let seed = 1; seed <= runs(2000); seed++) {
      const project = someProject(2_200_000 + seed);
      if (detectorDefinition(project.detector).sizes !== 'fixed') continue;
      const exact = analyse(project);
      if (!exact.ok || !exact.design.exactFixed.ok) continue;
      const { ohms } = exact.design.exactFixed;
      const trimmer = { trackOhms: 3 * ohms, endOhms: ohms / 3, degrees: 270 };
      if (!trimmerReaches(trimmer, ohms) || trimmer.trackOhms > 1e6 || trimmer.endOhms < 10) continue;
      const away = changeTrimmer(trimmer, ohms * (seed % 2 === 0 ? 0.5 : 1.8))(project);
      const analysis = analyse(away);
      if (!analysis.ok) continue;
      const said = analysis.design.advice.find(({ code }) => code === 'off-goal');
      if (said?.code === 'off-goal') expect(said.isNearest).toBe(false);
      const set = analyse(resized(away));
      if (!set.ok || !set.design.half.ok) continue;
      asked += 1;
      expect(resized(away).divider.trimmer).toEqual(trimmer);
      // To four digits, as it is set: where R1 hardly matters the goal lies between two of them, or beside one without a light.
      const { fixedOhms } = resized(away).divider;
      const lightAt = (share: number): number => {
        const near = analyse(changeTrimmer(trimmer, fixedOhms * share)(away));
        return near.ok && near.design.half.ok ? Math.log(near.design.half.lux / project.goal.lux) : 0;
      };
      const isThere = Math.abs(Math.log(set.design.half.lux / project.goal.lux)) < 0.002;
      if (isThere || lightAt(0.9995) * lightAt(1.0005) <= 0) there += 1;
    }
    promised('trimmers that are turned to the goal, to four digits', `${there} of ${asked}`, 'all');
    expect(asked).toBeGreaterThan(4);
    expect(there).toBe(asked);
  });

  it('is offered to be turned where the design is off its goal', () => {
    const set = sampleNamed('Platform lamps');
    const trimmer = { trackOhms: 10_000, endOhms: 680, degrees: 270 };
    const away = changeTrimmer(trimmer, 1800)(set);
    const cure = curesOf(away).find(({ code }) => code === 'off-goal');
    const [remedy] = cure?.remedies ?? [];
    if (!remedy) throw new Error('no cure');
    expect(remedy.changes.map(({ code }) => code)).toEqual(['turn-trimmer']);
    expect(changesBetween(away, editTo(remedy)(away))).toEqual(remedy.changes);
    const after = analyse(editTo(remedy)(away));
    expect(after.ok && after.design.half.ok && after.design.half.lux / set.goal.lux).toBeCloseTo(1, 2);
  });
});
