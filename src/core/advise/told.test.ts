import { describe, expect, it } from 'vitest';
import { changeDetector, changeOutput } from '../project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeLoad,
  changeLoadSupply,
  together,
  type Edit,
} from '../project/edits';
import { loadOf } from '../loads/registry';
import type { Project } from '../project/project';
import { analyse } from '../design';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import type { Advice } from './advice';
import { someProject } from './testProjects';

/** What a sentence tells to do, done. */
function toldBy(advice: Advice, { driver, divider, detector }: Project): Edit | null {
  const largerBase = changeBaseResistor(10 * (driver.baseOhms ?? 1000));
  switch (advice.code) {
    case 'base-over-current':
      return advice.by === 'r1' ? changeDivider({ fixedOhms: 10 * divider.fixedOhms }) : largerBase;
    case 'output-over-current':
      if (advice.into === 'base') return largerBase;
      if (advice.into === 'load')
        return together(changeOutput({ to: 'transistor' }), changeBaseResistor(10_000));
      return advice.into === 'pull-up' && detector.kind === 'comparator'
        ? changeDetector('comparator', { pullUpOhms: 100 * detector.pullUpOhms })
        : null;
    case 'controller-supply':
      return (of) => {
        const volts = of.loadSupply ?? { volts: divider.supplyVolts, source: of.source, commonGround: true };
        return together(changeDivider({ supplyVolts: 5 }), changeLoadSupply(volts))(of);
      };
    case 'change-misses':
      return advice.neededGain === null ? null : changeDetector('change', { gain: 1.02 * advice.neededGain });
    case 'codes-close':
      return changeDetector('controller', { samples: advice.wantedSamples });
    case 'led-over-current':
      return (of) => {
        const index = advice.fix?.kind === 'take-series' ? advice.fix.index : 0;
        const led = loadOf(of.loads[index], 'led');
        return led ? changeLoad({ seriesOhms: 2 * led.seriesOhms }, index)(of) : of;
      };
    case 'base-reversed':
      return advice.isApart ? changeLoadSupply(null) : null;
    case 'supply-unused':
      return changeLoadSupply(null);
    case 'rest-fires':
      return changeDetector('change', { triggerVolts: 1.1 * advice.restVolts });
    default:
      return null;
  }
}

/** What of a finding is over its limit. */
const figureOf = (advice: Advice | undefined): number =>
  advice === undefined
    ? 0
    : 'amps' in advice
      ? advice.amps
      : 'volts' in advice
        ? advice.volts
        : 'isAlways' in advice && advice.isAlways
          ? 2
          : 1;

describe('what a sentence tells to do', () => {
  it('makes less of what it is said of, or ends it', () => {
    const worse: string[] = [];
    const done = new Map<string, [better: number, of: number]>();
    for (let seed = 1; seed <= runs(4000, 20); seed++)
      for (const one of [someProject(2_300_000 + seed), unusualProject(2_300_000 + seed)]) {
        // Among usual values none is ever pulled up by too little.
        const project =
          one.detector.kind === 'comparator' && seed % 4 === 0
            ? changeDetector('comparator', { pullUpOhms: 220 })(one)
            : one;
        const analysis = analyse(project);
        if (!analysis.ok) continue;
        for (const advice of analysis.design.advice) {
          const edit = toldBy(advice, project);
          if (!edit) continue;
          const after = analyse(edit(project));
          if (!after.ok) continue;
          const left = after.design.advice.find(({ code }) => code === advice.code);
          const counts = done.get(advice.code) ?? [0, 0];
          const isBetter = figureOf(left) < figureOf(advice) || left === undefined;
          done.set(advice.code, [counts[0] + (isBetter ? 1 : 0), counts[1] + 1]);
          if (!isBetter) worse.push(`${project.name}: ${JSON.stringify(advice)} → ${JSON.stringify(left)}`);
        }
      }
    for (const [code, [better, of]] of done)
      promised(`what is told for ${code} makes less of it`, `${better} of ${of}`, 'all');
    expect(worse).toEqual([]);
    expect(done.size).toBeGreaterThan(1);
  });
});

describe('what is said of a supply that sags', () => {
  it('is that the switching light moves only where it does, and less with a stiff one', () => {
    let [moved, of] = [0, 0];
    for (let seed = 1; seed <= runs(2000, 20); seed++) {
      const project = someProject(2_400_000 + seed);
      const analysis = analyse(project);
      if (!analysis.ok || !analysis.design.half.ok) continue;
      const { advice, half } = analysis.design;
      if (!advice.some((one) => one.code === 'supply-sags' && one.movesLight)) continue;
      const stiff = analyse({ ...project, source: { ...project.source, ohms: 0 } });
      if (!stiff.ok || !stiff.design.half.ok) continue;
      of += 1;
      if (Math.abs(Math.log(stiff.design.half.lux / half.lux)) > 0.01) moved += 1;
    }
    promised('switching lights that move with a supply that sags', `${moved} of ${of}`, '95 %');
    expect(moved).toBeGreaterThanOrEqual(0.95 * of);
  });
});
