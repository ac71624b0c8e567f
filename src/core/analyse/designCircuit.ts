import type { Solution } from '../circuit/currents';
import { lowVoltsOf, type BareDivider } from '../detectors/bareDivider';
import type { Assembly, LoadSwitching } from '../operate/assembly';
import type { Trip } from '../detectors/switching';
import { goalWayOf } from '../detectors/thresholds';
import { actionAlone } from '../drivers/registry';
import { ldrOhmsAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import { findCrossing, firstPassing, type Crossing } from '../light/crossing';
import { logSpacedLux, SWEPT_LIGHTS, type LightRange } from '../light/range';
import { assembled } from '../operate/assembled';
import type { CircuitInput } from '../operate/input';
import { Operation, type Conditions } from '../operate/operation';
import { Readout } from '../operate/read';
import type { Project } from '../project/project';
import { circuitInput } from './circuitInput';

/** No load current is taken for less, in A. */
const MIN_AMPS = 1e-15;

/** The state in which a boundary is judged: the darker one when it gets brighter, the brighter one when it gets darker. */
export const stateBefore = (boundary: number, way: 'rising' | 'falling'): number =>
  way === 'rising' ? boundary : boundary + 1;

/**
 * A project's circuit with its LDR, ready to be asked for one light after another, or another R1. Every method solves the netlist,
 * and its answer follows from its arguments alone; `null` means that no operating point was found.
 */
export class DesignCircuit {
  readonly assembly: Assembly;
  readonly switching: LoadSwitching | null;
  /** The divider by itself. */
  readonly divider: BareDivider;
  private readonly operation: Operation;
  private readonly isOnInDarkAlone: boolean;

  constructor(
    input: CircuitInput,
    readonly ldr: LdrModel,
    conditions: Partial<Conditions> = {},
    assembly = assembled(input),
  ) {
    const { ldrSide, fixedOhms, ldrParallelOhms, ldrSeriesOhms } = input;
    this.assembly = assembly;
    this.switching = assembly.switching;
    this.operation = new Operation(assembly, conditions);
    const lowVolts = lowVoltsOf(assembly.parts);
    const supplyVolts = input.supply.volts;
    this.divider = { supplyVolts, lowVolts, ldrSide, fixedOhms, ldrParallelOhms, ldrSeriesOhms };
    this.isOnInDarkAlone = actionAlone(assembly.driverKind, ldrSide) === 'on-in-dark';
  }

  /** A project's circuit: every question says the LDR's light. @param assembly the same project's, where it is there already */
  static of(
    project: Project,
    ldr: LdrModel,
    conditions: Partial<Conditions> = {},
    assembly?: Assembly,
  ): DesignCircuit {
    return new DesignCircuit(circuitInput(project), ldr, conditions, assembly);
  }

  /** The detector's state at the bright end of the light; that at the dark end is 0. */
  get brightest(): number {
    return this.operation.positions - 1;
  }

  ldrOhms(lux: number): number {
    return ldrOhmsAt(this.ldr.curve, lux);
  }

  read(solution: Solution, position = 0): Readout {
    return new Readout(this.assembly, solution, position);
  }

  /** The circuit at a light, with the project's own R1 or another, the detector held in a state. */
  solveIn(position: number, lux: number, fixedOhms?: number): Readout | null {
    const solution = this.operation.solveIn(position, this.ldrOhms(lux), fixedOhms);
    return solution && this.read(solution, position);
  }

  /** The same with the LDR at a resistance. */
  solveOhms(position: number, ldrOhms: number): Readout | null {
    const solution = this.operation.solveIn(position, ldrOhms);
    return solution && this.read(solution, position);
  }

  /** The same with the detector coming from a state: 0 where it has been dark. */
  settle(from: number, lux: number, fixedOhms?: number) {
    return this.settleOhms(from, this.ldrOhms(lux), fixedOhms);
  }

  /** The same with the LDR at a resistance. */
  settleOhms(
    from: number,
    ldrOhms: number,
    fixedOhms?: number,
  ): { readonly readout: Readout; readonly position: number } | null {
    const settled = this.operation.settle(from, ldrOhms, fixedOhms);
    if (!settled) return null;
    const { solution, position } = settled;
    return { readout: this.read(solution, position), position };
  }

  /** Where in a range the load is off, the detector held in a state that has it off. */
  solveOff(range: LightRange): Readout | null {
    return this.solveWhere(false, range);
  }

  /** Where in a range the load is on, the detector held in a state that has it on. */
  solveOn(range: LightRange): Readout | null {
    return this.solveWhere(true, range);
  }

  private solveWhere(isOn: boolean, { minLux, maxLux }: LightRange): Readout | null {
    const { switching } = this;
    if (!switching) return this.solveIn(0, this.isOnInDarkAlone === isOn ? minLux : maxLux);
    // The end at which it is so, where it is; else the middle of a window.
    const states = switching.isOn;
    const last = this.brightest;
    const position =
      states[0] === isOn ? 0 : states[last] === isOn ? last : Math.max(0, states.indexOf(isOn));
    return this.solveIn(position, position < states.length / 2 ? minLux : maxLux);
  }

  /**
   * How far a boundary's condition is crossed at a light, in V: above 0 on its bright side.
   * @param way judged in the darker state, when it gets brighter, or in the brighter one, when it gets darker
   */
  overBoundary(index: number, way: 'rising' | 'falling', lux: number, fixedOhms?: number): number | null {
    if (!this.switching?.boundaries[index]) return null;
    const readout = this.solveIn(stateBefore(index, way), lux, fixedOhms);
    return readout && this.overIn(readout, index, way);
  }

  /** The same in a solution: how far a boundary's condition is crossed there, in V. */
  overIn({ solution }: Readout, index: number, way: 'rising' | 'falling'): number {
    const boundary = this.switching?.boundaries[index];
    return boundary ? this.operation.overIn(solution, boundary, way) : 0;
  }

  /**
   * How far the load is over half on at a light: above 0 where it is on. For a transistor ln of its current against a level;
   * for a detector the volts by which the condition that turns the load on is crossed, coming from off.
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

  /**
   * The light at which the load passes half on, as {@link over} has it. A transistor's load that is on the same side at both ends of a
   * range may pass it on the way and come back: the darkest light at which it does, of those that are looked at.
   * @param near where to look first
   */
  crossing(level: number, range: LightRange, near?: LightRange, fixedOhms?: number): Crossing {
    const over = (lux: number) => this.over(level, lux, fixedOhms);
    const sideAt = (lux: number) => ((over(lux) ?? 0) > 0 ? 1 : 0);
    if (this.switching || sideAt(range.minLux) !== sideAt(range.maxLux))
      return findCrossing(over, range, near);
    const lights = logSpacedLux(range, SWEPT_LIGHTS);
    return findCrossing(over, range, firstPassing(lights, lights.map(sideAt), 1));
  }

  private get goalWay(): 'rising' | 'falling' {
    return goalWayOf(this.switching?.isOn[this.goalBoundary] ?? false, this.switching?.goalEnd ?? 'on');
  }

  /** The condition that the goal's light is about; `null` where the transistor switches by itself. */
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

  /** Current through all loads together, in A, where the transistor switches by itself. */
  loadAmps(lux: number, fixedOhms?: number): number | null {
    return this.solveIn(0, lux, fixedOhms)?.loadAmps() ?? null;
  }
}
