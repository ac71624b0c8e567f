import type { CircuitAnalysis } from '../analyse/analysis';
import { bestRange, readingSigma, type Meter } from '../meter/meter';
import type { Assembly } from '../operate/assembly';
import { pinsOf, swingingNets } from '../parts/registry';
import { ldrOhmsAt } from '../ldr/curve';
import type { Project } from '../project/project';
import { loadDefinition } from '../loads/registry';
import { onAmpsOf } from '../operate/onAmps';
import { buildFactors, drawsOf, type Draw } from './draws';
import type { ListedFault } from './fault';
import { FaultyCircuit, type Settled, type TestSetup } from './circuit/faultyCircuit';
import type { Standing } from './circuit/standing';
import { withLight, withTakenOff } from './circuit/ohmsFound';
import { timedStd, timingOf, type Timing } from './circuit/timed';
import { looksFor, type Probe } from './probe';
import { comesOn, isAnyOn, type SeenBy } from './seen';
import { BRIGHT, DARK, heldFired, testLightsOf, type OwnLights, type TestLight } from './testLights';
import { displayed } from '../meter/voltmeter';
import { reachableNets, wiringOf, type Wiring } from './circuit/wiring';

/** How many ways a build may have come out are tried for each fault. */
export const DRAWS = 24;
const SEED = 5;
/** A load is never taken to be full on less than this share of what it takes with its switch driven hard. */
const LEAST_FULL_SHARE = 0.3;
/** What a power-off reading is off by besides its meter, in ln Ω: by leads and warmth, and of an LDR by a light that never stands quite still. */
const OHMS_STD = { resistor: 0.01, ldr: 0.05 } as const;

/** Everything that is needed to say what a meter would show, whatever is wrong. */
export interface TestBench {
  readonly project: Project;
  readonly assembly: Assembly;
  readonly wiring: Wiring;
  readonly setup: TestSetup;
  readonly draws: readonly Draw[];
  /** Where it stands with nothing wrong. */
  readonly standing: Standing;
  readonly meter: Meter;
  readonly lights: readonly TestLight[];
  /** Voltage that no point is beyond, either way. */
  readonly maxVolts: number;
  /** What it stays on by, once it was turned on; and by which change of the light that is. */
  readonly timing: (Timing & Change) | null;
  /** Through each load where it is on and nothing is wrong, in A; and through all together. */
  readonly seenBy: readonly SeenBy[];
  readonly allAmps: number;
}

/** A change from one of the test lights to another. */
interface Change {
  readonly from: number;
  readonly light: number;
}

/** Sets a project's circuit up to be tested with a meter, in the lights that someone can make. */
export function testBench(
  project: Project,
  analysis: CircuitAnalysis,
  meter: Meter,
  own: OwnLights,
  count = DRAWS,
): TestBench {
  const { assembly } = analysis;
  const wiring = wiringOf(assembly);
  const factors = buildFactors(project, analysis);
  const swinging = new Set(assembly.parts.flatMap(swingingNets));
  const nets = reachableNets(assembly.parts, (part) =>
    pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net])),
  ).filter((net) => !swinging.has(net));
  const inLights = (lights: readonly TestLight[]) => {
    const setup: TestSetup = {
      ...{ curve: analysis.ldr.curve, factors, lights, nets },
      ...{ meterOhms: meter.inputOhms, loads: assembly.loads },
    };
    const draws = drawsOf(factors, lights.length, count, SEED);
    return { lights, setup, draws, sound: new FaultyCircuit(wiring, setup) };
  };
  const proposed = inLights(testLightsOf(project, analysis, own));
  const fired = firedIn(project, assembly, proposed.lights);
  const held = fired && inLights([...proposed.lights, fired]);
  const { lights, setup, draws, sound } = held && isFired(wiring, held) ? held : proposed;
  const made = sound.made(draws[0] ?? new Float64Array(0));
  const { settled, standing } = sound.inEachLight(made);
  const amps = settled.map((one) => (one ? sound.loadAmps(one) : []));
  const seenBy = assembly.loads.map(({ load }, index): SeenBy => ({
    // One that the steady light never turns on counts by what it takes when it is.
    fullAmps: Math.max(
      LEAST_FULL_SHARE * (analysis.full.loadAmps[index] ?? analysis.drive.fullAmps),
      onAmpsOf(load, 0),
      ...amps.map((each) => Math.abs(each[index] ?? 0)),
    ),
    onFrom: loadDefinition(load).onFrom(load, assembly.isHighSide),
  }));
  const onIn = amps.map((each) => isAnyOn(seenBy, each));
  const turnsOn = sound.hears
    ? jumps.find(({ from, light }) => {
        const before = settled[from];
        const then = before && sound.jump(made, before, light);
        return before && then && comesOn(seenBy, sound.loadAmps(before), sound.loadAmps(then));
      })
    : lights.flatMap((_, light) => (onIn[light] ? [{ from: onIn.indexOf(false), light }] : []))[0];
  const timing = timingOf(assembly.parts);
  return {
    project,
    assembly,
    wiring,
    setup,
    draws,
    timing: timing && turnsOn && turnsOn.from >= 0 ? { ...timing, ...turnsOn } : null,
    standing,
    meter,
    lights,
    maxVolts: Math.max(1, ...wiring.supplies.map(({ volts }) => Math.abs(volts))),
    seenBy,
    allAmps: seenBy.reduce((sum, { fullAmps }) => sum + fullAmps, 0),
  };
}

/** The light in which a detector is held fired; `null` where there is no holding it. */
function firedIn(project: Project, assembly: Assembly, lights: readonly TestLight[]): TestLight | null {
  const holds = heldFired(project, assembly);
  const bright = lights[BRIGHT];
  return holds && bright ? { ...bright, name: 'fired', holds } : null;
}

/** Whether builds are fired in the last of the lights: a low gain, or a high trigger, may leave it quiet. However many are solved later, the same few say so. */
function isFired(
  { switching }: Wiring,
  { sound, lights, setup }: { readonly sound: FaultyCircuit } & Pick<TestBench, 'lights' | 'setup'>,
): boolean {
  // Each comes from where the first came to, as where the points are solved.
  let first: Settled | null = null;
  return drawsOf(setup.factors, lights.length, DRAWS, SEED).every((draw) => {
    const settled = sound.settle(sound.made(draw), lights.length - 1, null, first);
    first ??= settled;
    return settled?.position === switching?.hears?.fired;
  });
}

/** All that can be measured or looked at. */
export function probesOf(bench: TestBench, faults: readonly ListedFault[]): readonly Probe[] {
  const { lights, setup, assembly, wiring } = bench;
  const each = lights.map((_, light) => light);
  const probes: readonly Probe[] = [
    ...each.map((light): Probe => ({ kind: 'load', light })),
    ...jumpsOf(bench),
    ...(bench.timing
      ? [{ kind: 'time' as const, ...changeOf(bench.timing), seconds: bench.timing.seconds }]
      : []),
    ...setup.nets.flatMap((net) => each.map((light): Probe => ({ kind: 'volts', net, light }))),
    ...each.map((light): Probe => ({ kind: 'amps', light })),
    ...assembly.parts.flatMap(({ kind, designator }): readonly Probe[] => {
      if (kind === 'resistor') return [{ kind: 'ohms', designator, light: 0 }];
      return kind === 'ldr'
        ? each.filter((light) => !lights[light]?.holds).map((light) => ({ kind: 'ohms', designator, light }))
        : [];
    }),
    ...looksFor(faults, assembly.parts),
  ];
  const ldrOhms = lights.map(({ lux }) => ldrOhmsAt(setup.curve, lux));
  const inLight = withLight(wiring, assembly, probes, [Math.max(...ldrOhms), Math.min(...ldrOhms)]);
  return withTakenOff(wiring, assembly, inLight, ldrOhms[DARK] ?? 1);
}

/** Of a detector that hears only changes: from the dark to the light, and back. */
function jumpsOf({ wiring, assembly }: TestBench): readonly Probe[] {
  // What changes over each time says nothing of where it comes from.
  const turns = assembly.parts.some(({ kind }) => kind === 'flip-flop');
  if (!wiring.switching?.hears || turns) return [];
  return jumps.map((jump) => ({ kind: 'load', ...jump }));
}

/** From the dark to the light, and back. */
const jumps: readonly Change[] = [
  { light: BRIGHT, from: DARK },
  { light: DARK, from: BRIGHT },
];

const changeOf = ({ from, light }: Change): Change => ({ from, light });

/** One deviation of what a probe's figure may be off from what is there, on its scale: V, A, ln Ω, ln s. */
export function errorOf({ meter, timing, wiring }: TestBench, probe: Probe, value: number): number {
  switch (probe.kind) {
    case 'volts':
      return displayed(meter, 'volts', value).std + 0.001;
    case 'amps':
      return displayed(meter, 'amps', value).std + 1e-6;
    case 'ohms': {
      const ohms = Math.exp(value);
      const range = bestRange(meter, ohms);
      const own = range ? readingSigma(meter, range, ohms) : 0.05;
      return Math.hypot(own, OHMS_STD[probe.designator === wiring.ldr ? 'ldr' : 'resistor']);
    }
    case 'time':
      return timing ? timedStd(timing, Math.exp(value)) : 1;
    case 'load':
    case 'look':
      return 1;
  }
}
