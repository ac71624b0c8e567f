import { describe, expect, it } from 'vitest';
import { changeBaseResistor, changeDivider, changeLoad, together, type Edit } from '../project/edits';
import { changeDetector, changeOutput } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { shippedComparators } from '../parts/kinds/comparator';
import { analyse } from '../design';
import { chooseDetector } from '../size/chooseDetector';
import { changeSteps } from '../size/changeSteps';
import { sizeDetector } from '../size/resize';
import { troubledParts } from '../advise/trouble';
import { ratingsOf } from './ratings';

const [platform] = sampleProjects;
const partById = (id: string) => shippedComparators.find((part) => part.id === id)!;
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const ratings = (...edits: Edit[]) => {
  const project = together(...edits)(platform);
  return ratingsOf(designOf(project));
};
const troubled = (...edits: Edit[]) => {
  const project = together(...edits)(platform);
  return { parts: troubledParts(designOf(project)), design: designOf(project) };
};

describe('power of every part against its rating', () => {
  it('has one row for each part that gets warm, each once', () => {
    const names = ratings().map(({ designator }) => designator);
    expect(names.slice().sort()).toEqual(['D1', 'LDR1', 'Q1', 'R1', 'R2']);
  });

  it('counts what a change fires, which no steady light shows, and tells no light of it', () => {
    const edits = [chooseDetector('change'), changeBaseResistor(100)];
    const hot = ratings(...edits).find(({ designator }) => designator === 'Q1');
    expect(hot?.watts).toBeGreaterThan(5e-4);
    expect(hot?.lux).toBeNull();
    const { extremes } = designOf(together(...edits)(platform));
    const { darkAmps, brightAmps, maxAmps } = extremes.supplies[0]!;
    expect(maxAmps).toBeGreaterThan(Math.max(darkAmps, brightAmps) + 0.005);
  });

  it('has no transistor where an output drives the load itself', () => {
    const names = ratings(chooseDetector('comparator'), changeOutput({ to: 'load', loadRail: 'supply' })).map(
      ({ designator }) => designator,
    );
    expect(names).not.toContain('Q1');
    expect(names).toContain('R21');
  });

  it('takes a resistor of one string by its own current, not by that of all', () => {
    const one = ratings(changeLoad({ strings: 1 })).find(({ designator }) => designator === 'R2')!;
    const three = ratings(changeLoad({ strings: 3 })).find(({ designator }) => designator === 'R2')!;
    expect(three.watts / one.watts).toBeGreaterThan(0.8);
    expect(three.watts / one.watts).toBeLessThan(1.01);
  });

  it('names a standard rating that each resistor to be bought stays cool with', () => {
    for (const { watts, ratedWatts, isToBuy, ok } of ratings()) {
      if (!isToBuy) continue;
      expect(ok).toBe(true);
      expect(ratedWatts!).toBeGreaterThanOrEqual(2 * watts);
    }
  });

  it('says so of a resistor for which no standard rating is enough, and marks it', () => {
    const wide: Edit = together(changeDivider({ supplyVolts: 24, fixedOhms: 10 }));
    const row = ratings(wide).find(({ designator }) => designator === 'R1')!;
    expect(row.ok).toBe(false);
    expect(row.ratedWatts).toBeNull();
    expect(troubled(wide).parts).toContain('R1');
  });
});

describe('the parts that are marked', () => {
  it('are none in a design that is in order', () => {
    expect(troubled().parts).toEqual([]);
  });

  it('are the very comparator of a ladder whose input is out of range, not always the first', () => {
    const { parts, design } = troubled(
      chooseDetector('ladder'),
      changeDetector('ladder', {
        part: { ...partById('open-collector'), inputHighVolts: 2.5 },
        moreIn: 'dark',
      }),
      changeSteps([0.5, 5, 50]),
      sizeDetector,
    );
    const out = design.thresholds!.inputs;
    expect(out.length).toBeGreaterThan(0);
    expect(out.map(({ unit }) => unit)).not.toContain('step-1');
    for (const { designator } of out) expect(parts).toContain(designator);
  });

  it.each(['top', 'bottom'] as const)(
    'are a window’s upper comparator where its threshold is too near the supply, LDR at the %s',
    (ldrSide) => {
      const { parts, design } = troubled(
        changeDivider({ ldrSide }),
        chooseDetector('window'),
        changeDetector('window', {
          part: partById('open-collector'),
          topOhms: 2200,
          middleOhms: 4700,
          bottomOhms: 15_000,
        }),
      );
      expect(design.thresholds!.inputs.map(({ designator }) => designator)).toContain('IC1');
      expect(parts).toContain('IC1');
      expect(parts).not.toContain('IC2');
      expect(design.advice.map(({ code }) => code)).toContain('input-out-of-range');
    },
  );

  it.each(['light', 'dark'] as const)(
    'are looked for in a ladder whichever way it fills: more in the %s',
    (moreIn) => {
      const { design } = troubled(
        chooseDetector('ladder'),
        changeDetector('ladder', { part: { ...partById('open-collector'), inputHighVolts: 2.5 }, moreIn }),
        changeSteps([0.5, 5, 50]),
        sizeDetector,
      );
      // The step at the least light has the highest threshold: the first to come in the light, the last in the dark.
      const [first] = design.thresholds!.inputs;
      expect(first?.unit).toBe(moreIn === 'light' ? 'step-1' : 'step-3');
      expect(first?.volts).toBeGreaterThan(3.5);
    },
  );

  it('are the one comparator that there is', () => {
    const { parts } = troubled(
      chooseDetector('comparator'),
      changeDetector('comparator', { part: { ...partById('open-collector'), inputHighVolts: 5.5 } }),
    );
    expect(parts).toContain('IC1');
  });

  it('are the transistor where it cannot hold the load', () => {
    const { parts } = troubled(changeBaseResistor(100_000));
    expect(parts).toContain('Q1');
  });
});
