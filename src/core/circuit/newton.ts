import {
  eliminate,
  planElimination,
  reduce,
  substituteBack,
  type EliminationPlan,
} from '../numeric/elimination';
import { solveLinear } from '../numeric/linear';
import type { Circuit } from './circuit';
import { Devices } from './devices';
import { cellsOf, coupled, stampsOf, type ResistorStamps } from './places';
import type { CircuitValues } from './values';

const MAX_ITERATIONS = 120;
/** After so many steps junctions take short ones: long ones may go round in a circle. */
const BOLD_ITERATIONS = 20;
const RELATIVE_VOLTS = 1e-9;
/** Where a node is bound by less than this share of what binds another, steps follow each other more slowly: there so many more are taken, until they are small. */
const WEAK_SHARE = 1e-4;
const MAX_REFINEMENTS = 12;

/** How small Newton's last step is, in V. Being quadratic it leaves an error of about its square over twice the thermal voltage. */
export interface Precision {
  readonly lastVolts: number;
  /** Where a node is bound weakly. */
  readonly weakVolts: number;
}

/** For figures and what is worked out from them: an error under 1e-11 V. */
export const EXACT: Precision = { lastVolts: 3e-7, weakVolts: 1e-10 };
/** For what a meter shows in one of many builds: an error under 1e-6 V, and a node that hardly anything binds to a tenth of a millivolt. */
export const AS_METERED: Precision = { lastVolts: 1e-4, weakVolts: 1e-4 };

/** A step up to so many times the last one is as good where the step before it tells that it leaves as little. */
const TRUSTED = 10;
/** What the last step leaves: its square over so many volts (twice the thermal voltage, about). */
const TWICE_THERMAL_VOLTS = 0.05;
/** What a step seems to leave may be so many times as much. */
const CAUTION = 10;

/**
 * Room to solve one circuit in, used again and again; nothing in it outlives a solve. Each step is found from the currents that are
 * left over at the nodes, added up element by element: differences of voltages lose no digits to the large conductances beside a
 * node that hardly anything binds. The linear nodes are taken out once and follow each step exactly.
 */
export class Workspace {
  /** Of all nodes; what is written for those whose voltage is known is not read. Row-major nodes × nodes, in S. */
  private readonly matrix: Float64Array;
  /** Where in it unknown nodes have something once all is filled in; those of the nonlinear ones among themselves come last. */
  private readonly cells: Int32Array;
  private readonly firstNonlinear: number;
  /** What resistors leave in those last ones once the linear nodes are taken out. */
  private readonly resistive: Float64Array;
  private readonly stamps: ResistorStamps;
  /** Current that is left over at each node, in A; what is left of it once nodes are taken out. */
  private readonly vector: Float64Array;
  /** The step of each node, in V, and the one before. */
  private step: Float64Array;
  private before: Float64Array;
  /** Nodes up to this one are taken out by their own rows; those after it, if any, need another order. */
  private taken = 0;
  private readonly devices: Devices;
  private readonly plan: EliminationPlan;
  iterations = 0;

  constructor(private readonly circuit: Circuit) {
    const { unknowns, linear } = circuit;
    const nodes = circuit.nodeIndex.size;
    this.matrix = new Float64Array(nodes * nodes);
    this.vector = new Float64Array(nodes);
    this.step = new Float64Array(nodes);
    this.before = new Float64Array(nodes);
    this.plan = planElimination(nodes, unknowns, coupled(circuit));
    this.cells = cellsOf(this.plan);
    this.firstNonlinear = this.plan.starts[linear]! * 2 + linear;
    this.resistive = new Float64Array(this.cells.length);
    this.stamps = stampsOf(circuit);
    this.devices = new Devices(circuit, this.matrix, this.vector);
  }

  /** Runs Newton from `volts`, which holds the solution afterwards where it converged. */
  newton(
    values: CircuitValues,
    volts: Float64Array,
    leak: number,
    precision: Precision = EXACT,
  ): 'converged' | 'not-converged' | 'singular' {
    const { devices } = this;
    if (!this.takeLinear(values, leak)) return 'singular';
    devices.begin(values, volts);
    this.forgetStep();
    let refinements = 0;
    for (this.iterations = 1; this.iterations <= MAX_ITERATIONS; this.iterations++) {
      this.addUpCurrents(values, volts, leak);
      if (this.iterations > 1) this.restore();
      devices.isBold = this.iterations <= BOLD_ITERATIONS;
      devices.stamp();
      if (!this.solveStep()) return 'singular';
      const moved = this.takeStep(volts, precision.lastVolts);
      if (moved === 'lost') return 'not-converged';
      if (devices.isHeld) this.forgetStep();
      if (moved !== 'settled') continue;
      if (!this.hasWeakNode() || this.isRefined(precision.weakVolts) || refinements === MAX_REFINEMENTS)
        return 'converged';
      refinements++;
    }
    return refinements > 0 ? 'converged' : 'not-converged';
  }

  /**
   * How far a small current into one node of each of some pairs and out of the other moves every unknown node near a solution, in V/A.
   * `null` where a node is bound to nothing.
   * @param volts of a solution with these values; shape: all nodes
   * @param pairs two nodes each; shape: 2 × pairs
   * @returns shape: pairs × unknowns
   */
  responses(
    values: CircuitValues,
    volts: Float64Array,
    pairs: ArrayLike<number>,
  ): readonly Float64Array[] | null {
    const { devices, vector } = this;
    const { unknowns, linear } = this.circuit;
    if (!this.takeLinear(values, 0)) return null;
    devices.begin(values, volts);
    devices.stamp();
    this.taken = eliminate(this.plan, this.matrix, linear, unknowns);
    const found: Float64Array[] = [];
    for (let pair = 0; pair < pairs.length; pair += 2) {
      // A current of 1 A into one of the pair and out of the other.
      vector.fill(0);
      vector[pairs[pair]!]! += 1;
      vector[pairs[pair + 1]!]! -= 1;
      reduce(this.plan, this.matrix, vector, 0, this.taken);
      if (!this.solve()) return null;
      found.push(this.step.slice(0, unknowns));
    }
    return found;
  }

  /** The matrix of the resistors, and the linear nodes taken out of it; false where one of them is bound to nothing. */
  private takeLinear(values: CircuitValues, leak: number): boolean {
    const { matrix, cells, resistive } = this;
    const { linear } = this.circuit;
    this.stampResistors(values, leak);
    if (eliminate(this.plan, matrix, 0, linear) < linear) return false;
    for (let at = this.firstNonlinear; at < cells.length; at++) resistive[at] = matrix[cells[at]!]!;
    return true;
  }

  /** The matrix as it was before any device was written into it. */
  private restore(): void {
    const { matrix, cells, resistive } = this;
    for (let at = this.firstNonlinear; at < cells.length; at++) matrix[cells[at]!] = resistive[at]!;
  }

  /** The step of every unknown node, from the currents left over; false where there is none. */
  private solveStep(): boolean {
    const { plan, matrix, vector, step } = this;
    const { linear, unknowns } = this.circuit;
    reduce(plan, matrix, vector, 0, linear);
    this.taken = eliminate(plan, matrix, linear, unknowns, vector);
    this.step = this.before;
    this.before = step;
    return this.solve();
  }

  /** The step, from what the nodes that were taken out have left of the currents. */
  private solve(): boolean {
    const { plan, matrix, vector, step, taken } = this;
    if (taken < this.circuit.unknowns && !this.solveRest()) return false;
    substituteBack(plan, matrix, vector, step, taken);
    return true;
  }

  /** The steps of the nodes that were not taken out by their own rows. */
  private solveRest(): boolean {
    const { matrix, vector, step, taken } = this;
    const { size } = this.plan;
    const left = this.circuit.unknowns - taken;
    const rest = new Float64Array(left * left);
    const solution = vector.slice(taken, taken + left);
    for (let row = 0; row < left; row++)
      for (let column = 0; column < left; column++)
        rest[row * left + column] = matrix[(taken + row) * size + taken + column]!;
    if (!solveLinear(rest, solution, left)) return false;
    step.set(solution, taken);
    return true;
  }

  /** So that the next step is not compared with this one. */
  private forgetStep(): void {
    const { step } = this;
    for (let node = 0; node < step.length; node++) step[node] = 0;
  }

  /** Seen by the pivots that the elimination has left: a group of nodes that floats together has a small one. */
  private hasWeakNode(): boolean {
    const { matrix } = this;
    const { size } = this.plan;
    const { unknowns } = this.circuit;
    if (this.taken < unknowns) return true;
    let least = Infinity;
    let most = 0;
    for (let node = 0; node < unknowns; node++) {
      const ohms = Math.abs(matrix[node * size + node]!);
      if (ohms < least) least = ohms;
      if (ohms > most) most = ohms;
    }
    return least < WEAK_SHARE * most;
  }

  /** Whether the last step moved nothing that any figure would show, or leaves nothing: a step leaves at most as much of itself as it was of the step before. */
  private isRefined(weakVolts: number): boolean {
    const { step, before } = this;
    const { unknowns } = this.circuit;
    for (let node = 0; node < unknowns; node++) {
      const by = Math.abs(step[node]!);
      if (by > weakVolts && !(by * by * CAUTION < weakVolts * Math.abs(before[node]!))) return false;
    }
    return true;
  }

  /** The resistors' conductances. */
  private stampResistors({ siemens }: CircuitValues, leak: number): void {
    const { matrix, cells } = this;
    const { own, ownOf, across, acrossOf } = this.stamps;
    for (let at = 0; at < cells.length; at++) matrix[cells[at]!] = 0;
    for (let at = 0; at < own.length; at++) matrix[own[at]!]! += siemens[ownOf[at]!]!;
    for (let at = 0; at < across.length; at++) matrix[across[at]!]! -= siemens[acrossOf[at]!]!;
    if (leak > 0)
      for (let row = 0; row < this.circuit.unknowns; row++) matrix[row * this.plan.size + row]! += leak;
  }

  /** What resistors and sources bring into each node at these voltages. */
  private addUpCurrents({ siemens, sourceAmps }: CircuitValues, volts: Float64Array, leak: number): void {
    const { vector } = this;
    const { unknowns, resistors, sources } = this.circuit;
    const { nodes, count } = resistors;
    for (let node = 0; node < unknowns; node++) vector[node] = -leak * volts[node]!;
    for (let i = 0; i < count; i++) {
      const a = nodes[2 * i]!;
      const b = nodes[2 * i + 1]!;
      const amps = siemens[i]! * (volts[a]! - volts[b]!);
      vector[a]! -= amps;
      vector[b]! += amps;
    }
    for (let i = 0; i < sources.count; i++) {
      vector[sources.nodes[2 * i]!]! -= sourceAmps[i]!;
      vector[sources.nodes[2 * i + 1]!]! += sourceAmps[i]!;
    }
  }

  /** Goes where the solved step leads; `settled` where what it leaves at the nonlinear nodes is next to nothing. */
  private takeStep(volts: Float64Array, lastVolts: number): 'settled' | 'moved' | 'lost' {
    const { step, before, devices } = this;
    const { linear, unknowns } = this.circuit;
    const left = (lastVolts * lastVolts) / (TWICE_THERMAL_VOLTS * CAUTION);
    let hasMoved = devices.isHeld;
    for (let node = 0; node < unknowns; node++) {
      const by = step[node]!;
      if (!Number.isFinite(by)) return 'lost';
      volts[node]! += by;
      if (node < linear) continue;
      const far = Math.abs(by);
      const last = lastVolts + RELATIVE_VOLTS * Math.abs(volts[node]!);
      if (far <= last) continue;
      // Quadratic: what this leaves is to its square as it is itself to the square of the step before.
      const own = before[node]!;
      if (far > TRUSTED * last || !(far * far * far <= left * own * own)) hasMoved = true;
    }
    return hasMoved ? 'moved' : 'settled';
  }
}
