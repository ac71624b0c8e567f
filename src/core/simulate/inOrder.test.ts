import { describe, expect, it } from 'vitest';
import { curesOf, editTo } from '../advise/remedies';
import { someProject } from '../advise/testProjects';
import { analyse, type Design } from '../design';
import { detectorDefinition, detectorOf } from '../detectors/registry';
import type { Project } from '../project/project';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { machineOf } from './machine';
import { Simulation } from './simulation';

/** So many buttons are pressed at most. */
const STEPS = 6;
/** So much darker or brighter than its lights it must have turned over. */
const AWAY = 2.5;
/** A load is on from here, and off up to there, as shares of its full light. */
const [ON, OFF] = [0.75, 0.12];
/** Of a load that is said to work weakly. */
const WEAKLY_ON = 0.4;

/** A project of which nothing says that it cannot work, by its own buttons; `null` where they do not lead there. */
function inOrder(project: Project): { readonly project: Project; readonly design: Design } | null {
  let now = project;
  for (let press = 0; press <= STEPS; press++) {
    const analysis = analyse(now);
    if (!analysis.ok) return null;
    const cannot = analysis.design.advice.filter(({ state }) => state === 'cannot');
    if (cannot.length === 0) return { project: now, design: analysis.design };
    const cures = curesOf(now);
    const [remedy] = cannot.flatMap(({ code }) => cures.find((cure) => cure.code === code)?.remedies ?? []);
    if (!remedy) return null;
    now = editTo(remedy)(now);
  }
  return null;
}

interface Stop {
  readonly lux: number;
  /** Of each load, where each is on by itself; else of all of them. */
  readonly isOn: boolean | readonly boolean[];
}

/** Between each two steps of a ladder and beyond its ends: which of its loads are on there. `null` where a step never comes. */
function stopsOfSteps({ detector }: Project, { thresholds }: Design): readonly Stop[] | null {
  const ladder = detectorOf(detector, 'ladder');
  const edges = (thresholds?.boundaries ?? []).flatMap(({ rising, falling }) =>
    rising.ok && falling.ok ? [{ up: rising.lux, down: falling.lux }] : [],
  );
  const [first, last] = [edges[0], edges.at(-1)];
  if (!ladder || !first || !last || edges.length !== ladder.stepLux.length) return null;
  const middle = (one: number, other: number) => Math.sqrt(one * other);
  const between = (way: 'up' | 'down') =>
    edges.slice(1).map((edge, index) => middle(edges[index]?.[way] ?? edge[way], edge[way]));
  const stops = (way: 'up' | 'down') =>
    [first.down / AWAY, ...between(way), last.up * AWAY].map((lux, passed): Stop => {
      const come = ladder.moreIn === 'light' ? passed : edges.length - passed;
      const isOn = edges.map((_, step) => (ladder.shows === 'dot' ? step === come - 1 : step < come));
      return { lux, isOn };
    });
  // With a band at each edge a step comes at another light than it goes.
  return [...stops('up'), ...stops('down').toReversed()];
}

/** Lights to go through one after another, and whether it is on there; `null` where it has none. */
function stopsOf(project: Project, design: Design): readonly Stop[] | null {
  const { goal } = project;
  const { thresholds, range } = design;
  if (detectorDefinition(project.detector).goal.lights === 'steps') return stopsOfSteps(project, design);
  if (thresholds?.isWindow) {
    const [lower, upper] = thresholds.boundaries;
    if (!lower?.rising.ok || !lower.falling.ok || !upper?.rising.ok || !upper.falling.ok) return null;
    const isOut = thresholds.isOn[0] ?? false;
    const dark = { lux: lower.falling.lux / AWAY, isOn: isOut };
    const inside = { lux: Math.sqrt(lower.rising.lux * upper.falling.lux), isOn: !isOut };
    const bright = { lux: upper.rising.lux * AWAY, isOn: isOut };
    return [dark, inside, bright, inside, dark];
  }
  const [on, off] = [thresholds?.turnOn, thresholds?.turnOff];
  if (thresholds && (!on?.ok || !off?.ok)) return null;
  const lights = on?.ok && off?.ok ? [on.lux, off.lux] : [];
  // What climbs slowly is only all on or off at the ends.
  const dark = lights.length > 0 ? Math.min(...lights) / AWAY : range.minLux;
  const bright = lights.length > 0 ? Math.max(...lights) * AWAY : range.maxLux;
  const isDark = goal.action === 'on-in-dark';
  return [dark, bright, dark].map((lux, at) => ({ lux, isOn: (at % 2 === 0) === isDark }));
}

/** What goes wrong with it in time; `null` where nothing does. */
function wrongInTime(project: Project, design: Design): string | null {
  const stops = stopsOf(project, design);
  const [first] = stops ?? [];
  if (!stops || !first) return 'it has no lights';
  const simulation = new Simulation(machineOf(project, design), first.lux);
  const on = design.advice.some(({ code }) => code === 'load-low') ? WEAKLY_ON : ON;
  for (const { lux, isOn } of stops) {
    simulation.run(200, lux);
    simulation.run(4000, lux);
    for (const index of simulation.loads.keys()) {
      // A pin is read by its volts, whatever flows in it.
      if (design.loads[index]?.pin) continue;
      const level = simulation.levelOf(index);
      const shouldBe = typeof isOn === 'boolean' ? isOn : isOn[index];
      if (shouldBe ? level < on : level > OFF)
        return `load ${index} at ${level.toFixed(3)} in ${lux} lx, and should be ${shouldBe ? 'on' : 'off'}`;
    }
  }
  return null;
}

describe('a design that is said to be in order', () => {
  it('turns on and off in time, every load of it', () => {
    let asked = 0;
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(1500, 400); seed++) {
      const start = (seed % 2 === 0 ? unusualProject : someProject)(80_000 + seed);
      const goalLights = detectorDefinition(start.detector).goal.lights;
      const found = goalLights === 'start' ? null : inOrder({ ...start, feedbackLux: 0 });
      if (!found || machineOf(found.project, found.design).stage.kind !== 'follows') continue;
      // That a step never comes is only worth a look, and is said.
      const isShort = goalLights === 'steps' && !stopsOf(found.project, found.design);
      if (isShort && found.design.advice.some(({ code }) => code === 'step-off')) continue;
      asked += 1;
      const says = wrongInTime(found.project, found.design);
      if (says) wrong.push(`${seed}: ${says}; ${found.design.advice.map(({ code }) => code).join()}`);
    }
    promised('designs in order that turn on and off in time', `${asked - wrong.length} of ${asked}`, 'all');
    expect(asked).toBeGreaterThan(3);
    expect(wrong).toEqual([]);
  });
});
