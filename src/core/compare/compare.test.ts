import { describe, expect, it } from 'vitest';
import { sampleProjects } from '../project/samples';
import { checkProject } from '../project/project';
import { compareIds, compareOne } from './compare';

describe.each(sampleProjects.map((project) => [project.name, project] as const))(
  'the ways for %s',
  (_, sample) => {
    const rows = compareIds.map((id) => compareOne(sample, id));

    it('all have a solution, keep the goal, and are whole projects', () => {
      rows.forEach((row, index) => {
        if (!row) throw new Error(`no ${compareIds[index]}`);
        expect(checkProject(row.project)).toMatchObject({ ok: true });
        expect(row.project.goal.lux).toBe(sample.goal.lux);
        expect(row.parts).toBeGreaterThan(0);
        expect(row.idleAmps).toBeGreaterThan(0);
      });
    });

    it('differ as they do: a transistor is soft, a comparator snaps, feedback has a band and a timer’s is wide', () => {
      const of = (id: (typeof compareIds)[number]) => rows[compareIds.indexOf(id)]!;
      expect(of('comparator').softBand).toBe(1);
      expect(of('comparator').shortcomings).toContain('no-band');
      expect(of('hysteresis').bandRatio).toBeGreaterThan(1.15);
      expect(of('hysteresis').shortcomings).toEqual([]);
      expect(of('timer').bandRatio).toBeGreaterThan(4);
      expect(of('npn').softBand ?? Infinity).toBeGreaterThan(1.3);
      expect(Math.abs(of('comparator').perTenCelsius ?? 1)).toBeLessThan(0.001);
      expect(of('nmos').idleAmps).toBeLessThan(of('timer').idleAmps);
      for (const id of ['window', 'ladder', 'change'] as const)
        expect(of(id).shortcomings).not.toContain('not-saturated');
    });
  },
);
