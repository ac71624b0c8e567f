import { describe, expect, it } from 'vitest';
import { findCrossing, overLevel } from '../light/crossing';
import { analyse } from '../design';
import { someProject } from '../advise/testProjects';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { endsFor } from './fixed';
import { trimmerTravel } from './sizingMethods';

/** Loads that pass half their current as it gets lighter and come back: other lights were once told of them. */
const PASSED_TWICE = [1862, 2903, 3136] as const;

const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

describe('crossings', () => {
  const range = { minLux: 0.1, maxLux: 1000 };
  it('are found where the current passes the level', () => {
    const found = findCrossing((lux) => overLevel(0.01 / lux, 0.001), range);
    expect(found.ok && found.lux).toBeCloseTo(10, 5);
  });

  it('are not made up where there is none', () => {
    expect(findCrossing(() => overLevel(0.01, 0.001), range)).toEqual({ ok: false, reason: 'stays-above' });
    expect(findCrossing(() => overLevel(0, 0.001), range)).toEqual({ ok: false, reason: 'stays-below' });
    expect(findCrossing(() => overLevel(null, 0.001), range)).toEqual({ ok: false, reason: 'not-converged' });
  });
});

describe('the ends of the axis', () => {
  it('are named by what the load does there', () => {
    const range = { minLux: 0.1, maxLux: 1000 };
    expect(endsFor('on-in-dark', range)).toEqual({ onLux: 0.1, offLux: 1000 });
    expect(endsFor('on-in-light', range)).toEqual({ onLux: 1000, offLux: 0.1 });
  });
});

describe('the light at which a resistor would switch', () => {
  it('is the one that the design says once it is taken: of those in stock, and at either end of a trimmer', () => {
    const compared = { resistors: 0, ends: 0 };
    for (const seed of [...PASSED_TWICE, ...Array.from({ length: runs(3000, 60) }, (_, at) => at + 1)]) {
      const project = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const design = designOf(project);
      const says = (divider: Partial<Project['divider']>) => designOf(changeDivider(divider)(project)).half;
      const expectSame = (told: { readonly ok: boolean; readonly lux?: number }, half: typeof told) => {
        expect([seed, told.ok]).toEqual([seed, half.ok]);
        if (told.lux && half.lux) expect([seed, told.lux / half.lux]).toEqual([seed, expect.closeTo(1, 5)]);
      };
      for (const { ohms, switching } of design.candidates) {
        expectSame(switching, says({ fixedOhms: ohms, trimmer: null }));
        compared.resistors += 1;
      }
      const [travel, { trimmer }] = [trimmerTravel(project, design), project.divider];
      if (!travel || !trimmer) continue;
      const { endOhms, trackOhms } = trimmer;
      expectSame(travel.atEnd, says({ fixedOhms: Math.max(1, endOhms) }));
      expectSame(travel.atFull, says({ fixedOhms: endOhms + trackOhms }));
      compared.ends += 2;
    }
    expect(compared.resistors).toBeGreaterThan(20);
    expect(compared.ends).toBeGreaterThan(1);
  });
});
