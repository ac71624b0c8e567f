import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { changeDivider } from '../project/edits';
import { actionOfProject } from '../size/withAction';
import { unusualProject } from '../testUnusual';
import { promised, runs } from '../testRuns';
import { DesignCircuit } from './designCircuit';
import { isLitWhenOff } from './feedbackLight';
import { roomLightsOf } from './roomLights';

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

/** Where a soft switch passes half as the room gets brighter and darker, its own light added step by step until nothing moves. */
function found(project: Project): { readonly brighter: number; readonly darker: number } {
  const design = designOf(project);
  const live = DesignCircuit.of(project, design.ldr);
  const { onAmps } = design.drive;
  const shareAt = (lux: number) => Math.min(1, (live.loadAmps(lux) ?? 0) / onAmps);
  const half = design.half.ok ? design.half.lux : NaN;
  const rooms = Array.from({ length: 400 }, (_, at) => half * 0.3 * 10 ** (at / 400));
  const passed = (way: readonly number[]) => {
    let share = shareAt(way[0] ?? half);
    const first = share > 0.5;
    return way.find((room) => {
      for (let step = 0; step < 200; step++)
        share += 0.2 * (shareAt(room + project.feedbackLux * share) - share);
      return share > 0.5 !== first;
    });
  };
  return { brighter: passed(rooms) ?? NaN, darker: passed(rooms.toReversed()) ?? NaN };
}

describe('the lights of the room', () => {
  const platform = sampleNamed('Platform lamps');
  const dark = designOf(platform).half;
  const half = dark.ok ? dark.lux : NaN;

  it('are those of the design where its load lights nothing', () => {
    expect(roomLightsOf({ ...platform, feedbackLux: 0 }, designOf(platform))).toEqual({
      onLux: half,
      offLux: half,
    });
  });

  it('are less by half of its own light where a transistor lights its LDR, and none where that is all of it', () => {
    for (const share of [0.1, 0.4]) {
      const project = { ...platform, feedbackLux: share * half };
      const told = roomLightsOf(project, designOf(project))!;
      const { brighter, darker } = found(project);
      expect(told.onLux / brighter).toBeCloseTo(1, 1);
      expect(told.offLux / darker).toBeCloseTo(1, 1);
      expect(told.onLux / half).toBeCloseTo(1 - share / 2, 2);
    }
    const much = { ...platform, feedbackLux: 2.2 * half };
    expect(roomLightsOf(much, designOf(much))).toBeNull();
  });

  it('lie apart where it is on in the light and holds itself', () => {
    const other = changeDivider({ ldrSide: platform.divider.ldrSide === 'top' ? 'bottom' : 'top' })(platform);
    const lit = designOf(other).half;
    if (!lit.ok) throw new Error('no light');
    const project = { ...other, feedbackLux: 0.1 * lit.lux };
    const told = roomLightsOf(project, designOf(project))!;
    const { brighter, darker } = found(project);
    expect(told.onLux / brighter).toBeCloseTo(1, 1);
    expect(told.offLux / darker).toBeCloseTo(1, 1);
    expect(told.onLux).toBeLessThan(lit.lux);
  });
});

describe('the lights of the room of what snaps', () => {
  it('are those at which it turns on and off with its own light, in any project', () => {
    let [count, dimmed] = [0, 0];
    for (let seed = 1; seed <= runs(3000, 30); seed++) {
      const base = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const plain = analyse({ ...base, feedbackLux: 0 });
      if (!plain.ok || !plain.design.half.ok || !plain.design.thresholds) continue;
      const project = { ...base, feedbackLux: plain.design.half.lux * 0.02 * 20 ** ((seed % 7) / 7) };
      const design = designOf(project);
      const { thresholds } = design;
      const told = roomLightsOf(project, design);
      if (!told || !thresholds?.turnOn.ok || !thresholds.turnOff.ok) continue;
      const [on, off] = [thresholds.turnOn.lux, thresholds.turnOff.lux];
      const isDark = design.action === 'on-in-dark';
      const share = Math.min(1, (design.drive.reachedShare * design.drive.fullAmps) / design.drive.onAmps);
      const isClosedOff = isLitWhenOff(design);
      if (share < 0.99 && !isClosedOff) dimmed += 1;
      const next = (isOn: boolean, room: number) => {
        const lux = room + (isOn === isClosedOff ? 0 : project.feedbackLux * (isClosedOff ? 1 : share));
        if (isOn) return isDark ? lux < off : lux > off;
        return isDark ? lux < on : lux > on;
      };
      // On that side of each light it turns over, on the other it stays.
      const [darker, brighter] = [0.999, 1.001];
      if (told.onLux > 0)
        expect([seed, next(false, told.onLux * darker), next(false, told.onLux * brighter)]).toEqual([
          seed,
          isDark,
          !isDark,
        ]);
      if (told.offLux > 0)
        expect([seed, next(true, told.offLux * darker), next(true, told.offLux * brighter)]).toEqual([
          seed,
          isDark,
          !isDark,
        ]);
      count += 1;
    }
    promised('lights of the room of what snaps', `${count} of ${count}`, 'all');
    expect(count).toBeGreaterThan(8);
    expect(dimmed).toBeGreaterThan(0);
  });
});

describe('what a transistor does by itself', () => {
  it('is by what its load gets at either end, where that is another than its wiring says', () => {
    for (const [seed, action] of [
      [1753, 'on-in-light'],
      [2636, 'on-in-dark'],
    ] as const) {
      const project = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      expect(actionOfProject(project)).not.toBe(action);
      expect(designOf(project).action).toBe(action);
    }
  });

  it('is as it is wired where its load gets nothing', () => {
    const project = (3321 % 3 === 2 ? unusualProject : someProject)(3321);
    expect(designOf(project).action).toBe(actionOfProject(project));
  });
});
