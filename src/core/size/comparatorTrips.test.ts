import fc from 'fast-check';
import { settingsIn } from '../testSettings';
import { describe, expect, it } from 'vitest';
import { ldrLuxAt } from '../ldr/curve';
import { changeDetector } from '../project/detectorEdits';
import { defaultTransistor } from '../drivers/registry';
import { takeTransistor, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { measuredLdr } from '../readings/ldrOf';
import { shippedComparators } from '../parts/kinds/comparator';
import { benchOf } from '../analyse/bench';
import { analyse } from '../design';
import { chooseDetector } from './chooseDetector';
import { outputLevels, tripBranch } from '../detectors/comparator/trips';
import type { TripParts } from '../detectors/comparator/trips';
const [platform] = sampleProjects;
const partById = (id: string) => shippedComparators.find((part) => part.id === id)!;
const base = chooseDetector('comparator')(platform);
const settingsOf = (project: Project) => settingsIn(project, 'comparator');
const thresholdsOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design.thresholds!;
};
const partsOf = (project: Project): TripParts => {
  const { divider } = project;
  const { reference, feedbackOhms, sensorOhms } = settingsOf(project);
  return {
    fixedOhms: divider.fixedOhms,
    topOhms: reference.topOhms ?? Infinity,
    bottomOhms: reference.bottomOhms,
    feedbackOhms: feedbackOhms ?? Infinity,
    sensorOhms,
  };
};

describe('what the feedback sees of the output', () => {
  it('is a push–pull output’s two rails behind its own resistance', () => {
    const project = changeDetector('comparator', { part: partById('rail-op-amp') })(base);
    const levels = outputLevels(settingsOf(project), benchOf(project))!;
    const { low, high } = [levels.whenOn, levels.whenOff].reduce(
      ({ low, high }, { volts }) => ({ low: Math.min(low, volts), high: Math.max(high, volts) }),
      { low: Infinity, high: -Infinity },
    );
    expect(low).toBeLessThan(0.1);
    expect(high).toBeGreaterThan(platform.divider.supplyVolts - 0.7);
    for (const { ohms } of [levels.whenOn, levels.whenOff]) expect(ohms).toBeLessThan(5000);
  });

  it('is the pull-up where an open collector releases', () => {
    const ohmsWith = (pullUpOhms: number) => {
      const project = changeDetector('comparator', { part: partById('open-drain'), pullUpOhms })(base);
      const { whenOn, whenOff } = outputLevels(settingsOf(project), benchOf(project))!;
      return Math.max(whenOn.ohms, whenOff.ohms);
    };
    expect(ohmsWith(22_000)).toBeGreaterThan(ohmsWith(4700));
  });

  it('is that pull-up itself, whichever input the midpoint is at and through whatever resistor', () => {
    for (const sensorInput of ['plus', 'minus'] as const)
      for (const sensorOhms of [null, 47_000]) {
        const parts = { part: partById('open-drain'), pullUpOhms: 15_000, sensorInput, sensorOhms };
        // A gate takes nothing from the output.
        const onGate = takeTransistor(defaultTransistor('nmos'));
        const project = together(onGate, changeDetector('comparator', parts))(base);
        const { whenOn, whenOff } = outputLevels(settingsOf(project), benchOf(project))!;
        const released = Math.max(whenOn.ohms, whenOff.ohms);
        expect([sensorInput, sensorOhms, released / 15_000]).toEqual([
          ...[sensorInput, sensorOhms],
          expect.closeTo(1, 2),
        ]);
      }
  });
});

describe('the closed form of a comparator’s thresholds', () => {
  it('agrees with the solved circuit about both lights, for either input and either side of the LDR', () => {
    const kilo = fc.double({ min: 0, max: 1.5, noNaN: true }).map((power) => 10_000 * 10 ** power);
    let compared = 0;
    fc.assert(
      fc.property(
        fc.constantFrom('plus' as const, 'minus' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        kilo,
        kilo,
        kilo,
        (sensorInput, ldrSide, topOhms, bottomOhms, sensorOhms) => {
          const project = together(
            (before) => ({ ...before, divider: { ...before.divider, ldrSide } }),
            changeDetector('comparator', {
              // No bias and no offset: those are not in the closed form.
              part: { ...partById('rail-op-amp'), biasAmps: 0, offsetVolts: 0 },
              sensorInput,
              reference: { topOhms, bottomOhms, trimmer: null },
              feedbackOhms: 1_000_000,
              sensorOhms: sensorInput === 'plus' ? sensorOhms : null,
            }),
          )(base);
          const { turnOn, turnOff } = thresholdsOf(project);
          const { model } = measuredLdr(project);
          const levels = outputLevels(settingsOf(project), benchOf(project))!;
          const lightAt = (level: (typeof levels)['whenOn']) => {
            const branch = tripBranch(project.divider, settingsOf(project), partsOf(project), level);
            return branch === null ? null : ldrLuxAt(model.curve, branch);
          };
          // It turns on from off, and off from on.
          const [on, off] = [lightAt(levels.whenOff), lightAt(levels.whenOn)];
          for (const [point, lux] of [
            [turnOn, on],
            [turnOff, off],
          ] as const) {
            if (!point.ok || lux === null) continue;
            expect(lux / point.lux).toBeCloseTo(1, 2);
            compared += 1;
          }
        },
      ),
      { numRuns: 60, seed: 3 },
    );
    expect(compared).toBeGreaterThan(60);
  });

  it('has one light without feedback, whatever the output does', () => {
    const parts = { ...partsOf(base), feedbackOhms: Infinity };
    const at = (volts: number) => tripBranch(base.divider, settingsOf(base), parts, { volts, ohms: 0 });
    expect(at(0)).toBeCloseTo(at(6)!, 9);
  });
});
