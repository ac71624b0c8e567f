import {
  eliminate,
  planElimination,
  reduce,
  substituteBack,
  type EliminationPlan,
} from '../numeric/elimination';
import { solveForAll, solveLinear } from '../numeric/linear';
import type { Circuit } from './circuit';
import { Devices } from './devices';
import type { CircuitValues } from './values';

const MAX_ITERATIONS = 120;
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

/**
 * Room to solve one circuit in, used again and again; nothing in it outlives a solve. Each step is found from the currents that are
 * left over at the nodes, added up element by element: differences of voltages lose no digits to the large conductances beside a
 * node that hardly anything binds. The linear nodes are taken out once and follow each step exactly.
 */
export class Workspace {
  /** Of all unknown nodes, resistors only. Row-major unknowns × unknowns, in S. */
  private readonly matrix: Float64Array;
  /** Current that is left over at each unknown node, in A; what is left of it once the linear nodes are taken out. */
  private readonly vector: Float64Array;
  /** The step of each unknown node, in V. */
  private readonly step: Float64Array;
  private readonly devices: Devices;
  private readonly plan: EliminationPlan;
  iterations = 0;

  constructor(private readonly circuit: Circuit) {
    const { unknowns, linear, resistors } = circuit;
    this.matrix = new Float64Array(unknowns * unknowns);
    this.vector = new Float64Array(unknowns);
    this.step = new Float64Array(unknowns);
    this.devices = new Devices(circuit, linear, unknowns - linear);
    this.plan = planElimination(unknowns, linear, resistors.nodes);
  }

  /** Runs Newton from `volts`, which holds the solution afterwards where it converged. */
  newton(
    values: CircuitValues,
    volts: Float64Array,
    leak: number,
    precision: Precision = EXACT,
  ): 'converged' | 'not-converged' | 'singular' {
    const { plan, devices, matrix, vector, step } = this;
    this.stampResistors(values, leak);
    if (!eliminate(plan, matrix)) return 'singular';
    devices.begin(values, volts);
    let refinements = 0;
    for (this.iterations = 1; this.iterations <= MAX_ITERATIONS; this.iterations++) {
      this.addUpCurrents(values, volts, leak);
      reduce(plan, matrix, vector);
      this.takeLinear();
      devices.stamp();
      if (!solveLinear(devices.matrix, devices.vector, devices.size)) return 'singular';
      const moved = this.takeStep(volts, precision.lastVolts);
      if (moved === 'lost') return 'not-converged';
      substituteBack(plan, matrix, vector, step);
      for (let node = 0; node < plan.count; node++) volts[node]! += step[node]!;
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
    const { plan, devices, matrix, step } = this;
    const { unknowns, linear } = this.circuit;
    this.stampResistors(values, 0);
    if (!eliminate(plan, matrix)) return null;
    devices.begin(values, volts);
    this.takeLinear();
    devices.stamp();
    const count = pairs.length / 2;
    // A current of 1 A into one of each pair and out of the other; the linear nodes' share of it, and the rest side by side.
    const reduced = Array.from({ length: count }, (_, pair) => {
      const own = new Float64Array(unknowns);
      const [from, to] = [pairs[2 * pair]!, pairs[2 * pair + 1]!];
      if (from < unknowns) own[from]! += 1;
      if (to < unknowns) own[to]! -= 1;
      reduce(plan, matrix, own);
      return own;
    });
    const sides = new Float64Array(devices.size * count);
    reduced.forEach((own, pair) => {
      for (let row = 0; row < devices.size; row++) sides[row * count + pair] = own[linear + row]!;
    });
    if (!solveForAll(devices.matrix, sides, devices.size, count)) return null;
    reduced.forEach((own, pair) => {
      for (let row = 0; row < devices.size; row++) step[linear + row] = sides[row * count + pair]!;
      substituteBack(plan, matrix, own, step);
      own.set(step);
    });
    return reduced;
  }

  /** Seen by the pivots that the elimination has left: a group of nodes that floats together has a small one. */
  private hasWeakNode(): boolean {
    const { matrix, devices } = this;
    const { unknowns, linear } = this.circuit;
    const { size } = devices;
    let least = Infinity;
    let most = 0;
    for (let node = 0; node < unknowns; node++) {
      const row = node - linear;
      const siemens = Math.abs(row < 0 ? matrix[node * unknowns + node]! : devices.matrix[row * size + row]!);
      least = Math.min(least, siemens);
      most = Math.max(most, siemens);
    }
    return least < WEAK_SHARE * most;
  }

  /** Whether the last step moved nothing that any figure would show. */
  private isRefined(weakVolts: number): boolean {
    for (const volts of this.step) if (Math.abs(volts) > weakVolts) return false;
    return true;
  }

  /** The resistors' conductances. */
  private stampResistors({ siemens }: CircuitValues, leak: number): void {
    const { matrix } = this;
    const { unknowns, resistors } = this.circuit;
    matrix.fill(0);
    for (let i = 0; i < resistors.count; i++) {
      const a = resistors.nodes[2 * i]!;
      const b = resistors.nodes[2 * i + 1]!;
      const g = siemens[i]!;
      if (a < unknowns) matrix[a * unknowns + a]! += g;
      if (b < unknowns) matrix[b * unknowns + b]! += g;
      if (a < unknowns && b < unknowns) {
        matrix[a * unknowns + b]! -= g;
        matrix[b * unknowns + a]! -= g;
      }
    }
    if (leak > 0) for (let row = 0; row < unknowns; row++) matrix[row * unknowns + row]! += leak;
  }

  /** What resistors and sources bring into each unknown node at these voltages. */
  private addUpCurrents({ siemens, sourceAmps }: CircuitValues, volts: Float64Array, leak: number): void {
    const { vector } = this;
    const { unknowns, resistors, sources } = this.circuit;
    for (let node = 0; node < unknowns; node++) vector[node] = -leak * volts[node]!;
    for (let i = 0; i < resistors.count; i++) {
      const a = resistors.nodes[2 * i]!;
      const b = resistors.nodes[2 * i + 1]!;
      const amps = siemens[i]! * (volts[a]! - volts[b]!);
      if (a < unknowns) vector[a]! -= amps;
      if (b < unknowns) vector[b]! += amps;
    }
    for (let i = 0; i < sources.count; i++) {
      const from = sources.nodes[2 * i]!;
      const to = sources.nodes[2 * i + 1]!;
      if (from < unknowns) vector[from]! -= sourceAmps[i]!;
      if (to < unknowns) vector[to]! += sourceAmps[i]!;
    }
  }

  /** What is left of the linear elements once the linear nodes are taken out. */
  private takeLinear(): void {
    const { devices, matrix, vector } = this;
    const { unknowns, linear } = this.circuit;
    const { size } = devices;
    for (let row = 0; row < size; row++) {
      const from = (row + linear) * unknowns + linear;
      for (let column = 0; column < size; column++)
        devices.matrix[row * size + column] = matrix[from + column]!;
      devices.vector[row] = vector[row + linear]!;
    }
  }

  /** Goes where the solved step leads; `settled` where that is hardly anywhere. */
  private takeStep(volts: Float64Array, lastVolts: number): 'settled' | 'moved' | 'lost' {
    const { size, vector, isHeld } = this.devices;
    const { step } = this;
    const { linear } = this.circuit;
    let hasMoved = isHeld;
    for (let row = 0; row < size; row++) {
      const by = vector[row]!;
      if (!Number.isFinite(by)) return 'lost';
      const node = linear + row;
      volts[node]! += by;
      step[node] = by;
      if (Math.abs(by) > lastVolts + RELATIVE_VOLTS * Math.abs(volts[node]!)) hasMoved = true;
    }
    return hasMoved ? 'moved' : 'settled';
  }
}
