import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { changeDetector } from '../project/detectorEdits';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { machineOf } from './machine';
import { Simulation } from './simulation';

/** A load takes part from here on, as a share of what the one that is on takes, and is on with it from there. */
const [TAKES, SHINES] = [0.02, 0.1];
/** Shares told and found apart by this are one, as a ratio. */
const NEAR = 1.3;

describe('a ladder that shows a dot', () => {
  it('shows one load alone in time, or is said not to', () => {
    let [asked, said, unclear] = [0, 0, 0];
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(700, 40); seed++) {
      const base = chooseDetector('ladder')((seed % 2 ? someProject : unusualProject)(400_000 + seed));
      const project = { ...changeDetector('ladder', { shows: 'dot' })(base), feedbackLux: 0 };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const edges = (design.thresholds?.boundaries ?? []).flatMap(({ rising }) =>
        rising.ok ? [rising.lux] : [],
      );
      const steps = design.thresholds?.boundaries.length ?? 0;
      // A pin is read by its volts; a coil’s contact says nothing of its current.
      if (edges.length < steps || design.loads.some(({ pin, lights }) => pin ?? lights)) continue;
      const machine = machineOf(project, design);
      const lights = [
        ...edges.map((edge, at) => Math.sqrt((edges[at - 1] ?? edge / 4) * edge)),
        Math.sqrt(edges[steps - 1]! * design.range.maxLux),
      ];
      const most = lights.reduce((share, lux) => {
        const simulation = new Simulation(machine, lux);
        simulation.run(4000, lux);
        const amps = [...simulation.loads.keys()].map(
          (index) => simulation.levelOf(index) * (machine.loads[index]?.fullAmps ?? 0),
        );
        const [own = 0, beside = 0] = amps.sort((one, other) => other - one);
        return own * amps.length > 0.02 * design.drive.onAmps ? Math.max(share, beside / own) : share;
      }, 0);
      const found = design.advice.find(({ code }) => code === 'dot-smears');
      asked += 1;
      if (found) said += 1;
      const isUnsaid = most > SHINES * NEAR ? found?.state !== 'cannot' : most > TAKES * NEAR && !found;
      if (isUnsaid) wrong.push(`${seed}: ${most}, said ${JSON.stringify(found ?? null)}`);
      // What flows backwards turns a motor, too, but here it counts as off.
      if (found && most < TAKES / NEAR) unclear += 1;
    }
    promised('dots that are alone in time, or said not to be', `${asked - wrong.length} of ${asked}`, 'all');
    expect(said).toBeGreaterThan(2);
    expect(said).toBeLessThan(asked);
    expect(unclear).toBeLessThanOrEqual(0.02 * said);
    expect(wrong).toEqual([]);
  });
});
