import type { Circuit } from './circuit';
import { channelAmps, channelSlope, lampCurrent, lampSlope, limitGateStep } from './fieldEffect';
import { limitedExp, limitJunctionStep } from './junction';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, DIODE_FIGURES, LAMP_FIGURES, type CircuitValues } from './values';

/** Leak across every junction, in S: keeps blocked nodes defined. Part of the model, as in the check figures. */
export const JUNCTION_LEAK_SIEMENS = 1e-12;
/** A junction in a solved circuit is never further over its critical voltage than this. */
const MAX_OVER_CRITICAL_VOLTS = 0.5;
/** A junction that is held back by less than this is not held back. */
const HELD_VOLTS = 3e-7;

/**
 * The nonlinear elements of a circuit, written into its equations at the voltages of one of Newton's steps; what is written is each
 * element's tangent there. Equations are those of the nonlinear nodes' next step, `matrix · step = currents left over`.
 */
export class Devices {
  /** Row-major size × size, in S; and the currents into each node, in A. */
  readonly matrix: Float64Array;
  readonly vector: Float64Array;
  /** Whether a junction was held back in the last step. */
  isHeld = false;
  /** Junction voltages of the step before: of diodes, then base–emitter and base–collector, then gate–source and gate–drain. */
  private readonly junctions: Float64Array;
  private values: CircuitValues;
  private volts: Float64Array;

  /** @param first the number of the first nonlinear node */
  constructor(
    private readonly circuit: Circuit,
    private readonly first: number,
    readonly size: number,
  ) {
    this.matrix = new Float64Array(size * size);
    this.vector = new Float64Array(size);
    this.junctions = new Float64Array(
      circuit.diodes.count + 2 * (circuit.bipolars.count + circuit.channels.count),
    );
    this.values = circuit.nominal;
    this.volts = circuit.nominal.fixedVolts;
  }

  /** Where the junctions stand; a start that is no solution may have them forward by volts, which none ever is. */
  begin(values: CircuitValues, volts: Float64Array): void {
    this.values = values;
    this.volts = volts;
    const { circuit, junctions } = this;
    const { diodes, bipolars, channels, bipolarSigns, channelSigns } = circuit;
    let slot = 0;
    for (let i = 0; i < diodes.count; i++) {
      const across = volts[diodes.nodes[2 * i]!]! - volts[diodes.nodes[2 * i + 1]!]!;
      junctions[slot++] = Math.min(across, values.diodes[i * DIODE_FIGURES + 2]! + MAX_OVER_CRITICAL_VOLTS);
    }
    for (let i = 0; i < bipolars.count; i++) {
      const sign = bipolarSigns[i]!;
      const base = volts[bipolars.nodes[3 * i + 1]!]!;
      const ceiling = values.bipolars[i * BIPOLAR_FIGURES + 4]! + MAX_OVER_CRITICAL_VOLTS;
      junctions[slot++] = Math.min(sign * (base - volts[bipolars.nodes[3 * i + 2]!]!), ceiling);
      junctions[slot++] = Math.min(sign * (base - volts[bipolars.nodes[3 * i]!]!), ceiling);
    }
    for (let i = 0; i < channels.count; i++) {
      const gate = volts[channels.nodes[3 * i + 1]!]!;
      junctions[slot++] = channelSigns[i]! * (gate - volts[channels.nodes[3 * i + 2]!]!);
      junctions[slot++] = channelSigns[i]! * (gate - volts[channels.nodes[3 * i]!]!);
    }
  }

  /** Adds every element's tangent at the present voltages. */
  stamp(): void {
    this.isHeld = false;
    this.stampDiodes();
    this.stampBipolars(this.circuit.diodes.count);
    this.stampChannels(this.circuit.diodes.count + 2 * this.circuit.bipolars.count);
    this.stampLamps();
  }

  private stampDiodes(): void {
    const { circuit, values, volts } = this;
    const { nodes, count } = circuit.diodes;
    for (let i = 0; i < count; i++) {
      const [anode, cathode] = [nodes[2 * i]!, nodes[2 * i + 1]!];
      const at = i * DIODE_FIGURES;
      const [saturation, emission] = [values.diodes[at]!, values.diodes[at + 1]!];
      const whole = volts[anode]! - volts[cathode]!;
      const across = this.junction(i, whole, emission, values.diodes[at + 2]!);
      const growth = limitedExp(across / emission);
      const slope = (saturation * growth) / emission + JUNCTION_LEAK_SIEMENS;
      const amps = saturation * (growth - 1) + JUNCTION_LEAK_SIEMENS * across;
      this.twoEnds(anode, cathode, slope, amps + slope * (whole - across));
    }
  }

  private stampBipolars(firstSlot: number): void {
    const { circuit, values, volts } = this;
    const { nodes, count } = circuit.bipolars;
    for (let i = 0; i < count; i++) {
      const [collector, base, emitter] = [nodes[3 * i]!, nodes[3 * i + 1]!, nodes[3 * i + 2]!];
      const sign = circuit.bipolarSigns[i]!;
      const at = i * BIPOLAR_FIGURES;
      const saturation = values.bipolars[at]!;
      const [forwardBeta, reverseBeta] = [values.bipolars[at + 1]!, values.bipolars[at + 2]!];
      const [thermal, critical] = [values.bipolars[at + 3]!, values.bipolars[at + 4]!];
      const slot = firstSlot + 2 * i;
      const wholeBe = sign * (volts[base]! - volts[emitter]!);
      const wholeBc = sign * (volts[base]! - volts[collector]!);
      const vbe = this.junction(slot, wholeBe, thermal, critical);
      const vbc = this.junction(slot + 1, wholeBc, thermal, critical);
      const forward = limitedExp(vbe / thermal);
      const reverse = limitedExp(vbc / thermal);
      // The transport current from collector to emitter, the base–emitter and the base–collector diode; beyond where a junction was held back along its tangent.
      const gf = (saturation * forward) / thermal;
      const gr = (saturation * reverse) / thermal;
      const be = gf / forwardBeta + JUNCTION_LEAK_SIEMENS;
      const bc = gr / reverseBeta + JUNCTION_LEAK_SIEMENS;
      const beyondBe = wholeBe - vbe;
      const beyondBc = wholeBc - vbc;
      const transport = saturation * (forward - reverse) + gf * beyondBe - gr * beyondBc;
      const intoEmitter =
        (saturation / forwardBeta) * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe + be * beyondBe;
      const intoCollector =
        (saturation / reverseBeta) * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc + bc * beyondBc;
      this.threeEnds(
        collector,
        base,
        emitter,
        gr + bc,
        gf - gr - bc,
        -gf,
        sign * (transport - intoCollector),
      );
      this.threeEnds(base, collector, emitter, be + bc, -bc, -be, sign * (intoEmitter + intoCollector));
      this.threeEnds(emitter, base, collector, gf + be, gr - gf - be, -gr, -sign * (transport + intoEmitter));
    }
  }

  private stampChannels(firstSlot: number): void {
    const { circuit, values, volts } = this;
    const { nodes, count } = circuit.channels;
    for (let i = 0; i < count; i++) {
      const [drain, gate, source] = [nodes[3 * i]!, nodes[3 * i + 1]!, nodes[3 * i + 2]!];
      const sign = circuit.channelSigns[i]!;
      const at = i * CHANNEL_FIGURES;
      const threshold = values.channels[at]!;
      const [k, knee] = [values.channels[at + 1]!, values.channels[at + 2]!];
      const slot = firstSlot + 2 * i;
      const wholeGs = sign * (volts[gate]! - volts[source]!);
      const wholeGd = sign * (volts[gate]! - volts[drain]!);
      const vgs = this.gate(slot, wholeGs, threshold);
      const vgd = this.gate(slot + 1, wholeGd, threshold);
      const gs = channelSlope(threshold, k, knee, vgs);
      const gd = channelSlope(threshold, k, knee, vgd);
      const intoDrain =
        channelAmps(threshold, k, knee, vgs) -
        channelAmps(threshold, k, knee, vgd) +
        gs * (wholeGs - vgs) -
        gd * (wholeGd - vgd);
      const amps = sign * intoDrain + JUNCTION_LEAK_SIEMENS * (volts[drain]! - volts[source]!);
      this.threeEnds(
        drain,
        gate,
        source,
        gd + JUNCTION_LEAK_SIEMENS,
        gs - gd,
        -gs - JUNCTION_LEAK_SIEMENS,
        amps,
      );
      this.threeEnds(
        source,
        gate,
        drain,
        gs + JUNCTION_LEAK_SIEMENS,
        gd - gs,
        -gd - JUNCTION_LEAK_SIEMENS,
        -amps,
      );
    }
  }

  private stampLamps(): void {
    const { circuit, values, volts } = this;
    const { nodes, count } = circuit.lamps;
    for (let i = 0; i < count; i++) {
      const [a, b] = [nodes[2 * i]!, nodes[2 * i + 1]!];
      const [hot, rated] = [values.lamps[i * LAMP_FIGURES]!, values.lamps[i * LAMP_FIGURES + 1]!];
      const across = volts[a]! - volts[b]!;
      const slope = lampSlope(hot, rated, across);
      this.twoEnds(a, b, slope, lampCurrent(hot, rated, across));
    }
  }

  /** A conductance between two nodes, and the current that flows through it from `a` to `b`. */
  private twoEnds(a: number, b: number, siemens: number, amps: number): void {
    const { first, size, matrix, vector } = this;
    const row = a - first;
    const column = b - first;
    if (row < size) {
      matrix[row * size + row]! += siemens;
      if (column < size) matrix[row * size + column]! -= siemens;
      vector[row]! -= amps;
    }
    if (column < size) {
      matrix[column * size + column]! += siemens;
      if (row < size) matrix[column * size + row]! -= siemens;
      vector[column]! += amps;
    }
  }

  /** A current that leaves a node, and by how much more for each volt of itself and of two others. */
  private threeEnds(
    node: number,
    one: number,
    other: number,
    own: number,
    byOne: number,
    byOther: number,
    amps: number,
  ): void {
    const { first, size, matrix, vector } = this;
    const row = node - first;
    if (row >= size) return;
    const at = row * size;
    matrix[at + row]! += own;
    if (one - first < size) matrix[at + one - first]! += byOne;
    if (other - first < size) matrix[at + other - first]! += byOther;
    vector[row]! -= amps;
  }

  private junction(slot: number, wanted: number, emissionVolts: number, critical: number): number {
    const { junctions } = this;
    let taken = wanted;
    if (wanted > critical) {
      taken = limitJunctionStep(wanted, junctions[slot]!, emissionVolts, critical);
      if (Math.abs(taken - wanted) > HELD_VOLTS) this.isHeld = true;
    }
    junctions[slot] = taken;
    return taken;
  }

  private gate(slot: number, wanted: number, thresholdVolts: number): number {
    const taken = limitGateStep(wanted, this.junctions[slot]!, thresholdVolts);
    if (taken !== wanted) this.isHeld = true;
    this.junctions[slot] = taken;
    return taken;
  }
}
