import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { feedbackLightFacts, type FeedbackLightFacts } from '../analyse/feedbackLight';
import { contactLights } from '../analyse/loadFacts';
import { analyse, type Design } from '../design';
import { detectorDefinition } from '../detectors/registry';
import { defaultLoads } from '../loads/registry';
import { uniforms } from '../numeric/random';
import { changeFeedbackLight, changeOutputStage } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { changeEdgeBand } from '../size/edgeBand';
import { promised, runs } from '../testRuns';
import { HALF_DRIVEN } from '../testHalfDriven';
import { machineOf, type Machine } from './machine';
import { Simulation } from './simulation';

const moss = sampleNamed('Moss terrarium guide');
/** Windows on inside their edges, and on outside. */
const windows = [
  ...[null, 1.15, 1.5].map((times) => changeEdgeBand(times)(moss)),
  ...[1.15, 1.5].map((times) => changeEdgeBand(times)(changeOutputStage({ kind: 'inverted' })(moss))),
];

/** A design in time with pulses of a second, whose LDR forgets at once: so that a room is soon settled. */
function quickMachine(project: Project, design: Design): Machine {
  const machine = machineOf(project, design);
  const { stage, dynamics, sampling } = machine;
  const quick = 'seconds' in stage ? { ...stage, seconds: 1 } : stage;
  const often = sampling && { ...sampling, readingSeconds: 0.01, minOnSeconds: 0 };
  return { ...machine, stage: quick, sampling: often, dynamics: { ...dynamics, tailShare: 0 } };
}

const LIT = 0.45;
/** Whether its own light shines: of a coil on a transistor alone its contact says so, whatever the other loads do. */
function isLit({ isLitWhenOff, isSoft, loads }: Machine, simulation: Simulation): boolean {
  const isOn = simulation.levelOf(0) > LIT && (simulation.isOn || (isSoft && Boolean(loads[0]?.pull)));
  return isOn !== isLitWhenOff;
}
const moves = (simulation: Simulation) =>
  simulation.switchings + simulation.contactMoves.reduce((total, count) => total + count, 0);

/** Whether it goes on and off by itself in one of these rooms, whatever the light was before. */
function swings(machine: Machine, rooms: readonly number[]): boolean {
  const ends = [rooms[0] ?? 1, rooms[rooms.length - 1] ?? 1];
  return rooms.some((room) =>
    ends.some((from) => {
      const simulation = new Simulation(machine, from);
      simulation.run(0.5, from);
      simulation.jump(room);
      simulation.run(4, room);
      const before = moves(simulation);
      simulation.run(5, room);
      return moves(simulation) - before >= 2;
    }),
  );
}

/** Two dusks and two dawns: how often the load changes in the last ones, and whether once on it stays on. */
function rounds(machine: Machine, rooms: readonly number[]) {
  const [dusk, dawn] = [rooms.toReversed(), rooms];
  const simulation = new Simulation(machine, dusk[0] ?? 1);
  let [changes, turnsOff, isEver, was] = [0, false, false, false];
  for (const way of [dusk, dawn, dusk, dawn]) {
    if (way === dusk) changes = 0;
    for (const room of way) {
      simulation.run(0.3, room);
      simulation.run(2.2, room);
      const is = isLit(machine, simulation);
      if (is !== was) changes += 1;
      turnsOff ||= was && !is;
      isEver ||= is;
      was = is;
    }
  }
  return { changes, stays: isEver && !turnsOff };
}

/** What becomes of it in time, in so many rooms from well under its lights to well over them. */
function foundInTime(project: Project, design: Design, lights: readonly number[]) {
  const machine = quickMachine(project, design);
  const { feedbackLux: own } = project;
  const least = Math.min(...lights.flatMap((lux) => (lux > own ? [lux - own, lux] : [lux])));
  const [dark, bright] = [least / 30, Math.max(...lights) * 2];
  const count = 60;
  const rooms = [
    ...Array.from({ length: count + 1 }, (_, at) => dark * (bright / dark) ** (at / count)),
    ...lights.flatMap((lux) => [lux * 0.98, lux * 1.02, lux - own * 0.98, lux - own * 1.02, lux - own / 2]),
  ].filter((lux) => lux > 0);
  rooms.sort((one, other) => one - other);
  if (swings(machine, rooms)) return machine.stage.kind === 'follows' ? 'blinks' : 'restarts';
  const [lit, unlit] = [rounds(machine, rooms), rounds({ ...machine, feedbackLux: 0 }, rooms)];
  if (lit.stays && !unlit.stays) return 'latches';
  return lit.changes > unlit.changes ? 'turns-back' : 'steady';
}

/** What gives no full light when on, or some when off; and a window that is on outside and has no band. */
const BROKEN = [...HALF_DRIVEN, 'supply-below-led', 'no-edge-band'];

/** A project with so much light of its own that it lies well off where the verdict changes; what is said of it. */
function withOwnLight(base: Project, own: number) {
  const project = changeFeedbackLight(own)(base);
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const { design } = analysis;
  const facts = feedbackLightFacts(project, design);
  const isNear = [0.9, 1.1].some(
    (times) =>
      feedbackLightFacts({ ...project, feedbackLux: own * times }, design)?.verdict !== facts?.verdict,
  );
  const points = design.thresholds
    ? design.thresholds.boundaries.flatMap(({ rising, falling }) => [rising, falling])
    : [design.half, design.justOff, design.loads[0]?.lights?.on, design.loads[0]?.lights?.off];
  const lights = points.flatMap((point) => (point?.ok ? [point.lux] : []));
  const isSound = design.advice.every(({ code }) => !BROKEN.includes(code));
  // On at both ends, and carried right across: that swings too fast to be followed for long.
  const isAcross = design.thresholds?.isWindow && design.thresholds.isOn[0] && own > Math.max(...lights);
  return facts && !isNear && isSound && !isAcross && lights.length > 0
    ? { project, design, facts, lights }
    : null;
}

/** Whether it is fully on just below the light that is said, or releases just below that; `null` where no such light is said. */
function lightHolds(project: Project, design: Design, facts: FeedbackLightFacts): boolean | null {
  const machine = quickMachine(project, design);
  const { isOn, isLitWhenOff } = machine;
  const levelAt = (from: number, lux: number) => {
    const simulation = new Simulation(machine, from);
    simulation.run(1, from);
    simulation.run(20, lux);
    simulation.run(5, lux);
    const level = simulation.isOn || machine.isSoft ? simulation.levelOf(0) : 0;
    return isLitWhenOff ? 1 - level : level;
  };
  const { verdict, fullyOnBelowLux: full, releaseLux } = facts;
  if (verdict === 'dims-itself' && full !== null)
    return levelAt(full / 100, full * 0.95) > 0.89 && levelAt(full / 100, full * 1.05) < 0.91;
  // It shines in the light and not in the dark.
  const [inDark, inLight] = [isOn[0] !== isLitWhenOff, isOn[isOn.length - 1] !== isLitWhenOff];
  const isHeld = machine.stage.kind === 'follows' && inLight && !inDark;
  if (verdict !== 'steady' || releaseLux === null || !isHeld || design.half.ok === false) return null;
  const contact = contactLights(design);
  const both = [design.thresholds?.turnOn, design.thresholds?.turnOff, contact?.on, contact?.off];
  const bright =
    Math.max(design.half.lux, releaseLux, ...both.flatMap((each) => (each?.ok ? [each.lux] : []))) * 3;
  return levelAt(bright, releaseLux * 1.08) > 0.008 && levelAt(bright, releaseLux * 0.92) < 0.5;
}

const hasLight = ({ detector }: Project) =>
  ['one', 'window'].includes(detectorDefinition(detector).goal.lights);

/** What its contact closes without its coil shines while that is off. */
const closedWithout = (project: Project): Project => {
  const [first, ...others] = project.loads;
  const relay = first?.kind === 'relay' ? first : { ...defaultLoads.relay, coilVolts: 5, coilOhms: 120 };
  return { ...project, loads: [{ ...relay, contact: 'nc' }, ...others] };
};

describe('what is said of a load that lights its own LDR', () => {
  it('is what becomes of it in time, whatever switches and whatever follows', () => {
    const projects = [
      ...windows.flatMap((project) => [project, project, project]),
      ...Array.from({ length: runs(2000, 200) }, (_, seed) => someProject(60_000 + seed)),
      ...Array.from({ length: runs(600, 100) }, (_, seed) => closedWithout(someProject(65_000 + seed))),
    ].filter(hasLight);
    let [count, agreed, held, lights] = [0, 0, 0, 0];
    const apart: string[] = [];
    projects.forEach((base, index) => {
      const bare = analyse(base);
      if (!bare.ok || !bare.design.half.ok) return;
      const own = bare.design.half.lux * 0.03 * 300 ** uniforms(index)();
      const lit = withOwnLight(base, Number(own.toPrecision(3)));
      if (!lit) return;
      const { verdict } = lit.facts;
      const said = verdict === 'dims-itself' ? 'steady' : verdict;
      const found = foundInTime(lit.project, lit.design, lit.lights);
      count += 1;
      if (said === found) agreed += 1;
      else apart.push(`${base.name} with ${own.toPrecision(3)} lx: said ${verdict}, is ${found}`);
      // The light comes from the first load alone, whatever all of them take.
      const light = base.loads.length > 1 ? null : lightHolds(lit.project, lit.design, lit.facts);
      if (light === null) return;
      lights += 1;
      if (light) held += 1;
      else apart.push(`${base.name} with ${own.toPrecision(3)} lx: ${JSON.stringify(lit.facts)}`);
    });
    promised(
      'light of its own: fully on, or let go, at the light that is said',
      `${held} of ${lights}`,
      'all',
    );
    expect(held, apart.join('\n')).toBeGreaterThanOrEqual(0.98 * lights);
    promised('light of its own: what is said is what becomes of it', `${agreed} of ${count}`, 'all');
    expect(agreed, apart.join('\n')).toBeGreaterThanOrEqual(0.98 * count);
  });
});
