import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { analyse } from '../design';
import { defaultComparatorSettings } from '../detectors/comparator/settings';
import { shippedComparators } from '../parts/kinds/comparator';
import { changeDetector, takeDetector } from '../project/detectorEdits';
import { chooseDetector } from '../size/chooseDetector';
import { resized } from '../size/resize';
import { changeDivider, changeGoal, changeResistors, changeTrimmer, together } from '../project/edits';
import { newProject } from '../project/newProject';
import { checkProject, type Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { sampleNamed } from '../project/testSamples';
import { isStarved } from '../operate/onAmps';
import { promised, runs } from '../testRuns';
import { chunksOf, joined, runSpread, totalShares, type Builds } from './spread';
import { measurementOf } from '../readings/reading';
import { whichLdr } from './whichLdr';
import type { FindingCode } from '../advise/advice';
import { cannotsOf, someProject } from '../advise/testProjects';
import { BuildBench } from './bench';
import { DEFAULT_SPREAD, factorsOf, type SpreadOptions } from './factors';
import { payoffEdit, payoffsOf, type Payoff } from './payoffs';
import { shareOf, summaryOf } from './summary';

const platform = sampleNamed('Platform lamps');
const few: SpreadOptions = { ...DEFAULT_SPREAD, builds: 1000 };

function run(project: Project, options: SpreadOptions = few) {
  const found = runSpread(project, options);
  if (!found.ok) throw new Error(found.reason);
  return { ...found, summary: summaryOf(found.builds, found.factors, project, options) };
}

/** A comparator without offset or bias, on an ideal supply, at one warmth: its light is a closed form of four resistances. */
function linear(row: (typeof checks.spreadLinear)[number]): Project {
  const ideal = {
    ...shippedComparators.find(({ id }) => id === 'rail-op-amp')!,
    offsetVolts: 0,
    biasAmps: 0,
    maxSupplyVolts: 12,
  };
  const base = newProject('linear', 'Linear');
  return together(
    takeDetector({
      ...defaultComparatorSettings,
      part: ideal,
      sensorInput: 'plus',
      reference: { topOhms: row.upperOhms, bottomOhms: row.lowerOhms, trimmer: null },
    }),
    changeDivider({ supplyVolts: row.supplyVolts, fixedOhms: row.fixedOhms, ldrSide: 'bottom' }),
    changeGoal({ lux: row.lux }),
    changeResistors({ series: 'own', ownOhms: [1000], ownTolerance: row.toleranceFixed }),
    (project) => ({
      ...project,
      source: { ...project.source, lowShare: 1, highShare: 1 },
      bag: {
        count: 20,
        lnR10Mean: Math.log(row.r10),
        lnR10Std: row.sigmaLnR10,
        gammaMean: row.gamma,
        gammaStd: 0,
      },
    }),
  )(base);
}

describe('a bag of parts', () => {
  it('spreads a linear case as the check figures say, share by share', () => {
    for (const row of checks.spreadLinear) {
      // The check figures give each resistor a tolerance of its own; the stock has one.
      if (row.toleranceFixed !== row.toleranceUpper || row.toleranceFixed !== row.toleranceLower) continue;
      const { summary } = run(linear(row), { ...DEFAULT_SPREAD, minCelsius: 25, maxCelsius: 25 });
      expect(summary.on.lnStd / row.sigmaLnLux).toBeGreaterThan(0.97);
      expect(summary.on.lnStd / row.sigmaLnLux).toBeLessThan(1.03);
      expect(Math.abs(Math.log(summary.on.middle / row.lux))).toBeLessThan(0.02);
      const shareFor = (designator: string | null) =>
        summary.contributions
          .filter(({ factor }) =>
            designator === null
              ? factor.of === 'ldr'
              : 'designator' in factor && factor.designator === designator,
          )
          .reduce((sum, { share }) => sum + share, 0);
      expect(Math.abs(shareFor(null) - row.shares.r10)).toBeLessThan(0.02);
      expect(Math.abs(shareFor('R1') - row.shares.fixed)).toBeLessThan(0.015);
      expect(summary.together).toBeLessThan(0.02);
    }
  });

  it('is the same to the last bit in one part or in many, in any order', () => {
    for (const project of [platform, sampleNamed('Seedling shelf')]) {
      const whole = run(project).builds;
      const chunks = chunksOf(few);
      const parts: Builds[] = [];
      for (const [fromChunk, toChunk] of [
        [2, chunks],
        [0, 1],
        [1, 2],
      ] as const) {
        const part = runSpread({ ...project }, few, { fromChunk, toChunk });
        if (!part.ok) throw new Error(part.reason);
        parts.push(part.builds);
      }
      expect(joined([parts[1]!, parts[2]!, parts[0]!])).toEqual(whole);
    }
    expect(run(platform, { ...few, seed: 2 }).builds.onLux).not.toEqual(run(platform).builds.onLux);
  });

  it('lies about the light of the design itself, for every sample', () => {
    for (const project of sampleProjects) {
      const analysis = analyse(project);
      if (!analysis.ok || !analysis.design.half.ok) continue;
      const { summary } = run(project, { ...few, builds: 500 });
      const { lux } = analysis.design.half;
      expect(lux).toBeGreaterThan(summary.on.low * 0.8);
      expect(lux).toBeLessThan(summary.on.high * 1.25);
      expect(summary.on.never).toBeLessThan(250);
    }
  });

  it('is near the goal by the light that it is about: of a timer it may be that of turning off', () => {
    const timer = chooseDetector('timer')(platform);
    const [on, off] = (['on', 'off'] as const).map(
      (matters) => run(resized(changeDetector('timer', { matters })(timer))).summary,
    );
    expect(on && off && Math.abs(off.yields.share - on.yields.share)).toBeLessThan(0.15);
    expect(off?.yields.share).toBeGreaterThan(0.3);
    expect(off?.atGoal).toBe(off?.off);
  });

  it('covers the true share in 95 of 100 repeats', () => {
    const truth = run(platform, { ...DEFAULT_SPREAD, builds: 20_000, seed: 999 }).summary.yields.share;
    const repeats = runs(200);
    let covered = 0;
    for (let seed = 1; seed <= repeats; seed++) {
      const { low, high } = run(platform, { ...DEFAULT_SPREAD, builds: 250, seed }).summary.yields;
      covered += Number(truth >= low && truth <= high);
    }
    promised('repeats whose range covers the true share', `${covered} of ${repeats}`, '95 %');
    expect(covered / repeats).toBeGreaterThan(0.9);
  });

  it('narrows as better resistors are bought, and a trimmer that reaches the goal covers it', () => {
    const coarse = run({ ...platform, resistors: { ...platform.resistors, series: 'E6' } }).summary;
    const fine = run({ ...platform, resistors: { ...platform.resistors, series: 'E96' } }).summary;
    expect(fine.on.lnStd).toBeLessThan(coarse.on.lnStd);
    const { fixedOhms } = platform.divider;
    const trimmed = changeTrimmer(
      { trackOhms: 2 * fixedOhms, endOhms: 100, degrees: 270 },
      fixedOhms,
    )(platform);
    const strict = { ...few, limitRatio: 1.1 };
    expect(run(trimmed, strict).summary.yields.share).toBeGreaterThan(0.99);
    expect(run(platform, strict).summary.yields.share).toBeLessThan(0.8);
  });

  it('takes a lot of one, and a tolerance of nothing', () => {
    expect(run(platform, { ...few, builds: 1 }).summary.count).toBe(1);
    const exact = {
      ...platform,
      resistors: { ...platform.resistors, series: 'own' as const, ownOhms: [1000], ownTolerance: 0 },
    };
    expect(run(exact).factors.some(({ of }) => of === 'ldr')).toBe(true);
    expect(shareOf(0, 0)).toEqual({ share: 0, low: 0, high: 1 });
    expect(shareOf(10, 10).high).toBe(1);
  });
});

/** Less than this is no current at all, in A. */
const NO_AMPS = 1e-6;
/** Wired so that nothing can be said of its load. */
const DEAD: readonly FindingCode[] = ['floating-ground', 'lifted-reference'];

describe('a build of which nothing is off', () => {
  it('turns on where the design does, and drives its load as the design does, in any project', () => {
    let [lights, drives] = [0, 0];
    for (let seed = 1; seed <= runs(4000, 220); seed++) {
      const steady = { lowShare: 1, highShare: 1 };
      const some = someProject(seed);
      const project: Project = {
        ...some,
        source: { ...some.source, ...steady },
        loadSupply: some.loadSupply && {
          ...some.loadSupply,
          source: { ...some.loadSupply.source, ...steady },
        },
      };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { half, drive, loads, advice, extremes, assembly, action, thresholds } = analysis.design;
      const isSoft = !assembly.switching;
      const factors = factorsOf(project, analysis.design, { ...few, minCelsius: 25, maxCelsius: 25 });
      // The middle of a part’s range is not always its typical figure.
      const central = factors.filter(({ of }) => of !== 'gain' && of !== 'gate-threshold');
      const built = new BuildBench(project, analysis.design, central).build(new Float64Array(central.length));
      // A supply that lets its voltage down moves the light as well: here each build is solved as if it did not.
      if (advice.some(({ code }) => code === 'supply-over-limit')) {
        expect(built.isDriven).toBe(false);
        continue;
      }
      const on = thresholds ? thresholds.turnOn : half;
      if (on.ok) {
        // A starved load's picoamperes are near level over a decade of light.
        if (isSoft && drive.fullAmps < NO_AMPS) continue;
        lights += 1;
        expect(Math.abs(Math.log(built.onLux / on.lux))).toBeLessThan(0.002);
        if (thresholds?.turnOff.ok)
          expect(Math.abs(Math.log(built.offLux / thresholds.turnOff.lux))).toBeLessThan(0.002);
      } else expect(built.onLux).toBeNaN();
      // A load that passes its most on the way, or that floats, is another matter.
      const { darkAmps: dark, brightAmps: bright } = extremes.load;
      const end = isSoft ? (action === 'on-in-dark' ? dark : bright) : Math.max(dark, bright);
      const most = end / drive.fullAmps;
      if (assembly.isOneAtATime || advice.some(({ code }) => DEAD.includes(code))) continue;
      if (loads.some(isStarved)) expect(built.isDriven).toBe(false);
      else if (on.ok && drive.reachedShare > 0.95 && most > 0.95) {
        drives += 1;
        expect(built.isDriven).toBe(true);
      }
    }
    expect(lights).toBeGreaterThan(10);
    expect(drives).toBeGreaterThan(5);
  });
});

describe('what parts make together', () => {
  it('is next to nothing in a linear case: each total share is its own', () => {
    const project = linear(checks.spreadLinear[0]!);
    const options = { ...DEFAULT_SPREAD, minCelsius: 25, maxCelsius: 25 };
    const { factors, summary } = run(project, options);
    const totals = totalShares(project, options)!;
    factors.forEach((factor, index) => {
      const own = summary.contributions.find((one) => one.factor === factor)!.share;
      expect(Math.abs(totals[index]! - own)).toBeLessThan(0.09);
    });
    expect(summary.contributions.every(({ total }) => total === null)).toBe(true);
  });

  it('is nothing where no build switches', () => {
    expect(totalShares(sampleNamed('Canoe rack marker that stays dim'), few)).toBeNull();
  });
});

describe('which LDR of some', () => {
  const savedOf = (id: string, factor: number) => ({
    id,
    part: { ...platform.part, name: id },
    measurement: {
      ...measurementOf(platform),
      readings: platform.readings.map((reading) => ({ ...reading, ohms: reading.ohms * factor })),
    },
    keptAt: 0,
  });

  it('is the one whose switching light is nearest to the goal, and the most alike are a pair', () => {
    const { choices, pair } = whichLdr(platform, [
      savedOf('far', 2),
      savedOf('near', 1.02),
      savedOf('also', 1.9),
    ]);
    expect(choices.map(({ id }) => id)).toEqual(['near', 'also', 'far']);
    expect(new Set(pair!.names)).toEqual(new Set(['far', 'also']));
    expect(pair!.ratio).toBeCloseTo(2 / 1.9, 2);
    expect(whichLdr(platform, [])).toEqual({ choices: [], pair: null });
  });
});

const worth = (tried: readonly Payoff[]) => tried.filter(({ isWorth }) => isWorth).length;

describe('what pays', () => {
  it('is told by a run of its own, and does what it says when it is taken', () => {
    const strict: SpreadOptions = { ...few, limitRatio: 1.1 };
    const payoffs = payoffsOf(platform, strict).filter(({ isWorth }) => isWorth);
    expect(payoffs.map(({ kind }) => kind)).toContain('trimmer');
    for (const { kind, good, goodBefore } of payoffs) {
      expect(goodBefore).toEqual(run(platform, strict).summary.good);
      const edit = payoffEdit(kind);
      if (edit) expect(run(edit(platform), strict).summary.good).toEqual(good);
    }
    // The best first, and a trimmer covers what resistors do.
    expect(payoffs[0]!.kind).toBe('trimmer');
    expect(payoffs[0]!.good.share).toBeGreaterThan(0.98);
    expect(
      payoffs.every(({ good }, index) => index === 0 || good.share <= payoffs[index - 1]!.good.share),
    ).toBe(true);
  });

  it('is worth it and adds nothing that “cannot work”, in any project', () => {
    let offered = 0;
    for (let seed = 1; seed <= runs(600); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const before = cannotsOf(project);
      const tried = payoffsOf(project, { ...few, builds: 120 });
      // What is no better stands behind all that is.
      expect(tried.map(({ isWorth }) => isWorth)).toEqual(tried.map((_, at) => at < worth(tried)));
      for (const { kind, good, goodBefore, lnStd, lnStdBefore } of tried.slice(0, worth(tried))) {
        offered += 1;
        expect(good.share > goodBefore.share || lnStd < lnStdBefore).toBe(true);
        const edit = payoffEdit(kind);
        if (!edit) continue;
        expect(checkProject(edit(project)).ok).toBe(true);
        for (const [code, count] of cannotsOf(edit(project)))
          expect(count, `${seed} ${kind} ${code}`).toBeLessThanOrEqual(before.get(code) ?? 0);
      }
    }
    expect(offered).toBeGreaterThan(5);
  });

  it('offers to measure only an LDR that is not measured', () => {
    const typical = { ...platform, readings: [] };
    expect(payoffsOf(platform, few).some(({ kind }) => kind === 'measure')).toBe(false);
    const measured = payoffsOf(typical, few).find(({ kind }) => kind === 'measure');
    expect(measured!.lnStd).toBeLessThan(measured!.lnStdBefore);
  });
});
