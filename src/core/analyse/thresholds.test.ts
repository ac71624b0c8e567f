import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeDetector, changeOutput, swapInputs } from '../project/detectorEdits';
import {
  changeDivider,
  changeGoal,
  changeDriver,
  changeLoadSupply,
  takeLoad,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { shippedComparators } from '../parts/kinds/comparator';
import type { Advice } from '../advise/advice';
import type { Design } from '../design';
import { analyse } from '../design';
import { chooseDetector } from '../size/chooseDetector';
import { controllerFacts } from '../detectors/controller/codes';
import { betweenMidpoints } from '../detectors/betweenMidpoints';
import { editFor } from '../advise/fixes';
import { stringFor } from '../detectors/string';
import { changeSteps } from '../size/changeSteps';
import { sizeDetector } from '../size/resize';
import { benchOf } from './bench';
import { detectorOf } from '../detectors/registry';
import { defaultLoads } from '../loads/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { drawnCurves } from './curves/drawn';
const [platform, larder] = sampleProjects;

const partOf = (project: Project) => detectorOf(project.detector, 'ladder')!.part;
const factsOf = (project: Project) =>
  controllerFacts(detectorOf(project.detector, 'controller')!, benchOf(project))!;
function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const thresholdsOf = (project: Project) => {
  const { thresholds } = designOf(project);
  if (!thresholds) throw new Error('no decision');
  return thresholds;
};
const said = <C extends Advice['code']>(project: Project, code: C) =>
  designOf(project).advice.find((advice): advice is Extract<Advice, { code: C }> => advice.code === code);
const part = (id: string) => shippedComparators.find((other) => other.id === id)!;
const with_ = (...edits: Edit[]) => together(chooseDetector('comparator'), ...edits)(platform);

describe('a comparator in a design', () => {
  it('snaps at one light without feedback, and says that it will chatter; the button gives it a band', () => {
    const bare = with_();
    const thresholds = thresholdsOf(bare);
    expect(thresholds.bandRatio).toBeCloseTo(1, 3);
    const advice = said(bare, 'no-hysteresis');
    const withFix = editFor(advice!.fix!)(bare);
    const band = thresholdsOf(withFix);
    expect(band.bandRatio).toBeCloseTo(1.25, 1);
    expect(band.turnOn.ok && band.turnOn.lux / platform.goal.lux).toBeCloseTo(1, 1);
    expect(said(withFix, 'no-hysteresis')).toBeUndefined();
  });

  it('draws its load on both ways: on until the upper light as it gets brighter, off until the lower as it gets darker', () => {
    const project = with_(changeDetector('comparator', { sensorOhms: 10_000, feedbackOhms: 100_000 }));
    const design = designOf(project);
    const { thresholds } = design;
    const curves = drawnCurves(design);
    if (!thresholds?.turnOn.ok || !thresholds.turnOff.ok || !curves?.falling) throw new Error('no band');
    expect(thresholds.turnOff.lux).toBeGreaterThan(thresholds.turnOn.lux * 1.1);
    const inside = Math.sqrt(thresholds.turnOn.lux * thresholds.turnOff.lux);
    const at = curves.lux.findIndex((lux) => lux >= inside);
    expect(curves.loadAmps[at]).toBeGreaterThan(0.005);
    expect(curves.falling.loadAmps[at]).toBeLessThan(0.0001);
  });

  it('turned the wrong way is put right by its two wires', () => {
    const wrong = swapInputs(with_());
    const advice = said(wrong, 'wrong-action');
    expect(advice?.fix).toMatchObject({ kind: 'set-detector', resizes: true });
    expect(designOf(editFor(advice!.fix!)(wrong)).action).toBe('on-in-dark');
  });

  it('whose output cannot go low enough to let an NPN go is caught, and mended with a resistor from base to emitter', () => {
    const opAmp = with_(
      changeDivider({ supplyVolts: 12 }),
      changeDetector('comparator', { part: part('op-amp') }),
    );
    const advice = said(opAmp, 'never-releases');
    expect(advice?.offVolts).toBeCloseTo(1.8, 1);
    const withFix = editFor(advice!.fix!)(opAmp);
    expect(said(withFix, 'never-releases')).toBeUndefined();
    expect(designOf(withFix).drive.saturates).toBe(true);
  });

  it('whose inputs do not reach so near to a rail is said, with a part that does', () => {
    const near = with_(
      changeDivider({ supplyVolts: 12 }),
      changeDetector('comparator', {
        part: part('op-amp'),
        reference: { topOhms: 100_000, bottomOhms: 10_000, trimmer: null },
      }),
    );
    const resized = together(changeGoal({ lux: 60 }))(near);
    const advice = said(resized, 'input-out-of-range');
    expect(advice).toMatchObject({ end: 'low', limitVolts: 2 });
    const withFix = editFor(advice!.fix!)(resized);
    expect(said(withFix, 'input-out-of-range')).toBeUndefined();
  });

  it('with a reference that the midpoint never passes does not switch, and says so with both figures', () => {
    const beyond = with_(changeDivider({ ldrParallelOhms: 100 }));
    expect(said(beyond, 'reference-beyond')).toMatchObject({ state: 'cannot' });
    expect(designOf(beyond).half.ok).toBe(false);
  });

  it('that carries a load by itself is held to what its output bears', () => {
    const linear = with_(changeOutput({ to: 'load' }), swapInputs);
    expect(designOf(linear).assembly.driver).toBeNull();
    expect(said(linear, 'output-over-current')).toBeUndefined();
    const heavy = takeLoad(defaultLoads.relay)(linear);
    expect(said(heavy, 'output-over-current')).toMatchObject({ maxAmps: 0.016, into: 'load' });
    const pulled = with_(
      changeDivider({ supplyVolts: 9 }),
      changeDetector('comparator', { pullUpOhms: 330 }),
    );
    expect(said(pulled, 'output-over-current')).toMatchObject({ into: 'pull-up' });
  });

  it('whose inputs take too much for its reference or its divider is said, with a part of its kind that takes less', () => {
    const weak = with_(
      changeDivider({ supplyVolts: 5 }),
      changeDetector('comparator', { reference: { topOhms: 1e7, bottomOhms: 1e7, trimmer: null } }),
    );
    const advice = said(weak, 'bias-too-large');
    expect(advice).toMatchObject({
      at: 'reference',
      biasAmps: 25e-9,
      fix: { kind: 'set-detector', settings: { part: { id: 'open-drain' } } },
    });
    expect(advice!.amps).toBeCloseTo(5 / 2e7, 9);
    expect(said(editFor(advice!.fix!)(weak), 'bias-too-large')).toBeUndefined();
    const dim = with_(changeDivider({ fixedOhms: 2.2e7 }));
    expect(said(dim, 'bias-too-large')).toMatchObject({ at: 'midpoint' });
    expect(said(with_(), 'bias-too-large')).toBeUndefined();
  });

  it('that drives a module straight must hang it on the side that its input wants, and the mend keeps the action', () => {
    const linear = together(
      changeOutput({ to: 'load', loadRail: 'supply' }),
      takeLoad({ ...defaultLoads.module, input: 'active-high' }),
    )(with_());
    const advice = said(linear, 'module-wrong-side');
    expect(advice?.fix).toEqual({ kind: 'output-rail', to: 'ground' });
    const withFix = editFor(advice!.fix!)(linear);
    expect(said(withFix, 'module-wrong-side')).toBeUndefined();
    expect(designOf(withFix).action).toBe(platform.goal.action);
    const low = together(
      changeOutput({ to: 'load', loadRail: 'supply' }),
      takeLoad({ ...defaultLoads.module, input: 'active-low' }),
    )(with_());
    expect(said(low, 'module-wrong-side')).toBeUndefined();
  });

  it('whose base resistor is too large for the load is mended with a smaller one from stock', () => {
    const weak = with_(
      changeDetector('comparator', { part: part('rail-to-rail') }),
      changeDivider({ supplyVolts: 5 }),
      changeDriver({ baseOhms: 220_000 }),
    );
    const advice = said(weak, 'load-not-saturated');
    expect(advice?.fix?.kind).toBe('take-base');
    const withFix = editFor(advice!.fix!)(weak);
    expect(designOf(withFix).drive.saturates).toBe(true);
  });

  it('that pulls a base far below its emitter on a ± supply is warned of', () => {
    const split = with_(
      changeDivider({ supplyVolts: 12 }),
      changeDetector('comparator', { part: part('op-amp'), negativeVolts: 12 }),
    );
    expect(said(split, 'base-reversed')?.volts).toBeGreaterThan(5);
    expect(said(split, 'base-reversed')?.isApart).toBe(false);
    const apart = changeLoadSupply({ volts: 12, source: IDEAL_SOURCE, commonGround: true })(split);
    expect(said(apart, 'base-reversed')?.isApart).toBe(true);
  });
});

describe('a window', () => {
  it('is on between the two lights of the goal, and off on either side', () => {
    const project = chooseDetector('window')(larder);
    const thresholds = thresholdsOf(project);
    expect(thresholds.isOn).toEqual([false, true, false]);
    expect(thresholds.turnOn.ok && thresholds.turnOn.lux / project.goal.lux).toBeCloseTo(1, 1);
    expect(thresholds.turnOff.ok && thresholds.turnOff.lux / (project.goal.offLux ?? 1)).toBeCloseTo(1, 1);
    const moved = changeGoal({ offLux: 400 })(project);
    const advice = said(moved, 'off-band');
    const withFix = editFor(advice!.fix!)(moved);
    const outputStage = thresholdsOf(withFix);
    expect(outputStage.turnOff.ok && outputStage.turnOff.lux / 400).toBeCloseTo(1, 1);
  });
});

describe('a ladder', () => {
  it('puts every step at its own light, whichever way more of them come and on either side of the divider', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('light' as const, 'dark' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        fc.integer({ min: 2, max: 8 }),
        (moreIn, ldrSide, count) => {
          const lights = Array.from({ length: count }, (_, step) => 10 * 1.8 ** step);
          const project = together(
            chooseDetector('ladder'),
            changeDivider({ ldrSide }),
            changeDetector('ladder', { moreIn, part: part('rail-to-rail') }),
            changeSteps(lights),
            sizeDetector,
          )({ ...larder, resistors: { ...larder.resistors, series: 'E96' } });
          const { boundaries, isOn } = thresholdsOf(project);
          expect(isOn.filter(Boolean).length).toBe(count);
          boundaries.forEach(({ rising }, index) => {
            if (!rising.ok) throw new Error('step never comes');
            expect(Math.abs(Math.log(rising.lux / lights[index]!))).toBeLessThan(0.06);
          });
        },
      ),
      { numRuns: 20, seed: 3 },
    );
  });

  it('as a dot has one load on at a time, each with the full current of one', () => {
    const fill = chooseDetector('ladder')(larder);
    const dot = changeDetector('ladder', { shows: 'dot', part: part('rail-to-rail') })(fill);
    const max = (project: Project) => designOf(project).extremes.load.mostAmps;
    expect(max(fill) / max(dot)).toBeGreaterThan(4);
    const { loads, drive } = designOf(dot);
    loads.forEach(({ amps }) => expect(amps / drive.fullAmps).toBeCloseTo(1, 6));
  });

  it('with equal resistors gives equal volts; a step that is off is named and put right', () => {
    const equal = changeDetector('ladder', { stringOhms: [1e4, 1e4, 1e4, 1e4, 1e4, 1e4] })(
      chooseDetector('ladder')(larder),
    );
    const advice = said(equal, 'step-off');
    expect(advice?.rung).toBeGreaterThan(0);
    expect(said(editFor(advice!.fix!)(equal), 'step-off')).toBeUndefined();
  });

  it('has no string where two steps would come at the same light, or none are in stock', () => {
    const project = chooseDetector('ladder')(larder);
    expect(stringFor(partOf(project), benchOf(project), [20, 20])).toEqual({
      ok: false,
      reason: 'out-of-reach',
    });
    const empty: Project = { ...project, resistors: { ...project.resistors, series: 'own', ownOhms: [] } };
    expect(stringFor(partOf(empty), benchOf(empty), [20, 40])).toEqual({ ok: false, reason: 'empty-stock' });
  });
});

describe('a timer', () => {
  it('puts the light that matters at the goal and lets the other follow, 4^(1/γ) away', () => {
    for (const matters of ['on', 'off'] as const) {
      const chosen = chooseDetector('timer')(platform);
      const project = editForMatters(chosen, matters);
      const { thresholds, ldr, half } = designOf(project);
      if (!thresholds?.turnOn.ok || !thresholds.turnOff.ok || !half.ok) throw new Error('does not switch');
      expect(thresholds.bandRatio! / 4 ** (1 / ldr.curve.gamma)).toBeCloseTo(1, 1);
      const own = matters === 'on' ? thresholds.turnOn : thresholds.turnOff;
      expect(half.lux).toBe(own.lux);
      expect(Math.abs(Math.log(own.lux / platform.goal.lux))).toBeLessThan(0.12);
    }
  });

  const editForMatters = (project: Project, matters: 'on' | 'off') => {
    const changed = changeDetector('timer', { matters })(project);
    const nearest = designOf(changed).candidates.reduce((best, each) =>
      each.switching.ok &&
      (!best.switching.ok ||
        Math.abs(Math.log(each.switching.lux / 60)) < Math.abs(Math.log(best.switching.lux / 60)))
        ? each
        : best,
    );
    return changeDivider({ fixedOhms: nearest.ohms })(changed);
  };

  it('moves both with a resistor at its control pin', () => {
    const plain = chooseDetector('timer')(platform);
    const lower = changeDetector('timer', { control: { ohms: 4700, to: 'ground' } })(plain);
    const [before, outputStage] = [thresholdsOf(plain), thresholdsOf(lower)];
    if (!before.turnOn.ok || !outputStage.turnOn.ok) throw new Error('does not switch');
    // Lower thresholds, LDR above: more resistance, less light.
    expect(outputStage.turnOn.lux).toBeLessThan(before.turnOn.lux / 1.2);
  });
});

describe('a microcontroller', () => {
  it('takes the codes for two lights, and then switches there to within a code', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('on-in-dark' as const, 'on-in-light' as const),
        fc.constantFrom('top' as const, 'bottom' as const),
        fc.double({ min: 1.1, max: 4, noNaN: true }),
        fc.constantFrom(10, 12),
        (action, ldrSide, band, bits) => {
          const offLux = action === 'on-in-dark' ? 60 * band : 60 / band;
          const project = together(
            chooseDetector('controller'),
            changeDivider({ ldrSide }),
            changeGoal({ action, lux: 60, offLux }),
            changeDetector('controller', { bits }),
            sizeDetector,
          )(platform);
          const { turnOn, turnOff } = thresholdsOf(project);
          const facts = factsOf(project);
          if (!turnOn.ok || !turnOff.ok) throw new Error('does not switch');
          expect(Math.abs(turnOn.lux - 60)).toBeLessThan(facts.on.lightPerCode * 1.1);
          expect(Math.abs(turnOff.lux - offLux)).toBeLessThan(facts.off.lightPerCode * 1.6);
        },
      ),
      { numRuns: 40, seed: 5 },
    );
  });

  it('on more than 5 V gets a supply of its own, and the load keeps what it had', () => {
    const high = chooseDetector('controller')(changeDivider({ supplyVolts: 9 })(platform));
    const advice = said(high, 'controller-supply');
    const withFix = editFor(advice!.fix!)(high);
    expect(withFix).toMatchObject({
      divider: { supplyVolts: 5 },
      loadSupply: { volts: 9, commonGround: true },
    });
    expect(said(withFix, 'controller-supply')).toBeUndefined();
    expect(designOf(withFix).drive.saturates).toBe(true);
  });

  it('says codes that its own noise carries it across, and how many readings would hold it', () => {
    const near = changeDetector('controller', { onCode: 500, offCode: 499, samples: 1 })(
      chooseDetector('controller')(platform),
    );
    const advice = said(near, 'codes-close');
    expect(advice).toMatchObject({ apart: 1, samples: 1, wantedSamples: 36 });
    const withFix = editFor(advice!.fix!)(near);
    expect(said(withFix, 'codes-close')).toBeUndefined();
    expect(withFix.detector.kind === 'controller' && withFix.detector.samples).toBe(36);
    const [few, many] = [factsOf(near), factsOf(withFix)];
    expect(few.on.wanderLight / many.on.wanderLight).toBeCloseTo(6, 6);
  });

  it('says a code that is never read, a source too high, codes the wrong way round, and a pin without a resistor', () => {
    const project = chooseDetector('controller')(platform);
    expect(said(changeDetector('controller', { onCode: 2000 })(project), 'code-out-of-range')).toMatchObject({
      largest: 2000,
      maxCode: 1023,
    });
    const dim = chooseDetector('controller')(changeGoal({ lux: 0.3 })(sampleProjects[2]));
    expect(said(dim, 'source-resistance')?.ohms).toBeGreaterThan(10_000);
    const { detector } = project;
    if (detector.kind !== 'controller') throw new Error('no controller');
    const swapped = changeDetector('controller', { onCode: detector.offCode, offCode: detector.onCode })(
      project,
    );
    expect(said(swapped, 'band-inverted')).toBeDefined();
    expect(said(changeDriver({ baseOhms: null })(project), 'output-over-current')).toMatchObject({
      into: 'base',
    });
  });
});

describe('a threshold between two midpoints', () => {
  it('leaves the LDR the same ratio of resistance either way', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 24, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (supply, dark, light) => {
          if (Math.abs(dark - light) < 1e-3) return;
          const found = betweenMidpoints(supply, supply * dark, supply * light)!;
          const ratio = (volts: number) => supply / volts - 1;
          const ways = [
            ratio(supply * dark) / ratio(found.volts),
            ratio(found.volts) / ratio(supply * light),
          ];
          expect(ways[0]! / ways[1]!).toBeCloseTo(1, 6);
          expect(found.ohmsRatio).toBeGreaterThan(1);
        },
      ),
    );
  });

  it('is not made up for a midpoint outside the supply, or twice the same', () => {
    expect(betweenMidpoints(5, 5.2, 1)).toBeNull();
    expect(betweenMidpoints(5, 2, 2)).toBeNull();
  });
});
