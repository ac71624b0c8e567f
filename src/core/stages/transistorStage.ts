import { compileCircuit, nodeVolts, setAmps, type Circuit } from '../circuit/circuit';
import { lampAmps, resistorAmps } from '../circuit/currents';
import { GROUND, type Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { nominalAmps, type Load } from '../loads/load';
import { loadParts } from './loadParts';
import { circuitOf, netlistOf, type Part, type Rail, type Assembly, type SwitchPart } from './description';
import { setOutput } from './comparatorElements';
import { switchingOf } from './deciders';
import { dividerParts } from './divider';
import { ladderOut } from './ladder';
import type { FullDrive, Driver, CircuitInput } from './stage';
import { betaOf, thresholdOf, type TransistorKind } from './transistors';

/** A switch counts as driven hard when its base has a tenth of the load's current (the usual rule for saturation). */
export const HARD_FORCED_BETA = 10;
/** A Darlington needs far less. */
const HARD_DARLINGTON_BETA = 250;
/** A gate is driven hard with this or with the divider's whole supply, whichever is more, in V. */
const HARD_GATE_VOLTS = 10;

/** A stage of one transistor between midpoint and load. */
export function transistorDriver(kind: TransistorKind): Driver {
  const turnsOnHigh = kind !== 'pnp';
  return {
    kind,
    actionOf: (ldrSide) => ((ldrSide === 'bottom') === turnsOnHigh ? 'on-in-dark' : 'on-in-light'),
    directSide: kind === 'nmos' ? null : turnsOnHigh ? 'top' : 'bottom',
    describe,
    full,
  };
}

function railsOf({ supply, loadSupply }: CircuitInput): readonly Rail[] {
  const own = { node: 'supply', ...supply, commonGround: true };
  return loadSupply ? [own, { node: 'load-supply', ...loadSupply }] : [own];
}

/** Where the load and the switch are joined, and the switch's other end. */
function nodesOf({ loadSupply, part, place }: CircuitInput) {
  const rail = loadSupply ? 'load-supply' : 'supply';
  const isPnp = part.kind === 'pnp';
  const out = place === 'collector' ? (part.kind === 'nmos' ? 'drain' : 'collector') : part.kind === 'nmos' ? 'source' : 'emitter'; // prettier-ignore
  // The load hangs under the switch where current reaches it through the switch: PNP collector, or NPN emitter.
  const isHigh = isPnp === (place === 'collector');
  return { rail, out, isHigh, far: isHigh ? rail : GROUND };
}

/** The transistor between its nodes: the current-carrying ends `out` and `far`, and its base or gate. */
function switchPart(input: CircuitInput, control: string): SwitchPart {
  const { part, grade, place } = input;
  const { out, far } = nodesOf(input);
  const [collector, emitter] = place === 'collector' ? [out, far] : [far, out];
  if (part.kind === 'nmos') {
    const thresholdVolts = thresholdOf(part, grade);
    return { kind: 'nmos', designator: 'Q1', drain: collector, gate: control, source: emitter, part, thresholdVolts }; // prettier-ignore
  }
  const { kind, saturationAmps } = part;
  return { kind, designator: 'Q1', collector, base: control, emitter, saturationAmps, beta: betaOf(part, grade) }; // prettier-ignore
}

function loadsOf(input: CircuitInput) {
  const { rail, out, isHigh } = nodesOf(input);
  return isHigh ? loadParts(input.loads, out, GROUND) : loadParts(input.loads, rail, out);
}

/** The rail below 0 V, where the decider has a ± supply. */
function negativeOf({ detector, supply }: CircuitInput): Rail | null {
  if (detector.kind !== 'comparator' || detector.negativeVolts <= 0) return null;
  return { node: 'negative', volts: -detector.negativeVolts, ohms: supply.ohms, commonGround: true };
}

function describe(input: CircuitInput): Assembly {
  const switching = switchingOf(input);
  const drive = switching?.out ?? 'mid';
  const isDirect = input.isDirect && !switching;
  const negative = negativeOf(input);
  const divider = dividerParts({ ...input, isDirect }, negative?.node);
  const shared = {
    rails: railsOf(input),
    negative,
    supplyNode: 'supply',
    ldr: 'LDR1',
    fixed: 'R1',
    switching,
  };
  const before: Part[] = [...divider, ...(switching?.parts ?? [])];
  const driven = loadsOnOutput(input, drive);
  if (switching && driven) {
    const { rail, isSink, parts, placed } = driven;
    return {
      ...shared,
      loadRail: rail,
      parts: [...before, ...parts],
      testPoints: [{ id: 'A', node: 'mid' }, ...referencePoint(before), { id: 'C', node: drive }],
      loads: placed,
      transistor: null,
      switchNodes: isSink
        ? { plus: drive, minus: GROUND, control: drive }
        : { plus: rail, minus: drive, control: drive },
    };
  }
  const hasBase = input.baseOhms !== null && !isDirect;
  const control = hasBase || isDirect ? 'base' : drive;
  const base: Part[] = hasBase
    ? [{ kind: 'resistor', designator: 'R3', role: 'base', a: drive, b: 'base', ohms: input.baseOhms ?? 1 }]
    : [];
  const { rail, out, far, isHigh } = nodesOf(input);
  const { parts, placed } = loadsOf(input);
  const transistor = switchPart(input, control);
  return {
    ...shared,
    loadRail: rail,
    parts: [...before, ...base, ...releaseParts(input, transistor, control), ...parts, transistor],
    testPoints: [
      { id: 'A', node: 'mid' },
      ...referencePoint(before),
      ...(switching ? [{ id: 'D', node: drive }] : []),
      ...(control === drive ? [] : [{ id: 'B', node: control }]),
      { id: 'C', node: out },
    ],
    loads: placed,
    transistor,
    switchNodes: { plus: isHigh ? far : out, minus: isHigh ? out : far, control },
  };
}

/** Where there is a reference, it is a place for a probe; the upper one of a window too. */
function referencePoint(parts: readonly Part[]) {
  const has = (node: string) =>
    parts.some((part) => part.kind === 'resistor' && part.role === 'reference' && (part.a === node || part.b === node)); // prettier-ignore
  return [
    ...(has('ref') ? [{ id: 'R', node: 'ref' }] : []),
    ...(has('ref.high') ? [{ id: 'H', node: 'ref.high' }] : []),
  ];
}

/** The resistor between base and emitter that lets the switch go. */
function releaseParts({ detector }: CircuitInput, transistor: SwitchPart, control: string): readonly Part[] {
  const ohms = detector.kind === 'transistor' ? null : detector.output.releaseOhms;
  if (ohms === null) return [];
  const emitter = transistor.kind === 'nmos' ? transistor.source : transistor.emitter;
  return [{ kind: 'resistor', designator: 'R6', role: 'release', a: control, b: emitter, ohms }];
}

/** The loads where a decider's output drives them straight; `null` where a transistor does. */
function loadsOnOutput(input: CircuitInput, out: string) {
  const { detector } = input;
  if (detector.kind === 'transistor' || detector.output.to === 'transistor') return null;
  const isSink = detector.output.loadRail === 'supply';
  // An output can only give what its own supply has.
  const rail = isSink && input.loadSupply ? 'load-supply' : 'supply';
  if (detector.kind === 'ladder') {
    const steps = detector.stringOhms.length - 1;
    const each = Array.from({ length: steps }, () => input.loads[0] as Load);
    const hot = (index: number) =>
      detector.shows === 'fill' || index === steps - 1 ? rail : ladderOut(index + 2);
    return { rail, isSink, ...loadParts(each, hot, (index) => ladderOut(index + 1)) };
  }
  const [hot, cold] = isSink ? [rail, out] : [out, GROUND];
  return { rail, isSink, ...loadParts(input.loads, hot, cold) };
}

/** The loads with the output that drives them at the level that turns them on, whatever the light. */
function fullOnOutput(input: CircuitInput, isSink: boolean, celsius: number): FullDrive | null {
  const commonGround = input.loadSupply && { ...input.loadSupply, commonGround: true };
  const assembly = describe({ ...input, loadSupply: commonGround });
  const circuit = circuitOf(assembly, celsius);
  const isDot = input.detector.kind === 'ladder' && input.detector.shows === 'dot';
  for (const part of assembly.parts) {
    if (part.kind !== 'comparator') continue;
    const isOn = isSink && !(isDot && part.designator !== 'IC1');
    setOutput(circuit, part, isOn ? 'low' : 'high');
  }
  const point = solveOperatingPoint(circuit);
  if (!point.ok) return null;
  const { plus, minus } = assembly.switchNodes;
  const drive = driveOf(circuit, point.volts, assembly.loads, {
    plus,
    minus,
    rail: assembly.loadRail,
  });
  // Of a dot only one is on at a time, each as the first.
  return isDot ? { ...drive, loadAmps: drive.loadAmps.map(() => drive.loadAmps[0] ?? 0) } : drive;
}

function driveOf(
  circuit: Circuit,
  volts: Float64Array,
  placed: Assembly['loads'],
  { plus, minus, rail }: { readonly plus: string; readonly minus: string; readonly rail: string },
): FullDrive {
  const loadAmps = placed.map(({ sense }) =>
    sense.kind === 'lamp' ? lampAmps(circuit, volts, sense.name) : resistorAmps(circuit, volts, sense.name),
  );
  return {
    amps: loadAmps.reduce((total, one) => total + one, 0),
    loadAmps,
    switchVolts: Math.abs(nodeVolts(circuit, volts, plus) - nodeVolts(circuit, volts, minus)),
    railVolts: nodeVolts(circuit, volts, rail),
  };
}

/** What drives a switch hard, given about what it carries. */
function hardDrive(input: CircuitInput, amps: number): Element {
  const { part, place } = input;
  const wire = (b: string): Element => ({ kind: 'resistor', name: 'drive', a: 'drive', b, ohms: 1 });
  if (part.kind === 'nmos') return wire(place === 'collector' ? 'hard' : 'supply');
  if (place === 'emitter') return wire(part.kind === 'pnp' ? GROUND : 'supply');
  const [from, to] = part.kind === 'pnp' ? ['drive', GROUND] : [GROUND, 'drive'];
  return { kind: 'current', name: 'drive', from, to, amps: hardAmps(input, amps) };
}

/** The base current that drives a bipolar switch hard. */
function hardAmps({ part, supply }: CircuitInput, amps: number): number {
  const beta = part.kind === 'darlington' ? HARD_DARLINGTON_BETA : HARD_FORCED_BETA;
  return Math.min(amps, supply.volts / 0.1) / beta;
}

/** Solves loads and transistor alone, driven hard: a base with its share of the load's own current, a gate or a follower by voltage. */
function full(input: CircuitInput, celsius: number): FullDrive | null {
  const driven = loadsOnOutput(input, switchingOf(input)?.out ?? 'out');
  if (driven) return fullOnOutput(input, driven.isSink, celsius);
  const commonGround = input.loadSupply && { ...input.loadSupply, commonGround: true };
  const whole: CircuitInput = { ...input, loadSupply: commonGround };
  const { rail, out, far } = nodesOf(whole);
  const { parts, placed } = loadsOf(whole);
  const rails = railsOf(whole);
  const gate = {
    node: 'hard',
    volts: Math.max(HARD_GATE_VOLTS, input.supply.volts),
    ohms: 0,
    commonGround: true,
  };
  const solvable = {
    rails: input.part.kind === 'nmos' ? [...rails, gate] : rails,
    parts: [...parts, switchPart(whole, 'drive')],
  };
  let amps = input.loads.reduce((total, load) => total + nominalAmps(load), 0);
  const drive = hardDrive(whole, amps);
  const circuit = compileCircuit(netlistOf(solvable, celsius, [drive]));
  const crossings = drive.kind === 'current' ? 4 : 1;
  let found: FullDrive | null = null;
  let volts: Float64Array | undefined;
  for (let pass = 0; pass < crossings; pass++) {
    if (drive.kind === 'current') setAmps(circuit, drive.name, hardAmps(whole, amps));
    const point = solveOperatingPoint(circuit, volts);
    if (!point.ok) return null;
    volts = point.volts;
    found = driveOf(circuit, volts, placed, { plus: out, minus: far, rail });
    amps = found.amps;
  }
  return found;
}
