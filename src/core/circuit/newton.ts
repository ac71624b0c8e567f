import { eliminate, planElimination, substituteBack, type EliminationPlan } from '../numeric/elimination';
import { solveLinear } from '../numeric/linear';
import type { Circuit } from './circuit';
import { currentsFromNodes } from './currents';
import { Devices } from './devices';
import type { CircuitValues } from './values';

const MAX_ITERATIONS = 120;
/**
 * Where a switch is off, wires of milliohms meet leaks of teraohms, and a voltage may never come to rest to the last 1e-8 V; after
 * so many steps it is enough that the currents balance to rounding at every node, and after far more on the whole.
 */
const MANY_ITERATIONS = 3;
const VERY_MANY_ITERATIONS = 40;
const ROUNDING = 16 * Number.EPSILON;
/** A node that is bound by less than this share of what binds another is refined, at most so many times. */
const WEAK_SHARE = 1e-4;
const REFINEMENTS = 12;
const REFINED_VOLTS = 1e-10;
const MAX_REFINED_VOLTS = 0.1;
/** Newton's last step; being quadratic it leaves an error of about its square over twice the thermal voltage, under 1e-10 V. */
const ABSOLUTE_VOLTS = 3e-7;
const RELATIVE_VOLTS = 1e-8;

/**
 * Room to solve one circuit in, used again and again; nothing in it outlives a solve. The linear nodes are taken out once; Newton's
 * steps go over the nonlinear ones alone, and when these rest, the linear ones follow from them exactly.
 */
export class Workspace {
  /** Of all unknown nodes, resistors and sources only. Row-major unknowns × unknowns, in S; currents into each node, in A. */
  private readonly matrix: Float64Array;
  private readonly vector: Float64Array;
  private readonly devices: Devices;
  private readonly plan: EliminationPlan;
  iterations = 0;
  /** A node is bound far more weakly than another: rounding alone then moves it. */
  private isWeak = false;
  private readonly left: Float64Array;
  private readonly moved: Float64Array;

  constructor(private readonly circuit: Circuit) {
    const { unknowns, linear, resistors } = circuit;
    this.matrix = new Float64Array(unknowns * unknowns);
    this.vector = new Float64Array(unknowns);
    this.left = new Float64Array(circuit.nominal.fixedVolts.length);
    this.moved = new Float64Array(unknowns);
    this.devices = new Devices(circuit, linear, unknowns - linear);
    this.plan = planElimination(unknowns, linear, resistors.nodes);
  }

  /** Runs Newton from `volts`, which holds the solution afterwards where it converged. */
  newton(
    values: CircuitValues,
    volts: Float64Array,
    leak: number,
  ): 'converged' | 'not-converged' | 'singular' {
    const { plan, devices, matrix, vector } = this;
    this.stampLinear(values, leak);
    if (!eliminate(plan, matrix, vector)) return 'singular';
    devices.begin(values, volts);
    for (this.iterations = 1; this.iterations <= MAX_ITERATIONS; this.iterations++) {
      this.takeLinear();
      devices.stamp();
      const isRested = this.iterations > MANY_ITERATIONS && !devices.isHeld && this.isBalanced(volts);
      if (!isRested) {
        if (!solveLinear(devices.matrix, devices.vector, devices.size)) return 'singular';
        this.isWeak = this.hasWeakNode();
        const moved = this.takeStep(volts);
        if (moved === 'lost') return 'not-converged';
        if (moved === 'moved') continue;
      }
      substituteBack(plan, matrix, vector, volts);
      if (this.isWeak) this.refine(values, volts, leak);
      return 'converged';
    }
    return 'not-converged';
  }

  /** Told by the pivots that the elimination has left: a group of nodes that floats together has a small one. */
  private hasWeakNode(): boolean {
    const { size, matrix } = this.devices;
    let [least, most] = [Infinity, 0];
    for (let row = 0; row < size; row++) {
      const siemens = Math.abs(matrix[row * size + row]!);
      least = Math.min(least, siemens);
      most = Math.max(most, siemens);
    }
    return least < WEAK_SHARE * most;
  }

  /**
   * Moves a solution by what its currents, added up element by element, leave over at each node: differences of voltages lose
   * no digits to the large conductances beside a weak node, as the equations of whole voltages do.
   */
  private refine(values: CircuitValues, volts: Float64Array, leak: number): void {
    const { circuit, plan, devices, matrix, vector, left, moved } = this;
    const { unknowns, linear } = circuit;
    const { size } = devices;
    for (let pass = 0; pass < REFINEMENTS; pass++) {
      currentsFromNodes({ circuit, values, volts }, left);
      this.stampLinear(values, leak);
      for (let node = 0; node < unknowns; node++) vector[node] = -left[node]! - leak * volts[node]!;
      if (!eliminate(plan, matrix, vector)) return;
      this.takeLinear();
      devices.begin(values, volts);
      devices.stamp();
      for (let row = 0; row < size; row++) devices.vector[row] = vector[row + linear]!;
      if (!solveLinear(devices.matrix, devices.vector, size)) return;
      for (let row = 0; row < size; row++) moved[linear + row] = devices.vector[row]!;
      substituteBack(plan, matrix, vector, moved);
      let farthest = 0;
      for (let node = 0; node < unknowns; node++) farthest = Math.max(farthest, Math.abs(moved[node]!));
      // A node that is bound to hardly anything may be sent anywhere: then it stays where it was.
      if (!(farthest < MAX_REFINED_VOLTS)) return;
      for (let node = 0; node < unknowns; node++) volts[node]! += moved[node]!;
      if (farthest < REFINED_VOLTS) return;
    }
  }

  /** The resistors and sources, as they stand in the equations of all unknown nodes. */
  private stampLinear(values: CircuitValues, leak: number): void {
    const { matrix, vector } = this;
    const { unknowns, resistors, sources } = this.circuit;
    const { fixedVolts, siemens, sourceAmps } = values;
    matrix.fill(0);
    vector.fill(0);
    for (let i = 0; i < resistors.count; i++) {
      const a = resistors.nodes[2 * i]!;
      const b = resistors.nodes[2 * i + 1]!;
      const g = siemens[i]!;
      if (a < unknowns) {
        matrix[a * unknowns + a]! += g;
        if (b < unknowns) {
          matrix[b * unknowns + b]! += g;
          matrix[a * unknowns + b]! -= g;
          matrix[b * unknowns + a]! -= g;
        } else vector[a]! += g * fixedVolts[b]!;
      } else if (b < unknowns) {
        matrix[b * unknowns + b]! += g;
        vector[b]! += g * fixedVolts[a]!;
      }
    }
    for (let i = 0; i < sources.count; i++) {
      const [from, to] = [sources.nodes[2 * i]!, sources.nodes[2 * i + 1]!];
      if (from < unknowns) vector[from]! -= sourceAmps[i]!;
      if (to < unknowns) vector[to]! += sourceAmps[i]!;
    }
    if (leak > 0) for (let row = 0; row < unknowns; row++) matrix[row * unknowns + row]! += leak;
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
  private takeStep(volts: Float64Array): 'settled' | 'moved' | 'lost' {
    const { size, vector, isHeld } = this.devices;
    const { linear } = this.circuit;
    let hasMoved = isHeld;
    for (let row = 0; row < size; row++) {
      const next = vector[row]!;
      if (!Number.isFinite(next)) return 'lost';
      const step = Math.abs(next - volts[linear + row]!);
      if (step > ABSOLUTE_VOLTS + RELATIVE_VOLTS * Math.abs(next)) hasMoved = true;
      volts[linear + row] = next;
    }
    return hasMoved ? 'moved' : 'settled';
  }

  /** Whether the currents at every node balance as nearly as numbers of 53 bits can tell. */
  private isBalanced(volts: Float64Array): boolean {
    const { size, matrix, vector } = this.devices;
    const { linear } = this.circuit;
    const onTheWhole = this.iterations > VERY_MANY_ITERATIONS;
    let [most, largest] = [0, 0];
    for (let row = 0; row < size; row++) {
      let total = -vector[row]!;
      let terms = Math.abs(total);
      for (let column = 0; column < size; column++) {
        const term = matrix[row * size + column]! * volts[linear + column]!;
        total += term;
        terms = Math.max(terms, Math.abs(term));
      }
      if (!onTheWhole && Math.abs(total) > ROUNDING * terms) return false;
      most = Math.max(most, terms);
      largest = Math.max(largest, Math.abs(total));
    }
    return !onTheWhole || largest <= ROUNDING * most;
  }
}
