import fc from 'fast-check';
import { loudnessOf } from '../loads/buzzer';
import { contactRatingAmps } from '../loads/relay';
import { describe, expect, it } from 'vitest';
import { defaultLoads, loadDefinition } from '../loads/registry';
import { someProject } from '../advise/testProjects';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { promised, runs } from '../testRuns';
import { DesignCircuit } from './designCircuit';
import {
  changeBaseResistor,
  changeDivider,
  changeLoad,
  changeDriver,
  takeLoad,
  takeTransistor,
  together,
} from '../project/edits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { defaultTransistor as defaultPart } from '../drivers/registry';
import { analyse } from '../design';
import { isStarved } from '../operate/onAmps';
import { unusualProject } from '../testUnusual';
import { chooseDetector } from '../size/chooseDetector';
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

describe('a coil that hangs alone', () => {
  it('switches where it pulls in, and R1 is sized for that light', () => {
    const relays = fc.record({
      coilOhms: fc.constantFrom(70, 120, 400),
      fixedOhms: fc.constantFrom(10_000, 33_000, 68_000),
      kind: fc.constantFrom<'npn' | 'pnp' | 'darlington' | 'nmos'>('npn', 'pnp', 'darlington', 'nmos'),
      lux: fc.constantFrom(3, 10, 40),
    });
    let switching = 0;
    fc.assert(
      fc.property(relays, ({ coilOhms, fixedOhms, kind, lux }) => {
        const shed = sampleProjects.find(({ id }) => id === 'sample-hedgehog-hut')!;
        const project = together(
          takeTransistor(defaultPart(kind)),
          changeLoad({ coilOhms }),
          changeDivider({ fixedOhms }),
        )({ ...shed, goal: { ...shed.goal, lux } });
        const { half, drive, loads, exactFixed } = designOf(project);
        const [facts] = loads;
        if (!drive.isPullIn || !half.ok || !facts?.lights?.on.ok) return;
        switching += 1;
        expect(half.lux / facts.lights.on.lux).toBeCloseTo(1, 5);
        expect(drive.switchAmps).toBeCloseTo((0.75 * 5) / coilOhms, 9);
        if (!exactFixed.ok) return;
        const exact = designOf(changeDivider({ fixedOhms: exactFixed.ohms })(project));
        expect((exact.loads[0]?.lights?.on.ok ? exact.loads[0].lights.on.lux : NaN) / lux).toBeCloseTo(1, 3);
      }),
      { numRuns: 40, seed: 9 },
    );
    expect(switching).toBeGreaterThan(15);
  });
});

describe('the series resistor', () => {
  it('gives the wanted current when the switch is driven hard, with every kind of switch and several LEDs', () => {
    const anyLoad = fc.record({
      supplyVolts: fc.double({ min: 14, max: 24, noNaN: true }),
      forwardVolts: fc.double({ min: 1.2, max: 3.4, noNaN: true }),
      wantedAmps: fc.double({ min: 0.001, max: 0.03, noNaN: true }),
      inSeries: fc.integer({ min: 1, max: 3 }),
      strings: fc.integer({ min: 1, max: 4 }),
      kind: fc.constantFrom<'npn' | 'pnp' | 'darlington'>('npn', 'pnp', 'darlington'),
      ohms: fc.constantFrom(0, 2),
    });
    fc.assert(
      fc.property(anyLoad, ({ supplyVolts, kind, ohms, ...led }) => {
        const wired = together(
          changeDivider({ supplyVolts }),
          takeTransistor(defaultPart(kind)),
          changeLoad({ ...led, led: 'own', atAmps: 0.01 }),
        )(newProject('n', 'N'));
        let project: Project = { ...wired, source: { ...wired.source, ohms } };
        // The switch's own drop goes with the current a little: a second pass is exact.
        for (let pass = 0; pass < 3; pass++) {
          const series = designOf(project).loads[0]?.series;
          if (!series?.ok) throw new Error('no resistor');
          project = changeLoad({ seriesOhms: series.exactOhms })(project);
        }
        const amps = designOf(project).loads[0]?.amps ?? NaN;
        expect(Math.abs(amps / led.strings / led.wantedAmps - 1)).toBeLessThan(2e-4);
      }),
      { numRuns: 60 },
    );
  });

  it('says what the supply would have to be where there is none', () => {
    const series = (supplyVolts: number) =>
      designOf(changeDivider({ supplyVolts })(newProject('n', 'N'))).loads[0]?.series;
    const sized = series(1.5);
    if (!sized || sized.ok) throw new Error('a refusal was wanted');
    expect(sized.neededVolts).toBeGreaterThan(1.8);
    expect(sized.neededVolts).toBeLessThan(2);
    expect(series(sized.neededVolts + 0.01)?.ok).toBe(true);
  });
});

describe('what becomes of a load', () => {
  const with12 = changeDivider({ supplyVolts: 12, fixedOhms: 10_000 })(newProject('n', 'N'));
  const onMos = together(takeTransistor(defaultPart('nmos')));

  it('finds no fault with a relay that gets its current whenever the detector is on, be that for a moment or never', () => {
    const shed = sampleProjects.find(({ id }) => id === 'sample-hedgehog-hut')!;
    const fired = designOf(chooseDetector('change')(shed));
    const beyond = designOf(
      together(
        chooseDetector('comparator'),
        changeDetector('comparator', { reference: { topOhms: 10, bottomOhms: 1e6, trimmer: null } }),
      )(shed),
    );
    for (const { loads, advice } of [fired, beyond]) {
      expect(loads[0]?.lights).toMatchObject({ turnsOn: true, turnsOff: true });
      expect(advice.map(({ code }) => code)).not.toContain('relay-not-pulled');
    }
    expect(fired.advice.filter(({ state }) => state === 'cannot')).toEqual([]);
    expect(beyond.advice.map(({ code }) => code)).toContain('reference-beyond');
    const weak = designOf(
      together(chooseDetector('change'), takeTransistor(defaultPart('npn')), changeBaseResistor(1e6))(shed),
    );
    expect(weak.loads[0]?.lights).toMatchObject({ turnsOn: false });
    expect(weak.advice.map(({ code }) => code)).toContain('relay-not-pulled');
  });

  it('is told for a relay: pull-in in the dark, drop-out at more light, and what its contacts may switch', () => {
    const relay = { ...defaultLoads.relay, coilVolts: 12, coilOhms: 400, use: 'lamp', useAmps: 1 } as const;
    const facts = designOf(together(onMos, takeLoad(relay))(with12)).loads[0];
    if (!facts?.lights?.on.ok || !facts.lights.off.ok) throw new Error('lights wanted');
    expect(facts.lights.on.lux).toBeLessThan(facts.lights.off.lux);
    expect(contactRatingAmps(relay)).toBeCloseTo(0.5, 9);
    expect(facts.flyback).toBe('D1');
  });

  it('is told for a buzzer: half the voltage is 6 dB less, and under its least it is silent', () => {
    const loudness = (ratedVolts: number, minVolts: number) => {
      const buzzer = { ...defaultLoads.buzzer, ratedVolts, minVolts, maxVolts: 30 };
      return loudnessOf(buzzer, designOf(takeLoad(buzzer)(onMos(with12))).loads[0]?.volts ?? 0);
    };
    expect(loudness(24, 5)).toBeCloseTo(-6.02, 1);
    expect(loudness(24, 13)).toBeNull();
  });

  it('is told for a lamp: ten times its current at the first moment', () => {
    const facts = designOf(takeLoad({ ...defaultLoads.lamp, ratedVolts: 12 })(onMos(with12))).loads[0];
    expect((facts?.inrushAmps ?? 0) / (facts?.amps ?? 1)).toBeCloseTo(10, 0);
  });

  it('shares what the switch leaves: less in the emitter by a V_BE', () => {
    const volts = (place: 'collector' | 'emitter') =>
      designOf(changeDriver({ place })(takeLoad(defaultLoads.buzzer)(with12))).loads[0]?.volts ?? 0;
    expect(volts('collector') - volts('emitter')).toBeGreaterThan(0.55);
  });
});

describe('what a load is said to do', () => {
  it('is what it does in the states that have it on and off, whatever switches', () => {
    let [asked, windows] = [0, 0];
    for (let seed = 1; seed <= runs(4000, 40); seed++) {
      const base = someProject(seed);
      const relay = seed % 2 === 0 ? defaultLoads.relay : defaultLoads.logic;
      const stage = seed % 3 === 0 ? changeOutputStage({ kind: 'inverted' }) : (project: Project) => project;
      const project = stage({ ...base, loads: [relay] });
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const { thresholds, assembly, loads, ldr, range } = design;
      const [facts] = loads;
      const [placed] = assembly.loads;
      const levels = placed && loadDefinition(placed.load).levels(placed.load, assembly.isHighSide);
      if (!thresholds || !facts?.lights || !placed || !levels) continue;
      const circuit = DesignCircuit.of(project, ldr, {}, assembly);
      const figureIn = (position: number) => {
        const edges = thresholds.boundaries.map(({ rising }) => (rising.ok ? rising.lux : null));
        const [from, to] = [
          position === 0 ? range.minLux : edges[position - 1],
          edges[position] ?? range.maxLux,
        ];
        const readout = from && circuit.solveIn(position, Math.sqrt(from * to));
        return readout ? (levels.by === 'amps' ? readout.loadAmpsOf(0) : readout.volts(placed.pin)) : null;
      };
      const isPast = (figure: number, level: number, isUp: boolean) =>
        isUp ? figure >= level : figure <= level;
      const rises = levels.on > levels.off;
      const does = (isOn: boolean) => {
        const figures = thresholds.isOn.flatMap((one, position) =>
          one === isOn ? [figureIn(position)] : [],
        );
        const past = figures.map((figure) =>
          figure === null ? null : isPast(figure, isOn ? levels.on : levels.off, rises === isOn),
        );
        return past.length > 0 && past.every((one) => one === past[0]) ? past[0] : null;
      };
      const [on, off] = [does(true), does(false)];
      if (on !== null) expect([seed, 'on', facts.lights.turnsOn]).toEqual([seed, 'on', on]);
      if (off !== null) expect([seed, 'off', facts.lights.turnsOff]).toEqual([seed, 'off', off]);
      asked += 1;
      if (thresholds.isWindow && thresholds.isOn[0]) windows += 1;
    }
    promised(
      'loads that turn on and off as is said of them',
      `${asked}, ${windows} of them outside a window`,
      'all',
    );
    expect(asked).toBeGreaterThan(20);
    expect(windows).toBeGreaterThan(0);
  });
});

describe('a load that is said to have volts enough', () => {
  it('gets a current that is to be seen, in any project and as a dot’s', () => {
    const wrong: string[] = [];
    let count = 0;
    for (const seed of [400_025, 400_121, ...Array.from({ length: runs(3000, 60) }, (_, at) => at + 1)]) {
      const base = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const asDot = together(chooseDetector('ladder'), changeDetector('ladder', { shows: 'dot' }));
      const analysis = analyse(seed % 5 === 0 || seed > 400_000 ? asDot(base) : base);
      if (!analysis.ok) continue;
      for (const load of analysis.design.loads) {
        if (!load.rated) continue;
        count += 1;
        // Just at the least it begins to be.
        if (isStarved(load) && load.volts > 1.03 * load.rated.min)
          wrong.push(`${seed}: ${load.kind} ${load.amps} A at ${load.volts} V`);
      }
    }
    promised('loads with volts enough that get a current', `${count - wrong.length} of ${count}`, 'all');
    expect(count).toBeGreaterThan(20);
    expect(wrong).toEqual([]);
  });
});

describe('what another device reads', () => {
  it('is told by the volts at its pin with the switch on and off, and of no other load', () => {
    let [pins, others] = [0, 0];
    for (let seed = 1; seed <= runs(1500, 20); seed++) {
      const base = someProject(seed);
      const project =
        seed % 3 === 0 ? base : { ...base, loads: [defaultLoads.logic, ...base.loads.slice(1)] };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { assembly, loads, ldr, range, thresholds, action } = analysis.design;
      const circuit = DesignCircuit.of(project, ldr);
      loads.forEach(({ pin, kind }, index) => {
        if (kind !== 'logic') {
          others += 1;
          expect([seed, pin]).toEqual([seed, null]);
          return;
        }
        const net = assembly.loads[index]?.pin ?? '';
        // Each state of a detector at an end of the light; the two ends by themselves where a transistor decides.
        const volts = (isOn: boolean) =>
          thresholds
            ? thresholds.isOn.flatMap((one, state) =>
                one === isOn
                  ? [range.minLux, range.maxLux].map((lux) => circuit.solveIn(state, lux)?.volts(net))
                  : [],
              )
            : [
                circuit
                  .solveIn(0, (action === 'on-in-dark') === isOn ? range.minLux : range.maxLux)
                  ?.volts(net),
              ];
        const isAmong = (told: number | undefined, solved: readonly (number | undefined)[]) =>
          solved.some((one) => Math.abs((one ?? NaN) - (told ?? NaN)) < 1e-6);
        if (volts(true).length === 0 || volts(false).length === 0) return;
        pins += 1;
        expect([seed, isAmong(pin?.onVolts, volts(true))]).toEqual([seed, true]);
        expect([seed, isAmong(pin?.offVolts, volts(false))]).toEqual([seed, true]);
      });
    }
    expect(pins).toBeGreaterThan(15);
    expect(others).toBeGreaterThan(15);
  });
});
