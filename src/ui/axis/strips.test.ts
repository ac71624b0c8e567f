import { luxesOf, mapReadings } from '@/core/project/testReadings';
import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { changeBaseResistor, changeLoad } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { fractionOn } from './chartSetup';
import { palettes } from '../theme/tokens';
import { loadStrip, residualStrip, resistanceStrip, voltageStrip } from './strips';
import { drawnCurves } from '@/core/analyse/curves/drawn';

const { day } = palettes;
const platform = sampleProjects[0];
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

const curvesOf = (project: Project) => drawnCurves(designOf(project));

const stripOf = (project: Project) => {
  const { ldr, resolved, range } = designOf(project);
  return resistanceStrip(project.readings, ldr, resolved, range, day);
};

describe('the resistance strip', () => {
  it('shows the curve in its band and every reading, all inside its scale', () => {
    const { scale, data } = stripOf(platform);
    const [low, high, curve, readings] = data.datasets.map((dataset) => dataset.data);
    expect(readings?.map(({ x, y }) => [x, y])).toEqual(
      platform.readings.map(({ ohms }, index) => [luxesOf(platform)[index], ohms]),
    );
    curve?.forEach(({ y }, index) => {
      expect(low?.[index]?.y).toBeLessThanOrEqual(y);
      expect(high?.[index]?.y).toBeGreaterThanOrEqual(y);
      expect(y).toBeGreaterThan(scale.min);
      expect(y).toBeLessThan(scale.max);
    });
  });

  it('draws a typical LDR with a broken line', () => {
    const project = newProject('n', 'N');
    const [, , curve] = stripOf(project).data.datasets;
    expect(curve?.borderDash).not.toEqual([]);
  });
});

describe('the strip of residuals', () => {
  it('shows every figure within its scale, flagged ones and those set aside apart', () => {
    const slipped = mapReadings(platform, (lux, ohms, index) => ({
      lux,
      ohms: index === 2 ? ohms / 1000 : ohms,
    }));
    const readings = slipped.readings.map((reading, index) =>
      index === 5 ? { ...reading, setAside: true } : reading,
    );
    const project = { ...slipped, readings };
    const { scale, data } = residualStrip(project, designOf(project), day);
    const [, , , typical, flagged, aside] = data.datasets.map((dataset) => dataset.data);
    expect([typical?.length, flagged?.length, aside?.length]).toEqual([readings.length - 2, 1, 1]);
    for (const { y } of [...(typical ?? []), ...(flagged ?? []), ...(aside ?? [])]) {
      expect(Math.abs(y)).toBeLessThanOrEqual(scale.max);
    }
    expect(flagged?.[0]?.y).toBeLessThan(-90);
  });
});

describe('the voltage strip', () => {
  it('shows the base as a line of its own only where there is a base resistor', () => {
    const wired = voltageStrip(designOf(platform), curvesOf(platform), 0.67, day);
    expect(wired.data.datasets).toHaveLength(2);
    const separate = changeBaseResistor(2200)(platform);
    const strip = voltageStrip(designOf(separate), curvesOf(separate), 0.67, day);
    expect(strip.data.datasets).toHaveLength(3);
    expect(strip.scale.ticks[0]).toBe(0);
  });
});

describe('the load strip', () => {
  it('is in milliamperes, or in microamperes for a tiny load', () => {
    expect(loadStrip(designOf(platform), curvesOf(platform), day).scale.label(5)).toBe('5\u00a0mA');
    const tiny = changeLoad({ wantedAmps: 0.0002, seriesOhms: 18_000 })(platform);
    const { scale, factor } = loadStrip(designOf(tiny), curvesOf(tiny), day);
    expect(scale.label(100)).toBe('100\u00a0µA');
    expect(factor).toBe(1e6);
  });
});

describe('places in a strip', () => {
  const log = { kind: 'log', min: 1, max: 10_000, ticks: [], label: String } as const;
  const linear = { kind: 'linear', min: 0, max: 5, ticks: [], label: String } as const;
  it('are shares of its height, held inside', () => {
    expect(fractionOn(log, 100)).toBeCloseTo(0.5, 12);
    expect(fractionOn(linear, 1)).toBeCloseTo(0.2, 12);
    expect(fractionOn(linear, 9)).toBe(1);
    expect(fractionOn(log, 0)).toBe(0);
  });
});
