import { describe, expect, it } from 'vitest';
import { uniforms } from '../numeric/random';
import { changeGoal, takeSource, together } from '../project/edits';
import { IDEAL_SOURCE } from '../loads/supply';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { searchNow, withBand } from '../size/hysteresis';
import { promised, runs } from '../testRuns';
import type { FindingCode } from './advice';
import { finished } from './plans';
import { curesOf, editTo } from './remedies';
import { tried } from './trials';

const platform = sampleNamed('Platform lamps');
const saidOf = (project: Project) => {
  const found = tried(project);
  if (!found) throw new Error('no solution');
  return found;
};
const cureOf = (project: Project, code: FindingCode) =>
  curesOf(project).find((cure) => cure.code === code)?.remedies[0];

describe('what the app finds by itself elsewhere', () => {
  it('is offered by a button: parts for two lights, wherever its own search has them', () => {
    let [asked, offered] = [0, 0];
    const missed: string[] = [];
    for (let seed = 1; seed <= runs(300, 100); seed++) {
      const uniform = uniforms(seed);
      const volts = [3.3, 5, 6, 9, 12][Math.floor(5 * uniform())] ?? 5;
      const lux = 10 ** (0.5 + 3 * uniform());
      const base = together(
        takeSource(IDEAL_SOURCE, volts),
        changeGoal({ lux: Number(lux.toPrecision(2)) }),
        chooseDetector('comparator'),
      )(platform);
      const ratio = 1.15 * 5 ** uniform();
      const project = changeGoal({ offLux: Number((base.goal.lux * ratio).toPrecision(2)) })(base);
      const before = saidOf(project);
      if (before.outcome.cannots > 0 || !before.said.look.has('off-band')) continue;
      const after = saidOf(withBand(project, searchNow(project)));
      if (after.outcome.cannots > 0 || after.outcome.looks >= before.outcome.looks) continue;
      asked += 1;
      if (cureOf(project, 'off-band')) offered += 1;
      else missed.push(`${seed}: ${project.goal.lux} and ${project.goal.offLux} lx on ${volts} V`);
    }
    promised(
      'two lights that the search has parts for, offered by a button',
      `${offered} of ${asked}`,
      'all',
    );
    expect(missed).toEqual([]);
    expect(asked).toBeGreaterThan(2);
  });

  it('cools an LDR with a resistor in series, and lowers a divider for a pin', () => {
    const hot = finished(
      together(takeSource(IDEAL_SOURCE, 9), changeGoal({ lux: 8000 }))(sampleNamed('Larder telltale')),
    );
    expect(saidOf(hot).said.look.has('ldr-warm')).toBe(true);
    expect(cureOf(hot, 'ldr-warm')?.changes.map(({ code }) => code)).toEqual(['ldr-series', 'fixed']);
    const dim = together(
      changeGoal({ lux: 0.3 }),
      takeSource(IDEAL_SOURCE, 5),
      chooseDetector('controller'),
    )(platform);
    expect(saidOf(dim).said.look.has('source-resistance')).toBe(true);
    const lower = cureOf(dim, 'source-resistance');
    if (!lower) throw new Error('no cure');
    const after = editTo(lower)(dim);
    expect(after.divider.fixedOhms).toBeLessThan(dim.divider.fixedOhms);
    expect(saidOf(after).said.look.has('source-resistance')).toBe(false);
  });
});
