import { compileCircuit, nodeVolts, setAmps } from '../circuit/circuit';
import { lampAmps, resistorAmps, type Solution } from '../circuit/currents';
import { GROUND, type Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { copyValues } from '../circuit/values';
import { driverDefinition } from '../drivers/registry';
import { loadDefinition } from '../loads/registry';
import { netlistOf } from '../parts/netlist';
import type { OutputLevel } from '../parts/base';
import type { Part } from '../parts/part';
import type { Role } from '../parts/roles';
import { assembled } from './assembled';
import type { Assembly } from './assembly';
import type { CircuitInput } from './input';
import { Operation, ROOM_CELSIUS, type Conditions } from './operation';

/** What flows when the switch is driven as hard as anyone would. */
export interface FullDrive {
  /** Through all loads together, in A. */
  readonly amps: number;
  /** Through each; shape: loads. */
  readonly loadAmps: readonly number[];
  /** The load's rail as it sags under all of that, in V. */
  readonly railVolts: number;
  /** Voltage left over at the switch itself, in V. */
  readonly switchVolts: number;
}

/** The load with the switch driven hard, whatever the light; `null` where the circuit has no solution. */
export function fullDrive(input: CircuitInput, conditions: Partial<Conditions> = {}): FullDrive | null {
  const commonGround = input.loadSupply && { ...input.loadSupply, commonGround: true };
  const whole: CircuitInput = { ...input, loadSupply: commonGround };
  const assembly = assembled(whole);
  return assembly.driver ? fullOnDriver(whole, assembly, conditions) : fullOnOutput(assembly, conditions);
}

/** The loads with every output that drives them at the level that turns them on. */
function fullOnOutput(assembly: Assembly, conditions: Partial<Conditions>): FullDrive | null {
  const { switching, isOneAtATime } = assembly;
  if (!switching) return null;
  const on = fullPosition(assembly);
  // What it asks for is another question than what its supply gives.
  const operation = new Operation(assembly, { ...conditions, areLimited: false });
  const solution = operation.solveIn(on, MIDDLING_OHMS);
  if (!solution) return null;
  const drive = driveFrom(assembly, solution);
  return isOneAtATime ? { ...drive, loadAmps: drive.loadAmps.map(() => Math.max(...drive.loadAmps)) } : drive;
}

/** The state in which outputs drive all that they ever drive; of a dot, each of which is on alone, that with the first. */
export const fullPosition = (assembly: Assembly): number =>
  assembly.isOneAtATime ? oneOn(assembly) : mostOn(assembly);

/** The LDR in no light in particular: outputs that are held do not ask it. */
export const MIDDLING_OHMS = 1e4;

/** How many outputs have their load on. */
const onCount = (levels: Readonly<Record<string, OutputLevel>>, onLevel: OutputLevel) =>
  Object.values(levels).filter((level) => level === onLevel).length;

/** The state with one output of a ladder on. */
export function oneOn({ switching }: Assembly): number {
  return Math.max(0, switching?.states.findIndex((levels) => onCount(levels, switching.onLevel) === 1) ?? 0);
}

/** The state in which the loads are on; of a ladder that with all of them. */
function mostOn({ switching }: Assembly): number {
  if (!switching) return 0;
  const { states, isOn, onLevel } = switching;
  const counts = states.map((levels, index) => (isOn[index] ? onCount(levels, onLevel) : -1));
  return Math.max(0, counts.indexOf(Math.max(...counts)));
}

const LOAD_SIDE: readonly Role[] = [
  ...(['supply', 'load-supply', 'logic-supply', 'load', 'series', 'flyback', 'driver'] as const),
  ...(['second-supply', 'second-coil', 'second-flyback'] as const),
  ...(['tone-timer', 'tone-upper', 'tone-lower', 'tone-capacitor'] as const),
];
/** Parts of the load's side: its supplies, the loads with theirs, and the transistor. */
const isLoadSide = ({ role }: Part) => LOAD_SIDE.includes(role);

/** Solves loads and transistor alone, driven hard: a base with its share of the load's own current, a gate or a follower by voltage. */
function fullOnDriver(
  input: CircuitInput,
  assembly: Assembly,
  { grade = 'typical', celsius = ROOM_CELSIUS }: Partial<Conditions>,
): FullDrive | null {
  const { drivers, driverKind, switchNets, rails } = assembly;
  const definition = driverDefinition(driverKind);
  const loadVolts = rails[rails.length - 1]?.volts ?? input.supply.volts;
  const hard = definition.hardDrive(input.transistor, input.place, input.supply.volts, loadVolts);
  const drives = drivers.map((_, index) => `drive.${index}`);
  const parts = assembly.parts
    .filter(isLoadSide)
    .map((part) => withControl(part, drives[drivers.findIndex((driver) => driver === part)]));
  const isNet = 'volts' in hard && typeof hard.volts === 'string';
  const drive = drives.map((net): Element => {
    if ('volts' in hard)
      return { kind: 'resistor', name: net, a: net, b: isNet ? String(hard.volts) : 'hard', ohms: 1 };
    const [from, to] = definition.polarity === 'p' ? [net, GROUND] : [GROUND, net];
    return { kind: 'current', name: net, from, to, amps: 0 };
  });
  const supplies = 'volts' in hard && !isNet ? [{ node: 'hard', volts: Number(hard.volts) }] : [];
  const netlist = netlistOf(parts, { grade, celsius }, drive);
  const circuit = compileCircuit({ ...netlist, supplies: [...netlist.supplies, ...supplies] });
  const values = copyValues(circuit.nominal);
  let amps = assembly.loads.reduce((total, { load }) => total + loadDefinition(load).nominalAmps(load), 0);
  let found: FullDrive | null = null;
  let volts: Float64Array | undefined;
  for (let pass = 0; pass < ('amps' in hard ? PASSES : 1); pass++) {
    if ('amps' in hard)
      for (const net of drives) setAmps(circuit, values, net, hard.amps(amps / drives.length));
    const point = solveOperatingPoint(circuit, values, volts);
    if (!point.ok) return null;
    volts = point.volts;
    found = driveFrom({ ...assembly, switchNets }, { circuit, values, volts });
    if (Math.abs(found.amps - amps) <= SETTLED_SHARE * found.amps) break;
    amps = found.amps;
  }
  return found;
}

/** The base current follows the load current that it makes: it is set anew until that changes by less than this share. */
const SETTLED_SHARE = 1e-9;
const PASSES = 40;

function withControl(part: Part, drive: string | undefined): Part {
  if (drive === undefined) return part;
  if (part.kind === 'bipolar') return { ...part, base: drive };
  return part.kind === 'mosfet' ? { ...part, gate: drive } : part;
}

function driveFrom({ loads, switchNets, loadRail }: Assembly, solution: Solution): FullDrive {
  const { circuit, volts } = solution;
  const loadAmps = loads.map(({ sense }) =>
    sense.kind === 'lamp' ? lampAmps(solution, sense.name) : resistorAmps(solution, sense.name),
  );
  const at = (net: string) => nodeVolts(circuit, volts, net);
  return {
    amps: loadAmps.reduce((total, one) => total + one, 0),
    loadAmps,
    switchVolts: Math.abs(at(switchNets.plus) - at(switchNets.minus)),
    railVolts: at(loadRail),
  };
}
