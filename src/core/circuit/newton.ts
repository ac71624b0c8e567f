import { eliminate, planElimination, substituteBack, type EliminationPlan } from '../numeric/elimination';
import { solveLinear } from '../numeric/linear';
import type { Circuit } from './circuit';
import { channelInto, lampCurrent, lampSlope, limitGateStep } from './fieldEffect';
import { limitedExp, limitJunctionStep } from './junction';
import { Stamp } from './stamp';

/** Leak across every junction, in S: keeps blocked nodes defined. Part of the model, as in the check figures. */
export const JUNCTION_LEAK_SIEMENS = 1e-12;
const MAX_ITERATIONS = 120;
/**
 * Where a switch is off, wires of milliohms meet leaks of teraohms, and a voltage may never come to rest to the last 1e-8 V;
 * after so many steps it is enough that the currents balance to rounding.
 */
const MANY_ITERATIONS = 3;
/** A junction in a solved circuit is never further over its critical voltage than this. */
const MAX_OVER_CRITICAL_VOLTS = 0.5;
const ROUNDING = 16 * Number.EPSILON;
/** Newton's last step; being quadratic it leaves an error of about its square over twice the thermal voltage, under 1e-10 V. */
const ABSOLUTE_VOLTS = 3e-7;
const RELATIVE_VOLTS = 1e-8;

/**
 * Equations and junction memory of one solve. The straight nodes are taken out once; Newton's steps go over those alone at which
 * something bends, and when these rest, the straight ones follow from them exactly.
 */
export class Workspace {
  private readonly whole: Stamp;
  private readonly nonlinear: Stamp;
  private readonly plan: EliminationPlan;
  /** Junction voltages of the step before: diodes first, then base–emitter and base–collector of each transistor. */
  private readonly junctions: Float64Array;
  private readonly pair = new Float64Array(2);
  private limited = false;
  iterations = 0;

  constructor(private readonly circuit: Circuit) {
    const { unknowns, linear, fixedVolts, resistorEnds } = circuit;
    this.whole = new Stamp(0, unknowns, fixedVolts);
    this.nonlinear = new Stamp(linear, unknowns, fixedVolts);
    this.plan = planElimination(unknowns, linear, resistorEnds);
    this.junctions = new Float64Array(
      circuit.diodes.length + 2 * (circuit.bipolars.length + circuit.fets.length),
    );
  }

  /** Runs Newton from `volts`, which holds the solution afterwards where it converged. */
  newton(volts: Float64Array, leak: number): 'converged' | 'not-converged' | 'singular' {
    const { whole, nonlinear, plan } = this;
    this.stampLinear(whole, leak);
    if (!eliminate(plan, whole.matrix, whole.vector)) return 'singular';
    this.rememberJunctions(volts);
    for (this.iterations = 1; this.iterations <= MAX_ITERATIONS; this.iterations++) {
      nonlinear.takeFrom(whole);
      this.limited = false;
      this.stampJunctions(nonlinear, volts);
      const isRested = this.iterations > MANY_ITERATIONS && !this.limited && this.isBalanced(volts);
      if (!isRested && !solveLinear(nonlinear.matrix, nonlinear.vector, nonlinear.size)) return 'singular';
      const taken = isRested ? 'settled' : this.takeStep(volts);
      if (taken === 'lost') return 'not-converged';
      if (taken === 'moved') continue;
      substituteBack(plan, whole.matrix, whole.vector, volts);
      return 'converged';
    }
    return 'not-converged';
  }

  /** Goes where the solved step leads; `settled` where that is hardly anywhere. */
  private takeStep(volts: Float64Array): 'settled' | 'moved' | 'lost' {
    const { size, vector } = this.nonlinear;
    const { linear } = this.circuit;
    let hasMoved = this.limited;
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
    const { size, matrix, vector } = this.nonlinear;
    const { linear } = this.circuit;
    let [largest, max] = [0, 0];
    for (let row = 0; row < size; row++) {
      let total = -vector[row]!;
      for (let column = 0; column < size; column++) {
        const term = matrix[row * size + column]! * volts[linear + column]!;
        total += term;
        max = Math.max(max, Math.abs(term));
      }
      largest = Math.max(largest, Math.abs(total));
    }
    return largest <= ROUNDING * max;
  }

  /** The most current that is left over at any unknown node, in A. */
  residual(volts: Float64Array): number {
    const { size, matrix, vector } = this.whole;
    this.stampLinear(this.whole, 0);
    this.rememberJunctions(volts);
    this.stampJunctions(this.whole, volts);
    let largest = 0;
    for (let row = 0; row < size; row++) {
      let total = -vector[row]!;
      for (let column = 0; column < size; column++) total += matrix[row * size + column]! * volts[column]!;
      largest = Math.max(largest, Math.abs(total));
    }
    return largest;
  }

  /** Where the junctions stand; a start that is no solution may have them forward by volts, which none ever is. */
  private rememberJunctions(volts: Float64Array): void {
    const ceiling = MAX_OVER_CRITICAL_VOLTS;
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

  private stampLinear(stamp: Stamp, leak: number): void {
    const { siemens, resistorEnds, currentAmps, currentEnds } = this.circuit;
    stamp.clear();
    for (let i = 0; i < siemens.length; i++)
      stamp.conductance(resistorEnds[2 * i]!, resistorEnds[2 * i + 1]!, siemens[i]!);
    for (let i = 0; i < currentAmps.length; i++)
      if (currentAmps[i] !== 0) stamp.inject(currentEnds[2 * i]!, currentEnds[2 * i + 1]!, currentAmps[i]!);
    if (leak > 0) stamp.leak(leak);
  }

  private stampJunctions(stamp: Stamp, volts: Float64Array): void {
    const { circuit } = this;
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
      stamp.conductance(cell.anode, cell.cathode, slope);
      stamp.inject(cell.anode, cell.cathode, amps - slope * across);
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
      stamp.conductance(cell.base, cell.emitter, be);
      stamp.inject(
        cell.base,
        cell.emitter,
        sign * ((is / cell.forwardBeta) * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe - be * vbe),
      );
      stamp.conductance(cell.base, cell.collector, bc);
      stamp.inject(
        cell.base,
        cell.collector,
        sign * ((is / cell.reverseBeta) * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc - bc * vbc),
      );
      stamp.transconductance(cell.collector, cell.emitter, cell.base, cell.emitter, gf);
      stamp.transconductance(cell.collector, cell.emitter, cell.base, cell.collector, -gr);
      stamp.inject(cell.collector, cell.emitter, sign * (is * (forward - reverse) - gf * vbe + gr * vbc));
    }
    this.stampChannels(stamp, volts, slot);
  }

  /** MOSFET channels, from their slot of the memory on, and filaments. */
  private stampChannels(stamp: Stamp, volts: Float64Array, first: number): void {
    let slot = first;
    const { circuit } = this;
    for (const cell of circuit.fets) {
      const vgs = this.gateStep(slot++, volts[cell.gate]! - volts[cell.source]!, cell.thresholdVolts);
      const vgd = this.gateStep(slot++, volts[cell.gate]! - volts[cell.drain]!, cell.thresholdVolts);
      channelInto(this.pair, cell, vgs);
      const [sourceAmps, gs] = [this.pair[0]!, this.pair[1]!];
      channelInto(this.pair, cell, vgd);
      const gd = this.pair[1]!;
      const amps = sourceAmps - this.pair[0]!;
      stamp.transconductance(cell.drain, cell.source, cell.gate, cell.source, gs);
      stamp.transconductance(cell.drain, cell.source, cell.gate, cell.drain, -gd);
      stamp.conductance(cell.drain, cell.source, JUNCTION_LEAK_SIEMENS);
      stamp.inject(cell.drain, cell.source, amps - gs * vgs + gd * vgd);
    }
    for (const cell of circuit.lamps) {
      const across = volts[cell.a]! - volts[cell.b]!;
      const slope = lampSlope(cell, across);
      stamp.conductance(cell.a, cell.b, slope);
      stamp.inject(cell.a, cell.b, lampCurrent(cell, across) - slope * across);
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
}
