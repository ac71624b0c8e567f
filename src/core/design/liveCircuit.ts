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
import { lowRailOf, type Switching, type OutputLevel, type Trip } from '../stages/decider';
import { netlistOf, type ComparatorBlock } from '../stages/description';
import { drivers } from '../stages/registry';
import type { Driver } from '../stages/stage';
import { CircuitReader } from './circuitReader';
import { ROOM_CELSIUS, circuitInput } from './stageInput';
import type { Grade } from '../stages/transistors';

export interface Conditions {
  readonly grade: Grade;
  readonly celsius: number;
  /** What hangs on the circuit besides, such as a voltmeter. */
  readonly extra: readonly Element[];
}

/** No load current is taken for less, in A. */
const MIN_AMPS = 1e-15;

const DEFAULTS: Conditions = { grade: 'typical', celsius: ROOM_CELSIUS, extra: [] };

/**
 * A project's circuit, kept ready so that asking for another light or another fixed resistor costs one warm solve.
 * Every method solves the netlist; `null` means that no operating point was found.
 */
export class LiveCircuit extends CircuitReader {
  readonly driver: Driver;
  /** What decides and which of its states have the load on; `null` where the transistor itself does. */
  readonly switching: (Switching & { readonly isOn: readonly boolean[] }) | null;
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
    const { grade, celsius, extra } = { ...DEFAULTS, ...conditions };
    const driver = drivers[project.driver.kind];
    const input = circuitInput(project, ldrOhmsAt(ldr.curve, project.goal.lux), grade);
    const assembly = driver.describe(input);
    super(assembly, compileCircuit(netlistOf(assembly, celsius, extra)));
    this.driver = driver;
    const { switching } = assembly;
    this.switching = switching && { ...switching, isOn: onStates(switching, input) };
    this.outputs = this.assembly.parts.filter((part) => part.kind === 'comparator');
    this.drive(0);
    this.divider = { ...project.divider, lowVolts: lowRailOf(project.detector) };
    this.fixedOhms = this.divider.fixedOhms;
  }

  /** Puts the circuit into the decider's state at one end of the light: `dark` or `bright`. */
  startFrom(end: 'dark' | 'bright'): void {
    if (this.switching) this.drive(end === 'dark' ? 0 : this.switching.states.length - 1);
  }

  /** Node voltages at a light, with the project's own fixed resistor or another, the decider coming from the state it is in. */
  solve(lux: number, fixedOhms?: number): Float64Array | null {
    return this.solveOhms(ldrOhmsAt(this.ldr.curve, lux), fixedOhms);
  }

  /** The same with the LDR at a resistance. */
  solveOhms(ldrOhms: number, fixedOhms: number = this.divider.fixedOhms): Float64Array | null {
    let volts = this.solveHeld(ldrOhms, fixedOhms);
    const { switching } = this;
    if (!switching) return volts;
    for (let moves = 0; volts && moves <= switching.states.length; moves++) {
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
  solveOff({ minLux, maxLux }: LightRange): Float64Array | null {
    const { switching } = this;
    if (!switching) {
      const isDark = this.driver.actionOf(this.divider.ldrSide) === 'on-in-light';
      return this.solve(isDark ? minLux : maxLux);
    }
    const last = switching.states.length - 1;
    return switching.isOn[0] ? this.solveIn(last, maxLux) : this.solveIn(0, minLux);
  }

  /** Node voltages at the end of a range where the load is on, the decider held in a state that has it on. */
  solveOn({ minLux, maxLux }: LightRange): Float64Array | null {
    const { switching } = this;
    if (!switching) {
      const isDark = this.driver.actionOf(this.divider.ldrSide) === 'on-in-dark';
      return this.solve(isDark ? minLux : maxLux);
    }
    // The end at which it is on, where it is; else the middle of a window.
    const last = switching.states.length - 1;
    const state = switching.isOn[0]
      ? 0
      : switching.isOn[last]
        ? last
        : Math.max(0, switching.isOn.indexOf(true));
    const isDark = state < switching.states.length / 2;
    return this.solveIn(state, isDark ? minLux : maxLux);
  }

  private solveHeld(ldrOhms: number, fixedOhms: number): Float64Array | null {
    if (fixedOhms !== this.fixedOhms) {
      setOhms(this.circuit, this.assembly.fixed, fixedOhms);
      this.fixedOhms = fixedOhms;
    }
    setOhms(this.circuit, this.assembly.ldr, ldrOhms);
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
    if (!this.switching) return;
    this.state = state;
    const levels = this.switching.states[state] ?? {};
    for (const block of this.outputs) {
      const level = levels[block.designator];
      if (!level || this.driven.get(block) === level) continue;
      setOutput(this.circuit, block, level);
      this.driven.set(block, level);
    }
  }

  private nextState(volts: Float64Array): number {
    const { boundaries } = this.switching ?? { boundaries: [] };
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
    if (!this.switching?.boundaries[index]) return null;
    const volts = this.solveIn(way === 'rising' ? index : index + 1, lux, fixedOhms);
    return volts && this.overIn(volts, index, way);
  }

  /** The same in a solution: how far a boundary's condition is passed there, in V. */
  overIn(volts: Float64Array, index: number, way: 'rising' | 'falling'): number {
    const boundary = this.switching?.boundaries[index];
    return boundary ? boundary.sense * this.tripVolts(volts, boundary[way]) : 0;
  }

  /**
   * How far the load is over half on at a light: above 0 where it is on. For a transistor ln of its current against a level;
   * for a decider the volts by which the condition that turns the load on is passed, coming from off.
   */
  over(level: number, lux: number, fixedOhms?: number): number | null {
    const { switching } = this;
    if (!switching) {
      const amps = this.loadAmps(lux, fixedOhms);
      return amps === null ? null : Math.log(Math.max(amps, MIN_AMPS) / level);
    }
    const over = this.overBoundary(this.goalBoundary, this.goalWay, lux, fixedOhms);
    return over === null ? null : switching.isOn[this.goalBoundary] ? -over : over;
  }

  /** Which way the goal's boundary is passed at the light that matters: turning on is judged while it is off, and turning off while it is on. */
  private get goalWay(): 'rising' | 'falling' {
    const isOnInDark = this.switching?.isOn[this.goalBoundary] ?? false;
    const ofOn = (this.switching?.goalEnd ?? 'on') === 'on';
    return isOnInDark === ofOn ? 'falling' : 'rising';
  }

  /** The condition that the goal's light is about; `null` where the transistor itself decides. */
  get goalTrip(): Trip | null {
    return this.switching?.boundaries[this.goalBoundary]?.[this.goalWay] ?? null;
  }

  /** The boundary that the goal is about: the first at which the load turns on or off. */
  get goalBoundary(): number {
    const isOn = this.switching?.isOn ?? [];
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
