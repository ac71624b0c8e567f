import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { analyse } from '../../design';
import { uniforms } from '../../numeric/random';
import { promised, runs } from '../../testRuns';
import { HALF_DRIVEN } from '../../testHalfDriven';
import { dayReport } from './dayReport';
import { DEFAULT_DAY, type DaySettings } from './daySettings';
import { yearLightsOf, yearOf } from './year';

/** So many minutes two ways of finding a time may differ, the one going along a day second by second. */
const NEAR_MINUTES = 2.5;

/** Some clear day, somewhere that has a night. */
function someDay(uniform: () => number): DaySettings {
  const date = new Date(Date.UTC(2026, Math.floor(uniform() * 12), 1 + Math.floor(uniform() * 28)));
  return {
    ...DEFAULT_DAY,
    date: date.toISOString().slice(0, 10),
    latitude: 60 * (2 * uniform() - 1),
    spot: uniform() < 0.5 ? 'outdoors' : 'window',
    facing: 360 * uniform(),
    shade: 0.9 * uniform(),
    weather: 'clear',
  };
}

describe('the times of a year', () => {
  it('are those of the same days gone through in time: a coil’s own lights, and its own light, counted', () => {
    let [count, agreed] = [0, 0];
    const apart: string[] = [];
    for (let seed = 0; seed < runs(1500, 30); seed++) {
      const base = someProject(90_000 + seed);
      const uniform = uniforms(seed);
      const bare = analyse(base);
      if (!bare.ok || !bare.design.half.ok || base.loads.length > 1) continue;
      const feedbackLux = uniform() < 0.5 ? bare.design.half.lux * 0.5 * uniform() : 0;
      const project = { ...base, feedbackLux };
      const analysis = analyse(project);
      const lights = analysis.ok ? yearLightsOf(project, analysis.design) : null;
      if (!analysis.ok || !lights || analysis.design.advice.some(({ code }) => HALF_DRIVEN.includes(code)))
        continue;
      const day = someDay(uniform);
      const run = dayReport(project, { day, track: null });
      const said = yearOf(day, lights).find(({ date }) => date === day.date)?.clear;
      if (!run.ok || !said) continue;
      let isOn = run.report.startsOn;
      const last: { on: number | null; off: number | null } = { on: null, off: null };
      for (const at of run.report.switchedAt) {
        isOn = !isOn;
        last[isOn ? 'on' : 'off'] = at / 60;
      }
      const isNear = (one: number | null, other: number | null) =>
        one === null || other === null ? one === other : Math.abs(one - other) < NEAR_MINUTES;
      count += 1;
      if (isNear(last.on, said.on) && isNear(last.off, said.off)) agreed += 1;
      else
        apart.push(
          `${base.name} with ${feedbackLux} lx: ${JSON.stringify(said)}, is ${JSON.stringify(last)}`,
        );
    }
    promised('times of a year as of its days gone through', `${agreed} of ${count}`, 'all');
    expect(count).toBeGreaterThan(2);
    expect(agreed, apart.join('\n')).toBeGreaterThanOrEqual(0.98 * count);
  });
});
