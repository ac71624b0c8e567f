import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { budgetOf } from '../analyse/budget';
import { analyse } from '../design';
import { detectorOf } from '../detectors/registry';
import { batteryHours, defaultSource, lostAmps } from '../loads/supply';
import { loadDefinition } from '../loads/registry';
import { changeOutputStage } from '../project/detectorEdits';
import { takeSource } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { countedSeconds } from '../parts/kinds/counter';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { machineOf } from './machine';
import { Simulation } from './simulation';

describe('what a supply gives in the dark and in the light', () => {
  it('is what flows there in time, with what loads take of their own while they are on', () => {
    let [count, agreed] = [0, 0];
    const apart: string[] = [];
    for (let seed = 0; seed < runs(2000, 40); seed++) {
      const project = { ...someProject(50_000 + seed), feedbackLux: 0 };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const machine = machineOf(project, design);
      // What turns over, or ends by itself, is on in one light at one time and off at another.
      if (machine.stage.kind !== 'follows' || detectorOf(project.detector, 'controller')) continue;
      const last = budgetOf(project, design).at(-1);
      const own = project.loads.map((load) => loadDefinition(load).ownAmps(load));
      // On at both ends, or nearly on, counts as it may.
      const ends = [design.range.minLux, design.range.maxLux].map((lux) => {
        const simulation = new Simulation(machine, lux);
        simulation.run(30, lux);
        const [before, at] = [[...simulation.coulombs], simulation.time];
        simulation.run(100, lux);
        const given = (simulation.coulombs.at(-1) ?? 0) - (before.at(-1) ?? 0);
        const taken = own.reduce((sum, { on, off }) => sum + (simulation.isOn ? on : off), 0);
        return given / (simulation.time - at) + taken;
      });
      const said = [last?.darkAmps ?? 0, last?.brightAmps ?? 0];
      count += 1;
      const isAlike = ends.every(
        (amps, end) => Math.abs(amps - (said[end] ?? 0)) < 1e-4 + 0.03 * Math.abs(amps),
      );
      if (isAlike) agreed += 1;
      else apart.push(`${project.name}: said ${said.join(' ')}, is ${ends.join(' ')}`);
    }
    promised('what supplies give, as in time', `${agreed} of ${count}`, '99 %');
    expect(count).toBeGreaterThan(10);
    expect(agreed / count, apart.join('\n')).toBeGreaterThan(0.97);
  });

  it('lasts as long as what ends by itself is on, once a day', () => {
    const { source, volts } = defaultSource('battery', 6, 'alkaline-aa', 4);
    const base = takeSource(source, volts)(chooseDetector('comparator')(sampleNamed('Platform lamps')));
    const ohms = 1e5;
    const farads = 1e-7;
    const counted = changeOutputStage({ kind: 'counted', ohms, farads })(base);
    const analysis = analyse(counted);
    if (!analysis.ok) throw new Error(analysis.reason);
    const [budget] = budgetOf(counted, analysis.design);
    if (!budget || source.ampHours === null) throw new Error('no battery');
    const share = countedSeconds(ohms, farads) / 86_400;
    expect(budget.onSecondsADay).toBeCloseTo(share * 86_400, 6);
    expect(budget.hours).toBeCloseTo(
      batteryHours(source.ampHours, budget.darkAmps, budget.brightAmps, share, lostAmps(source)),
      6,
    );
    // Longer than if it were on all the night.
    expect(budget.hours).toBeGreaterThan(
      1.1 * batteryHours(source.ampHours, budget.darkAmps, budget.brightAmps, counted.darkShare),
    );
  });
});
