import { describe, expect, it } from 'vitest';
import { defaultTransistor } from '../drivers/registry';
import { countedSeconds } from '../parts/kinds/counter';
import { analyse } from '../design';
import { someProject } from '../advise/testProjects';
import { stageOf } from '../detectors/stageOf';
import { unusualProject } from '../testUnusual';
import { inTimeOf } from './inTime';
import { pulseSeconds } from '../parts/kinds/timer';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { outcomeOf, testPointsOf } from '../points/testPoints';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { takeTransistor } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { withFault } from './circuit/apply';
import { FaultyCircuit } from './circuit/faultyCircuit';
import { NEVER_SECONDS, SHORTEST_SECONDS, timingOf } from './circuit/timed';
import { keyOf, type Fault } from './fault';
import { diagnose, finderOf } from './finder';
import { searchFor } from './hidden/search';
import { HiddenFault } from './hidden/hiddenFault';
import { faultsOf } from './list';
import { probesOf, testBench, type TestBench } from './predict';
import { shippedMeters } from '../meter/meter';
import { secondsOn } from './row';
import { benchOf } from './testBenches';

const lamps = takeTransistor(defaultTransistor('nmos'))(sampleNamed('Platform lamps'));
const behind = (way: 'comparator' | 'timer' | 'change', stage: Project['outputStage']): Project =>
  changeOutputStage(stage)(chooseDetector(way)(lamps));

const oneShot = { ...defaultOutputStages['one-shot'], ohms: 470_000, farads: 4.7e-6 };
const counted = { ...defaultOutputStages.counted, ohms: 47_000, farads: 1e-8 };
const designs = [
  ['a one-shot', behind('comparator', oneShot), pulseSeconds(470_000, 4.7e-6)],
  ['a one-shot behind what hears changes', behind('change', oneShot), pulseSeconds(470_000, 4.7e-6)],
  ['a counter', behind('comparator', counted), countedSeconds(47_000, 1e-8)],
] as const;

/** How long it stays on with a fault, in s. */
function stayedOn(bench: TestBench, fault: Fault): number {
  const wiring = withFault(bench.wiring, fault);
  const circuit = new FaultyCircuit(wiring, bench.setup);
  const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
  const { from, light } = bench.timing ?? { from: 0, light: 0 };
  const before = circuit.settle(made, from);
  const one = before && (circuit.hears ? circuit.jump(made, before, light) : circuit.settle(made, light));
  return before && one ? secondsOn(bench, circuit, wiring, { before, one }) : NaN;
}

describe('how long a load stays on by itself', () => {
  it.each(designs)('is what its parts say, whatever is wrong with them: %s', (_, project, seconds) => {
    const { bench } = benchOf(project, 4);
    const { resistor, capacitor } = bench.timing ?? {};
    const at = (fault: Fault) => stayedOn(bench, fault);
    const value = (designator = '', times = 1): Fault => ({ kind: 'value', designator, times });
    const open = (designator = ''): Fault => ({ kind: 'open', designator, net: null });
    // A comparator's bias and a transistor's last tenth of a volt are not in the formula.
    expect(at({ kind: 'healthy' }) / seconds).toBeCloseTo(1, 1);
    for (const part of [resistor, capacitor]) {
      expect(at(value(part?.designator, 10)) / seconds / 10).toBeCloseTo(1, 1);
      expect(at(value(part?.designator, 0.01))).toBeLessThan(
        Math.max(SHORTEST_SECONDS, 0.011 * seconds) * 1.01,
      );
    }
    expect(at(open(resistor?.designator))).toBe(NEVER_SECONDS);
    expect(at(open(capacitor?.designator))).toBe(SHORTEST_SECONDS);
    expect(at({ kind: 'ldr', state: 'shaded' })).toBeGreaterThan(seconds / 2);
  });

  it('never ends where a capacitor the wrong way round takes what should fill it', () => {
    const { bench } = benchOf(behind('comparator', oneShot), 4);
    const designator = bench.timing?.capacitor.designator ?? '';
    expect(stayedOn(bench, { kind: 'reversed', designator })).toBe(NEVER_SECONDS);
  });

  it('never ends where a counter’s oscillator stands still, or its clock does not hear it', () => {
    const { bench } = benchOf(behind('comparator', counted), 4);
    const of = (role: string) => bench.assembly.parts.find((part) => part.role === role);
    const designator = (role: string) => of(role)?.designator ?? '';
    const [counter, guard, stop] = [
      designator('counter'),
      designator('counter-guard'),
      designator('counter-stop'),
    ];
    const holding: readonly Fault[] = [
      { kind: 'open', designator: counter, net: 'count.fast' },
      { kind: 'open', designator: counter, net: 'count.reset' },
      { kind: 'open', designator: counter, net: 'count.end' },
      { kind: 'open', designator: guard, net: null },
      { kind: 'reversed', designator: stop },
      { kind: 'stuck', designator: counter, key: 'counter', level: 'low' },
      { kind: 'bridge', nets: ['count.clock', 'supply'] },
    ];
    for (const fault of holding)
      expect([keyOf(fault), stayedOn(bench, fault)]).toEqual([keyOf(fault), NEVER_SECONDS]);
    // Another resistor in its resistor's place sets another time.
    const [timing, reference] = [of('counter-resistor'), of('reference-upper') ?? of('pull-up')].map((part) =>
      part?.kind === 'resistor' ? part : null,
    );
    if (!timing || !reference) throw new Error('no resistors');
    const swapped = { kind: 'exchanged', designators: [timing.designator, reference.designator] } as const;
    expect(stayedOn(bench, swapped) / countedSeconds(reference.ohms, 1e-8)).toBeCloseTo(1, 2);
    // What only holds it at its end, or lies between two that swing alike, leaves the time as it is.
    const harmless: readonly Fault[] = [
      { kind: 'open', designator: stop, net: null },
      { kind: 'bridge', nets: ['count.clock', 'count.swing'] },
    ];
    for (const fault of harmless) expect(stayedOn(bench, fault)).toBeCloseTo(countedSeconds(47_000, 1e-8), 1);
  });

  it('is nobody’s to time where it follows the light, turns over, or is over at once', () => {
    for (const stage of ['direct', 'inverted', 'toggle'] as const) {
      const { bench } = benchOf(behind('comparator', defaultOutputStages[stage]), 2);
      expect(probesOf(bench, []).some(({ kind }) => kind === 'time')).toBe(false);
    }
    const { bench } = benchOf(behind('comparator', { ...oneShot, ohms: 10_000, farads: 1e-7 }), 2);
    expect([timingOf(bench.assembly.parts), bench.timing]).toEqual([null, null]);
  });

  it('is what is said of it in the headline and tried in time, in every random project that can work', () => {
    let [count, differ] = [0, 0];
    const wanted = runs(2000, 700, 3);
    for (let seed = 300_000; count < wanted; seed++) {
      const made = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const pulse = { ohms: 330_000, farads: 4.7e-6 };
      const kinds = ['direct', 'one-shot', 'counted', 'toggle'] as const;
      // Those that time nothing get something that does; a timer's own pulse now and then, and a resistor at its control pin.
      const base = made.detector.kind === 'timer' ? changeDetector('timer', { pulse })(made) : made;
      const project = changeOutputStage(defaultOutputStages[kinds[seed % 4] ?? 'direct'])(base);
      const stage = stageOf(project);
      const analysis = analyse(project);
      if (!('seconds' in stage) || !analysis.ok) continue;
      if (analysis.design.advice.some(({ state }) => state === 'cannot')) continue;
      const bench = testBench(project, analysis.design, shippedMeters[0]!, project.check, 2);
      const point = testPointsOf(bench, probesOf(bench, [])).find(({ probe }) => probe.kind === 'time');
      if (!point) continue;
      count += 1;
      const isAsSaid =
        Math.abs(point.expected / stage.seconds - 1) < 0.05 &&
        Math.abs((inTimeOf(bench.assembly.parts)?.seconds ?? 0) / stage.seconds - 1) < 1e-9;
      if (!isAsSaid) differ += 1;
      expect([seed, isAsSaid, point.expected, stage.seconds]).toEqual([
        seed,
        true,
        point.expected,
        stage.seconds,
      ]);
    }
    promised('times by the circuit as they are said', `${count - differ} of ${count}`, 'all');
  });

  it.each(designs)('lies in its band in sound builds: %s', (_, project) => {
    const { bench } = benchOf(project, 40);
    const point = testPointsOf(bench, probesOf(bench, [])).find(({ probe }) => probe.kind === 'time');
    if (!point) throw new Error('no such point');
    let inside = 0;
    const count = runs(400, 10);
    for (let build = 0; build < count; build++) {
      const { value = NaN } =
        new HiddenFault(bench, { kind: 'healthy' }, 900 + build).answer(point.probe) ?? {};
      if (value >= point.low && value <= point.high) inside += 1;
    }
    promised(
      'times of sound builds in their band',
      `${((100 * inside) / count).toFixed(1)} %`,
      '95 % or more',
    );
    expect(inside / count).toBeGreaterThan(0.9);
    // Ten times as long is a fault, whatever else is seen.
    const outcome = (seconds: number) => outcomeOf([point], new Map([[point.key, seconds]]), bench.lights);
    expect([outcome(point.expected), outcome(10 * point.expected)]).toEqual(['open', 'fails']);
    // Nor is it so wide that it would hold ten times as long.
    expect(point.high / point.low).toBeLessThan(4);
  });

  it.each(designs)('tells what is wrong with what sets it: %s', (_, project) => {
    const { bench } = benchOf(project);
    const finder = finderOf(bench, faultsOf(bench.assembly, null));
    const own = [bench.timing?.resistor.designator, bench.timing?.capacitor.designator];
    const faults = finder.table.faults.filter(
      ({ fault }) => 'designator' in fault && own.includes(fault.designator) && fault.kind !== 'moved',
    );
    expect(faults.length).toBeGreaterThan(8);
    const time = finder.table.probes.find(({ kind }) => kind === 'time');
    const loads = finder.table.probes.filter(({ kind }) => kind === 'load');
    for (const [at, { fault }] of faults.slice(0, runs(99, 50, 2)).entries()) {
      const hidden = new HiddenFault(bench, fault, 70 + at);
      const answers = [...loads, time].flatMap((probe) => (probe && hidden.answer(probe)) ?? []);
      // As a person would: it is timed first, and then what is proposed is done.
      for (let more = 0; more < 4; more++) {
        const [next] = diagnose(finder, answers).next;
        const answer = next && hidden.answer(next.probe);
        if (answer) answers.push(answer);
      }
      const [first] = diagnose(finder, answers).groups;
      const keys = first?.members.map((member) => keyOf(member.fault.fault));
      expect(
        keys,
        `${keyOf(fault)} by ${answers.map(({ value }) => value.toPrecision(3)).join(' ')}`,
      ).toContain(keyOf(fault));
    }
  });

  it('is found behind a flip-flop too, however that came on where nothing clocks it', () => {
    const { bench } = benchOf(behind('comparator', defaultOutputStages.toggle));
    const finder = finderOf(bench, faultsOf(bench.assembly, null));
    const { table } = finder;
    const load = table.probes.findIndex(({ kind }) => kind === 'load');
    const detector = bench.assembly.parts.find(({ role }) => role === 'detector')?.designator ?? '';
    const dead: readonly Fault[] = [
      { kind: 'unpowered', designator: detector },
      { kind: 'open', designator: detector, net: 'mid' },
      { kind: 'stuck', designator: detector, key: 'detector', level: 'low' },
    ];
    let found = 0;
    const lit = new Set<number>();
    for (const fault of dead) {
      const at = table.faults.findIndex((each) => keyOf(each.fault) === keyOf(fault));
      const row = table.rows[at]?.[load] ?? new Float64Array(0);
      // There is no figure that it should have, but it has one or the other.
      expect([row[0], new Set(row.slice(1)).size]).toEqual([NaN, 2]);
      for (let seed = 0; seed < 4; seed++) {
        const { answers, diagnosis } = searchFor(finder, new HiddenFault(bench, fault, seed), 8);
        for (const { probe, value } of answers) if (probe.kind === 'load') lit.add(value);
        const first = diagnosis.groups[0]?.members.map((member) => keyOf(member.fault.fault)) ?? [];
        if (first.includes(keyOf(fault))) found += 1;
        lit.add(new HiddenFault(bench, fault, seed).answer(table.probes[load]!)?.value ?? NaN);
      }
    }
    expect(lit.size).toBe(2);
    expect(found).toBeGreaterThan(9);
  });
});
