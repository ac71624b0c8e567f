import { describe, expect, it } from 'vitest';
import {
  changeBaseResistor,
  changeDivider,
  changeGoal,
  changeLoad,
  changeLoadSupply,
  takeLoad,
  together,
} from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { defaultLoads } from '../loads/registry';
import { defaultSource } from '../loads/supply';
import { analyse } from '../design';
import { conflictOf } from './waysOut';

const [platform, , stair] = sampleProjects;
const conflictIn = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return conflictOf(project, analysis.design);
};
const weak = changeDivider({ fixedOhms: 75_000 })(stair);

describe('the conflict of light and load', () => {
  it('is none where the load is held', () => {
    expect(conflictIn(platform)).toBeNull();
  });

  it('says what each side wants: the light far more than the load allows', () => {
    const conflict = conflictIn(weak);
    expect(conflict?.lightOhms).toBeGreaterThan(60_000);
    expect(conflict?.loadOhms ?? Infinity).toBeLessThan((conflict?.lightOhms ?? 0) / 2);
    const held = (fixedOhms: number) => {
      const analysis = analyse(changeDivider({ fixedOhms })(stair));
      return analysis.ok && analysis.design.drive.saturates;
    };
    expect(held((conflict?.loadOhms ?? 0) * 0.99)).toBe(true);
    expect(held((conflict?.loadOhms ?? 0) * 1.01)).toBe(false);
  });

  it('offers ways that all hold the load, each told as the design it makes', () => {
    const conflict = conflictIn(weak);
    expect(conflict?.ways.map(({ id }) => id)).toEqual([
      'nmos',
      'darlington',
      'comparator',
      'lighten-load',
      'move-divider',
    ]);
    for (const { after, outcome } of conflict?.ways ?? []) {
      const analysis = analyse(after);
      if (!analysis.ok) throw new Error(analysis.reason);
      const { drive, half } = analysis.design;
      expect(drive.saturates).toBe(true);
      expect(outcome.guaranteedAmps).toBe(drive.guaranteedAmps);
      expect(half.ok && half.lux).toBe(outcome.halfLux);
    }
    const near = (id: string) => {
      const lux = conflict?.ways.find((way) => way.id === id)?.outcome.halfLux ?? 0;
      return Math.abs(Math.log(lux / stair.goal.lux)) < 0.1;
    };
    expect(['nmos', 'darlington', 'lighten-load', 'move-divider'].map(near)).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it('wants at least a resistor, not at most, where R1 takes from the base: on in the light', () => {
    const bright = together(
      takeLoad({ ...defaultLoads.lamp, ratedVolts: 4.5, ratedAmps: 0.15 }),
      changeGoal({ action: 'on-in-light', lux: 3000 }),
      changeDivider({ ldrSide: 'top', fixedOhms: 33 }),
      changeBaseResistor(2700),
    )(stair);
    const conflict = conflictIn(bright);
    if (!conflict?.loadOhms) throw new Error('a conflict was wanted');
    expect(conflict.loadWants).toBe('at-least');
    const held = (fixedOhms: number) => {
      const analysis = analyse(changeDivider({ fixedOhms })(bright));
      return analysis.ok && analysis.design.drive.saturates;
    };
    expect(held(conflict.loadOhms * 0.98)).toBe(false);
    expect(held(conflict.loadOhms * 1.02)).toBe(true);
    expect(conflict.ways.find(({ id }) => id === 'move-divider')?.outcome.fixedOhms).toBeGreaterThanOrEqual(
      conflict.loadOhms,
    );
  });

  it('offers no lighter LED where there is none', () => {
    const buzzing = takeLoad({ ...defaultLoads.buzzer, minVolts: 1, ratedVolts: 4 })(weak);
    expect(conflictIn(buzzing)?.ways.map(({ id }) => id)).not.toContain('lighten-load');
  });

  it('is not made of what has another cause', () => {
    const apart = changeLoadSupply({ ...defaultSource('adapter', 12), commonGround: false });
    expect(conflictIn(together(apart)(weak))).toBeNull();
    expect(conflictIn(changeLoad({ inSeries: 6 })(weak))).toBeNull();
  });
});
