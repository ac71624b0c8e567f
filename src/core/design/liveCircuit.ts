import { compileCircuit, nodeVolts, setOhms, type Circuit } from '../circuit/circuit';
import { bipolarCurrents, currentFrom, lampAmps, mosCurrents, resistorAmps } from '../circuit/currents';
import type { Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { ldrOhmsAt } from '../ldr/curve';
import type { LightRange } from '../light/range';
import type { LdrModel } from '../ldr/model';
import type { Project } from '../project/project';
import { onStates } from '../stages/action';
import type { BareDivider } from '../stages/bareDivider';
import { outputAmps, setOutput } from '../stages/comparatorElements';
import { lowRailOf, type Decided, type OutputLevel, type Trip } from '../stages/decider';
import { feedOf, netlistOf, type ComparatorBlock, type StageDescription } from '../stages/description';
import { stages } from '../stages/registry';
import type { Stage } from '../stages/stage';
import { ROOM_CELSIUS, stageInput } from './stageInput';
import type { Grade } from '../stages/transistors';

export interface Conditions {
  readonly grade: Grade;
  readonly celsius: number;
  /** What hangs on the circuit besides, such as a voltmeter. */
  readonly extra: readonly Element[];
}

interface Solved {
  readonly lnOhms: number;
  readonly volts: Float64Array;
}

/** No load current is taken for less, in A. */
const LEAST_AMPS = 1e-15;

const USUAL: Conditions = { grade: 'typical', celsius: ROOM_CELSIUS, extra: [] };

/**
 * A project's circuit, kept ready so that asking for another light or another fixed resistor costs one warm solve.
 * Every method solves the netlist; `null` means that no operating point was found.
 */
export class LiveCircuit {
  readonly description: StageDescription;
  readonly stage: Stage;
  /** What decides and which of its states have the load on; `null` where the transistor itself does. */
  readonly decided: (Decided & { readonly isOn: readonly boolean[] }) | null;
  /** In which of the decider's states the circuit stands: it stays there until a boundary is passed. */
  private state = 0;
  private readonly outputs: readonly ComparatorBlock[];
  private readonly driven = new Map<ComparatorBlock, OutputLevel>();
  private readonly circuit: Circuit;
  /** The last solution in each state of the decider: from there the next one is near. */
  private readonly warm: (Solved | undefined)[] = [];
  private readonly before: (Solved | undefined)[] = [];
  private readonly start: Float64Array;
  private last: Float64Array | undefined;
  /** The divider by itself. */
  readonly divider: BareDivider;
  private fixedOhms: number;

  constructor(
    project: Project,
    readonly ldr: LdrModel,
    conditions: Partial<Conditions> = {},
  ) {
    const { grade, celsius, extra } = { ...USUAL, ...conditions };
    this.stage = stages[project.stage.kind];
    const input = stageInput(project, ldrOhmsAt(ldr.curve, project.goal.lux), grade);
    this.description = this.stage.describe(input);
    const { decided } = this.description;
    this.decided = decided && { ...decided, isOn: onStates(decided, input) };
    this.circuit = compileCircuit(netlistOf(this.description, celsius, extra));
    this.start = new Float64Array(this.circuit.fixedVolts.length);
    this.outputs = this.description.parts.filter((part) => part.kind === 'comparator');
    this.drive(0);
    this.divider = { ...project.divider, lowVolts: lowRailOf(project.decider) };
    this.fixedOhms = this.divider.fixedOhms;
  }

  /** Puts the circuit into the decider's state at one end of the light: `dark` or `bright`. */
  startFrom(end: 'dark' | 'bright'): void {
    if (this.decided) this.drive(end === 'dark' ? 0 : this.decided.states.length - 1);
  }

  /** Node voltages at a light, with the project's own fixed resistor or another, the decider coming from the state it is in. */
  solve(lux: number, fixedOhms?: number): Float64Array | null {
    return this.solveOhms(ldrOhmsAt(this.ldr.curve, lux), fixedOhms);
  }

  /** The same with the LDR at a resistance. */
  solveOhms(ldrOhms: number, fixedOhms: number = this.divider.fixedOhms): Float64Array | null {
    let volts = this.solveHeld(ldrOhms, fixedOhms);
    const { decided } = this;
    if (!decided) return volts;
    for (let moves = 0; volts && moves <= decided.states.length; moves++) {
      const next = this.nextState(volts);
      if (next === this.state) return volts;
      this.drive(next);
      volts = this.solveHeld(ldrOhms, fixedOhms);
    }
    return volts;
  }

  /** Node voltages at a light in a given state of the decider, whether it would stay there or not. */
  solveIn(state: number, lux: number, fixedOhms: number = this.divider.fixedOhms): Float64Array | null {
    this.drive(state);
    return this.solveHeld(ldrOhmsAt(this.ldr.curve, lux), fixedOhms);
  }

  /** Node voltages at the end of a range where the load is off, the decider held in a state that has it off. */
  solveOff({ leastLux, mostLux }: LightRange): Float64Array | null {
    const { decided } = this;
    if (!decided) {
      const isDark = this.stage.actionOf(this.divider.ldrSide) === 'on-in-light';
      return this.solve(isDark ? leastLux : mostLux);
    }
    const last = decided.states.length - 1;
    return decided.isOn[0] ? this.solveIn(last, mostLux) : this.solveIn(0, leastLux);
  }

  /** Node voltages at the end of a range where the load is on, the decider held in a state that has it on. */
  solveOn({ leastLux, mostLux }: LightRange): Float64Array | null {
    const { decided } = this;
    if (!decided) {
      const isDark = this.stage.actionOf(this.divider.ldrSide) === 'on-in-dark';
      return this.solve(isDark ? leastLux : mostLux);
    }
    // The end at which it is on, where it is; else the middle of a window.
    const last = decided.states.length - 1;
    const state = decided.isOn[0] ? 0 : decided.isOn[last] ? last : Math.max(0, decided.isOn.indexOf(true));
    const isDark = state < decided.states.length / 2;
    return this.solveIn(state, isDark ? leastLux : mostLux);
  }

  private solveHeld(ldrOhms: number, fixedOhms: number): Float64Array | null {
    if (fixedOhms !== this.fixedOhms) {
      setOhms(this.circuit, this.description.fixed, fixedOhms);
      this.fixedOhms = fixedOhms;
    }
    setOhms(this.circuit, this.description.ldr, ldrOhms);
    const point = solveOperatingPoint(this.circuit, this.startFor(ldrOhms));
    if (!point.ok) return null;
    this.before[this.state] = this.warm[this.state];
    this.warm[this.state] = { lnOhms: Math.log(ldrOhms), volts: point.volts };
    this.last = point.volts;
    return point.volts;
  }

  /** Where the next solution likely lies: in line with the last two of this state. */
  private startFor(ldrOhms: number): Float64Array | undefined {
    const [warm, before] = [this.warm[this.state], this.before[this.state]];
    if (!warm) return this.last;
    if (!before) return warm.volts;
    const share = (Math.log(ldrOhms) - warm.lnOhms) / (warm.lnOhms - before.lnOhms);
    if (!(Math.abs(share) <= 2)) return warm.volts;
    for (let node = 0; node < this.start.length; node++) {
      const volts = warm.volts[node]!;
      this.start[node] = volts + share * (volts - before.volts[node]!);
    }
    return this.start;
  }

  /** Drives every output to its level in a state. */
  private drive(state: number): void {
    if (!this.decided) return;
    this.state = state;
    const levels = this.decided.states[state] ?? {};
    for (const block of this.outputs) {
      const level = levels[block.designator];
      if (!level || this.driven.get(block) === level) continue;
      setOutput(this.circuit, block, level);
      this.driven.set(block, level);
    }
  }

  private nextState(volts: Float64Array): number {
    const { boundaries } = this.decided ?? { boundaries: [] };
    const [up, down] = [boundaries[this.state], boundaries[this.state - 1]];
    if (up && up.sense * this.tripVolts(volts, up.rising) > 0) return this.state + 1;
    return down && down.sense * this.tripVolts(volts, down.falling) < 0 ? this.state - 1 : this.state;
  }

  /** The decider's state that the last solution was in. */
  get stateNow(): number {
    return this.state;
  }

  private tripVolts(volts: Float64Array, { plus, minus, share, offsetVolts }: Trip): number {
    return this.voltsIn(volts, plus) - share * this.voltsIn(volts, minus) + offsetVolts;
  }

  /**
   * How far a boundary's condition is passed at a light, in V: above 0 on its bright side.
   * @param way judged in the darker state, when it gets brighter, or in the brighter one, when it gets darker
   */
  overBoundary(index: number, way: 'rising' | 'falling', lux: number, fixedOhms?: number): number | null {
    if (!this.decided?.boundaries[index]) return null;
    const volts = this.solveIn(way === 'rising' ? index : index + 1, lux, fixedOhms);
    return volts && this.overIn(volts, index, way);
  }

  /** The same in a solution: how far a boundary's condition is passed there, in V. */
  overIn(volts: Float64Array, index: number, way: 'rising' | 'falling'): number {
    const boundary = this.decided?.boundaries[index];
    return boundary ? boundary.sense * this.tripVolts(volts, boundary[way]) : 0;
  }

  /**
   * How far the load is over half on at a light: above 0 where it is on. For a transistor ln of its current against a level;
   * for a decider the volts by which the condition that turns the load on is passed, coming from off.
   */
  over(level: number, lux: number, fixedOhms?: number): number | null {
    const { decided } = this;
    if (!decided) {
      const amps = this.loadAmps(lux, fixedOhms);
      return amps === null ? null : Math.log(Math.max(amps, LEAST_AMPS) / level);
    }
    const over = this.overBoundary(this.goalBoundary, this.goalWay, lux, fixedOhms);
    return over === null ? null : decided.isOn[this.goalBoundary] ? -over : over;
  }

  /** Which way the goal's boundary is passed at the light that matters: turning on is judged while it is off, and turning off while it is on. */
  private get goalWay(): 'rising' | 'falling' {
    const isOnInDark = this.decided?.isOn[this.goalBoundary] ?? false;
    const ofOn = (this.decided?.goalEnd ?? 'on') === 'on';
    return isOnInDark === ofOn ? 'falling' : 'rising';
  }

  /** The condition that the goal's light is about; `null` where the transistor itself decides. */
  get goalTrip(): Trip | null {
    return this.decided?.boundaries[this.goalBoundary]?.[this.goalWay] ?? null;
  }

  /** The boundary that the goal is about: the first at which the load turns on or off. */
  get goalBoundary(): number {
    const isOn = this.decided?.isOn ?? [];
    return Math.max(
      0,
      isOn.findIndex((on, index) => index + 1 < isOn.length && on !== isOn[index + 1]),
    );
  }

  /** Current through all loads together, in A. */
  loadAmps(lux: number, fixedOhms?: number): number | null {
    const volts = this.solve(lux, fixedOhms);
    return volts && this.loadAmpsIn(volts);
  }

  loadAmpsIn(volts: Float64Array): number {
    let total = 0;
    for (let index = 0; index < this.description.loads.length; index++)
      total += this.loadAmpsOf(volts, index);
    return total;
  }

  /** Current through one load, in A. */
  loadAmpsOf(volts: Float64Array, index: number): number {
    const sense = this.description.loads[index]?.sense;
    if (!sense) return 0;
    return sense.kind === 'lamp'
      ? lampAmps(this.circuit, volts, sense.name)
      : resistorAmps(this.circuit, volts, sense.name);
  }

  /** Voltage across the loads, in V. */
  loadVoltsIn(volts: Float64Array): number {
    const { switchNodes, loadRail } = this.description;
    const { plus, minus } = switchNodes;
    return plus === loadRail
      ? this.voltsIn(volts, minus)
      : this.voltsIn(volts, loadRail) - this.voltsIn(volts, plus);
  }

  /** Current into the base (out of a PNP's; none into a gate), and the transistor's heat. */
  transistorIn(volts: Float64Array): { readonly baseAmps: number; readonly watts: number } {
    const { transistor } = this.description;
    if (!transistor) return { baseAmps: 0, watts: 0 };
    const name = transistor.designator;
    if (transistor.kind === 'nmos')
      return { baseAmps: 0, watts: mosCurrents(this.circuit, volts, name).watts };
    const output = bipolarCurrents(this.circuit, volts, name);
    if (transistor.kind !== 'darlington') return output;
    const driver = bipolarCurrents(this.circuit, volts, `${name}.driver`);
    return { baseAmps: driver.baseAmps, watts: output.watts + driver.watts };
  }

  /** Most current into or out of any output of the decider, in A: it may come from any of those that share its node. */
  outputAmpsIn(volts: Float64Array): number {
    const each = this.description.parts.map((part) =>
      part.kind === 'comparator' ? outputAmps(this.circuit, volts, part.designator) : 0,
    );
    return Math.max(0, ...each);
  }

  /** Voltage left over between the switch's own ends, in V. */
  switchVoltsIn(volts: Float64Array): number {
    const { plus, minus } = this.description.switchNodes;
    return this.voltsIn(volts, plus) - this.voltsIn(volts, minus);
  }

  voltsIn(volts: Float64Array, node: string): number {
    return nodeVolts(this.circuit, volts, node);
  }

  /** Heat in a resistor or in the LDR, in W. */
  wattsIn(volts: Float64Array, designator: string, ohms: number): number {
    return resistorAmps(this.circuit, volts, designator) ** 2 * ohms;
  }

  /** Current through a resistor or the LDR, from its upper to its lower end, in A. */
  ampsIn(volts: Float64Array, designator: string): number {
    return resistorAmps(this.circuit, volts, designator);
  }

  /** What a rail's supply gives, in A. @param index 0 for the sensor side's, 1 for the load's own */
  supplyAmpsIn(volts: Float64Array, index: number): number {
    const rail = this.description.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return feed === null ? 0 : currentFrom(this.circuit, volts, feed);
  }
}
