import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { unusualProject } from '../../testUnusual';
import { analyse } from '../../design';
import { defaultOutputStages } from '../../detectors/outputStage/outputStage';
import { changeOutput, changeOutputStage } from '../../project/detectorEdits';
import { takeLoad, together } from '../../project/edits';
import { defaultLoads } from '../../loads/registry';
import { sampleNamed } from '../../project/testSamples';
import { hasUntoldOhms } from '../../parts/registry';
import { chooseDetector } from '../../size/chooseDetector';
import { driveThrough } from '../../size/driveThrough';
import { BAND_DRAWS, testPointsOf } from '../../points/testPoints';
import { toleranceOf } from '../../series/stock';
import { promised, runs } from '../../testRuns';
import { benchOf } from '../testBenches';
import { probesOf } from '../predict';
import { ohmsFound } from './ohmsFound';

/** With the load at the detector's own output, and whatever pulls that up beside it. */
const direct = (kind: 'tone' | 'buzzer' | 'fan' | 'motor' | 'solenoid') =>
  together(
    takeLoad(defaultLoads[kind]),
    chooseDetector('comparator'),
    driveThrough('load'),
    changeOutput({ loadRail: 'supply' }),
  )(sampleNamed('Platform lamps'));

describe('what an ohmmeter finds beside a load', () => {
  it.each(['tone', 'buzzer', 'fan', 'motor'] as const)(
    'is told with it taken off where nobody knows what it does: %s',
    (kind) => {
      const { bench } = benchOf(direct(kind), 2);
      const probes = probesOf(bench, []);
      const pull = bench.assembly.parts.find(({ role }) => role === 'pull-up');
      const probe = probes.find((each) => each.kind === 'ohms' && each.designator === pull?.designator);
      if (pull?.kind !== 'resistor' || probe?.kind !== 'ohms') throw new Error('no pull-up');
      const off = bench.assembly.parts.filter(hasUntoldOhms).map(({ designator }) => designator);
      expect(probe.takenOff).toEqual(kind === 'tone' ? off.slice(-1) : off);
      const [nominal] = ohmsFound(bench.wiring, bench, [probe]).get(probe) ?? [];
      expect(Math.exp(nominal ?? NaN) / pull.ohms).toBeCloseTo(1, 3);
      // Another resistor, with nothing of the kind beside it, is measured as the circuit is.
      expect(probes.filter((each) => each.kind === 'ohms' && each.takenOff).length).toBeLessThan(
        probes.filter((each) => each.kind === 'ohms').length,
      );
    },
  );

  it('counts a coil as what it is', () => {
    const { bench } = benchOf(direct('solenoid'), 2);
    expect(probesOf(bench, []).some((each) => each.kind === 'ohms' && each.takenOff)).toBe(false);
  });

  it('has each resistor’s own tolerance in its band, whatever that resistor does', () => {
    let count = 0;
    const counted = changeOutputStage(defaultOutputStages.counted)(direct('solenoid'));
    const projects = Array.from({ length: runs(1000, 60) }, (_, index) => someProject(index + 1));
    for (const [seed, project] of [direct('tone'), counted, ...projects].entries()) {
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, BAND_DRAWS);
      for (const { probe, expected, low, high } of testPointsOf(bench, probesOf(bench, []))) {
        if (probe.kind !== 'ohms') continue;
        const part = bench.assembly.parts.find(({ designator }) => designator === probe.designator);
        if (part?.kind !== 'resistor' || Math.abs(expected / part.ohms - 1) > 0.01) continue;
        const tolerance = toleranceOf(project.resistors);
        const isWide = low < part.ohms * (1 - 0.85 * tolerance) && high > part.ohms * (1 + 0.85 * tolerance);
        expect([seed, part.designator, isWide]).toEqual([seed, part.designator, true]);
        count += 1;
      }
    }
    expect(count).toBeGreaterThan(10);
  });

  it('is the same whatever such a load would show, in any project', () => {
    let [count, same] = [0, 0];
    for (let seed = 1; seed <= runs(2000, 40); seed++) {
      const project = someProject(seed);
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, 2);
      const untold = bench.assembly.parts.filter(hasUntoldOhms);
      if (untold.length === 0) continue;
      const probes = probesOf(bench, []);
      const otherwise = {
        ...bench.wiring,
        parts: bench.wiring.parts.map((one) =>
          hasUntoldOhms(one.part)
            ? {
                ...one,
                elements: one.elements.map((each) =>
                  each.kind === 'resistor' ? { ...each, ohms: each.ohms / 30 } : each,
                ),
              }
            : one,
        ),
      };
      const [as, other] = [bench.wiring, otherwise].map((wiring) => ohmsFound(wiring, bench, probes));
      for (const probe of probes) {
        if (probe.kind !== 'ohms') continue;
        count += 1;
        if (Object.is(as?.get(probe)?.[0], other?.get(probe)?.[0])) same += 1;
      }
    }
    promised('resistances that do not hang on what nobody knows', `${same} of ${count}`, 'all');
    expect(same).toBe(count);
    expect(count).toBeGreaterThan(20);
  });
});

describe('a resistance that the light moves', () => {
  it('is told with the light to measure it in, and what is told without is the same in any, in any project', () => {
    let [count, hanging] = [0, 0];
    for (let seed = 1; seed <= runs(2000, 60); seed++) {
      const project = (seed % 2 === 0 ? unusualProject : someProject)(seed);
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, 2);
      const probes = probesOf(bench, []).filter((probe) => probe.kind === 'ohms');
      for (const probe of probes) {
        const everywhere = bench.lights.map((_, light) => ({ ...probe, light }));
        const found = ohmsFound(bench.wiring, bench, everywhere);
        const each = everywhere.map((one) => found.get(one)?.[0] ?? NaN).filter(Number.isFinite);
        if (each.length < 2) continue;
        count += 1;
        if (probe.hangsOnLight) hanging += 1;
        // What is taken off only makes it less.
        else if (!probe.takenOff)
          expect([seed, probe.designator, Math.max(...each) - Math.min(...each) < 0.02]).toEqual([
            seed,
            probe.designator,
            true,
          ]);
      }
    }
    promised(
      'resistances told without a light: the same in each',
      `${count - hanging} of ${count}`,
      'all that are told so',
    );
    expect(hanging).toBeGreaterThan(10);
    expect(count - hanging).toBeGreaterThan(10);
  });
});
