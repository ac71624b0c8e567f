import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { measuredLdr } from '../readings/ldrOf';
import { benchOf } from '../analyse/bench';
import { detectorOf } from '../detectors/registry';
import type { Project } from '../project/project';
import { analyse } from '../design';
import { changeFacts, peakVolts } from '../detectors/change/facts';
import type { ChangeBench } from '../detectors/change/facts';
import { chooseDetector } from './chooseDetector';
import { editFor } from '../advise/fixes';
const factsOf = (project: Project) => changeFacts(detectorOf(project.detector, 'change')!, benchOf(project));
const larder = sampleProjects[1];
const { model } = measuredLdr(larder);
const instant = { riseSeconds: 1e-6, fallSeconds: 1e-6, tailShare: 0, tailSeconds: 1 };
const bench = (change: Partial<ChangeBench> = {}): ChangeBench => ({
  divider: { ...larder.divider, ldrSide: 'bottom', fixedOhms: 10_000 },
  settings: { farads: 1e-6, biasOhms: 470_000 },
  curve: model.curve,
  dynamics: instant,
  lux: 25,
  ...change,
});

describe('a change of light through a capacitor', () => {
  it('is ΔV·R/(R + Rsource) for a step and an LDR without lag', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.double({ min: 3.5, max: 6, noNaN: true }),
        (share, power) => {
          const biasOhms = 10 ** power;
          const now = bench({ settings: { farads: 1e-3, biasOhms } });
          const mid = (lux: number) => {
            const ldr = ldrOhmsAt(model.curve, lux);
            return { volts: (5 * ldr) / (ldr + 10_000), ohms: 1 / (1 / ldr + 1 / 10_000) };
          };
          const [before, afterwards] = [mid(25), mid(25 * (1 - share))];
          const exact = ((afterwards.volts - before.volts) * biasOhms) / (biasOhms + afterwards.ohms);
          expect(peakVolts(now, share, 0) / exact).toBeCloseTo(1, 2);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('leaves less the slower it comes, the smaller it is, and the slower the LDR', () => {
    const typical = { ...instant, riseSeconds: 0.03, fallSeconds: 0.06 };
    const at = (share: number, seconds: number) => peakVolts(bench({ dynamics: typical }), share, seconds);
    expect(at(0.3, 0.1)).toBeGreaterThan(at(0.3, 1));
    expect(at(0.3, 1)).toBeGreaterThan(at(0.3, 10));
    expect(at(0.5, 1)).toBeGreaterThan(at(0.3, 1));
    const short = { farads: 2e-8, biasOhms: 470_000 };
    const lagging = peakVolts(bench({ dynamics: typical, settings: short }), 0.3, 0);
    expect(lagging).toBeLessThan(peakVolts(bench({ settings: short }), 0.3, 0));
  });
});

describe('a change detector', () => {
  const project = changeDivider({ ldrSide: 'bottom' })(chooseDetector('change')(larder));

  it('gives back its own limits: at the needed gain, the least change and the slowest it just fires', () => {
    const facts = factsOf(project);
    if (project.detector.kind !== 'change' || !facts.neededGain || !facts.minDimming || !facts.slowestSeconds)
      throw new Error('no facts');
    const { triggerVolts } = project.detector;
    const peakOf = (change: object) => factsOf(changeDetector('change', change)(project)).peakVolts;
    expect(peakOf({ gain: facts.neededGain }) / triggerVolts).toBeCloseTo(1, 3);
    expect(peakOf({ dimming: facts.minDimming }) / triggerVolts).toBeCloseTo(1, 2);
    expect(peakOf({ seconds: facts.slowestSeconds }) / triggerVolts).toBeCloseTo(1, 2);
  });

  it('is quiet in any steady light, and says when the change wanted does not fire it, with the gain that does', () => {
    const weak = changeDetector('change', { gain: 1, dimming: 0.05 })(project);
    const analysis = analyse(weak);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(analysis.design.extremes.load.mostAmps).toBeLessThan(1e-5);
    const advice = analysis.design.advice.find(({ code }) => code === 'change-misses');
    const withFix = editFor(advice!.fix!)(weak);
    expect(factsOf(withFix).fires).toBe(true);
  });

  it('is fired by a lamp’s ripple alone where the gain is high enough', () => {
    expect(factsOf(changeDetector('change', { gain: 20, rippleShare: 0.1 })(project)).rippleFires).toBe(
      false,
    );
    expect(factsOf(changeDetector('change', { gain: 3000, rippleShare: 1 })(project)).rippleFires).toBe(true);
  });
});
