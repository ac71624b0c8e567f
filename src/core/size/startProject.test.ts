import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { checkProject } from '../project/project';
import { startings } from './starting';
import { startProject } from './startProject';

describe('a project to start from', () => {
  it('does what was wanted at once: nothing of it cannot work', () => {
    for (const starting of startings) {
      const project = startProject(starting, 'p', 'New');
      expect(checkProject(project).ok).toBe(true);
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(starting);
      const { states, half, action } = analysis.design;
      expect([starting, Object.values(states).includes('cannot')]).toEqual([starting, false]);
      if (starting === 'readings') continue;
      expect(action).toBe(project.goal.action);
      // Near the light that was meant: within a quarter.
      const lux = half.ok ? half.lux : NaN;
      expect([starting, Math.abs(Math.log(lux / project.goal.lux)) < 0.25]).toEqual([starting, true]);
    }
  });
});
