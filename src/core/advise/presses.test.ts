import { describe, expect, it } from 'vitest';
import { cannots, pressAll, pressedProjects } from '../testPresses';
import { promised } from '../testRuns';
import { NOT_TOGETHER } from './remedies';

describe('the first button of the worst finding, pressed again and again', () => {
  it('leads in six presses to a design in order, or to one that is told to have no cure', () => {
    let [troubled, inOrder, disagree] = [0, 0, 0];
    for (const project of pressedProjects()) {
      if (cannots(project).length === 0) continue;
      troubled += 1;
      const { left, isStuck } = pressAll(project);
      expect(isStuck).toBe(false);
      if (left.length === 0) inOrder += 1;
      else if (left.some(({ code }) => NOT_TOGETHER.includes(code))) disagree += 1;
    }
    const servable = troubled - disagree;
    promised(
      'projects that cannot work, brought in order by buttons alone (of those whose loads go together)',
      `${((100 * inOrder) / servable).toFixed(1)} % of ${servable}`,
      '≥ 98 %',
    );
    expect(inOrder / servable).toBeGreaterThan(0.9);
  });
});
