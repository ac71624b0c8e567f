import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeBaseResistor, changeDivider, changeGoal, takeTransistor, together } from '../../project/edits';
import { changeDetector } from '../../project/detectorEdits';
import type { Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { measuredLdr } from '../../readings/ldrOf';
import { detectorKinds } from '../../detectors/kinds';
import { transistorKinds } from '../../drivers/kinds';
import { defaultTransistor as defaultPart } from '../../drivers/registry';
import { SHARES } from '../analysis';
import { analyse } from '../../design';
import { chooseDetector } from '../../size/chooseDetector';
import { DesignCircuit } from '../designCircuit';
import { drawnCurves } from './drawn';

const [platform] = sampleProjects;
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const sides = ['top', 'bottom'] as const;

describe('the three points of a transistor', () => {
  it('are where the solved load current is 1 %, half and 90 % of the full one', () => {
    let found = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...transistorKinds),
        fc.constantFrom(...sides),
        fc.double({ min: 2.5, max: 5.5, noNaN: true }).map((power) => 10 ** power),
        (kind, ldrSide, fixedOhms) => {
          const project = together(
            takeTransistor(defaultPart(kind)),
            changeDivider({ ldrSide, fixedOhms }),
          )(platform);
          const { justOff, half, fullyOn, drive } = designOf(project);
          const live = DesignCircuit.of(project, measuredLdr(project).model);
          const points = [
            [justOff, SHARES.justOff],
            [half, SHARES.half],
            [fullyOn, SHARES.fullyOn],
          ] as const;
          for (const [point, share] of points) {
            if (!point.ok) continue;
            expect(live.loadAmps(point.lux)! / drive.fullAmps / share).toBeCloseTo(1, 4);
            found += 1;
          }
        },
      ),
      { numRuns: 80, seed: 21 },
    );
    expect(found).toBeGreaterThan(100);
  });

  it('come in turn, with the band of the LDR about each', () => {
    const { justOff, half, fullyOn, softBandRatio } = designOf(platform);
    if (!justOff.ok || !half.ok || !fullyOn.ok) throw new Error('does not switch');
    // On in the dark: just off is the brightest of them.
    expect(justOff.lux).toBeGreaterThan(half.lux);
    expect(half.lux).toBeGreaterThan(fullyOn.lux);
    expect(softBandRatio).toBeCloseTo(justOff.lux / fullyOn.lux, 9);
    for (const { lux, lowLux, highLux } of [justOff, half, fullyOn]) {
      expect(lowLux).toBeLessThan(lux);
      expect(highLux).toBeGreaterThan(lux);
    }
  });

  it('say on which side the load stays where it never passes them', () => {
    const always = designOf(changeDivider({ fixedOhms: 10_000_000, ldrSide: 'top' })(platform));
    expect(always.half).toEqual({ ok: false, reason: 'stays-above' });
    const starved = designOf(changeBaseResistor(10_000_000)(platform));
    expect(starved.half).toEqual({ ok: false, reason: 'stays-below' });
    expect(starved.softBandRatio).toBeNull();
  });

  it('are looked at closely: the curves have more lights there than anywhere else', () => {
    const design = designOf(platform);
    const { half, range } = design;
    const curves = drawnCurves(design)!;
    if (!half.ok) throw new Error('does not switch');
    const within = (lux: number) => curves.lux.filter((each) => Math.abs(Math.log(each / lux)) < 0.2).length;
    expect(within(half.lux)).toBeGreaterThan(4 * within(range.minLux * 10));
    for (let i = 1; i < curves.lux.length; i++)
      expect(curves.lux[i]).toBeGreaterThanOrEqual(curves.lux[i - 1]!);
  });
});

describe('the lights that a detector is said to switch at', () => {
  const kinds = detectorKinds.filter((kind) => kind !== 'transistor' && kind !== 'change');

  it('are where its state really flips: on one side of each it stands as before, on the other as after', () => {
    let flips = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom(...sides),
        fc.double({ min: 10, max: 600, noNaN: true }),
        fc.double({ min: 3, max: 5, noNaN: true }).map((power) => 10 ** power),
        (kind, ldrSide, lux, fixedOhms) => {
          const project = together(
            changeDivider({ ldrSide, supplyVolts: 5 }),
            changeGoal({ lux }),
            chooseDetector(kind),
            changeDivider({ fixedOhms }),
          )(platform);
          const { thresholds } = designOf(project);
          const live = DesignCircuit.of(project, measuredLdr(project).model);
          const stateAt = (at: number, from: number) => live.settle(from, at)?.position;
          thresholds!.boundaries.forEach(({ rising, falling }, index) => {
            flips += Number(rising.ok) + Number(falling.ok);
            if (rising.ok) {
              expect(stateAt(rising.lux * 0.9999, index)).toBeLessThanOrEqual(index);
              expect(stateAt(rising.lux * 1.0001, index)).toBeGreaterThan(index);
            }
            if (falling.ok) {
              expect(stateAt(falling.lux * 1.0001, index + 1)).toBeGreaterThan(index);
              expect(stateAt(falling.lux * 0.9999, index + 1)).toBeLessThanOrEqual(index);
            }
          });
        },
      ),
      { numRuns: 120, seed: 8 },
    );
    expect(flips).toBeGreaterThan(200);
  });

  it('keep it in either state between the two of a band: it stays as it came', () => {
    const project = together(
      chooseDetector('comparator'),
      changeDetector('comparator', { feedbackOhms: 100_000, sensorOhms: 10_000 }),
    )(platform);
    const { thresholds } = designOf(project);
    if (!thresholds?.turnOn.ok || !thresholds.turnOff.ok) throw new Error('no band');
    const inside = Math.sqrt(thresholds.turnOn.lux * thresholds.turnOff.lux);
    const live = DesignCircuit.of(project, measuredLdr(project).model);
    const amps = (end: 'dark' | 'bright') =>
      live.settle(end === 'dark' ? 0 : live.brightest, inside)?.readout.loadAmps();
    expect(amps('dark')).toBeGreaterThan(0.9 * designOf(project).drive.fullAmps);
    expect(amps('bright')).toBeLessThan(0.01 * designOf(project).drive.fullAmps);
  });

  it('are as many as a ladder has steps, each once, in turn', () => {
    const project = together(
      chooseDetector('ladder'),
      changeDetector('ladder', {
        stepLux: [5, 20, 80, 320],
        stringOhms: [10_000, 10_000, 10_000, 10_000, 10_000],
      }),
    )(platform);
    const design = designOf(project);
    const { thresholds } = design;
    const curves = drawnCurves(design)!;
    const lights = thresholds!.boundaries.map(({ rising }) => (rising.ok ? rising.lux : NaN));
    expect(lights.length).toBe(4);
    for (let i = 1; i < lights.length; i++) expect(lights[i]).toBeGreaterThan(lights[i - 1]!);
    for (const lux of lights)
      expect(curves.lux.filter((each) => Math.abs(Math.log(each / lux)) < 1e-4).length).toBe(2);
  });
});
