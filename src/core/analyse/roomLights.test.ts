import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { changeDivider } from '../project/edits';
import { actionOfProject } from '../size/withAction';
import { unusualProject } from '../testUnusual';
import { DesignCircuit } from './designCircuit';
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
