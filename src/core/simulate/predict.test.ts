import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { uniforms } from '../numeric/random';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { sampleNamed } from '../project/testSamples';
import { someProject } from '../advise/testProjects';
import { runs } from '../testRuns';
import { answered, kindsFor, nextKind, NO_SCORES, questionKinds, questionOf, type Question } from './predict';

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

const ask = (
  project: Project,
  kind: (typeof questionKinds)[number],
  seed: number,
  level = 2,
): Question | null => questionOf(project, designOf(project), kind, level, uniforms(seed));

describe('predict first', () => {
  it('asks of every sample what it can be asked, with one right answer among several', () => {
    const asked = new Set<string>();
    for (const project of sampleProjects) {
      const design = designOf(project);
      for (const kind of kindsFor(project, design))
        for (let seed = 1; seed < 8; seed++) {
          const question = ask(project, kind, seed);
          if (!question) continue;
          asked.add(kind);
          expect(question.options.length).toBeGreaterThan(1);
          expect(question.right).toBeGreaterThanOrEqual(0);
          expect(question.right).toBeLessThan(question.options.length);
          expect(new Set(question.options).size).toBe(question.options.length);
        }
    }
    expect(asked).toEqual(new Set(questionKinds));
  });

  it('never takes an answer for right that the solved circuit denies', () => {
    let held = 0;
    for (let seed = 1; seed <= runs(2000, 60); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const question = questionOf(project, design, 'which-way', 2, uniforms(seed));
      if (!question || !design.half.ok) continue;
      const told = question.options[question.right];
      if (told === 'nothing') continue;
      // To switch at a darker light R1 goes that way: a tenth is enough to see.
      const times = told === 'up' ? 1.1 : 1 / 1.1;
      const moved = analyse(
        changeDivider({ fixedOhms: project.divider.fixedOhms * times, trimmer: null })(project),
      );
      if (!moved.ok || !moved.design.half.ok || project.divider.trimmer) continue;
      held += 1;
      expect(moved.design.half.lux).toBeLessThan(design.half.lux);
    }
    expect(held).toBeGreaterThan(10);
  });

  it('counts what a ladder lights, and tells which input is higher', () => {
    const rack = ask(sampleNamed('Drying rack meter'), 'count', 3, 0)!;
    expect(rack.options).toEqual([0, 1, 2, 3, 4, 5]);
    const shelf = ask(sampleNamed('Seedling shelf'), 'inputs', 3)!;
    const { midVolts, referenceVolts } = shelf.facts;
    expect(shelf.options[shelf.right]).toBe(midVolts > referenceVolts! ? 'plus' : 'minus');
  });

  it('gets harder as answers get better, and brings back another day what was missed', () => {
    let scores = NO_SCORES;
    for (let count = 0; count < 6; count++) scores = answered(scores, 'midpoint', true, 100 + count);
    expect(scores.kinds[0]).toMatchObject({ kind: 'midpoint', level: 4 });
    expect(scores.kinds[0]!.dueDay).toBe(105 + 14);
    const missed = answered(scores, 'midpoint', false, 200);
    expect(missed.kinds[0]).toMatchObject({ level: 3, dueDay: 201 });
    expect([missed.right, missed.asked]).toEqual([6, 7]);
    expect(nextKind(missed, ['midpoint', 'darker'], 200, null)?.kind).toBe('darker');
    expect(nextKind(missed, ['midpoint', 'darker'], 201, 'darker')?.kind).toBe('midpoint');
    expect(nextKind(NO_SCORES, [], 0, null)).toBeNull();
  });
});
