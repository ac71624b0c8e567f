import { describe, expect, it } from 'vitest';
import type { Advice } from '../advise/advice';
import { someProject } from '../advise/testProjects';
import { beamFacts, type Beam } from '../analyse/tripBeam';
import { analyse } from '../design';
import { detectorDefinition } from '../detectors/registry';
import { uniforms } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { HALF_DRIVEN } from '../testHalfDriven';
import { machineOf, type Machine } from './machine';
import { Simulation } from './simulation';

/** What gives no full light when on, or some when off, tells nothing by it. */
const BROKEN = [
  ...HALF_DRIVEN,
  'floating-ground',
  'supply-below-led',
  'loads-disagree',
  'tone-without-source',
];

/** Whether the load is on with the beam whole and off with it broken, or the other way round, each time and whatever was before. */
function tells(machine: Machine, { ambientLux, beamLux }: Beam): boolean {
  const ends = [1e-3, ambientLux * 1e4].map((start) => {
    const simulation = new Simulation(machine, start);
    const litIn = (lux: number) => {
      simulation.jump(lux);
      simulation.run(2, lux);
      // What its own light turns off and on again tells nothing.
      const seen = Array.from({ length: 12 }, () => {
        simulation.run(0.083, lux);
        return (simulation.isOn || machine.isSoft) && simulation.levelOf(0) > 0.45;
      });
      return seen.every((one) => one === seen[0]) ? seen[0] : 'blinks';
    };
    const [, , whole, broken, again] = [0, 1, 0, 1, 0].map((at) => litIn(ambientLux + (at ? 0 : beamLux)));
    return `${whole} ${broken} ${again}`;
  });
  return ends[0] === ends[1] && ['true false true', 'false true false'].includes(ends[0] ?? '');
}

describe('a beam onto the LDR', () => {
  it('is told in time where that is said, and not where a threshold is said to be missed', () => {
    let [count, agreed] = [0, 0];
    const apart: string[] = [];
    for (let seed = 70_000; seed < 70_000 + runs(1500, 30); seed++) {
      const base = { ...someProject(seed), feedbackLux: 0 };
      const analysis = analyse(base);
      if (!analysis.ok || !['one', 'window'].includes(detectorDefinition(base.detector).goal.lights))
        continue;
      const { half, advice, thresholds } = analysis.design;
      const showsNothing = (one: Advice) =>
        BROKEN.includes(one.code) || (one.code === 'led-under-current' && one.isDark);
      if (!half.ok || advice.some(showsNothing)) continue;
      const uniform = uniforms(seed);
      // Half of them light their own LDR.
      const project = { ...base, feedbackLux: seed % 2 === 0 ? 0 : half.lux * 0.02 * 100 ** uniform() };
      const { dynamics, sampling, ...design } = machineOf(project, analysis.design);
      if (design.stage.kind !== 'follows') continue;
      const often = sampling && { ...sampling, readingSeconds: 0.01, minOnSeconds: 0 };
      const machine = { ...design, dynamics: { ...dynamics, tailShare: 0 }, sampling: often };
      for (let run = 0; run < 4; run++) {
        const beam = {
          ambientLux: half.lux * 0.1 * 30 ** uniform(),
          beamLux: half.lux * 0.2 * 50 ** uniform(),
        };
        const { works, brokenMargin, wholeMargin } = beamFacts(analysis.design, beam, project);
        const isNear = [brokenMargin, wholeMargin].some((margin) => Math.abs(Math.log(margin ?? 9)) < 0.03);
        // A soft switch may be half off in a light that is said to be too little.
        if (isNear || (!works && !thresholds)) continue;
        count += 1;
        if (tells(machine, beam) === works) agreed += 1;
        else apart.push(`${seed}: ${JSON.stringify(beam)}, own ${project.feedbackLux}, said ${works}`);
      }
    }
    promised('beams: told in time where that is said', `${agreed} of ${count}`, 'all');
    expect(count).toBeGreaterThan(15);
    expect(agreed, apart.join('\n')).toBeGreaterThanOrEqual(0.998 * count);
  });
});
