import { solveLinear } from '../numeric/linear';
import type { Circuit } from './circuit';
import { channelInto, lampCurrent, lampSlope, limitGateStep } from './fieldEffect';
import { limitedExp, limitJunctionStep } from './junction';

/** Leak across every junction, in S: keeps blocked nodes defined. Part of the model, as in the check figures. */
export const JUNCTION_LEAK_SIEMENS = 1e-12;
const MOST_ITERATIONS = 120;
/**
 * Where a switch is off, wires of milliohms meet leaks of teraohms, and a voltage may never come to rest to the last 1e-8 V;
 * after so many steps it is enough that the currents balance to rounding.
 */
const MANY_ITERATIONS = 3;
/** A junction in a solved circuit is never further over its critical voltage than this. */
const MOST_OVER_CRITICAL_VOLTS = 0.5;
const ROUNDING = 16 * Number.EPSILON;
/** Newton's last step; being quadratic it leaves an error of about its square over twice the thermal voltage, under 1e-10 V. */
const ABSOLUTE_VOLTS = 3e-7;
const RELATIVE_VOLTS = 1e-8;
/** Matrix, vector and junction memory of one solve. */
export class Workspace {
  private readonly n: number;
  private readonly linear: Float64Array;
  private readonly matrix: Float64Array;
  private readonly vector: Float64Array;
  /** Junction voltages of the step before: diodes first, then base–emitter and base–collector of each transistor. */
  private readonly junctions: Float64Array;
  /** Nodes at which a part hangs that is not linear: once these rest, one step has all others exactly. */
  private readonly bends: Uint8Array;
  private readonly pair = new Float64Array(2);
  private limited = false;
  iterations = 0;

  constructor(private readonly circuit: Circuit) {
    this.n = circuit.unknowns;
    this.linear = new Float64Array(this.n * this.n + this.n);
    this.matrix = new Float64Array(this.n * this.n);
    this.vector = new Float64Array(this.n);
    this.bends = bendingNodes(circuit);
    this.junctions = new Float64Array(
      circuit.diodes.length + 2 * (circuit.bipolars.length + circuit.fets.length),
    );
  }

  /** Runs Newton from `volts`, which holds the last iterate afterwards. */
  newton(volts: Float64Array, leak: number): 'converged' | 'not-converged' | 'singular' {
    const { n, matrix, vector, linear } = this;
    this.stampLinear(leak);
    this.rememberJunctions(volts);
    for (this.iterations = 1; this.iterations <= MOST_ITERATIONS; this.iterations++) {
      for (let i = 0; i < n * n; i++) matrix[i] = linear[i]!;
      for (let i = 0; i < n; i++) vector[i] = linear[n * n + i]!;
      this.limited = false;
      this.stampJunctions(volts);
      if (this.iterations > MANY_ITERATIONS && !this.limited && this.isBalanced(volts)) return 'converged';
      if (!solveLinear(matrix, vector, n)) return 'singular';
      let settled = !this.limited;
      for (let node = 0; node < n; node++) {
        const next = vector[node]!;
        if (!Number.isFinite(next)) return 'not-converged';
        const step = Math.abs(next - volts[node]!);
        if (this.bends[node] && step > ABSOLUTE_VOLTS + RELATIVE_VOLTS * Math.abs(next)) settled = false;
        volts[node] = next;
      }
      if (settled) return 'converged';
    }
    return 'not-converged';
  }

  /** Whether the currents at every node balance as nearly as numbers of 53 bits can tell. */
  private isBalanced(volts: Float64Array): boolean {
    const { n, matrix, vector } = this;
    let [largest, size] = [0, 0];
    for (let row = 0; row < n; row++) {
      let total = -vector[row]!;
      for (let column = 0; column < n; column++) {
        const term = matrix[row * n + column]! * volts[column]!;
        total += term;
        size = Math.max(size, Math.abs(term));
      }
      largest = Math.max(largest, Math.abs(total));
    }
    return largest <= ROUNDING * size;
  }

  residual(volts: Float64Array): number {
    this.stampLinear(0);
    this.rememberJunctions(volts);
    const { n, matrix, vector, linear } = this;
    for (let i = 0; i < n * n; i++) matrix[i] = linear[i]!;
    for (let i = 0; i < n; i++) vector[i] = linear[n * n + i]!;
    this.stampJunctions(volts);
    let largest = 0;
    for (let row = 0; row < n; row++) {
      let total = -vector[row]!;
      for (let column = 0; column < n; column++) total += matrix[row * n + column]! * volts[column]!;
      largest = Math.max(largest, Math.abs(total));
    }
    return largest;
  }

  /** Where the junctions stand; a start that is no solution may have them forward by volts, which none ever is. */
  private rememberJunctions(volts: Float64Array): void {
    const ceiling = MOST_OVER_CRITICAL_VOLTS;
    const { diodes, bipolars, fets } = this.circuit;
    let slot = 0;
    for (const cell of diodes)
      this.junctions[slot++] = Math.min(
        volts[cell.anode]! - volts[cell.cathode]!,
        cell.criticalVolts + ceiling,
      );
    for (const cell of bipolars) {
      const [be, bc] = [volts[cell.base]! - volts[cell.emitter]!, volts[cell.base]! - volts[cell.collector]!];
      this.junctions[slot++] = Math.min(cell.sign * be, cell.criticalVolts + ceiling);
      this.junctions[slot++] = Math.min(cell.sign * bc, cell.criticalVolts + ceiling);
    }
    for (const cell of fets) {
      this.junctions[slot++] = volts[cell.gate]! - volts[cell.source]!;
      this.junctions[slot++] = volts[cell.gate]! - volts[cell.drain]!;
    }
  }

  private stampLinear(leak: number): void {
    const { n, linear, circuit } = this;
    linear.fill(0);
    for (let i = 0; i < circuit.siemens.length; i++) {
      const a = circuit.resistorEnds[2 * i]!;
      const b = circuit.resistorEnds[2 * i + 1]!;
      this.conductance(linear, linear, n * n, a, b, circuit.siemens[i]!);
    }
    for (let i = 0; i < circuit.currentAmps.length; i++) {
      const from = circuit.currentEnds[2 * i]!;
      const to = circuit.currentEnds[2 * i + 1]!;
      if (from < n) linear[n * n + from]! -= circuit.currentAmps[i]!;
      if (to < n) linear[n * n + to]! += circuit.currentAmps[i]!;
    }
    if (leak > 0) for (let node = 0; node < n; node++) linear[node * n + node]! += leak;
  }

  private stampJunctions(volts: Float64Array): void {
    const { matrix, vector, circuit } = this;
    let slot = 0;
    for (const cell of circuit.diodes) {
      const across = this.step(
        slot++,
        volts[cell.anode]! - volts[cell.cathode]!,
        cell.emissionVolts,
        cell.criticalVolts,
      );
      const growth = limitedExp(across / cell.emissionVolts);
      const slope = (cell.saturationAmps * growth) / cell.emissionVolts + JUNCTION_LEAK_SIEMENS;
      const amps = cell.saturationAmps * (growth - 1) + JUNCTION_LEAK_SIEMENS * across;
      this.conductance(matrix, vector, 0, cell.anode, cell.cathode, slope);
      this.inject(cell.anode, cell.cathode, amps - slope * across);
    }
    for (const cell of circuit.bipolars) {
      const { sign } = cell;
      const vbe = this.step(
        slot++,
        sign * (volts[cell.base]! - volts[cell.emitter]!),
        cell.thermalVolts,
        cell.criticalVolts,
      );
      const vbc = this.step(
        slot++,
        sign * (volts[cell.base]! - volts[cell.collector]!),
        cell.thermalVolts,
        cell.criticalVolts,
      );
      const forward = limitedExp(vbe / cell.thermalVolts);
      const reverse = limitedExp(vbc / cell.thermalVolts);
      const is = cell.saturationAmps;
      const gf = (is * forward) / cell.thermalVolts;
      const gr = (is * reverse) / cell.thermalVolts;
      // Base–emitter and base–collector diodes, and the transport current from collector to emitter.
      const be = gf / cell.forwardBeta + JUNCTION_LEAK_SIEMENS;
      const bc = gr / cell.reverseBeta + JUNCTION_LEAK_SIEMENS;
      this.conductance(matrix, vector, 0, cell.base, cell.emitter, be);
      this.inject(
        cell.base,
        cell.emitter,
        sign * ((is / cell.forwardBeta) * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe - be * vbe),
      );
      this.conductance(matrix, vector, 0, cell.base, cell.collector, bc);
      this.inject(
        cell.base,
        cell.collector,
        sign * ((is / cell.reverseBeta) * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc - bc * vbc),
      );
      this.transconductance(cell.collector, cell.emitter, cell.base, cell.emitter, gf, volts);
      this.transconductance(cell.collector, cell.emitter, cell.base, cell.collector, -gr, volts);
      this.inject(cell.collector, cell.emitter, sign * (is * (forward - reverse) - gf * vbe + gr * vbc));
    }
    this.stampChannels(volts, slot);
  }

  /** MOSFET channels, from their slot of the memory on, and filaments. */
  private stampChannels(volts: Float64Array, first: number): void {
    let slot = first;
    const { matrix, vector, circuit } = this;
    for (const cell of circuit.fets) {
      const vgs = this.gateStep(slot++, volts[cell.gate]! - volts[cell.source]!, cell.thresholdVolts);
      const vgd = this.gateStep(slot++, volts[cell.gate]! - volts[cell.drain]!, cell.thresholdVolts);
      channelInto(this.pair, cell, vgs);
      const [sourceAmps, gs] = [this.pair[0]!, this.pair[1]!];
      channelInto(this.pair, cell, vgd);
      const gd = this.pair[1]!;
      const amps = sourceAmps - this.pair[0]!;
      this.transconductance(cell.drain, cell.source, cell.gate, cell.source, gs, volts);
      this.transconductance(cell.drain, cell.source, cell.gate, cell.drain, -gd, volts);
      this.conductance(matrix, vector, 0, cell.drain, cell.source, JUNCTION_LEAK_SIEMENS);
      this.inject(cell.drain, cell.source, amps - gs * vgs + gd * vgd);
    }
    for (const cell of circuit.lamps) {
      const across = volts[cell.a]! - volts[cell.b]!;
      const slope = lampSlope(cell, across);
      this.conductance(matrix, vector, 0, cell.a, cell.b, slope);
      this.inject(cell.a, cell.b, lampCurrent(cell, across) - slope * across);
    }
  }

  private gateStep(slot: number, wanted: number, thresholdVolts: number): number {
    const taken = limitGateStep(wanted, this.junctions[slot]!, thresholdVolts);
    if (taken !== wanted) this.limited = true;
    this.junctions[slot] = taken;
    return taken;
  }

  private step(slot: number, wanted: number, emissionVolts: number, critical: number): number {
    const taken = limitJunctionStep(wanted, this.junctions[slot]!, emissionVolts, critical);
    if (taken !== wanted && Math.abs(taken - wanted) > ABSOLUTE_VOLTS) this.limited = true;
    this.junctions[slot] = taken;
    return taken;
  }

  /** A conductance between two nodes; a fixed node's share goes to the right-hand side. */
  private conductance(
    matrix: Float64Array,
    vector: Float64Array,
    offset: number,
    a: number,
    b: number,
    siemens: number,
  ): void {
    const { n } = this;
    const fixed = this.circuit.fixedVolts;
    if (a < n) {
      matrix[a * n + a]! += siemens;
      if (b < n) matrix[a * n + b]! -= siemens;
      else vector[offset + a]! += siemens * fixed[b]!;
    }
    if (b < n) {
      matrix[b * n + b]! += siemens;
      if (a < n) matrix[b * n + a]! -= siemens;
      else vector[offset + b]! += siemens * fixed[a]!;
    }
  }

  /** A current `siemens · (V(plus) − V(minus))` that leaves node `from` and enters node `to`. */
  private transconductance(
    from: number,
    to: number,
    plus: number,
    minus: number,
    siemens: number,
    volts: Float64Array,
  ) {
    const { n, matrix, vector } = this;
    if (from < n) {
      if (plus < n) matrix[from * n + plus]! += siemens;
      else vector[from]! -= siemens * volts[plus]!;
      if (minus < n) matrix[from * n + minus]! -= siemens;
      else vector[from]! += siemens * volts[minus]!;
    }
    if (to < n) {
      if (plus < n) matrix[to * n + plus]! -= siemens;
      else vector[to]! += siemens * volts[plus]!;
      if (minus < n) matrix[to * n + minus]! += siemens;
      else vector[to]! -= siemens * volts[minus]!;
    }
  }

  /** A fixed current that leaves `from` inside a part and enters `to`. */
  private inject(from: number, to: number, amps: number): void {
    if (from < this.n) this.vector[from]! -= amps;
    if (to < this.n) this.vector[to]! += amps;
  }
}

/** 1 for each node that a diode, transistor or filament hangs at; shape: unknowns and fixed nodes. */
function bendingNodes({ fixedVolts, diodes, bipolars, fets, lamps }: Circuit): Uint8Array {
  const bends = new Uint8Array(fixedVolts.length);
  for (const { anode, cathode } of diodes) bends[anode] = bends[cathode] = 1;
  for (const { base, collector, emitter } of bipolars) bends[base] = bends[collector] = bends[emitter] = 1;
  for (const { gate, drain, source } of fets) bends[gate] = bends[drain] = bends[source] = 1;
  for (const { a, b } of lamps) bends[a] = bends[b] = 1;
  return bends;
}
