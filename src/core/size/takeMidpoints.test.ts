import fc from 'fast-check';
import { benchOf } from '../analyse/bench';
import { describe, expect, it } from 'vitest';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, changeResistors, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { checkProject } from '../project/project';
import { detectorKinds } from '../detectors/kinds';
import { analyse } from '../design';
import { changeFacts } from '../detectors/change/facts';
import { chooseDetector } from './chooseDetector';
import { betweenMidpoints } from '../detectors/betweenMidpoints';
import { takeMidpoints } from './takeMidpoints';

const [platform, larder] = sampleProjects;
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
const taken = (project: Project, dark: number, light: number) => {
  const edit = takeMidpoints(project, dark, light);
  if (!edit) throw new Error('refused');
  return edit(project);
};

describe('what switches, set by two measured midpoints', () => {
  it('is a comparator’s reference or a microcontroller’s code at the best threshold between them', () => {
    const between = betweenMidpoints(6, 4, 1)!;
    const comparator = designOf(taken(chooseDetector('comparator')(platform), 4, 1));
    expect(comparator.extremes.referenceVolts! / between.volts).toBeCloseTo(1, 1);
    const controller = designOf(
      taken(chooseDetector('controller')(changeDivider({ supplyVolts: 5 })(platform)), 4, 1),
    );
    expect(controller.thresholds?.turnOnVolts).toBeCloseTo(betweenMidpoints(5, 4, 1)!.volts, 1);
    expect(controller.thresholds?.isInverted).toBe(false);
  });

  it('is the middle of a comparator’s band, where it has one: as far from the dark as from the light', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('plus' as const, 'minus' as const),
        fc.double({ min: 3.5, max: 4.6, noNaN: true }),
        fc.double({ min: 1, max: 2.2, noNaN: true }),
        (sensorInput, dark, light) => {
          const project = together(
            changeDetector('comparator', {
              sensorInput,
              feedbackOhms: 470_000,
              sensorOhms: sensorInput === 'plus' ? 47_000 : null,
            }),
            changeResistors({ series: 'E96' }),
          )(chooseDetector('comparator')(platform));
          const { thresholds } = designOf(taken(project, dark, light));
          const ratio = (volts: number) => 6 / volts - 1;
          const [on, off] = [ratio(thresholds!.turnOnVolts!), ratio(thresholds!.turnOffVolts!)];
          // The wider the band, the further a reference without a thought for it would lie off: by 10 % and more.
          expect(Math.abs(Math.log((on * off) / (ratio(dark) * ratio(light)))) / 2).toBeLessThan(0.04);
        },
      ),
      { numRuns: 30, seed: 4 },
    );
  });

  it('counts from the lower rail on a supply of both signs, and is refused under 0 V, where the reference stands', () => {
    const both = changeDetector('comparator', { negativeVolts: 6 })(chooseDetector('comparator')(platform));
    const between = betweenMidpoints(6, 5, -1, -6)!;
    const { thresholds } = designOf(taken(both, 5, -1));
    expect(Math.abs(thresholds!.turnOnVolts! - between.volts)).toBeLessThan(0.25);
    expect(takeMidpoints(both, -1, -4)).toBeNull();
    expect(betweenMidpoints(6, 5, -1)).toBeNull();
  });

  it('is a timer’s control pin, so that the threshold that matters lies between them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('on' as const, 'off' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        fc.double({ min: 0.9, max: 1.9, noNaN: true }),
        (matters, ldrSide, volts) => {
          const timer = changeDivider({ ldrSide })(chooseDetector('timer')(platform));
          const project = changeDetector('timer', { matters })(timer);
          const [dark, light] = [volts * 1.3, volts / 1.3];
          const between = betweenMidpoints(6, dark, light)!;
          const edit = takeMidpoints(project, dark, light);
          if (!edit) return;
          const { thresholds } = designOf(edit(project));
          const own = matters === 'on' ? thresholds?.turnOnVolts : thresholds?.turnOffVolts;
          // As near as E12 brings it.
          expect(Math.abs(own! / between.volts - 1)).toBeLessThan(0.12);
        },
      ),
      { numRuns: 40, seed: 2 },
    );
  });

  it('is refused for a timer where no control voltage reaches that far', () => {
    const timer = changeDetector('timer', { matters: 'on' })(chooseDetector('timer')(platform));
    expect(takeMidpoints(timer, 5.9, 5.5)).toBeNull();
  });

  it('is a window between the two, and the steps of a ladder from one to the other', () => {
    const window = designOf(taken(chooseDetector('window')(larder), 1, 3)).thresholds;
    expect(window?.turnOnVolts).toBeCloseTo(1, 1);
    expect(window?.turnOffVolts).toBeCloseTo(3, 0);
    const ladder = taken(chooseDetector('ladder')(larder), 1, 3.5);
    const { thresholds } = designOf(ladder);
    const volts = thresholds!.boundaries.map(({ risingVolts }) => risingVolts!);
    expect(volts[0]!).toBeCloseTo(1, 1);
    expect(volts[4]!).toBeCloseTo(3.5, 0);
    if (ladder.detector.kind !== 'ladder') throw new Error('no ladder');
    const ratios = ladder.detector.stepLux
      .slice(1)
      .map((lux, at) => lux / (ladder.detector.kind === 'ladder' ? ladder.detector.stepLux[at]! : 1));
    ratios.forEach((ratio) => expect(ratio / ratios[0]!).toBeCloseTo(1, 1));
  });

  it('is a change detector’s trigger at half of the jump, which then fires', () => {
    const detector = changeDivider({ ldrSide: 'bottom' })(chooseDetector('change')(larder));
    const small = taken(detector, 2.6, 2.5);
    if (small.detector.kind !== 'change') throw new Error('no detector');
    // As near as two resistors in stock come.
    expect(small.detector.triggerVolts / ((0.1 * small.detector.gain) / 2)).toBeCloseTo(1, 0);
    expect(changeFacts(small.detector, benchOf(small)).fires).toBe(true);
    const large = taken(detector, 4, 1);
    if (large.detector.kind !== 'change') throw new Error('no detector');
    expect(large.detector.triggerVolts).toBeLessThanOrEqual(2.75);
  });

  it('leaves every project whole, and is refused for midpoints that are the same or outside the supply', () => {
    for (const kind of detectorKinds) {
      const project = chooseDetector(kind)(larder);
      expect(takeMidpoints(project, 2, 2)).toBeNull();
      expect(takeMidpoints(project, 2, 7)).toBeNull();
      const edit = takeMidpoints(project, 1, 2);
      if (kind === 'transistor') expect(edit).toBeNull();
      if (edit) expect(checkProject(edit(project))).toMatchObject({ ok: true });
    }
  });
});
