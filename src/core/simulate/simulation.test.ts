import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import fc from 'fast-check';
import { settingsIn } from '../testSettings';
import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { changeVerdict, firedSeconds } from '../detectors/change/facts';
import { benchOf } from '../analyse/bench';
import type { ChangeSettings } from '../detectors/change/settings';
import { detectorKinds } from '../detectors/kinds';
import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import type { LdrDynamics } from '../ldr/dynamics';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { countedSeconds } from '../parts/kinds/counter';
import { pulseSeconds } from '../parts/kinds/timer';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { someProject } from '../advise/testProjects';
import { promised, runs } from '../testRuns';
import { machineOf, type Machine } from './machine';
import type { SimEvent } from './simEvent';
import { Simulation } from './simulation';

const platform = sampleNamed('Platform lamps');

function machineFor(project: Project, dynamics: Partial<LdrDynamics> = {}): Machine {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const machine = machineOf(project, analysis.design);
  return { ...machine, dynamics: { ...machine.dynamics, ...dynamics } };
}

const instant: Partial<LdrDynamics> = { riseSeconds: 1e-7, fallSeconds: 1e-7, tailShare: 0 };

/** The light part of the way from one to another, evenly in the LDR's conductance. */
function partWay({ curve }: Machine, from: number, to: number, share: number): number {
  const siemens = (lux: number) => 1 / ldrOhmsAt(curve, lux);
  if (share === 1) return to;
  return ldrLuxAt(curve, 1 / (siemens(from) + share * (siemens(to) - siemens(from)))) ?? to;
}

/** Runs through lights, so many seconds each; what happened. */
function eventsOf(
  machine: Machine,
  lux: number,
  path: readonly (readonly [seconds: number, toLux: number])[],
  cuts = 1,
) {
  const events: SimEvent[] = [];
  const simulation = new Simulation(machine, lux, (event) => events.push(event));
  let from = lux;
  for (const [seconds, to] of path) {
    for (let cut = 1; cut <= cuts; cut++)
      simulation.run(seconds / cuts, partWay(machine, from, to, cut / cuts));
    from = to;
  }
  return { events, simulation };
}

const followsLight = (project: Project) => ({
  ...project,
  outputStage: { kind: 'direct' as const },
  feedbackLux: 0,
});
const anyLux = fc.double({ min: -1, max: 4.5, noNaN: true }).map((power) => 10 ** power);

describe('a design in time', () => {
  it('switches where an instant LDR passes the static lights, to 1 ms, however the light goes', () => {
    let [compared, worst] = [0, 0];
    for (const kind of ['transistor', 'comparator', 'timer'] as const)
      for (const sample of sampleProjects) {
        const project = followsLight(chooseDetector(kind)({ ...sample, others: [] }));
        const analysis = analyse(project);
        if (!analysis.ok) continue;
        const { thresholds, half, drive } = analysis.design;
        if (drive.isPullIn) continue;
        const [on, off] = thresholds ? [thresholds.turnOn, thresholds.turnOff] : [half, half];
        if (!on.ok || !off.ok) continue;
        const [low, high] = [Math.min(on.lux, off.lux) / 3, Math.max(on.lux, off.lux) * 3];
        // In short steps the light goes evenly in lux.
        const machine = machineFor(project, instant);
        const { events } = eventsOf(machine, low, [
          [20, high],
          [20, low],
        ]);
        const loads = events.filter(({ what }) => what === 'loads');
        expect(loads.length).toBe(2);
        const isOnInDark = thresholds ? thresholds.isOn[0] : analysis.design.action === 'on-in-dark';
        const [up, down] = isOnInDark ? [off, on] : [on, off];
        const siemens = (lux: number) => 1 / ldrOhmsAt(machine.curve, lux);
        const share = (lux: number) => (siemens(lux) - siemens(low)) / (siemens(high) - siemens(low));
        const wanted = [20 * share(up.lux), 20 + 20 * (1 - share(down.lux))];
        loads.forEach(({ at }, index) => {
          compared += 1;
          worst = Math.max(worst, Math.abs(at - wanted[index]!));
          expect(Math.abs(at - wanted[index]!)).toBeLessThan(0.001);
        });
      }
    promised(
      'times of switching against the static lights, worst',
      `${(worst * 1000).toFixed(3)} ms`,
      '≤ 1 ms',
    );
    expect(compared).toBeGreaterThan(20);
  });

  it('never switches twice in steady light, whatever the design and wherever it comes from', () => {
    let moved = 0;
    for (let seed = 1; seed <= runs(2000, 50); seed++) {
      const project = followsLight(someProject(seed));
      const analysis = analyse(project);
      if (!analysis.ok || analysis.design.thresholds?.isInverted) continue;
      const machine = machineOf(project, analysis.design);
      if (machine.coupling) continue;
      const lux = 10 ** (-1 + (5.5 * ((seed * 7) % 100)) / 100);
      const simulation = new Simulation(machine, 10 ** (-1 + (5.5 * ((seed * 13) % 100)) / 100));
      simulation.jump(lux);
      simulation.run(60, lux);
      const { switchings } = simulation;
      moved += switchings;
      // Through a window from one side to the other it goes on and off.
      expect(switchings).toBeLessThanOrEqual(analysis.design.thresholds?.isWindow ? 2 : 1);
      simulation.run(3600, lux);
      expect(simulation.switchings).toBe(switchings);
    }
    expect(moved).toBeGreaterThan(5);
  });

  it('has the same events to 1 ms however the time is cut', () => {
    let [events, worst] = [0, 0];
    fc.assert(
      fc.property(
        fc.constantFrom(...detectorKinds.filter((kind) => kind !== 'controller')),
        fc.constantFrom(...sampleProjects),
        fc.array(fc.tuple(fc.double({ min: 0.02, max: 3, noNaN: true }), anyLux), {
          minLength: 2,
          maxLength: 6,
        }),
        (kind, sample, path) => {
          const machine = machineFor({ ...chooseDetector(kind)({ ...sample, others: [] }), feedbackLux: 0 });
          // What falls on the very end may be told on either side of it.
          const end = path.reduce((sum, [seconds]) => sum + seconds, 0) - 0.001;
          const within = (cuts: number) => ({
            events: eventsOf(machine, 50, path, cuts).events.filter(({ at }) => at < end),
          });
          const [once, twice] = [within(1), within(2)];
          expect(twice.events.map(({ what, isOn }) => [what, isOn])).toEqual(
            once.events.map(({ what, isOn }) => [what, isOn]),
          );
          once.events.forEach(({ at }, index) => {
            events += 1;
            const apart = Math.abs(at - (twice.events[index]?.at ?? Infinity));
            worst = Math.max(worst, apart);
            expect(apart).toBeLessThan(0.001);
          });
        },
      ),
      { numRuns: runs(1000), seed: 9 },
    );
    promised(
      'half the step moves an event by at most',
      `${(worst * 1000).toFixed(3)} ms, of ${events}`,
      '1 ms',
    );
  });

  it('hears changes on top of the memory of past light to 1 ms of what fifty times as many steps do', () => {
    const machine = machineFor(sampleNamed('Marble gate'));
    const leaves = fc.array(fc.double({ min: 0.4, max: 1.6, noNaN: true }), { minLength: 5, maxLength: 12 });
    let heard = 0;
    fc.assert(
      fc.property(leaves, (shares) => {
        const path = shares.map((share) => [1.2, 3000 * share] as const);
        const [few, many] = [eventsOf(machine, 3000, path).events, eventsOf(machine, 3000, path, 50).events];
        heard += many.length;
        expect(few.map(({ what, isOn }) => [what, isOn])).toEqual(many.map(({ what, isOn }) => [what, isOn]));
        few.forEach(({ at }, index) => expect(Math.abs(at - many[index]!.at)).toBeLessThan(0.001));
      }),
      { numRuns: runs(1000, 25) },
    );
    expect(heard).toBeGreaterThan(runs(1000, 25));
  });

  it('lights its own LDR from the moment a contact moves: the same events in one step as in twenty', () => {
    const shelf = sampleNamed('Seedling shelf');
    const kinds = ['comparator', 'window', 'ladder', 'timer', 'change'] as const;
    const machines = Object.fromEntries(
      kinds.map((kind) => [kind, machineFor(chooseDetector(kind)({ ...shelf, others: [] }))]),
    );
    const anyPath = fc.array(
      fc.tuple(fc.double({ min: 0.2, max: 2.5, noNaN: true }), fc.double({ min: -1, max: 1, noNaN: true })),
      { minLength: 4, maxLength: 8 },
    );
    let [moves, alike] = [0, 0];
    const tried = fc.sample(fc.tuple(fc.constantFrom(...kinds), anyPath), runs(3000, 50));
    for (const [kind, shares] of tried) {
      const path = shares.map(([seconds, power]) => [seconds, shelf.goal.lux * 6 ** power] as const);
      const end = path.reduce((sum, [seconds]) => sum + seconds, 0) - 0.002;
      const within = (cuts: number) =>
        eventsOf(machines[kind]!, shelf.goal.lux * 2, path, cuts).events.filter(({ at }) => at < end);
      const [once, often] = [within(1), within(20)];
      moves += often.filter(({ what }) => what === 'contact').length;
      const isSame = often.slice(0, 12).every(({ what, isOn, at }, index) => {
        const other = once[index];
        return other?.what === what && other.isOn === isOn && Math.abs(other.at - at) < 0.001;
      });
      if (isSame && Math.abs(once.length - often.length) <= often.length / 20) alike += 1;
    }
    // Where it comes to rest at a threshold, whether it blinks once more hangs on next to nothing.
    promised(
      'own light through a contact: paths alike in one step and in twenty',
      `${alike}/${tried.length}`,
      '95 %',
    );
    expect(alike).toBeGreaterThanOrEqual(0.95 * tried.length);
    expect(machines.ladder?.feedbackLux).toBeGreaterThan(shelf.goal.lux / 2);
    expect(moves).toBeGreaterThan(runs(3000, 50));
  });

  it('draws in steady light just what the circuit draws, all the time', () => {
    for (const sample of sampleProjects) {
      const project = followsLight({ ...sample, others: [] });
      const machine = machineFor(project);
      const simulation = new Simulation(machine, 30);
      simulation.run(100, 30);
      const amps = machine.tables[simulation.tablePosition]!.supply(0, simulation.siemens);
      expect(simulation.coulombs[0]! / 100).toBeCloseTo(amps, 9);
      expect(simulation.onSeconds).toBe(simulation.isOn ? simulation.onSeconds : 0);
    }
  });
});

describe('what comes behind a detector', () => {
  const comparator = followsLight(chooseDetector('comparator')(platform));

  it('lasts as long as its parts say: a pulse is held by the light, a count is not', () => {
    const seconds = 1e6 * 1e-6 * Math.log(3);
    const held = machineFor(changeOutputStage(defaultOutputStages['one-shot'])(comparator));
    const short = eventsOf(held, 1000, [
      [0.3, 1000],
      [0, 1],
      [0.4, 1],
      [0, 1000],
      [5, 1000],
    ]);
    const [on, off] = short.events.filter(({ what }) => what === 'loads');
    expect(off!.at - on!.at).toBeCloseTo(seconds, 3);
    const long = eventsOf(held, 1000, [
      [0.001, 1],
      [5, 1],
      [0.001, 1000],
      [5, 1000],
    ]);
    const [, end] = long.events.filter(({ what }) => what === 'loads');
    expect(end!.at).toBeGreaterThan(5);
    const counted = machineFor(
      changeOutputStage({ kind: 'counted', ohms: 10_000, farads: 1e-9 })(comparator),
    );
    const count = eventsOf(counted, 1000, [
      [0.001, 1],
      [20, 1],
    ]);
    const [start, over] = count.events.filter(({ what }) => what === 'loads');
    expect(over!.at - start!.at).toBeCloseTo(2 ** 13 * 2.3 * 1e4 * 1e-9, 6);
  });

  it('is not begun anew by what comes while a time runs', () => {
    const onTimes = (stage: Parameters<typeof changeOutputStage>[0]) => {
      const toAndFro = [
        [0.001, 1],
        [0.05, 1],
        [0.001, 1000],
        [0.05, 1000],
      ] as const;
      const { events } = eventsOf(machineFor(changeOutputStage(stage)(comparator), instant), 1000, [
        ...toAndFro,
        ...toAndFro,
        ...toAndFro,
        [5, 1000],
      ]);
      const loads = events.filter(({ what }) => what === 'loads');
      expect(loads.map(({ isOn }) => isOn)).toEqual([true, false]);
      return loads[1]!.at - loads[0]!.at;
    };
    const oneShot = { ...defaultOutputStages['one-shot'], ohms: 1e6, farads: 1e-6 };
    expect(onTimes(oneShot)).toBeCloseTo(pulseSeconds(1e6, 1e-6), 6);
    expect(onTimes({ kind: 'counted', ohms: 68_000, farads: 1e-9 })).toBeCloseTo(
      countedSeconds(68_000, 1e-9),
      6,
    );
  });

  it('turns over once for what comes within the pulse before it', () => {
    const timer = chooseDetector('timer')(comparator);
    const after = (pulse: { readonly ohms: number; readonly farads: number } | null) => {
      const project = changeOutputStage({ kind: 'toggle' })(changeDetector('timer', { pulse })(timer));
      const flicker = [
        [0.001, 0.001],
        [0.4, 0.001],
        [0.001, 100_000],
        [0.4, 100_000],
      ] as const;
      const { events } = eventsOf(machineFor(project, instant), 100_000, [
        ...flicker,
        ...flicker,
        ...flicker,
      ]);
      return events.filter(({ what }) => what === 'loads').length;
    };
    expect([after(null), after({ ohms: 1e6, farads: 1e-5 })]).toEqual([3, 1]);
  });

  it('turns over each time the light goes', () => {
    const machine = machineFor(changeOutputStage({ kind: 'toggle' })(comparator));
    const path = [
      [0.001, 1],
      [1, 1],
      [0.001, 1000],
      [1, 1000],
    ] as const;
    const { events } = eventsOf(machine, 1000, [...path, ...path, ...path]);
    expect(events.filter(({ what }) => what === 'loads').map(({ isOn }) => isOn)).toEqual([
      true,
      false,
      true,
    ]);
  });

  it('moves a relay’s contact some milliseconds after its coil', () => {
    const relay = machineFor(followsLight(sampleNamed('Seedling shelf')));
    const { events, simulation } = eventsOf(relay, 20_000, [
      [0.001, 10],
      [2, 10],
      [0.001, 20_000],
      [2, 20_000],
    ]);
    const [coil, contact, off, opens] = events;
    expect([coil!.what, contact!.what, off!.what, opens!.what]).toEqual([
      'loads',
      'contact',
      'loads',
      'contact',
    ]);
    expect(contact!.at - coil!.at).toBeCloseTo(0.007, 6);
    expect(opens!.at - off!.at).toBeCloseTo(0.01, 6);
    expect(simulation.contactMoves[0]).toBe(2);
  });

  it('fires on just the change that the peak formula says, to 1 %', () => {
    const project = chooseDetector('change')(sampleNamed('Marble gate'));
    const settings = settingsIn(project, 'change');
    const { neededGain } = changeVerdict(settings, benchOf<ChangeSettings>(project));
    const fires = (gain: number) => {
      const machine = machineFor({ ...changeDetector('change', { gain })(project), feedbackLux: 0 });
      const { lux } = project.goal;
      const end =
        project.divider.ldrSide === 'bottom' ? lux * (1 - settings.dimming) : lux / (1 - settings.dimming);
      const { events } = eventsOf(machine, lux, [
        [settings.seconds, end],
        [2, end],
      ]);
      return events.some(({ what, isOn }) => what === 'loads' && isOn);
    };
    expect(fires(neededGain! * 1.01)).toBe(true);
    expect(fires(neededGain! / 1.01)).toBe(false);
  });

  it('stays fired in time as long as the change is said to keep it so, to 2 %', () => {
    const project = chooseDetector('change')(sampleNamed('Marble gate'));
    const compared: number[] = [];
    fc.assert(
      fc.property(
        fc.record({
          dimming: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
          seconds: fc.double({ min: 0.02, max: 1, noNaN: true }),
          gain: fc.double({ min: 5, max: 200, noNaN: true }),
          ldrSide: fc.constantFrom('top' as const, 'bottom' as const),
        }),
        ({ ldrSide, ...changed }) => {
          const tried = changeDivider({ ldrSide })(changeDetector('change', changed)(project));
          const settings = settingsIn(tried, 'change');
          const said = firedSeconds(settings, benchOf<ChangeSettings>(tried));
          const { lux } = tried.goal;
          const end = ldrSide === 'bottom' ? lux * (1 - settings.dimming) : lux / (1 - settings.dimming);
          const cuts = 100;
          const { simulation } = eventsOf(machineFor({ ...followsLight(tried), others: [] }), lux, [
            ...Array.from(
              { length: cuts },
              (_, cut) => [settings.seconds / cuts, lux + ((end - lux) * (cut + 1)) / cuts] as const,
            ),
            [30, end],
          ]);
          // Just at the trigger next to nothing decides.
          if (said < 0.01) return;
          if (said > 20) return;
          compared.push(said);
          expect(Math.abs(simulation.onSeconds / said - 1), `${said} s`).toBeLessThan(0.02);
        },
      ),
      { numRuns: runs(2000, 50) },
    );
    expect(compared.length).toBeGreaterThan(runs(2000, 50) / 3);
  });

  it('is decided by a program at its own times, and not off before its time', () => {
    const base = followsLight(chooseDetector('controller')(platform));
    const machine = machineFor(
      changeDetector('controller', { samples: 20, minOnSeconds: 10 })(base),
      instant,
    );
    const { events } = eventsOf(machine, 1000, [
      [0.0001, 1],
      [1, 1],
      [0.0001, 1000],
      [20, 1000],
    ]);
    const [on, off] = events.filter(({ what }) => what === 'loads');
    expect(on!.at).toBeGreaterThan(0.1);
    expect(on!.at).toBeLessThan(0.45);
    expect(off!.at - on!.at).toBeGreaterThanOrEqual(10);
    expect(off!.at - on!.at).toBeLessThan(10.5);
  });

  it('blinks where its own light reaches the LDR and its band is too narrow, and not where it is wide', () => {
    const plain = { ...chooseDetector('comparator')(platform), feedbackLux: 30 };
    const dusk = [
      [2, 30],
      [10, 30],
    ] as const;
    expect(eventsOf(machineFor(plain), 200, dusk).simulation.switchings).toBeGreaterThan(10);
    expect(eventsOf(machineFor({ ...plain, feedbackLux: 0 }), 200, dusk).simulation.switchings).toBe(1);
  });

  it('warms a lamp as its filament does', () => {
    const lamp = machineFor(
      followsLight(
        changeDivider({ supplyVolts: 6 })({
          ...platform,
          loads: [{ kind: 'lamp', ratedVolts: 6, ratedAmps: 0.05 }],
        }),
      ),
    );
    const simulation = new Simulation(lamp, 5000);
    simulation.jump(0.2);
    let inrush = 0;
    for (let step = 0; step < 2000; step++) {
      simulation.run(0.001, 0.2);
      inrush = Math.max(inrush, simulation.loadAmps(0));
    }
    expect(inrush).toBeGreaterThan(simulation.loadAmps(0) * 1.5);
    expect(simulation.loads[0]!.level).toBeGreaterThan(0.5);
  });
});
