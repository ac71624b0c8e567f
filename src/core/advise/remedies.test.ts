import { describe, expect, it } from 'vitest';
import { defaultTransistor } from '../drivers/registry';
import { changeDetector, changeOutput } from '../project/detectorEdits';
import { takeTransistor } from '../project/edits';
import { chooseDetector } from '../size/chooseDetector';
import { newProject } from '../project/newProject';
import { defaultLoads } from '../loads/registry';
import { defaultSource, IDEAL_SOURCE } from '../loads/supply';
import type { Project } from '../project/project';
import { checkProject } from '../project/project';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { findingKey, type Advice, type FindingCode } from './advice';
import { cornersOf } from './corners';
import { changesBetween } from './changes';
import { curesOf, editTo } from './remedies';
import { someProject } from './testProjects';
import { adviceOf, cannots, pressAll, pressedProjects } from '../testPresses';
import { untold } from '../testUntold';

const count = (advice: readonly Advice[], code: FindingCode) =>
  advice.filter((one) => one.code === code).length;

describe('what is offered for a finding, over random projects of every kind', () => {
  it('cures it, adds nothing that cannot work, says all that it changes, and keeps action, light and load', () => {
    let [offered, cured] = [0, 0];
    for (const project of pressedProjects()) {
      const before = [...adviceOf(project), ...cornersOf(project)];
      for (const { code, key, remedies, none } of curesOf(project)) {
        const isGrave = before.some((one) => one.code === code && one.state === 'cannot');
        if (remedies.length === 0)
          expect([project.name, code, none === 'cannots-first']).toEqual([
            project.name,
            code,
            !isGrave && cannots(project).length > 0,
          ]);
        for (const remedy of remedies) {
          offered += 1;
          const after = editTo(remedy)(project);
          expect(checkProject(after).ok).toBe(true);
          for (const better of remedies.slice(0, remedies.indexOf(remedy)))
            expect([project.name, code, remedy.changes]).not.toEqual([
              project.name,
              code,
              expect.arrayContaining([...better.changes]),
            ]);
          expect([project.name, code, remedy.changes]).not.toEqual([project.name, code, []]);
          expect([project.name, code, untold(remedy.from, remedy.to, remedy.changes)]).toEqual([
            project.name,
            code,
            [],
          ]);
          expect(after.goal.action).toBe(project.goal.action);
          if (!code.startsWith('beam-') && code !== 'edges-reversed')
            expect(after.goal.lux).toBe(project.goal.lux);
          expect(after.loads.map(({ kind }) => kind)).toEqual(project.loads.map(({ kind }) => kind));
          const said = [...adviceOf(after), ...(code === 'at-corner' ? cornersOf(after) : [])];
          const grave = (advice: readonly Advice[]) => advice.filter(({ state }) => state === 'cannot');
          const fresh = grave(said).filter(
            ({ code: of }) => count(grave(said), of) > count(grave(before), of),
          );
          const gravely = (advice: readonly Advice[]) =>
            advice.filter((one) => one.code === code && one.state === 'cannot').length;
          // Gone, or no longer so grave that it cannot work.
          const isBetter = count(said, code) < count(before, code) || gravely(said) < gravely(before);
          // It is that finding which is gone, not another of its code.
          const ofKey = (advice: readonly Advice[]) => advice.filter((one) => findingKey(one) === key).length;
          if (isBetter && fresh.length === 0 && ofKey(said) < ofKey(before)) cured += 1;
          else
            throw new Error(
              `${project.name}: ${code} by ${JSON.stringify(remedy.changes)} → ${JSON.stringify(fresh)}`,
            );
        }
      }
    }
    promised(
      'buttons that cure their finding and add nothing that cannot work',
      `${cured} of ${offered}`,
      'all',
    );
    expect(offered).toBeGreaterThan(pressedProjects().length / 2);
  });

  it('tries a narrower and a wider band where the usual one does not do, and says where something else comes in its place', () => {
    const ofCode = (project: Project, code: FindingCode) =>
      curesOf(project).find((cure) => cure.code === code);
    const inOrder = (project: Project) => pressAll(project).design;
    const window = inOrder(unusualProject(20076));
    expect(adviceOf(window).map(({ code }) => code)).toContain('no-edge-band');
    expect(ofCode(window, 'no-edge-band')?.remedies[0]?.changes).toContainEqual(
      expect.objectContaining({ code: 'edge-band' }),
    );
    expect(ofCode(inOrder(unusualProject(89)), 'at-corner')).toMatchObject({
      remedies: [],
      none: 'trades',
    });
  });

  it('moves the light to turn off at where the load’s own light reaches it, and says from where', () => {
    const project = unusualProject(1000073);
    expect(pressAll(project).left).toEqual([]);
    const [first] = curesOf(project).flatMap(({ code, remedies }) =>
      code === 'controller-supply' ? remedies : [],
    );
    if (!first) throw new Error('no cure');
    const next = curesOf(editTo(first)(project)).find(({ code }) => code === 'feedback-light');
    expect(next?.remedies[0]?.changes).toContainEqual({ code: 'move-off', lux: 6.5, fromLux: 2.3 });
  });

  it('finds a supply for the load together with the switch that it asks for, behind five comparators too', () => {
    const project = someProject(1002198);
    const changes = curesOf(project).find(({ code }) => code === 'load-starved')?.remedies[0]?.changes;
    expect(changes?.map(({ code }) => code)).toEqual(['supply', 'transistor']);
  });

  it('leaves alone what takes no part in the circuit: a dot’s outputs, as they are kept for a bar', () => {
    const project = someProject(13944);
    const remedies = curesOf(project).flatMap((cure) =>
      cure.code === 'module-wrong-side' ? cure.remedies : [],
    );
    expect(remedies.length).toBeGreaterThan(0);
    for (const { from, to, changes } of remedies) expect(untold(from, to, changes)).toEqual([]);
    const dot = changeDetector('ladder', { shows: 'dot' })(chooseDetector('ladder')(project));
    expect(changeOutput({ loadRail: 'ground' })(dot)).toBe(dot);
  });

  it('moves the goal for a beam that is missed, and for nothing else', () => {
    for (const seed of [279, 531, 603]) {
      const project = unusualProject(seed);
      const movers = curesOf(project).filter(({ remedies }) =>
        remedies.some((remedy) => editTo(remedy)(project).goal.lux !== project.goal.lux),
      );
      expect([seed, movers.map(({ code }) => code)]).toEqual([seed, ['beam-missed']]);
    }
  });

  it('takes another switch where this one cannot tell the two lights of a beam apart', () => {
    for (const seed of [60098, 60851].slice(0, runs(2, 2, 1))) {
      const project = unusualProject(seed);
      const cure = curesOf(project).find(({ code }) => code === 'beam-missed');
      expect([seed, cure?.remedies.length ?? 0]).not.toEqual([seed, 0]);
      expect(pressAll(project).left).toEqual([]);
    }
  });

  it('offers what cures that end of a supply, and not another that stops working as well', () => {
    const project = someProject(80470);
    const corners = cornersOf(project);
    const inner = (advice: Advice) => (advice.code === 'at-corner' ? advice.inner.code : null);
    expect(corners.map(inner)).toHaveLength(2);
    expect(new Set(corners.map(inner)).size).toBe(2);
    const cures = curesOf(project).filter(({ code }) => code === 'at-corner');
    expect(cures.map(({ remedies }) => remedies.length > 0)).toEqual([true, true]);
    for (const { key, remedies } of cures)
      for (const remedy of remedies)
        expect([key, cornersOf(editTo(remedy)(project)).map(findingKey).includes(key)]).toEqual([key, false]);
    // What a change comes to counts every end, though most are not solved while changes are sought.
    for (const remedy of cures.flatMap(({ remedies }) => remedies)) {
      const after = editTo(remedy)(project);
      const looks = adviceOf(after).filter(({ step, state }) => step !== 'measure' && state === 'look');
      expect(remedy.then.looks).toBe(looks.length + cornersOf(after).length);
    }
  });

  it('offers what makes a load that is hardly off go nearly off, though that is said still', () => {
    const project = unusualProject(62111);
    const [cure] = curesOf(project).filter(({ code }) => code === 'stays-lit');
    expect(cure?.remedies.length).toBeGreaterThan(0);
    expect(pressAll(project).left).toEqual([]);
  });

  it('offers each of two like loads a button of its own, and names the load', () => {
    const led = { ...defaultLoads.led, wantedAmps: 0.01 };
    const loads = [
      { ...led, seriesOhms: 56 },
      { ...led, led: 'blue' as const, forwardVolts: 3, seriesOhms: 22 },
    ];
    const project = { ...takeTransistor(defaultTransistor('nmos'))(newProject('two', 'Two')), loads };
    const over = (of: Project) => adviceOf(of).filter(({ code }) => code.startsWith('led-over-'));
    expect(over(project).map(({ ofLoad }) => ofLoad?.designator)).toEqual(['D1', 'D2']);
    for (const advice of over(project)) {
      const key = findingKey(advice);
      const remedies = curesOf(project).find((cure) => cure.key === key)?.remedies ?? [];
      expect(remedies.length).toBeGreaterThan(0);
      for (const remedy of remedies) expect(over(editTo(remedy)(project)).map(findingKey)).not.toContain(key);
    }
  });

  it('says what it changes where only the sort of supply is another', () => {
    const project = unusualProject(80035);
    for (const { code, remedies } of curesOf(project))
      for (const { changes } of remedies) expect([code, changes]).not.toEqual([code, []]);
    const cells = { ...project, source: defaultSource('battery', 6, 'alkaline-aa', 4).source };
    const six = { ...cells, divider: { ...project.divider, supplyVolts: 6 } };
    expect(changesBetween(six, { ...six, source: IDEAL_SOURCE })).toMatchObject([
      { code: 'supply', volts: 6 },
    ]);
  });
});
