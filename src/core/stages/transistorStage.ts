import { compileCircuit, nodeVolts } from '../circuit/circuit';
import { lampAmps, resistorAmps } from '../circuit/currents';
import { GROUND, type Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { nominalAmps } from '../loads/load';
import { loadParts } from './loadParts';
import { netlistOf, type Part, type Rail, type StageDescription, type SwitchPart } from './description';
import { dividerParts } from './divider';
import type { FullDrive, Stage, StageInput } from './stage';
import { betaOf, thresholdOf, type TransistorKind } from './transistors';

/** A switch counts as driven hard when its base has a tenth of the load's current (the usual rule for saturation). */
export const HARD_FORCED_BETA = 10;
/** A Darlington needs far less. */
const HARD_DARLINGTON_BETA = 250;
/** A gate is driven hard with this or with the divider's whole supply, whichever is more, in V. */
const HARD_GATE_VOLTS = 10;

/** A stage of one transistor between midpoint and load. */
export function transistorStage(kind: TransistorKind): Stage {
  const turnsOnHigh = kind !== 'pnp';
  return {
    kind,
    actionOf: (ldrSide) => ((ldrSide === 'bottom') === turnsOnHigh ? 'on-in-dark' : 'on-in-light'),
    directSide: kind === 'nmos' ? null : turnsOnHigh ? 'top' : 'bottom',
    describe,
    full,
  };
}

function railsOf({ supply, loadSupply }: StageInput): readonly Rail[] {
  const own = { node: 'supply', ...supply, joined: true };
  return loadSupply ? [own, { node: 'load-supply', ...loadSupply }] : [own];
}

/** Where the load and the switch are joined, and the switch's other end. */
function nodesOf({ loadSupply, part, place }: StageInput) {
  const rail = loadSupply ? 'load-supply' : 'supply';
  const isPnp = part.kind === 'pnp';
  const out = place === 'collector' ? (part.kind === 'nmos' ? 'drain' : 'collector') : part.kind === 'nmos' ? 'source' : 'emitter'; // prettier-ignore
  // The load hangs under the switch where current reaches it through the switch: PNP collector, or NPN emitter.
  const isHigh = isPnp === (place === 'collector');
  return { rail, out, isHigh, far: isHigh ? rail : GROUND };
}

/** The transistor between its nodes: the current-carrying ends `out` and `far`, and its base or gate. */
function switchPart(input: StageInput, control: string): SwitchPart {
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

function loadsOf(input: StageInput) {
  const { rail, out, isHigh } = nodesOf(input);
  return isHigh ? loadParts(input.loads, out, GROUND) : loadParts(input.loads, rail, out);
}

function describe(input: StageInput): StageDescription {
  const hasBase = input.baseOhms !== null && !input.isDirect;
  const control = hasBase || input.isDirect ? 'base' : 'mid';
  const base: Part[] = hasBase
    ? [{ kind: 'resistor', designator: 'R3', role: 'base', a: 'mid', b: 'base', ohms: input.baseOhms ?? 1 }]
    : [];
  const { rail, out, far, isHigh } = nodesOf(input);
  const { parts, placed } = loadsOf(input);
  const transistor = switchPart(input, control);
  return {
    rails: railsOf(input),
    supplyNode: 'supply',
    loadRail: rail,
    parts: [...dividerParts(input), ...base, ...parts, transistor],
    testPoints: [
      { id: 'A', node: 'mid' },
      ...(control === 'mid' ? [] : [{ id: 'B', node: control }]),
      { id: 'C', node: out },
    ],
    ldr: 'LDR1',
    fixed: 'R1',
    loads: placed,
    transistor,
    switchNodes: { plus: isHigh ? far : out, minus: isHigh ? out : far, control },
  };
}

/** Elements that drive a switch hard, given about what it carries. */
function hardDrive({ part, place, supply }: StageInput, amps: number): readonly Element[] {
  const wire = (b: string): Element => ({ kind: 'resistor', name: 'drive', a: 'drive', b, ohms: 1 });
  if (part.kind === 'nmos') return [wire(place === 'collector' ? 'hard' : 'supply')];
  if (place === 'emitter') return [wire(part.kind === 'pnp' ? GROUND : 'supply')];
  const [from, to] = part.kind === 'pnp' ? ['drive', GROUND] : [GROUND, 'drive'];
  const beta = part.kind === 'darlington' ? HARD_DARLINGTON_BETA : HARD_FORCED_BETA;
  return [{ kind: 'current', name: 'drive', from, to, amps: Math.min(amps, supply.volts / 0.1) / beta }];
}

/** Solves loads and transistor alone, driven hard: a base with its share of the load's own current, a gate or a follower by voltage. */
function full(input: StageInput, celsius: number): FullDrive | null {
  const joined = input.loadSupply && { ...input.loadSupply, joined: true };
  const whole: StageInput = { ...input, loadSupply: joined };
  const { rail, out, far } = nodesOf(whole);
  const { parts, placed } = loadsOf(whole);
  const rails = railsOf(whole);
  const gate = { node: 'hard', volts: Math.max(HARD_GATE_VOLTS, input.supply.volts), ohms: 0, joined: true };
  const solvable = {
    rails: input.part.kind === 'nmos' ? [...rails, gate] : rails,
    parts: [...parts, switchPart(whole, 'drive')],
  };
  let amps = input.loads.reduce((total, load) => total + nominalAmps(load), 0);
  const passes = input.part.kind === 'nmos' || input.place === 'emitter' ? 1 : 4;
  let found: FullDrive | null = null;
  for (let pass = 0; pass < passes; pass++) {
    const circuit = compileCircuit(netlistOf(solvable, celsius, hardDrive(whole, amps)));
    const point = solveOperatingPoint(circuit);
    if (!point.ok) return null;
    const { volts } = point;
    const loadAmps = placed.map(({ sense }) =>
      sense.kind === 'lamp' ? lampAmps(circuit, volts, sense.name) : resistorAmps(circuit, volts, sense.name),
    );
    amps = loadAmps.reduce((total, one) => total + one, 0);
    const switchVolts = Math.abs(nodeVolts(circuit, volts, out) - nodeVolts(circuit, volts, far));
    found = { amps, loadAmps, switchVolts, railVolts: nodeVolts(circuit, volts, rail) };
  }
  return found;
}
