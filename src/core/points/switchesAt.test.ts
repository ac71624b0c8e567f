import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { randomDraw } from '../faults/draws';
import { FaultyCircuit } from '../faults/circuit/faultyCircuit';
import { errorOf, probesOf } from '../faults/predict';
import type { Answer } from '../faults/probe';
import { benchOf } from '../faults/testBenches';
import { normals, uniforms } from '../numeric/random';
import { BuildBench } from '../spread/bench';
import { promised, runs } from '../testRuns';
import { knownFrom, unmeasured } from './adopt';
import { switchesAt } from './switchesAt';
import { BAND_DRAWS } from './testPoints';

/** So many voltages are measured of a build. */
const MEASURED = 6;

describe('where a build turns on by what was measured of it', () => {
  it('lies in what is said of it, in any project', () => {
    let [told, covered] = [0, 0];
    for (let seed = 0; seed < runs(6000, 160); seed++) {
      const project = someProject(90_000 + seed);
      const analysis = analyse(project);
      if (!analysis.ok || analysis.design.advice.some(({ state }) => state === 'cannot')) continue;
      const { bench, design } = benchOf(project, BAND_DRAWS);
      const { factors } = bench.setup;
      const builds = new BuildBench(project, design, factors);
      const circuit = new FaultyCircuit(bench.wiring, bench.setup);
      const draw = randomDraw(factors, bench.lights.length, 5000 + seed);
      const made = circuit.made(draw);
      const [normal, uniform] = [normals(seed, 3), uniforms(seed, 4)];
      const volts = probesOf(bench, []).flatMap((probe) => (probe.kind === 'volts' ? [probe] : []));
      const answers = Array.from(
        { length: MEASURED },
        () => volts[Math.floor(uniform() * volts.length)],
      ).flatMap((probe, at, all): Answer[] => {
        if (!probe || all.indexOf(probe) !== at) return [];
        const settled = circuit.settle(made, probe.light, probe.net);
        if (!settled) return [];
        const value = circuit.volts(settled, probe.net);
        return [{ probe, value: value + normal() * errorOf(bench, probe, value) }];
      });
      const truth = builds.turnsOnAt(draw);
      const known = knownFrom(bench, answers);
      const after = known && switchesAt(builds, known);
      if (!after || !Number.isFinite(truth)) continue;
      told += 1;
      if (truth >= after.lowLux && truth <= after.highLux) covered += 1;
    }
    promised(
      'bands of the switching light after measuring that hold it, any project',
      `${((100 * covered) / told).toFixed(1)} % of ${told}`,
      '93–97 %',
    );
    expect(told).toBeGreaterThan(3);
    expect(covered / told).toBeGreaterThan(0.85);
  });

  it('is not said where more than a few builds like it never turn on', () => {
    const factors = [{ of: 'offset', isNormal: true }] as const;
    const known = { ...unmeasured(factors), factors };
    const builds = (never: number) => ({
      turnsOnAt: (draws: ArrayLike<number>) => ((draws[0] ?? 0) > never ? NaN : Math.exp(draws[0] ?? 0)),
    });
    expect(switchesAt(builds(1), known)).toBeNull();
    const told = switchesAt(builds(9), known);
    expect(told?.lux).toBeCloseTo(1, 6);
    // Two deviations either way.
    expect(Math.log(told?.highLux ?? NaN)).toBeCloseTo(1.96, 0);
    expect(Math.log(told?.lowLux ?? NaN)).toBeCloseTo(-1.96, 0);
  });
});
