import { describe, expect, it } from 'vitest';
import { changeDivider, changeGoal, together } from './edits';
import { changeMeasurement } from './readingEdits';
import { sampleProjects } from './samples';
import { canBecome, checkProject, type Project } from './project';
import { addVariant, circuitOf, dropVariant, freeVariant, openVariant, variantsOf } from './variants';

const [platform] = sampleProjects;
if (!platform) throw new Error('no sample');

describe('variants of a project', () => {
  it('stand by as they were while another is changed, and come back whole', () => {
    const both = together(addVariant(), changeDivider({ fixedOhms: 1234 }))(platform);
    expect(both.variant).toBe('B');
    expect(checkProject(both).ok).toBe(true);
    const back = openVariant('A')(both);
    expect(circuitOf(back)).toEqual(circuitOf(platform));
    expect(openVariant('B')(back)).toEqual(both);
    expect(variantsOf(back).map(({ name }) => name)).toEqual(['A', 'B']);
  });

  it('are three at most; one that is thrown away leaves its name free', () => {
    const three = together(addVariant(), addVariant())(platform);
    expect(freeVariant(three)).toBeNull();
    expect(addVariant()(three)).toBe(three);
    const two = dropVariant('A')(three);
    expect(freeVariant(two)).toBe('A');
    expect(openVariant('A')(two)).toBe(two);
  });

  it('all keep their goals where they were when the readings come onto another scale', () => {
    const two = together(addVariant(), changeGoal({ lux: 120, offLux: 200 }))(platform);
    const levels = ['hall', 'yard'].map((id) => ({ id, name: id, lux: null }));
    const readings = platform.readings.map((reading, index) => ({
      ...reading,
      light: { kind: 'level', level: index < 3 ? 'hall' : 'yard' } as const,
    }));
    const outputStage = changeMeasurement({ levels, readings })(two);
    // Without light figures a goal is a place of a resistance: each keeps the LDR's own.
    expect(outputStage.goal.lux).not.toBe(120);
    expect(outputStage.goal.offLux! / outputStage.goal.lux).toBeGreaterThan(1.1);
    expect(outputStage.others[0]?.circuit.goal.lux).not.toBe(platform.goal.lux);
    expect(outputStage.others[0]!.circuit.goal.lux).toBeLessThan(outputStage.goal.lux);
  });

  it('refuse a damaged one with its path', () => {
    const two = addVariant()(platform);
    const damaged = {
      ...two,
      others: [{ ...two.others[0], circuit: { ...two.others[0]?.circuit, feedbackLux: -1 } }],
    };
    expect(checkProject(damaged)).toMatchObject({ ok: false, path: 'others[0].circuit.feedbackLux' });
  });
});

describe('a circuit that comes from a sound one', () => {
  const [one] = sampleProjects;
  const damages: readonly ((project: Project) => Project)[] = [
    (project) => ({ ...project, divider: { ...project.divider, fixedOhms: 0 } }),
    (project) => ({ ...project, goal: { ...project.goal, lux: NaN } }),
    (project) => ({ ...project, feedbackLux: -1 }),
    (project) => ({ ...project, loads: [] }),
    (project) => ({ ...project, source: { ...project.source, ohms: Infinity } }),
    (project) => ({ ...project, driver: { ...project.driver, baseOhms: -5 } }),
    (project) => ({ ...project, divider: { ...project.divider, fixedOhms: 4700 } }),
    (project) => ({ ...project, goal: { ...project.goal, lux: 12 } }),
    (project) => project,
  ];

  it('can be kept just where a file can hold the whole project', () => {
    const seen = new Set<boolean>();
    for (const project of sampleProjects)
      for (const damage of damages) {
        const after = damage(project);
        const isSound = checkProject(after).ok;
        seen.add(isSound);
        expect(canBecome(circuitOf(project), circuitOf(after))).toBe(isSound);
      }
    expect(seen.size).toBe(2);
  });

  it('is not looked at again where nothing of it has changed', () => {
    const damaged = circuitOf({ ...one, feedbackLux: -1 });
    expect(canBecome(damaged, { ...damaged, goal: { ...damaged.goal, lux: 3 } })).toBe(true);
    expect(canBecome(damaged, { ...damaged, feedbackLux: -2 })).toBe(false);
  });
});
