import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { promised, runs } from '../testRuns';
import { sampleProjects } from '../project/samples';
import { toleranceOf } from '../series/stock';
import { HiddenFault } from '../faults/hidden/hiddenFault';
import { probesOf } from '../faults/predict';
import { OVER_OHMS, type Probe } from '../faults/probe';
import { benchOf, sampleBench } from '../faults/testBenches';
import {
  answersFrom,
  BAND_DRAWS,
  groupOf,
  outcomeOf,
  standingOf,
  testPointsOf,
  truthTable,
  unplugFor,
} from './testPoints';
import { trimsOf, turnFrom } from './trim';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { defaultLoads } from '../loads/registry';
import { pinsOf } from '../parts/registry';
import { changeOutputStage } from '../project/detectorEdits';
import { changeTrimmer, takeLoad } from '../project/edits';
import { chooseDetector } from '../size/chooseDetector';
import { sampleNamed } from '../project/testSamples';
import { displayed } from '../meter/voltmeter';

describe('test points', () => {
  it('hold a sound build’s figures in their band, as often as they say', () => {
    let [inside, count] = [0, 0];
    for (const project of sampleProjects) {
      const { bench } = benchOf(project, BAND_DRAWS);
      const points = testPointsOf(bench, probesOf(bench, [])).filter(({ probe }) => probe.kind === 'volts');
      for (let build = 0; build < runs(60); build++) {
        const sound = new HiddenFault(bench, { kind: 'healthy' }, 300 + build);
        for (const point of points) {
          const answer = sound.answer(point.probe);
          if (!answer) continue;
          count += 1;
          if (standingOf(point, answer.value) === 'in') inside += 1;
        }
      }
    }
    promised(
      'voltages of sound builds in their band',
      `${((100 * inside) / count).toFixed(1)} %`,
      '95 % or more',
    );
    expect(inside / count).toBeGreaterThan(0.94);
  });

  it('hold its resistances too, in a light made by hand, of an LDR that is measured and of one that is not', () => {
    const unmeasured = { ...sampleNamed('Platform lamps'), readings: [] };
    const ldrs = { inside: 0, count: 0 };
    const resistors = { inside: 0, count: 0 };
    for (const project of [...sampleProjects, unmeasured]) {
      const { bench } = benchOf(project, BAND_DRAWS);
      const points = testPointsOf(bench, probesOf(bench, [])).filter(({ probe }) => probe.kind === 'ohms');
      for (const { low, high } of points) expect([low > 0, high > low]).toEqual([true, true]);
      const ofLdr = points.filter(
        ({ probe }) => probe.kind === 'ohms' && probe.designator === bench.wiring.ldr,
      );
      expect(ofLdr.length).toBeGreaterThan(1);
      for (let build = 0; build < runs(200); build++) {
        const sound = new HiddenFault(bench, { kind: 'healthy' }, 700 + build);
        for (const point of points) {
          const answer = sound.answer(point.probe);
          if (!answer) continue;
          const counts = ofLdr.includes(point) ? ldrs : resistors;
          counts.count += 1;
          if (standingOf(point, answer.value) === 'in') counts.inside += 1;
        }
      }
      // What is twice as far off as its tolerance is out of it.
      const bought = toleranceOf(project.resistors);
      for (const point of points) {
        const { probe, expected } = point;
        if (probe.kind !== 'ohms' || ofLdr.includes(point) || expected >= OVER_OHMS / 2) continue;
        const part = bench.assembly.parts.find(({ designator }) => designator === probe.designator);
        const isAlone = part?.kind === 'resistor' && Math.abs(part.ohms / expected - 1) < 0.001;
        if (isAlone && expected > 100)
          expect([probe.designator, point.high / expected < 1 + bought + 0.05]).toEqual([
            probe.designator,
            true,
          ]);
      }
    }
    for (const [what, { inside, count }] of Object.entries({ LDRs: ldrs, resistors })) {
      const share = `${((100 * inside) / count).toFixed(1)} %`;
      promised(`resistances of sound ${what} in their band`, share, '95 % or a little more');
      expect([what, inside / count > 0.93]).toEqual([what, true]);
    }
    // Nor is it so wide that it would hold anything.
    expect(ldrs.inside / ldrs.count).toBeLessThan(0.995);
  });

  it('call what lies beside its band near, and what is far out', () => {
    const volts: Probe = { kind: 'volts', net: 'mid', light: 0 };
    const point = {
      probe: volts,
      key: '',
      expected: 2,
      low: 1.9,
      high: 2.1,
    };
    expect([1.95, 2.15, 2.3].map((value) => standingOf(point, value))).toEqual(['in', 'near', 'out']);
    const across: Probe = { kind: 'ohms', designator: 'R1', light: 0 };
    const ohms = {
      ...point,
      probe: across,
      expected: 1000,
      low: 900,
      high: 1100,
    };
    expect([1000, 1150, 10_000].map((value) => standingOf(ohms, value))).toEqual(['in', 'near', 'out']);
    const over = { ...ohms, expected: OVER_OHMS, low: 1e7, high: OVER_OHMS };
    expect([OVER_OHMS, 2e7, 4700].map((value) => standingOf(over, value))).toEqual(['in', 'in', 'out']);
  });

  it('are told with the meter’s own load on them: an old meter shows less', () => {
    const at = (inputOhms: number) => {
      const project = sampleNamed('Birdhouse logger');
      const { bench } = benchOf(project, 20, {
        id: 'm',
        name: 'm',
        counts: 2000,
        autoRange: false,
        inputOhms,
        ranges: [{ fullOhms: 2e7, accuracyShare: 0.01, accuracyDigits: 3 }],
      });
      const points = testPointsOf(bench, probesOf(bench, []));
      return points.find(({ key }) => key === 'volts mid 0')?.expected ?? NaN;
    };
    expect(at(20_000)).toBeLessThan(0.9 * at(1e7));
  });

  it('are measured with the power off first, the load last; what must be opened says so', () => {
    const { bench } = sampleBench('Seedling shelf', 8);
    const probes = probesOf(bench, []);
    const order = probes.map((probe) => groupOf(probe, ['supply']));
    expect(new Set(order)).toEqual(new Set(['unpowered', 'supply', 'signal', 'load']));
    expect(unplugFor({ kind: 'ohms', designator: 'R1', light: 0 })).toBe('power');
    expect(unplugFor({ kind: 'amps', light: 0 })).toBe('in-line');
    const kept = [
      { probe: 'volts mid 0', value: 2 },
      { probe: 'volts of another circuit 0', value: 1 },
    ];
    expect(answersFrom(probes, kept)).toEqual([{ probe: { kind: 'volts', net: 'mid', light: 0 }, value: 2 }]);
    const lines = truthTable({ lights: bench.lights, loads: 1 }, testPointsOf(bench, probes), ['mid', 'ref']);
    expect(lines.map(({ loads }) => loads[0])).toEqual(['on', 'off']);
    expect(lines[0]?.points).toHaveLength(2);
  });

  it('say that a circuit works only where its loads were seen to, in every light', () => {
    const { bench } = sampleBench('Seedling shelf', 8);
    const points = testPointsOf(bench, probesOf(bench, []));
    const [on, off] = ['load 0', 'load 1'].map(
      (key) => points.find((point) => point.key === key)?.expected ?? NaN,
    );
    const { lights } = bench;
    expect(outcomeOf(points, new Map([['volts mid 0', 6]]), lights)).toBe('open');
    expect(outcomeOf(points, new Map([['load 0', on ?? NaN]]), lights)).toBe('open');
    const both = new Map([
      ['load 0', on ?? NaN],
      ['load 1', off ?? NaN],
    ]);
    expect(outcomeOf(points, both, lights)).toBe('works');
    expect(outcomeOf(points, new Map([['load 1', on ?? NaN]]), lights)).toBe('fails');
  });

  it('say that a detector of changes works without being held fired, and that it fails where it is and stays off', () => {
    const { bench } = benchOf(sampleNamed('Marble gate'), 2);
    const points = testPointsOf(bench, probesOf(bench, []));
    const seen = points.flatMap(({ probe, key, expected }): [string, number][] =>
      probe.kind === 'load' && probe.light < 2 ? [[key, expected]] : [],
    );
    expect(bench.lights[2]?.holds).toBeDefined();
    expect(outcomeOf(points, new Map(seen), bench.lights)).toBe('works');
    expect(outcomeOf(points, new Map(seen.slice(1)), bench.lights)).toBe('open');
    expect(outcomeOf(points, new Map([...seen, ['load 2', 0]]), bench.lights)).toBe('fails');
  });

  it('keep their place whatever else the circuit is tested in: a window has a light more', () => {
    const window = chooseDetector('window')(sampleNamed('Platform lamps'));
    for (const project of [sampleNamed('Platform lamps'), window])
      expect(
        benchOf(project, 2)
          .bench.lights.slice(0, 2)
          .map(({ name }) => name),
      ).toEqual(['dark', 'bright']);
    expect(benchOf(window, 2).bench.lights[2]?.name).toBe('between');
  });

  it('hold what the design itself has, fresh cells and all: every random project', () => {
    let count = 0;
    for (let seed = 0; seed < runs(1000, 160); seed++) {
      const project = someProject(80_000 + seed);
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, 24);
      for (const point of testPointsOf(bench, probesOf(bench, []))) {
        count += 1;
        expect(standingOf(point, point.expected), `${project.name}: ${JSON.stringify(point)}`).toBe('in');
      }
    }
    expect(count).toBeGreaterThan(150);
  });

  it('ask for no steady voltage where an oscillator swings', () => {
    const lamps = sampleNamed('Platform lamps');
    const counted = changeOutputStage(defaultOutputStages.counted)(chooseDetector('comparator')(lamps));
    const tone = takeLoad({ ...defaultLoads.tone, source: 'timer' })(lamps);
    for (const [project, prefix] of [
      [counted, 'count.'],
      [tone, 'tone'],
    ] as const) {
      const { bench } = benchOf(project, 2);
      const nets = bench.assembly.parts.flatMap((part) => pinsOf(part).flatMap(({ net }) => net ?? []));
      expect(nets.some((net) => net.startsWith(prefix))).toBe(true);
      const asked = probesOf(bench, []).flatMap((probe) => (probe.kind === 'volts' ? [probe.net] : []));
      const swinging = [
        'count.clock',
        'count.slow',
        'count.fast',
        'count.swing',
        'tone',
        'tone-timing',
        'tone-discharge',
      ];
      expect(asked.filter((net) => swinging.includes(net))).toEqual([]);
      expect(asked).toContain('mid');
    }
  });

  it('shows a voltage on the lowest range that holds it', () => {
    expect(displayed({ counts: 2000 }, 'volts', 1.2345)).toMatchObject({ full: 2, decimals: 3 });
    expect(displayed({ counts: 2000 }, 'volts', 2.5)).toMatchObject({ full: 20, decimals: 2 });
    expect(displayed({ counts: 6000 }, 'volts', 5.1)).toMatchObject({ full: 6, decimals: 3 });
    expect(displayed({ counts: 2000 }, 'volts', -0.0712).shown).toBeCloseTo(-0.0712, 4);
  });
});

describe('trimming', () => {
  const project = changeTrimmer(
    { trackOhms: 10_000, endOhms: 470, degrees: 270 },
    4700,
  )(sampleNamed('Seedling shelf'));

  it('turns to where the wanted voltage is, from wherever it stands', () => {
    const { bench, design } = benchOf(project, 8);
    const [trim] = trimsOf(project, design, bench);
    if (!trim) throw new Error('no trim');
    expect(trim.net).toBe('mid');
    const there = turnFrom(trim, trim.targetVolts);
    expect(there?.isThere).toBe(true);
    const other = turnFrom(trim, 0.8 * trim.targetVolts);
    expect(other && Math.abs(other.degrees)).toBeGreaterThan(5);
    // What it says to turn brings it there: towards its upper end less of a rheostat's track is in use.
    const now = trim.shareAt(0.8 * trim.targetVolts) ?? NaN;
    expect(now - (other?.degrees ?? NaN) / trim.degrees).toBeCloseTo(there?.targetShare ?? NaN, 6);
  });

  it('says so where no setting gives the voltage', () => {
    const { bench, design } = benchOf(project, 8);
    const [trim] = trimsOf(project, design, bench);
    expect(trim && turnFrom(trim, 60)).toBeNull();
  });
});
