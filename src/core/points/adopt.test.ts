import { describe, expect, it } from 'vitest';
import { promised, runs } from '../testRuns';
import { BuildBench } from '../spread/bench';
import { sampleNamed } from '../project/testSamples';
import { changeBaseResistor, changeDivider } from '../project/edits';
import { checkProject, type Project } from '../project/project';
import { randomDraw } from '../faults/draws';
import { knownFrom, sharpened, unmeasured as nothingKnown } from './adopt';
import { adoptionsOf, resistancesBy } from './adoptions';
import { FaultyCircuit } from '../faults/circuit/faultyCircuit';
import { analyse } from '../design';
import type { Factor } from '../spread/factors';
import { someProject } from '../advise/testProjects';
import { errorOf, probesOf } from '../faults/predict';
import { OVER_OHMS, type Answer, type Probe } from '../faults/probe';
import { benchOf } from '../faults/testBenches';
import { normals } from '../numeric/random';
import { shippedMeters } from '../meter/meter';
import { switchesAt } from './switchesAt';
import { BAND_DRAWS, testPointsOf } from './testPoints';

/** A light meter's and other readings forgotten: a typical LDR, as someone has who has measured nothing. */
const unmeasured = { ...sampleNamed('Seedling shelf'), readings: [], bag: null };

/** What a build really has of something, as a share of what its design says; `null` where that is no factor. */
function truthOf(
  factors: readonly Factor[],
  draw: Float64Array,
  what: string,
  designator: string,
): number | null {
  const at = factors.findIndex(
    (factor) =>
      (what === 'supply' && factor.of === 'supply') ||
      (what === 'gain' && factor.of === 'gain') ||
      (what === 'resistor' && factor.of === 'resistor' && factor.designator === designator),
  );
  const [factor, by] = [factors[at], draw[at] ?? 0];
  switch (factor?.of) {
    case 'supply':
      return (factor.lowShare + factor.highShare) / 2 + (by * (factor.highShare - factor.lowShare)) / 2;
    case 'gain':
      return Math.exp(factor.lnMiddle + factor.lnHalf * by);
    case 'resistor':
      return 1 + factor.tolerance * by;
    default:
      return null;
  }
}

describe('what was measured of a resistor by itself', () => {
  it('says nothing where it is none of the circuit’s, or one without a spread', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const told = (designator: string) => ({ designator, ohms: 4700, stdBefore: 0.03, stdAfter: 0.005 });
    expect(knownFrom(bench, [], [told('R99'), told('LDR1')])).toBeNull();
    const at = bench.setup.factors.findIndex((factor) => factor.of === 'resistor');
    const factor = bench.setup.factors[at];
    if (factor?.of !== 'resistor') throw new Error('no resistor');
    expect(knownFrom(bench, [], [told(factor.designator)])).not.toBeNull();
    const exact = bench.setup.factors.with(at, { ...factor, tolerance: 0 });
    const without = { ...bench, setup: { ...bench.setup, factors: exact } };
    expect(knownFrom(without, [], [told(factor.designator)])).toBeNull();
    const supply = { probe: { kind: 'volts', net: 'supply', light: 0 }, value: 8.9 } as const;
    const known = knownFrom(without, [supply], [told(factor.designator)]);
    expect(known?.mean).toEqual(knownFrom(without, [supply])?.mean);
  });
});

describe('a resistance measured in the circuit', () => {
  it('says something of the build where it is the LDR’s, and none of a resistor’s, which is measured by itself', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const supply = { probe: { kind: 'volts', net: 'supply', light: 0 }, value: 8.9 } as const;
    const ohmsOf = (designator: string, value: number) =>
      ({ probe: { kind: 'ohms', designator, light: 0 }, value }) as const;
    const resistor = bench.assembly.parts.find((part) => part.kind === 'resistor');
    const ldr = bench.wiring.ldr;
    if (!resistor || !ldr) throw new Error('no such parts');
    const by = (...answers: Answer[]) => Array.from(knownFrom(bench, answers)?.mean ?? []);
    expect(by(ohmsOf(resistor.designator, 4700))).toEqual([]);
    expect(by(supply, ohmsOf(resistor.designator, 4700))).toEqual(by(supply));
    expect(by(supply, ohmsOf(ldr, 3000))).not.toEqual(by(supply));
    expect(by(supply, ohmsOf(ldr, OVER_OHMS))).toEqual(by(supply));
  });
});

describe('what one measurement says', () => {
  it('is taken where no build differs in some other part', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const { factors } = bench.setup;
    const fixed = factors.findLastIndex((factor) => factor.of === 'resistor');
    expect(fixed).toBeGreaterThan(0);
    const draws = bench.draws.map((draw) => draw.with(fixed, 0));
    const answer = {
      probe: { kind: 'volts', net: 'supply', light: 0 },
      value: 0.98 * unmeasured.divider.supplyVolts,
    } as const;
    const supplyOf = (some: typeof bench) =>
      sharpened(knownFrom(some, [answer]))?.find(({ factor }) => factor.of === 'supply');
    const [whole, without] = [supplyOf(bench), supplyOf({ ...bench, draws })];
    expect(whole?.std).toBeLessThan(0.5 * (whole?.priorStd ?? 0));
    expect(without?.std).toBeLessThan(0.5 * (without?.priorStd ?? 0));
  });
});

describe('what few builds say', () => {
  it('is what many do: too few to tell a circuit’s slopes by are taken for none', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const answer = { probe: { kind: 'volts', net: 'mid', light: 0 }, value: 2.94 } as const;
    const meansBy = (builds: number) => {
      const known = knownFrom({ ...bench, draws: bench.draws.slice(0, builds) }, [answer]);
      return Array.from(known?.mean ?? []);
    };
    const whole = meansBy(BAND_DRAWS);
    expect(Math.max(...whole.map(Math.abs))).toBeGreaterThan(0.5);
    for (const builds of [2, 5, 9])
      meansBy(builds).forEach((mean, at) => expect(mean).toBeCloseTo(whole[at] ?? NaN, 1));
  });
});

describe('measurements taken into the model', () => {
  it('halve the switching light’s error at least, in a band that covers the truth', () => {
    const { bench, design } = benchOf(unmeasured, BAND_DRAWS);
    const lights = bench.lights.map((light) => ({ ...light, std: Math.log(1.1) / 2 }));
    const known = { ...bench, lights, setup: { ...bench.setup, lights } };
    const { factors } = bench.setup;
    const builds = new BuildBench(unmeasured, design, factors);
    const circuit = new FaultyCircuit(known.wiring, known.setup);
    const nominal = Math.log(builds.build(new Float64Array(factors.length)).onLux);
    const probes = ['supply', 'mid', 'ref', 'in'].flatMap((net) =>
      [0, 1].map((light): Probe => ({ kind: 'volts', net, light })),
    );
    const wide = switchesAt(builds, nothingKnown(factors)) ?? fail();
    let [before, after, covered, coveredBefore, count] = [0, 0, 0, 0, 0];
    for (let run = 0; run < runs(1000, 200); run++) {
      const draw = randomDraw(factors, 2, 900 + run);
      const normal = normals(900 + run, 5);
      const made = circuit.made(draw);
      const answers = probes.flatMap((probe): Answer[] => {
        if (probe.kind !== 'volts') return [];
        const settled = circuit.settle(made, probe.light, probe.net);
        if (!settled) return [];
        const volts = circuit.volts(settled, probe.net);
        return [{ probe, value: volts + normal() * errorOf(known, probe, volts) }];
      });
      const found = knownFrom(known, answers);
      const truth = builds.build(draw).onLux;
      const told = found && switchesAt(builds, found);
      if (!told || !Number.isFinite(truth)) continue;
      count += 1;
      before += (Math.log(truth) - nominal) ** 2;
      after += Math.log(truth / told.lux) ** 2;
      if (truth >= told.lowLux && truth <= told.highLux) covered += 1;
      if (truth >= wide.lowLux && truth <= wide.highLux) coveredBefore += 1;
    }
    promised(
      'switching light’s error after adopting, of that before',
      Math.sqrt(after / before).toFixed(2),
      'at most 0.5',
    );
    promised('its 95 % band covers', `${((100 * covered) / count).toFixed(1)} %`, '93–97 %');
    promised('the one before covers', `${((100 * coveredBefore) / count).toFixed(1)} %`, '93–97 %');
    expect(Math.sqrt(after / before)).toBeLessThan(0.5);
    expect(covered / count).toBeGreaterThan(0.85);
  });

  it('take an LDR’s resistance in a light that is known, and none that is over the range', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const lights = bench.lights.map((light) => ({ ...light, std: Math.log(1.05) / 2 }));
    const known = { ...bench, lights, setup: { ...bench.setup, lights } };
    const probe: Probe = { kind: 'ohms', designator: bench.wiring.ldr, light: 1 };
    const point = testPointsOf(bench, [probe])[0] ?? fail();
    const ldr = knownFrom(known, [{ probe, value: 1.3 * point.expected }]);
    const at = bench.setup.factors.findIndex(({ of }) => of === 'ldr');
    expect(ldr?.std[at]).toBeLessThan(0.9);
    expect(ldr?.mean[at]).toBeGreaterThan(0.1);
    expect(knownFrom(known, [{ probe, value: OVER_OHMS }])).toBeNull();
  });

  it('know a resistor that was measured by itself as closely as the meter does', () => {
    const { bench } = benchOf(unmeasured, BAND_DRAWS);
    const [ohms, stdAfter] = [unmeasured.divider.fixedOhms * 1.03, 0.004];
    const found = knownFrom(bench, [], [{ designator: 'R1', ohms, stdBefore: 0.03, stdAfter }]);
    const r1 = sharpened(found)?.find(({ factor }) => factor.of === 'resistor' && factor.designator === 'R1');
    if (r1?.factor.of !== 'resistor') throw new Error('no R1');
    expect(r1.factor.tolerance * r1.mean).toBeCloseTo(0.03, 2);
    expect(r1.factor.tolerance * r1.std).toBeCloseTo(stdAfter, 3);
  });

  it('take no notice of what is no resistor of the circuit’s, nor of one that is said to be exact', () => {
    const { bench } = benchOf(unmeasured, 256);
    const told = (designator: string, ohms = 5000) => ({
      designator,
      ohms,
      stdBefore: 0.05,
      stdAfter: 0.004,
    });
    expect(knownFrom(bench, [], [told('LDR1'), told('Q1'), told('R99')])).toBeNull();
    const exact = {
      ...bench,
      setup: {
        ...bench.setup,
        factors: bench.setup.factors.map((one) => (one.of === 'resistor' ? { ...one, tolerance: 0 } : one)),
      },
    };
    expect(knownFrom(exact, [], [told('R1')])).toBeNull();
    // Beside one of the circuit's they change nothing.
    const own = told('R1', unmeasured.divider.fixedOhms * 1.01);
    const [alone, beside] = [[own], [told('LDR1'), own, told('R99')]].map((each) =>
      knownFrom(bench, [], each),
    );
    expect(alone?.mean).toEqual(beside?.mean);
    const at = bench.setup.factors.findIndex((one) => one.of === 'resistor' && one.designator === 'R1');
    const factor = bench.setup.factors[at];
    if (factor?.of !== 'resistor') throw new Error('no R1');
    expect((alone?.mean[at] ?? 0) * factor.tolerance).toBeCloseTo(0.01, 3);
  });

  it('offer a supply and R1 that were measured to be others, each with an edit that the project takes', () => {
    const { bench, design } = benchOf(unmeasured, BAND_DRAWS);
    const other = changeDivider({ fixedOhms: unmeasured.divider.fixedOhms * 1.04 })(unmeasured);
    const real = benchOf(other, 2).bench;
    const circuit = new FaultyCircuit(real.wiring, real.setup);
    const made = circuit.made(new Float64Array(real.setup.factors.length + 2));
    const probe: Probe = { kind: 'volts', net: 'supply', light: 0 };
    const settled = circuit.settle(made, 0);
    expect(settled && circuit.volts(settled, 'supply')).toBeGreaterThan(11);
    const answers: Answer[] = [{ probe, value: 11.4 }];
    const adoptions = adoptionsOf(
      unmeasured,
      design.assembly,
      bench.lights,
      answers,
      sharpened(knownFrom(bench, answers)),
    );
    expect(adoptions.map(({ what }) => what)).toContain('supply');
    const supply = adoptions.find(({ what }) => what === 'supply');
    expect(supply?.after).toBeCloseTo(11.4, 1);
    expect(supply?.edit(unmeasured).divider.supplyVolts).toBeCloseTo(11.4, 1);
    expect(sharpened(knownFrom(bench, []))).toBeNull();
  });

  it('leave any project whole, tell more than was known, and are not offered again once they are taken', () => {
    const taken = new Map<string, number>();
    let [told, covered] = [0, 0];
    const count = runs(400);
    for (let seed = 1; seed <= count; seed++) {
      const project = someProject(seed);
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, BAND_DRAWS);
      const circuit = new FaultyCircuit(bench.wiring, bench.setup);
      const draw = randomDraw(bench.setup.factors, 2, seed);
      const made = circuit.made(draw);
      const answers = bench.setup.nets.flatMap((net) =>
        [0, 1].flatMap((light): Answer[] => {
          const settled = circuit.settle(made, light, net);
          return settled
            ? [{ probe: { kind: 'volts', net, light }, value: circuit.volts(settled, net) }]
            : [];
        }),
      );
      const offered = (of: Project) => {
        if (!analyse(of).ok) return [];
        const now = benchOf(of, BAND_DRAWS);
        return adoptionsOf(of, now.design.assembly, [], answers, sharpened(knownFrom(now.bench, answers)));
      };
      for (const { what, designator, before, after: value, edit, stdAfter, stdBefore } of offered(project)) {
        const after = edit(project);
        expect([seed, what, checkProject(after)]).toMatchObject([seed, what, { ok: true }]);
        if (stdBefore > 0) expect([seed, what, stdAfter < stdBefore]).toEqual([seed, what, true]);
        const again = offered(after).filter((each) => each.what === what && each.designator === designator);
        expect([seed, again]).toEqual([seed, []]);
        taken.set(what, (taken.get(what) ?? 0) + 1);
        const truth = truthOf(bench.setup.factors, draw, what, designator);
        if (truth === null) continue;
        told += 1;
        if (Math.abs(Math.log(value / (before * truth))) < 1.96 * stdAfter) covered += 1;
      }
    }
    promised('adopted, whole and not offered again', [...taken].join('; '), `all, of ${count} projects`);
    promised(
      'what is adopted, within what is said of it',
      `${((100 * covered) / told).toFixed(1)} % of ${told}`,
      '≥ 93 %',
    );
    expect(taken.size).toBeGreaterThan(1);
    expect(covered / told).toBeGreaterThan(0.85);
  });

  it('offer a resistor that was measured by itself, none that has something beside it, and none that is another', () => {
    const meter = shippedMeters[0] ?? fail();
    const { bench, design } = benchOf(unmeasured, 8);
    const probes = probesOf(bench, []);
    const points = testPointsOf(bench, probes);
    const offeredFor = (times: number) => {
      const answers = points.flatMap(({ probe, expected }): Answer[] =>
        probe.kind === 'ohms' ? [{ probe, value: expected * times }] : [],
      );
      const resistances = resistancesBy(meter, design.assembly, points, answers, 0.05);
      const edits = adoptionsOf(unmeasured, design.assembly, [], answers, null, {
        resistances,
        editOf: (_, times) => changeBaseResistor(1000 * times),
      });
      return edits.flatMap(({ what, designator, before, after }) =>
        what === 'resistor' ? [{ designator, times: after / before }] : [],
      );
    };
    const near = offeredFor(1.03);
    expect(near.length).toBeGreaterThan(0);
    near.forEach(({ times }) => expect(times).toBeCloseTo(1.03, 2));
    // What has something beside it shows less than it has.
    const alone = new Set(near.map(({ designator }) => designator));
    const beside = points.filter(
      ({ probe, expected }) =>
        probe.kind === 'ohms' &&
        design.assembly.parts.some(
          (part) =>
            part.designator === probe.designator &&
            part.kind === 'resistor' &&
            Math.abs(expected / part.ohms - 1) > 0.05,
        ),
    );
    beside.forEach(({ probe }) =>
      expect('designator' in probe && alone.has(probe.designator ?? '')).toBe(false),
    );
    expect(offeredFor(1)).toEqual([]);
    expect(offeredFor(10)).toEqual([]);
  });
});

function fail(): never {
  throw new Error('not there');
}
