import { describe, expect, it } from 'vitest';
import { analyse, type Design } from '../design';
import { rowOf } from '../faults/row';
import { benchOf } from '../faults/testBenches';
import { defaultLoads } from '../loads/registry';
import { changeFeedbackLight } from '../project/detectorEdits';
import { changeLoad, takeLoad, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { machineOf } from '../simulate/machine';
import { Simulation } from '../simulate/simulation';
import { areStarved } from '../operate/onAmps';

const designOf = (project: Project): Design => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

/** Six LEDs in a row, or a fan for 48 V, on 6 V: what flows is nothing that anyone sees. */
const starved: readonly (readonly [string, Project])[] = [
  ['LEDs', together(chooseDetector('timer'), changeLoad({ inSeries: 6 }))(sampleNamed('Platform lamps'))],
  [
    'a fan',
    together(
      chooseDetector('comparator'),
      takeLoad({ ...defaultLoads.fan, ratedVolts: 48, ratedAmps: 0.3 }),
    )(sampleNamed('Platform lamps')),
  ],
];

describe('a load that gets next to nothing', () => {
  it.each(starved)('is on at no light: %s', (_, project) => {
    const design = designOf(project);
    expect(areStarved(design.loads)).toBe(true);
    const { range } = design;
    for (const lux of [range.minLux, project.goal.lux, range.maxLux]) {
      const simulation = new Simulation(machineOf(project, design), lux);
      simulation.run(100, lux);
      expect(simulation.levelOf(0)).toBeLessThan(0.7);
      if (project.loads[0]?.kind === 'led') expect(simulation.levelOf(0)).toBeLessThan(0.01);
    }
  });

  it('is said to be starved, not that it never turns off, nor that its own light disturbs it', () => {
    for (const [, project] of starved) {
      const codes = designOf(changeFeedbackLight(500)(project)).advice.map(({ code }) => code);
      expect(codes.some((code) => code === 'supply-below-led' || code === 'load-starved')).toBe(true);
      expect(codes).not.toContain('never-releases');
    }
    const [, leds] = starved[0]!;
    expect(designOf(changeFeedbackLight(500)(leds)).extremes.load.mostAmps).toBeLessThan(1e-6);
  });

  it('is predicted to be seen off in the dark and in the light', () => {
    const [, leds] = starved[0]!;
    const { bench } = benchOf(leds);
    const row = rowOf(bench, { fault: { kind: 'healthy' } }, [
      { kind: 'load', light: 0 },
      { kind: 'load', light: 1 },
    ]);
    expect(row.map((values) => values[0])).toEqual([0, 0]);
  });

  it('is nothing that happens to a load as it is usually fed', () => {
    for (const name of [
      'Platform lamps',
      'Hedgehog hut lamp',
      'Cold frame fan',
      'Canoe rack marker that stays dim',
    ])
      expect([name, areStarved(designOf(sampleNamed(name)).loads)]).toEqual([name, false]);
  });
});
