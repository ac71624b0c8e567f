import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { DesignCircuit } from '../analyse/designCircuit';
import { lightRangeOf } from '../analyse/lightRange';
import { decidingKinds } from '../detectors/kinds';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { changeOutputStage } from '../project/detectorEdits';
import { takeTransistor, together, type Edit } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { ldrOf } from '../readings/ldrOf';
import { chooseDetector } from '../size/chooseDetector';
import { isFiredOn } from './assembly';

const platform = sampleNamed('Platform lamps');
const [same, inverted]: readonly [Edit, Edit] = [
  (project) => project,
  changeOutputStage({ kind: 'inverted' }),
];

describe('the states in which the load is said to be on', () => {
  it('have it on, behind every detector, straight and inverted, through every transistor', () => {
    let tried = 0;
    for (const detector of decidingKinds)
      for (const transistor of transistorKinds)
        for (const stage of [same, inverted]) {
          const taken = together(
            takeTransistor(defaultTransistor(transistor)),
            chooseDetector(detector),
            stage,
          );
          const project = taken(platform);
          const analysis = analyse(project);
          // An output that does not reach its rail may not turn a transistor off: that is said.
          if (!analysis.ok || analysis.design.advice.some(({ state }) => state === 'cannot')) continue;
          tried += 1;
          const live = DesignCircuit.of(project, ldrOf(project));
          const { switching, loads, isOneAtATime } = live.assembly;
          if (!switching) throw new Error('no detector');
          const { minLux, maxLux } = lightRangeOf(project);
          const amps = switching.isOn.map((_, state) =>
            [minLux, maxLux].map((lux) => live.solveIn(state, lux)?.loadAmps() ?? NaN),
          );
          const most = Math.max(...amps.flat());
          expect(most).toBeGreaterThan(0.002);
          switching.isOn.forEach((isOn, state) => {
            for (const one of amps[state] ?? []) {
              const share = one / most;
              const says = [detector, transistor, project.outputStage.kind, state, isOn];
              // A step of several gives its part.
              const least = loads.length > 1 || isOneAtATime ? 0.1 / loads.length : 0.8;
              expect([...says, isOn ? share > least : share < 0.05]).toEqual([...says, true]);
            }
          });
          // What hears changes is on for a moment after one, or but for a moment.
          const fired = switching.hears && switching.isOn[switching.hears.fired] === true;
          expect(isFiredOn(live.assembly)).toBe(fired ?? false);
        }
    expect(tried).toBeGreaterThan(30);
  });
});
