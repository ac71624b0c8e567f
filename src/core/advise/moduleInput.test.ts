import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { defaultLoads } from '../loads/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { defaultTransistor } from '../drivers/registry';
import { changeDivider, changeLoadSupply, takeLoad, takeTransistor, together } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { curesOf, editTo } from './remedies';

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

  it('is left as it is where its side can be switched', () => {
    const project = together(changeLoadSupply(null), changeDivider({ supplyVolts: 12 }))(apart('comparator'));
    const [first] = curesOf(project).find(({ code }) => code === 'module-wrong-side')?.remedies ?? [];
    expect(first?.changes.length).toBeGreaterThan(0);
    expect(first?.changes.map(({ code }) => code)).not.toContain('module-input');
  });
});
