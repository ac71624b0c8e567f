import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { ldrOhmsBand } from '../ldr/model';
import { changeDivider, changeGoal, changeResistors, changeTrimmer } from '../project/edits';
import { changePart } from '../project/readingEdits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { DEFAULT_STOCK } from '../series/stock';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { ldrLimitsOf } from '../analyse/ldrLimits';
import { sizingMethodsOf, trimmerTravel } from './sizingMethods';
import type { SizingMethod } from './sizingMethods';
import { chooseTrimmer, fixedSpread, ohmsAtPosition, trimmerPosition } from './trimmer';
import { drawnCurves } from '../analyse/curves/drawn';
import { passedOff } from '../testRecord';

const [platform, larder] = sampleProjects;
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
type Sized = Extract<SizingMethod, { ok: true }>;
const methods = (project: Project) =>
  passedOff<Record<SizingMethod['id'], Sized>>(
    Object.fromEntries(sizingMethodsOf(project, designOf(project)).map((method) => [method.id, method])),
  );

describe('the sizing methods', () => {
  it('have their own exact values', () => {
    const project = changeDivider({ lights: { darkLux: 10, brightLux: 400 } })(platform);
    const { ldr, exactFixed } = designOf(project);
    const found = methods(project);
    const at = (lux: number) => ldrOhmsAt(ldr.curve, lux);
    expect(found['geometric-mean'].exactOhms).toBeCloseTo(Math.sqrt(at(10) * at(400)), 6);
    expect(found['equal-at-goal'].exactOhms).toBeCloseTo(at(60), 6);
    expect(exactFixed.ok && found['own-threshold'].exactOhms).toBe(exactFixed.ok && exactFixed.ohms);
    expect(found.substitution.exactOhms).toBe(6800);
  });

  it('put the goal where they promise it, as near as a real resistor comes', () => {
    for (const project of [platform, larder]) {
      const found = methods(changeResistors({ series: 'E96' })(project));
      const { switching } = found['own-threshold'].figures;
      expect(switching.ok && Math.abs(Math.log(switching.lux / project.goal.lux))).toBeLessThan(0.02);
      const trimmed = found.trimmer.figures.switching;
      // As near as the screw is set, to a whole ohm.
      expect(trimmed.ok && trimmed.lux / project.goal.lux).toBeCloseTo(1, 3);
    }
  });

  it('say what the project says of itself once it takes one, in any project', () => {
    let said = 0;
    for (const project of [
      ...sampleProjects,
      ...Array.from({ length: runs(2000, 60) }, (_, seed) =>
        (seed % 3 === 2 ? unusualProject : someProject)(seed + 1),
      ),
    ])
      for (const method of sizingMethodsOf(project, designOf(project))) {
        if (!method.ok) continue;
        said += 1;
        const { half, extremes } = designOf(method.edit(project));
        const { switching, ldrWatts } = method.figures;
        expect(switching).toEqual(half.ok ? { ok: true, lux: half.lux } : half);
        expect(ldrWatts).toBe(extremes.worst.ldrWatts);
      }
    expect(said).toBeGreaterThan(runs(2000, 60));
  });

  it('are in use where taking them changes nothing but where a trimmer stands', () => {
    const inUse = (project: Project) =>
      sizingMethodsOf(project, designOf(project)).flatMap((one) => (one.ok && one.isInUse ? [one.id] : []));
    expect(inUse(platform)).toContain('substitution');
    expect(inUse(platform)).not.toContain('trimmer');
    const taken = methods(platform).trimmer.edit(platform);
    const { trimmer, fixedOhms } = taken.divider;
    if (!trimmer) throw new Error('no trimmer');
    expect(inUse(taken)).toContain('trimmer');
    // Turned, it is the same one; another track or end is not.
    const put = (other: Partial<typeof trimmer>) => changeTrimmer({ ...trimmer, ...other })(taken);
    expect(inUse(changeDivider({ fixedOhms: fixedOhms * 1.1 })(taken))).toContain('trimmer');
    expect(inUse(put({ trackOhms: trimmer.trackOhms * 5 }))).not.toContain('trimmer');
    expect(inUse(put({ endOhms: trimmer.endOhms / 2 }))).not.toContain('trimmer');
  });

  it('say what they cannot', () => {
    const bare = changeResistors({ series: 'own', ownOhms: [], trimmerOhms: [] })(platform);
    const reasons = sizingMethodsOf(bare, designOf(bare)).map((method) => (method.ok ? 'ok' : method.reason));
    expect(reasons).toEqual(['empty-stock', 'empty-stock', 'empty-stock', 'ok', 'empty-stock']);
    const dark = changeGoal({ lux: 0.002 })(larder);
    const ids = sizingMethodsOf(dark, designOf(dark)).filter((method) => !method.ok);
    expect(ids.map(({ id }) => id)).toContain('own-threshold');
    const told = sizingMethodsOf(dark, designOf(dark)).flatMap((one) =>
      one.ok ? [] : [[one.id, one.reason]],
    );
    expect(told).toContainEqual(['own-threshold', 'out-of-reach']);
    expect(told).toContainEqual(['trimmer', 'out-of-reach']);
  });
});

describe('a trimmer', () => {
  it('is chosen so that the value lies inside its travel, whatever the value', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 600, max: 5e5, noNaN: true }),
        fc.double({ min: 1.01, max: 1.6, noNaN: true }),
        (ohms, factor) => {
          const chosen = chooseTrimmer(DEFAULT_STOCK, ohms, { low: ohms / factor, high: ohms * factor });
          if (!chosen.ok) throw new Error(chosen.reason);
          const { position, endOhms, trackOhms, covers } = chosen.choice;
          expect(endOhms + position * trackOhms).toBeCloseTo(ohms, 3);
          expect(position).toBeGreaterThanOrEqual(0.1);
          expect(position).toBeLessThanOrEqual(0.9);
          expect(covers).toBe(endOhms <= ohms / factor && endOhms + trackOhms >= ohms * factor);
        },
      ),
    );
  });

  it('is refused where there is none, or none that reaches', () => {
    expect(chooseTrimmer({ ...DEFAULT_STOCK, trimmerOhms: [] }, 1000, { low: 900, high: 1100 })).toEqual({
      ok: false,
      reason: 'empty-stock',
    });
    expect(chooseTrimmer({ ...DEFAULT_STOCK, trimmerOhms: [1e6] }, 100, { low: 90, high: 110 })).toEqual({
      ok: false,
      reason: 'out-of-reach',
    });
  });

  it('tells its travel in light and how fine a degree is', () => {
    const set = changeTrimmer({ trackOhms: 10_000, endOhms: 2200, degrees: 270 })(platform);
    const travel = trimmerTravel(set, designOf(set));
    if (!travel?.atEnd.ok || !travel.atFull.ok) throw new Error('no travel');
    expect(trimmerPosition({ trackOhms: 10_000, endOhms: 2200, degrees: 270 }, 6800)).toBeCloseTo(0.46, 6);
    const { half } = designOf(changeDivider({ fixedOhms: 12_200 })(platform));
    expect(half.ok && travel.atFull.lux / half.lux).toBeCloseTo(1, 5);
    // A degree is 37 Ω of 6.8 kΩ, 0.54 %: through γ of 0.7 about 0.8 % of the light.
    expect(travel.sharePerDegree).toBeGreaterThan(0.005);
    expect(travel.sharePerDegree).toBeLessThan(0.01);
    expect(trimmerTravel(platform, designOf(platform))).toBeNull();
    expect(travel.lightPerTurn).toBeNull();
    const turned = (trackOhms: number) => {
      const trimmer = { trackOhms, endOhms: 2200, degrees: 3600 };
      const project = changeTrimmer(trimmer)(platform);
      return { travel: trimmerTravel(project, designOf(project))!, half: designOf(project).half };
    };
    const fine = turned(10_000);
    const { half: after } = designOf(changeDivider({ fixedOhms: 6800 + 1000 })(platform));
    if (!fine.half.ok || !after.ok) throw new Error('no light');
    expect(fine.travel.lightPerTurn! / Math.abs(after.lux - fine.half.lux)).toBeCloseTo(1, 4);
    // A degree is a three hundred and sixtieth of that, about.
    expect((fine.travel.lightPerDegree! * 360) / fine.travel.lightPerTurn!).toBeCloseTo(1, 0);
    expect(fine.travel.sharePerDegree! * fine.half.lux).toBeCloseTo(fine.travel.lightPerDegree!, 9);
    // Just at the end of its travel a turn goes back.
    const atFull = changeDivider({ fixedOhms: 12_200 })(
      changeTrimmer({ trackOhms: 10_000, endOhms: 2200, degrees: 3600 })(platform),
    );
    const [end, back] = [atFull, changeDivider({ fixedOhms: 11_200 })(atFull)].map(
      (one) => designOf(one).half,
    );
    if (!end?.ok || !back?.ok) throw new Error('no light');
    const { lightPerTurn } = trimmerTravel(atFull, designOf(atFull))!;
    expect(lightPerTurn! / Math.abs(back.lux - end.lux)).toBeCloseTo(1, 4);
    // From a light to none there is no telling how far.
    const far = turned(5_000_000).travel;
    expect([far.atFull.ok, far.lightPerTurn]).toEqual([false, null]);
  });

  it('has to reach as far as the LDR’s spread takes R1, which goes with its resistance', () => {
    const { ldr } = designOf(platform);
    const [middle, band] = [ldrOhmsAt(ldr.curve, 60), ldrOhmsBand(ldr, 60)];
    const { low, high } = fixedSpread(ldr, 60, 5000);
    expect(low / 5000).toBeCloseTo(band.low / middle, 9);
    expect(high / 5000).toBeCloseTo(band.high / middle, 9);
    expect(low).toBeLessThan(5000);
    expect(high).toBeGreaterThan(5000);
  });

  it('stands where it gives R1, to four digits and never under an ohm', () => {
    const trimmer = { trackOhms: 10_000, endOhms: 2200, degrees: 270 };
    expect([0, 0.46, 1].map((at) => ohmsAtPosition(trimmer, at))).toEqual([2200, 6800, 12_200]);
    expect(ohmsAtPosition(trimmer, 0.123456)).toBe(3435);
    expect(ohmsAtPosition({ ...trimmer, endOhms: 0 }, 0)).toBe(1);
  });

  it('keeps the resistor inside its travel when it is put in', () => {
    const trimmer = { trackOhms: 1000, endOhms: 220, degrees: 270 };
    expect(changeTrimmer(trimmer)(platform).divider.fixedOhms).toBe(1220);
    expect(changeTrimmer(trimmer, 100)(platform).divider.fixedOhms).toBe(220);
    expect(changeTrimmer(null)(changeTrimmer(trimmer)(platform)).divider).toMatchObject({
      trimmer: null,
      fixedOhms: 1220,
    });
  });
});

describe('what an LDR bears', () => {
  it('falls with the warmth, and is its own where the leaflet is known', () => {
    expect(ldrLimitsOf(platform)).toMatchObject({ watts: 0.075, volts: 150, known: false });
    const warm = changeDivider({ ambientCelsius: 50 })(platform);
    expect(ldrLimitsOf(warm).watts).toBeCloseTo(0.0375, 9);
    expect(ldrLimitsOf(changeDivider({ ambientCelsius: 70 })(platform)).watts).toBeCloseTo(0.0075, 9);
    const known = changePart({ maxWatts: 0.2, maxVolts: 320 })(platform);
    expect(ldrLimitsOf(known)).toEqual({ watts: 0.2, fullWatts: 0.2, volts: 320, known: true });
  });

  it('is held against the whole axis', () => {
    const hot = changeDivider({ ldrSide: 'top', supplyVolts: 12, ambientCelsius: 60 })(newProject('n', 'N'));
    expect(designOf(hot).advice.map(({ code }) => code)).toContain('ldr-warm');
    const low = changePart({ maxVolts: 5 })(changeDivider({ ldrSide: 'top', supplyVolts: 24 })(platform));
    expect(designOf(low).advice.map(({ code }) => code)).toContain('ldr-over-voltage');
  });
});

describe('resistors beside the LDR', () => {
  it('change the midpoint as the plain rule says where the base draws nothing', () => {
    const apart = changeDivider({
      ldrSide: 'top',
      fixedOhms: 100,
      ldrSeriesOhms: 470,
      ldrParallelOhms: 10_000,
    })(platform);
    const design = designOf(apart);
    const { ldr } = design;
    const curves = drawnCurves(design)!;
    curves.lux.forEach((lux, index) => {
      const across = 1 / (1 / ldrOhmsAt(ldr.curve, lux) + 1 / 10_000);
      const plain = (6 * 100) / (100 + 470 + across);
      if (plain < 0.4) expect((curves.midVolts[index] ?? 0) / plain).toBeCloseTo(1, 3);
    });
  });
});
