import { describe, expect, it } from 'vitest';
import { benchOf } from '../analyse/bench';
import { analyse } from '../design';
import { detectorOf } from '../detectors/registry';
import { uniforms } from '../numeric/random';
import { changeDivider, changeGoal, takeSource } from '../project/edits';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { promised, runs } from '../testRuns';
import { changeEdgeBand } from './edgeBand';
import { changeSteps } from './changeSteps';
import { chooseDetector, middlingFixed } from './chooseDetector';

const start = sampleNamed('Moss terrarium guide');
const rack = sampleNamed('Drying rack meter');

function boundariesOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const { thresholds } = analysis.design;
  if (!thresholds) throw new Error('no thresholds');
  return thresholds.boundaries.map(({ rising, falling }) => ({
    rising: rising.ok ? rising.lux : NaN,
    falling: falling.ok ? falling.lux : NaN,
  }));
}

describe('a band at each edge', () => {
  it('of a window: on over the lower edge, off again only below it, and the same at the upper one', () => {
    const [lower, upper] = boundariesOf(changeEdgeBand(1.3)(start));
    expect(lower?.rising).toBeCloseTo(400, -1.5);
    expect(upper?.rising).toBeCloseTo(1600, -2);
    expect((lower?.rising ?? 0) / (lower?.falling ?? 1)).toBeCloseTo(1.3, 1);
    expect((upper?.rising ?? 0) / (upper?.falling ?? 1)).toBeCloseTo(1.3, 1);
  });

  it('of a ladder: each step comes at its light and goes below it, or above it where more come in the dark', () => {
    const inLight = changeEdgeBand(1.4)(rack);
    const steps = detectorOf(inLight.detector, 'ladder')?.stepLux ?? [];
    boundariesOf(inLight).forEach(({ rising, falling }, index) => {
      expect(Math.abs(Math.log(rising / (steps[index] ?? 1)))).toBeLessThan(0.06);
      expect(Math.abs(Math.log(rising / falling / 1.4))).toBeLessThan(0.1);
    });
    const dark = changeEdgeBand(1.4)(changeSteps(steps)(changeDetector('ladder', { moreIn: 'dark' })(rack)));
    boundariesOf(dark).forEach(({ rising, falling }, index) => {
      expect(Math.abs(Math.log(falling / (steps[index] ?? 1)))).toBeLessThan(0.06);
      expect(Math.abs(Math.log(rising / falling / 1.4))).toBeLessThan(0.1);
    });
  });

  it('is taken away again, and every edge is passed at one light', () => {
    const back = changeEdgeBand(null)(changeEdgeBand(1.5)(start));
    expect(detectorOf(back.detector, 'window')?.hysteresis).toBeNull();
    for (const { rising, falling } of boundariesOf(back)) expect(rising).toBeCloseTo(falling, 6);
  });

  it('of a window that is on outside its edges: both lights are those of getting darker', () => {
    const outside = changeEdgeBand(1.3)(changeOutputStage({ kind: 'inverted' })(start));
    const [lower, upper] = boundariesOf(outside);
    expect(Math.abs(Math.log((lower?.falling ?? 1) / 400))).toBeLessThan(0.06);
    expect(Math.abs(Math.log((upper?.falling ?? 1) / 1600))).toBeLessThan(0.06);
    expect(Math.abs(Math.log((upper?.rising ?? 1) / (upper?.falling ?? 1) / 1.3))).toBeLessThan(0.1);
  });

  it('leaves a comparator, which has a band of another sort, as it is', () => {
    const comparator = chooseDetector('comparator')(start);
    expect(changeEdgeBand(1.3)(comparator)).toBe(comparator);
  });

  it('lies where it is wanted, on either side of the divider, on any supply, for any lights', () => {
    let [count, near, found] = [0, 0, 0];
    for (let seed = 1; seed <= runs(600); seed++) {
      const uniform = uniforms(seed);
      const pick = <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)]!;
      const ratio = 1.08 * (2 / 1.08) ** uniform();
      const first = 5 * 40 ** uniform();
      const kind = pick(['window', 'ladder'] as const);
      const side = pick(['top', 'bottom'] as const);
      const apart = 1.8 + 1.5 * uniform();
      const lights = Array.from({ length: kind === 'window' ? 2 : 2 + Math.floor(5 * uniform()) }, (_, at) =>
        Number((first * apart ** at).toPrecision(3)),
      );
      const sided = changeDivider({ ldrSide: side })(takeSource(start.source, pick([5, 9, 12]))(start));
      const chosen = chooseDetector(kind)({ ...sided, detector: { kind: 'transistor' } });
      const lit =
        kind === 'window'
          ? changeGoal({ lux: lights[0] ?? 1, offLux: lights[1] ?? 2 })(chosen)
          : changeSteps(lights)(
              changeDetector('ladder', { moreIn: pick(['light', 'dark'] as const) })(chosen),
            );
      const project = changeEdgeBand(ratio)(middlingFixed(lit));
      const own = detectorOf(project.detector, kind);
      const rises =
        kind === 'window'
          ? !benchOf(project).isOn[0]
          : detectorOf(project.detector, 'ladder')?.moreIn === 'light';
      const boundaries = boundariesOf(project);
      const off = Math.max(
        ...boundaries.map(({ rising, falling }, index) =>
          Math.abs(Math.log((rises ? rising : falling) / (lights[index] ?? 1))),
        ),
      );
      const bandOff = Math.max(
        ...boundaries.map(({ rising, falling }) =>
          Math.abs(Math.log(rising / falling) / Math.log(ratio) - 1),
        ),
      );
      count += 1;
      if (own) found += 1;
      if (off < 0.1 && bandOff < 0.35) near += 1;
    }
    const share = near / count;
    promised(
      'bands of windows and ladders within a third, their lights within 10 %',
      `${(100 * share).toFixed(1)} % of ${count}`,
      '95 %',
    );
    expect(found).toBe(count);
    expect(share).toBeGreaterThan(0.9);
  });
});
