import { describe, expect, test } from 'vitest';
import { sampleProjects } from '../project/samples';
import { figuresOf } from './sampleFigures';
import stored from './sampleFigures.json';

/** Figures agree when the digits that a screen shows agree: three or four of them. */
const SHOWN_SHARE = 2e-4;
/** No screen shows less than this of a volt, an ampere or a share. */
const NOT_SHOWN = 2e-8;

const table: Readonly<Record<string, Readonly<Record<string, number | string | null>>>> = stored;

describe('every figure that the screens show of a sample', () => {
  test.each(sampleProjects.map((project) => [project.name, project] as const))('%s', (_, project) => {
    const now = figuresOf(project);
    const before = table[project.id] ?? {};
    expect(Object.keys(now).sort()).toEqual(Object.keys(before).sort());
    const changed = Object.entries(before).filter(([name, value]) => {
      const present = now[name];
      if (typeof value !== 'number' || typeof present !== 'number') return present !== value;
      return Math.abs(present - value) > NOT_SHOWN + SHOWN_SHARE * Math.abs(value);
    });
    expect(changed.map(([name, value]) => `${name}: ${value} → ${now[name]}`)).toEqual([]);
  });
});
