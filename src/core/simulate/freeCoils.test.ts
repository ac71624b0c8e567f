import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { defaultLoads } from '../loads/registry';
import { addLoad, takeLoad, together } from '../project/edits';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { machineOf } from './machine';
import { Simulation } from './simulation';

/** Lights tell each other within this, as a ratio. */
const AGREE = 1.02;
/** So slowly that no LDR lags: seconds for each step, and steps from end to end. */
const [SECONDS, STEPS] = [400, 240];

describe('a coil beside another load on a transistor alone', () => {
  it('pulls in and drops out in time at its own lights, not where half of all current flows', () => {
    let [asked, agreed] = [0, 0];
    const apart: string[] = [];
    for (let seed = 1; seed <= runs(400, 80); seed++) {
      const coil = { ...defaultLoads.relay, coilVolts: 5, coilOhms: 40 + 30 * (seed % 9) };
      const project = {
        ...together(
          chooseDetector('transistor'),
          takeLoad(coil),
          addLoad(defaultLoads.led),
        )(someProject(seed)),
        feedbackLux: 0,
      };
      const analysis = analyse(project);
      const lights = analysis.ok ? analysis.design.loads[0]?.lights : null;
      if (!analysis.ok || !lights?.on.ok || !lights.off.ok) continue;
      const { design } = analysis;
      const moved = new Map<boolean, number>();
      const { minLux, maxLux } = design.range;
      const lightAt = (step: number) => minLux * (maxLux / minLux) ** (step / STEPS);
      const told = new Simulation(machineOf(project, design), minLux, ({ what, isOn, load, lux }) => {
        if (what === 'contact' && load === 0) moved.set(isOn, lux);
      });
      for (let step = 0; step <= STEPS; step++) told.run(SECONDS, lightAt(step));
      for (let step = STEPS; step >= 0; step--) told.run(SECONDS, lightAt(step));
      asked += 1;
      const near = (one: number | undefined, other: number) =>
        one !== undefined && Math.abs(Math.log(one / other)) < Math.log(AGREE);
      if (near(moved.get(true), lights.on.lux) && near(moved.get(false), lights.off.lux)) agreed += 1;
      else
        apart.push(
          `${seed}: ${moved.get(true)} ${moved.get(false)}, said ${lights.on.lux} ${lights.off.lux}`,
        );
    }
    promised('a coil beside other loads, in time at its own lights', `${agreed} of ${asked}`, 'all');
    expect(asked).toBeGreaterThan(2);
    expect(apart).toEqual([]);
  });
});

describe('a coil alone on a transistor', () => {
  it('is where its light has long held it from the first moment on, whichever that is', () => {
    let asked = 0;
    for (let seed = 1; seed <= runs(400, 40); seed++) {
      const coil = { ...defaultLoads.relay, coilVolts: 5, coilOhms: 40 + 30 * (seed % 9) };
      const project = {
        ...together(chooseDetector('transistor'), takeLoad(coil))(someProject(seed)),
        feedbackLux: 0,
      };
      const analysis = analyse(project);
      const lights = analysis.ok ? analysis.design.loads[0]?.lights : null;
      if (!analysis.ok || !lights?.on.ok || !lights.off.ok) continue;
      const { minLux, maxLux } = analysis.design.range;
      const machine = machineOf(project, analysis.design);
      const at = (lux: number) => new Simulation(machine, lux).loads[0]?.isClosed;
      asked += 1;
      const isOnInLight = analysis.design.action === 'on-in-light';
      expect([seed, at(minLux), at(maxLux)]).toEqual([seed, !isOnInLight, isOnInLight]);
    }
    expect(asked).toBeGreaterThan(2);
  });
});
