import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { defaultLoads } from '../loads/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { defaultTransistor } from '../drivers/registry';
import { changeDivider, changeLoadSupply, takeLoad, takeTransistor, together } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { curesOf, editTo } from './remedies';
import { someProject } from './testProjects';

/** An active-high module of 12 V behind what runs on 5 V: no high-side switch is turned off by 5 V. */
const apart = (kind: 'controller' | 'comparator' | 'ladder') =>
  together(
    changeDivider({ supplyVolts: 5 }),
    takeTransistor(defaultTransistor('nmos')),
    takeLoad({ ...defaultLoads.module, input: 'active-high', ratedVolts: 12 }),
    changeLoadSupply({ volts: 12, source: IDEAL_SOURCE, commonGround: true }),
    chooseDetector(kind),
  )(sampleNamed('Platform lamps'));

describe('a module whose input wants the side that cannot be switched', () => {
  it.each(['controller', 'comparator', 'ladder'] as const)('is brought in order by a button: %s', (kind) => {
    let project = apart(kind);
    for (let step = 0; step < 6; step++) {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(analysis.reason);
      const left = analysis.design.advice.filter(({ state }) => state === 'cannot');
      if (left.length === 0) break;
      const [remedy] = curesOf(project).flatMap(({ code, remedies }) =>
        left.some((each) => each.code === code) ? remedies : [],
      );
      expect([kind, step, remedy !== undefined, left.map(({ code }) => code)]).toMatchObject([
        kind,
        step,
        true,
        {},
      ]);
      if (remedy) project = editTo(remedy)(project);
    }
    const last = analyse(project);
    expect(last.ok && last.design.advice.filter(({ state }) => state === 'cannot')).toEqual([]);
    expect(project.loads.map((load) => load.kind)).toContain('module');
  });

  it('is one sort for all where one is on with its input high and another with its input low', () => {
    let [count, cured] = [0, 0];
    for (let seed = 1; seed <= runs(400, 100, 4); seed++) {
      const start = someProject(seed);
      const { ratedVolts } = defaultLoads.module;
      const loads = (['active-high', 'active-low', 'active-high'] as const)
        .slice(0, 2 + (seed % 2))
        .map((input) => ({ ...defaultLoads.module, input, ratedVolts }));
      const project = { ...start, loads };
      const before = analyse(project);
      if (!before.ok || !before.design.advice.some(({ code }) => code === 'sides-disagree')) continue;
      count += 1;
      const [remedy] = curesOf(project).find(({ code }) => code === 'sides-disagree')?.remedies ?? [];
      if (!remedy) continue;
      const inputs = editTo(remedy)(project).loads.map((load) => ('input' in load ? load.input : null));
      expect([seed, new Set(inputs).size]).toEqual([seed, 1]);
      const turned = remedy.changes.flatMap((change) => (change.code === 'module-input' ? [change.nth] : []));
      // Each is told by its place.
      expect([seed, turned.length > 0, turned.includes(null)]).toEqual([seed, true, false]);
      cured += 1;
    }
    promised('modules of two sorts: made one by a button', `${cured} of ${count}`, '98 of 100');
    expect(count).toBeGreaterThan(1);
    expect(cured).toBeGreaterThanOrEqual(0.95 * count);
  });

  it('is left as it is where its side can be switched', () => {
    const project = together(changeLoadSupply(null), changeDivider({ supplyVolts: 12 }))(apart('comparator'));
    const [first] = curesOf(project).find(({ code }) => code === 'module-wrong-side')?.remedies ?? [];
    expect(first?.changes.length).toBeGreaterThan(0);
    expect(first?.changes.map(({ code }) => code)).not.toContain('module-input');
  });
});
