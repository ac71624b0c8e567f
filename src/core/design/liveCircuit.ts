import { compileCircuit, setOhms } from '../circuit/circuit';
import type { Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { WarmStart } from '../circuit/warmStart';
import { ldrOhmsAt } from '../ldr/curve';
import type { LightRange } from '../light/range';
import type { LdrModel } from '../ldr/model';
import type { Project } from '../project/project';
import { onStates } from '../stages/action';
import type { BareDivider } from '../stages/bareDivider';
import { setOutput } from '../stages/comparatorElements';
import { lowRailOf, type Decided, type OutputLevel, type Trip } from '../stages/decider';
import { netlistOf, type ComparatorBlock } from '../stages/description';
import { stages } from '../stages/registry';
import type { Stage } from '../stages/stage';
import { CircuitReader } from './circuitReader';
import { ROOM_CELSIUS, stageInput } from './stageInput';
import type { Grade } from '../stages/transistors';

export interface Conditions {
  readonly grade: Grade;
  readonly celsius: number;
  /** What hangs on the circuit besides, such as a voltmeter. */
  readonly extra: readonly Element[];
}

/** No load current is taken for less, in A. */
const LEAST_AMPS = 1e-15;

const USUAL: Conditions = { grade: 'typical', celsius: ROOM_CELSIUS, extra: [] };

/**
 * A project's circuit, kept ready so that asking for another light or another fixed resistor costs one warm solve.
 * Every method solves the netlist; `null` means that no operating point was found.
 */
export class LiveCircuit extends CircuitReader {
  readonly stage: Stage;
  /** What decides and which of its states have the load on; `null` where the transistor itself does. */
  readonly decided: (Decided & { readonly isOn: readonly boolean[] }) | null;
  /** In which of the decider's states the circuit stands: it stays there until a boundary is passed. */
  private state = 0;
  private readonly outputs: readonly ComparatorBlock[];
  private readonly driven = new Map<ComparatorBlock, OutputLevel>();
  /** The last solutions in each state of the decider, and the very last in any. */
  private readonly warm: WarmStart[] = [];
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
    const stage = stages[project.stage.kind];
    const input = stageInput(project, ldrOhmsAt(ldr.curve, project.goal.lux), grade);
    const description = stage.describe(input);
    super(description, compileCircuit(netlistOf(description, celsius, extra)));
    this.stage = stage;
    const { decided } = description;
    this.decided = decided && { ...decided, isOn: onStates(decided, input) };
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
    const lnOhms = Math.log(ldrOhms);
    const warm = (this.warm[this.state] ??= new WarmStart());
    const point = solveOperatingPoint(this.circuit, warm.startAt(lnOhms) ?? this.last);
    if (!point.ok) return null;
    warm.keep(lnOhms, point.volts);
    this.last = point.volts;
    return point.volts;
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
}
