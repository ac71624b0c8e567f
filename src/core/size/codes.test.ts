import fc from 'fast-check';
import { settingsIn } from '../testSettings';
import { describe, expect, it } from 'vitest';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, changeGoal, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { ldrOhmsAt } from '../ldr/curve';
import { measuredLdr } from '../readings/ldrOf';
import { adcCode, codesApart, controllerFacts } from '../detectors/controller/codes';
import type { ControllerSettings } from '../detectors/controller/definition';
import { analyse } from '../design';
import { chooseDetector } from './chooseDetector';
import { benchOf } from '../analyse/bench';
import { sizeDetector } from './resize';

const [platform] = sampleProjects;
const board = together(changeDivider({ supplyVolts: 5 }), chooseDetector('controller'))(platform);
const factsOf = (project: Project) => controllerFacts(settingsOf(project), benchOf(project))!;
const settingsOf = (project: Project) => settingsIn(project, 'controller');

describe('codes for two lights', () => {
  it('turn it on at the goal and off at the other light, within a code of either', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('on-in-dark' as const, 'on-in-light' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        fc.integer({ min: 8, max: 12 }),
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: 1.3, max: 3, noNaN: true }),
        (action, ldrSide, bits, lux, ratio) => {
          const offLux = action === 'on-in-dark' ? lux * ratio : lux / ratio;
          const project = together(
            changeDivider({ ldrSide }),
            changeGoal({ action, lux, offLux }),
            changeDetector('controller', { bits }),
            sizeDetector,
          )(board);
          const analysis = analyse(project);
          if (!analysis.ok) throw new Error(analysis.reason);
          const { turnOn, turnOff } = analysis.design.thresholds!;
          const facts = controllerFacts(settingsOf(project), benchOf(project))!;
          if (!turnOn.ok || !turnOff.ok) throw new Error('not passed');
          expect(analysis.design.action).toBe(action);
          expect(Math.abs(turnOn.lux - lux)).toBeLessThan(1.05 * facts.on.lightPerCode);
          const asked = project.goal.offLux!;
          expect(Math.abs(turnOff.lux - asked)).toBeLessThan(1.6 * facts.off.lightPerCode);
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });

  it('are a code apart at least, even for two lights that a coarse converter cannot tell apart', () => {
    const near = changeGoal({ lux: 60, offLux: 60.01 });
    const { onCode, offCode } = settingsOf(
      together(near, changeDetector('controller', { bits: 8 }), sizeDetector)(board),
    );
    expect(Math.abs(onCode - offCode)).toBe(1);
  });

  it('take the usual quarter where the light to turn off at lies on the wrong side', () => {
    const wrong = together(changeGoal({ action: 'on-in-dark', lux: 80, offLux: 20 }), sizeDetector)(board);
    expect(wrong.goal.offLux).toBe(100);
    const none = together(changeGoal({ action: 'on-in-light', lux: 80, offLux: null }), sizeDetector)(board);
    expect(none.goal.offLux).toBe(64);
  });

  it('leave alone what no microcontroller decides', () => {
    expect(sizeDetector(platform)).toBe(platform);
  });
});

describe('what a microcontroller sees', () => {
  const facts = (change: Partial<ControllerSettings> = {}) =>
    factsOf(changeDetector('controller', change)(board));

  it('is the code of the midpoint at the goal, of its supply or of a reference of its own', () => {
    const own = facts({ refVolts: null });
    expect(own.on.code).toBe(adcCode(own.on.volts, 5, 10));
    const finer = facts({ refVolts: 2.5 });
    expect(finer.on.code).toBe(adcCode(finer.on.volts, 2.5, 10));
    expect(finer.maxCode).toBe(1023);
  });

  it('has half the light in a code with each bit more, and a wander that shrinks with the root of the readings', () => {
    expect(facts({ bits: 11 }).on.lightPerCode / facts({ bits: 10 }).on.lightPerCode).toBeCloseTo(0.5, 6);
    expect(facts({ samples: 16 }).on.wanderLight / facts({ samples: 4 }).on.wanderLight).toBeCloseTo(0.5, 9);
  });

  it('sees LDR and R1 side by side', () => {
    const ldr = ldrOhmsAt(measuredLdr(board).model.curve, board.goal.lux);
    const { fixedOhms } = board.divider;
    expect(facts().sourceOhms / ((ldr * fixedOhms) / (ldr + fixedOhms))).toBeCloseTo(1, 9);
  });

  it('counts codes three deviations from either as apart', () => {
    const apart = (codes: number, samples: number) =>
      codesApart({ ...settingsOf(board), onCode: 500, offCode: 500 + codes, samples });
    expect(apart(6, 1).isWide).toBe(true);
    expect(apart(5, 1).isWide).toBe(false);
    expect(apart(5, apart(5, 1).wantedSamples).isWide).toBe(true);
    expect(apart(1, 1).wantedSamples).toBe(36);
    expect(apart(0, 1).wantedSamples).toBe(36);
  });
});
