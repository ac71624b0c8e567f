import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { analyse } from '../../design';
import { defaultLoads, loadOf } from '../../loads/registry';
import { changeOutput } from '../../project/detectorEdits';
import { changeDivider, changeLoad, takeLoad, together } from '../../project/edits';
import { sampleNamed } from '../../project/testSamples';
import { chooseDetector } from '../../size/chooseDetector';
import { driveThrough } from '../../size/driveThrough';
import { promised, runs } from '../../testRuns';
import { unusualProject } from '../../testUnusual';

describe('the exact resistor of an LED', () => {
  it('does not hang on the one that is there, and gives the wanted current, in any project', () => {
    let [count, exact, same] = [0, 0, 0];
    for (let seed = 1; seed <= runs(3000, 50); seed++) {
      const project = (seed % 2 === 1 ? unusualProject : someProject)(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      project.loads.forEach((load, index) => {
        const led = loadOf(load, 'led');
        const series = analysis.design.loads[index]?.series;
        if (!led || !series?.ok || series.isHeldBack) return;
        const then = analyse(changeLoad({ seriesOhms: series.exactOhms }, index)(project));
        if (!then.ok) return;
        const facts = then.design.loads[index]!;
        count += 1;
        if (Math.abs(facts.amps / (led.wantedAmps * led.strings) - 1) < 0.05) exact += 1;
        const again = facts.series?.ok ? facts.series.exactOhms / series.exactOhms : NaN;
        if (Math.abs(again - 1) < 0.05) same += 1;
      });
    }
    promised('exact resistors of LEDs that give the wanted current', `${exact} of ${count}`, '95 of 100');
    promised('exact resistors of LEDs, whatever was there', `${same} of ${count}`, '95 of 100');
    expect(exact / count).toBeGreaterThan(0.93);
    expect(same / count).toBeGreaterThan(0.95);
  });

  it('is none below a voltage that it is told to take, and one above it, in any project', () => {
    let [count, enough, least] = [0, 0, 0];
    for (let seed = 1; seed <= runs(6000, 60); seed++) {
      const project = (seed % 2 === 1 ? unusualProject : someProject)(seed);
      const index = project.loads.findIndex((load) => loadOf(load, 'led'));
      const seriesOn = (volts: number | null) => {
        const { loadSupply } = project;
        const on =
          volts === null
            ? project
            : loadSupply
              ? { ...project, loadSupply: { ...loadSupply, volts } }
              : changeDivider({ supplyVolts: volts })(project);
        const analysis = analyse(on);
        return analysis.ok ? (analysis.design.loads[index]?.series ?? null) : null;
      };
      const series = index < 0 ? null : seriesOn(null);
      if (!series || series.ok) continue;
      count += 1;
      if (seriesOn(1.06 * series.neededVolts)?.ok) enough += 1;
      if (seriesOn(0.94 * series.neededVolts)?.ok === false) least += 1;
    }
    promised(
      'voltages that an LED takes at least: enough, and no less',
      `${enough} and ${least} of ${count}`,
      '95 of 100',
    );
    expect(count).toBeGreaterThan(3);
    expect(enough / count).toBeGreaterThan(0.95);
    // Of a few one that is off is a large share.
    expect(least / count).toBeGreaterThan(count > 50 ? 0.9 : 0.8);
  });

  it('is none where an output’s pull-up holds the LED back, and the resistor is not blamed', () => {
    const project = together(
      takeLoad({ ...defaultLoads.led, wantedAmps: 0.01, seriesOhms: 820 }),
      chooseDetector('comparator'),
      driveThrough('load'),
      changeOutput({ loadRail: 'ground' }),
    )(sampleNamed('Platform lamps'));
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(analysis.design.loads[0]?.series).toMatchObject({ ok: true, isHeldBack: true });
    expect(analysis.design.advice.find(({ code }) => code === 'led-under-current')).toMatchObject({
      isByResistor: false,
    });
    expect(analysis.design.advice.map(({ code }) => code)).not.toContain('supply-below-led');
  });
});
