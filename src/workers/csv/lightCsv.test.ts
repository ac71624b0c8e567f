import { describe, expect, it } from 'vitest';
import { lightOfCsv } from './lightCsv';

describe('a light from a CSV file', () => {
  it('has a time and lx in its first two columns, heads left out', () => {
    expect(lightOfCsv('time,lux\n0,500\n60,300\n120,2.5\n')).toEqual({
      ok: true,
      light: { seconds: [0, 60, 120], lux: [500, 300, 2.5] },
      leftOut: 1,
    });
  });

  it('takes times of the clock, dates, and decimal commas after semicolons', () => {
    const clock = lightOfCsv('18:00;120,5\n18:00:30;80');
    expect(clock.ok && clock.light).toEqual({ seconds: [64_800, 64_830], lux: [120.5, 80] });
    const dates = lightOfCsv('2026-03-20T18:00:00Z,10\n2026-03-20T18:01:00Z,9');
    expect(dates.ok && dates.light.seconds[1]! - dates.light.seconds[0]!).toBe(60);
  });

  it('says where there are no two columns, and no figures', () => {
    expect(lightOfCsv('just words\nand more')).toEqual({ ok: false, reason: 'no-columns' });
    expect(lightOfCsv('a,b\nc,d')).toEqual({ ok: false, reason: 'empty' });
    expect(lightOfCsv('')).toEqual({ ok: false, reason: 'empty' });
  });
});
