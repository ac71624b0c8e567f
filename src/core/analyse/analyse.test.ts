import fc from 'fast-check';
import { mapReadings } from '../project/testReadings';
import { describe, expect, it } from 'vitest';
import {
  changeBaseResistor,
  changeDivider,
  changeGoal,
  changeLoad,
  changeResistors,
  together,
} from '../project/edits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { analyse } from '../design';
import type { Design } from '../design';
import { probeOf } from './probe';
import { drawnCurves } from './curves/drawn';
import type { Action } from '../drivers/kinds';

function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const codes = (design: Design) => design.advice.map((entry) => entry.code);
const sample = (id: string): Project => {
  const found = sampleProjects.find((project) => project.id === `sample-${id}`);
  if (!found) throw new Error(`no sample ${id}`);
  return found;
};

describe('analyse', () => {
  it('finds the samples as their stories tell them', () => {
    expect(codes(designOf(sample('platform-lamps')))).toEqual([]);
    expect(codes(designOf(sample('larder-telltale')))).toEqual([]);
    const stair = designOf(sample('canoe-rack'));
    expect(codes(stair)).toEqual(['never-switches', 'load-not-saturated']);
    expect(stair.states).toEqual({
      measure: 'in-order',
      divide: 'cannot',
      switch: 'cannot',
      drive: 'in-order',
      try: 'in-order',
      build: 'in-order',
      check: 'in-order',
    });
  });

  it('says of a new project only that its LDR is a typical one', () => {
    expect(codes(designOf(newProject('new', 'New')))).toEqual(['typical-ldr']);
  });

  it('finds a fixed resistor that puts half load exactly at the goal, whatever the stage', () => {
    const anyProject = fc.record({
      action: fc.constantFrom<Action>('on-in-dark', 'on-in-light'),
      goal: fc.double({ min: 1, max: 2000, noNaN: true }),
      supply: fc.double({ min: 3, max: 15, noNaN: true }),
      base: fc.option(fc.double({ min: 100, max: 5000, noNaN: true }), { nil: null }),
      wanted: fc.double({ min: 0.001, max: 0.02, noNaN: true }),
    });
    fc.assert(
      fc.property(anyProject, ({ action, goal, supply, base, wanted }) => {
        const wired = together(
          changeGoal({ action: action, lux: goal }),
          changeDivider({ supplyVolts: supply, ldrSide: action === 'on-in-dark' ? 'bottom' : 'top' }),
          changeBaseResistor(base),
          changeLoad({ wantedAmps: wanted, seriesOhms: (supply - 1.9) / wanted }),
        )(newProject('any', 'Any'));
        const { exactFixed } = designOf(wired);
        if (!exactFixed.ok) return expect(exactFixed.reason).toBe('goal-out-of-reach');
        const { half, drive } = designOf(changeDivider({ fixedOhms: exactFixed.ohms })(wired));
        const atGoal = probeOf(changeDivider({ fixedOhms: exactFixed.ohms })(wired))(goal);
        expect((atGoal?.loadAmps ?? 0) / drive.fullAmps).toBeCloseTo(0.5, 4);
        if (half.ok) expect(Math.abs(half.lux / goal - 1)).toBeLessThan(1e-4);
        return undefined;
      }),
      { numRuns: 150, seed: 5 },
    );
  });

  it('brackets the true crossing of each switching point within 0.1 %', () => {
    const project = sample('platform-lamps');
    const { justOff, half, fullyOn, drive } = designOf(project);
    const probe = probeOf(project);
    const points = [
      [justOff, 0.01],
      [half, 0.5],
      [fullyOn, 0.9],
    ] as const;
    for (const [point, share] of points) {
      if (!point.ok) throw new Error(point.reason);
      expect(probe(point.lux * 0.999)?.loadAmps).toBeGreaterThan(share * drive.fullAmps);
      expect(probe(point.lux * 1.001)?.loadAmps).toBeLessThan(share * drive.fullAmps);
    }
  });

  it('tells where each neighbouring real value would switch, and is right about it', () => {
    const project = sample('larder-telltale');
    const { candidates } = designOf(project);
    expect(candidates.map(({ ohms }) => ohms)).toEqual([1300, 1500]);
    const inE12 = changeResistors({ series: 'E12' })(project);
    expect(designOf(inE12).candidates.map(({ ohms }) => ohms)).toEqual([1200, 1500]);
    expect(
      designOf(changeResistors({ series: 'own', ownOhms: [] })(project)).advice.map(({ code }) => code),
    ).toContain('empty-stock');
    for (const { ohms, switching } of candidates) {
      const { half } = designOf(changeDivider({ fixedOhms: ohms })(project));
      expect(half.ok && switching.ok && half.lux / switching.lux).toBeCloseTo(1, 6);
    }
  });

  it('sees the trap of a weak base, and that less load gets out of it', () => {
    const weak = changeDivider({ fixedOhms: 75_000 })(sample('canoe-rack'));
    const { drive } = designOf(weak);
    expect(drive.saturates).toBe(false);
    expect(drive.forcedBeta ?? 0).toBeGreaterThan(drive.minBeta ?? Infinity);
    expect(drive.guaranteedAmps).toBeCloseTo(drive.baseAmps * (drive.minBeta ?? 0), 4);
    const light = designOf(changeLoad({ wantedAmps: 0.002, seriesOhms: 1200 })(weak));
    expect(light.drive.saturates).toBe(true);
    expect(codes(light)).not.toContain('load-not-saturated');
  });

  it('catches an action that is the wrong way round', () => {
    const design = designOf(changeGoal({ action: 'on-in-light' })(sample('platform-lamps')));
    expect(design.action).toBe('on-in-dark');
    expect(design.advice[0]).toMatchObject({
      code: 'wrong-action',
      state: 'cannot',
      fix: { kind: 'swap-ldr-side' },
    });
  });

  it('says which lights can be reached when the goal cannot', () => {
    const dim = together(
      changeGoal({ action: 'on-in-light', lux: 0.02 }),
      changeDivider({ ldrSide: 'top' }),
    )(sample('larder-telltale'));
    const { exactFixed, candidates, advice } = designOf(dim);
    expect(candidates).toEqual([]);
    expect(advice[0]?.code).toBe('goal-out-of-reach');
    if (exactFixed.ok || exactFixed.reason !== 'goal-out-of-reach' || !exactFixed.reach)
      throw new Error('reach wanted');
    const { minLux, maxLux } = exactFixed.reach;
    expect(minLux).toBeGreaterThan(0.02);
    for (const lux of [minLux * 1.01, maxLux * 0.99]) {
      expect(designOf(changeGoal({ lux })(dim)).exactFixed.ok).toBe(true);
    }
    expect(designOf(changeGoal({ lux: minLux * 0.95 })(dim)).exactFixed.ok).toBe(false);
  });

  it('refuses an LED that the supply cannot light', () => {
    const design = designOf(changeDivider({ supplyVolts: 2.5 })(sample('platform-lamps')));
    expect(design.loads[0]?.series).toMatchObject({ ok: false, reason: 'supply-too-low' });
    expect(codes(design)).toContain('supply-below-led');
    expect(codes(design)).not.toContain('load-not-saturated');
  });

  it('warns of too much LED current before anything is burnt', () => {
    const design = designOf(changeLoad({ seriesOhms: 100 })(sample('platform-lamps')));
    expect(design.advice[0]).toMatchObject({
      code: 'led-over-current',
      state: 'cannot',
      fix: { kind: 'take-series', ohms: 330, index: 0 },
    });
    expect(design.drive.fullAmps).toBeGreaterThan(0.02);
  });

  it('warns of a base without a resistor under a bright LDR', () => {
    const open = together(changeBaseResistor(null), changeGoal({ lux: 3000 }))(sample('larder-telltale'));
    expect(codes(designOf(open))).toContain('base-over-current');
  });

  it('notices readings that do not reach the goal, rare slopes and lone pairs', () => {
    const project = sample('platform-lamps');
    expect(codes(designOf(changeGoal({ lux: 1 })(project)))).toContain('goal-outside-readings');
    const pair = { ...project, readings: project.readings.slice(2, 4) };
    expect(codes(designOf(pair))).toContain('two-readings');
    const sloping = (gamma: number) => mapReadings(project, (lux) => ({ ohms: 1000 * lux ** -gamma }));
    expect(codes(designOf(sloping(0.25)))).toContain('gamma-unusual');
    expect(codes(designOf(sloping(0.12)))).toContain('gamma-impossible');
  });

  it('gives plain, finite figures that can be sent to a worker and back', () => {
    for (const project of sampleProjects) {
      const design = designOf(project);
      expect(structuredClone(design)).toEqual(design);
      expect(design.drive.forcedBeta === null || Number.isFinite(design.drive.forcedBeta)).toBe(true);
      const curves = drawnCurves(design)!;
      expect(curves.loadAmps.every(Number.isFinite)).toBe(true);
      expect(curves.lux.every((lux, index, all) => index === 0 || lux >= (all[index - 1] ?? 0))).toBe(true);
    }
  });
});
