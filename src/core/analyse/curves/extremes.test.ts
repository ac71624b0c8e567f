import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../../ldr/curve';
import { changeLoad, together } from '../../project/edits';
import type { Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { analyse } from '../../design';
import { probeOf } from '../probe';

const [platform] = sampleProjects as [Project];
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

describe('what a design comes to at most', () => {
  it('is what the LDR bears at some light of the axis, and no light is worse', () => {
    const { extremes, ldr, range } = designOf(platform);
    const probe = probeOf(platform);
    const wattsAt = (lux: number) => probe(lux)!.midVolts ** 2 / ldrOhmsAt(ldr.curve, lux);
    expect(extremes.worst.ldrWatts / wattsAt(extremes.worst.ldrWattsLux)).toBeCloseTo(1, 6);
    for (let step = 0; step <= 200; step++) {
      const lux = range.minLux * (range.maxLux / range.minLux) ** (step / 200);
      expect(wattsAt(lux)).toBeLessThanOrEqual(extremes.worst.ldrWatts * 1.01);
    }
  });

  it('names a heat for every resistor drawn, and the LED’s own is what its current makes', () => {
    const { extremes, assembly } = designOf(platform);
    const drawn = assembly.parts.flatMap((part) =>
      part.kind === 'resistor' && part.designator.startsWith('R') ? [part] : [],
    );
    for (const { designator } of drawn) expect(extremes.worst.partWatts[designator]).toBeGreaterThan(0);
    const series = drawn.find(({ designator }) => designator === 'R2')!;
    const max = extremes.load.mostAmps;
    expect(extremes.worst.partWatts.R2! / (max ** 2 * series.ohms)).toBeCloseTo(1, 3);
  });

  it('gives each supply’s current at both ends: the load’s, where it is on, is the most of it', () => {
    const { extremes } = designOf(together(changeLoad({ strings: 3 }))(platform));
    const [supply] = extremes.supplies;
    expect(supply!.darkAmps).toBeGreaterThan(extremes.load.mostAmps * 0.99);
    expect(supply!.maxAmps).toBeGreaterThanOrEqual(Math.max(supply!.darkAmps, supply!.brightAmps));
  });
});
