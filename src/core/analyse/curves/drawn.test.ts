import { describe, expect, it } from 'vitest';
import { changeDetector } from '../../project/detectorEdits';
import type { Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { measuredLdr } from '../../readings/ldrOf';
import { detectorKinds } from '../../detectors/kinds';
import { analyse } from '../../design';
import { chooseDetector } from '../../size/chooseDetector';
import { DesignCircuit } from '../designCircuit';
import { drawnCurves } from './drawn';

const [platform, larder] = sampleProjects;
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
/** What a curve says between its lights: a line on the light axis. */
function between(lux: Float64Array, curve: Float64Array, at: number): number {
  const above = lux.findIndex((each) => each >= at);
  const [left, right] = [lux[above - 1]!, lux[above]!];
  const share = Math.log(at / left) / Math.log(right / left);
  return curve[above - 1]! + share * (curve[above]! - curve[above - 1]!);
}

describe.each(detectorKinds)('curves over light, decided by a %s', (kind) => {
  const project = chooseDetector(kind)(larder);
  const design = designOf(project);
  const { range, thresholds } = design;
  const curves = drawnCurves(design)!;

  it('run from the dark end to the bright end, each light once, every curve as long', () => {
    const { lux, midVolts, baseVolts, loadAmps } = curves;
    expect(lux[0]! / range.minLux).toBeCloseTo(1, 9);
    expect(lux.at(-1)! / range.maxLux).toBeCloseTo(1, 9);
    for (let i = 1; i < lux.length; i++) expect(lux[i]).toBeGreaterThanOrEqual(lux[i - 1]!);
    for (const curve of [midVolts, baseVolts, loadAmps]) {
      expect(curve.length).toBe(lux.length);
      expect(curve.every(Number.isFinite)).toBe(true);
    }
    expect(curves.referenceVolts?.length ?? lux.length).toBe(lux.length);
  });

  it('lie so near to the solved midpoint between their lights that nobody sees the corners', () => {
    const live = DesignCircuit.of(project, measuredLdr(project).model);
    let position = 0;
    const { supplyVolts } = project.divider;
    for (let step = 1; step < 300; step++) {
      const lux = range.minLux * (range.maxLux / range.minLux) ** (step / 300);
      const settled = live.settle(position, lux);
      position = settled?.position ?? position;
      const exact = settled?.readout.volts('mid');
      expect(Math.abs(between(curves.lux, curves.midVolts, lux) - exact!)).toBeLessThan(0.005 * supplyVolts);
    }
  });

  it('jump where it decides, and nowhere else', () => {
    if (kind === 'transistor') {
      expect(thresholds).toBeNull();
      const steps = Array.from(curves.loadAmps.slice(1), (amps, index) =>
        Math.abs(amps - curves.loadAmps[index]!),
      );
      expect(Math.max(...steps)).toBeLessThan(0.3 * Math.max(...curves.loadAmps));
      return;
    }
    if (!thresholds) throw new Error('no detector');
    const full = Math.max(...curves.loadAmps);
    const jumps = Array.from(curves.lux.slice(1), (lux, index) => ({
      lux,
      ratio: lux / curves.lux[index]!,
      size: Math.abs(curves.loadAmps[index + 1]! - curves.loadAmps[index]!),
    })).filter(({ size }) => size > 0.1 * full);
    for (const { lux, ratio } of jumps) {
      expect(ratio).toBeLessThan(1.001);
      expect(
        thresholds.boundaries.some(({ rising }) => rising.ok && Math.abs(Math.log(rising.lux / lux)) < 1e-3),
      ).toBe(true);
    }
    const crossings = kind === 'change' ? 0 : thresholds.boundaries.filter(({ rising }) => rising.ok).length;
    expect(jumps.length).toBe(crossings);
  });
});

describe('the way back', () => {
  it('has curves of their own for the way back where there is a band, and the same elsewhere', () => {
    const project = changeDetector('comparator', { feedbackOhms: 100_000, sensorOhms: 10_000 })(
      chooseDetector('comparator')(platform),
    );
    const design = designOf(project);
    const { thresholds } = design;
    const curves = drawnCurves(design)!;
    const { falling } = curves;
    if (!falling || !thresholds?.turnOn.ok || !thresholds.turnOff.ok) throw new Error('no band');
    const edges = [thresholds.turnOn.lux, thresholds.turnOff.lux] as const;
    const [low, high] = [Math.min(...edges), Math.max(...edges)];
    let held = 0;
    curves.lux.forEach((lux, i) => {
      // The curves have lights just beside each jump: there either may be.
      if ([low, high].some((edge) => Math.abs(Math.log(lux / edge)) < 0.001)) return;
      const isInside = lux > low && lux < high;
      const differs = Math.abs(falling.loadAmps[i]! - curves.loadAmps[i]!) > 1e-4;
      expect(differs).toBe(isInside);
      if (isInside) held += 1;
    });
    expect(held).toBeGreaterThan(0);
    const bare = chooseDetector('comparator')(platform);
    expect(drawnCurves(designOf(bare))!.falling).toBeNull();
  });
});
