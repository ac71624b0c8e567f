import type { Circuit } from './circuit';
import { channelAmps, channelSlope, lampCurrent, lampSlope, limitGateStep } from './fieldEffect';
import { DOWN_SHARE, limitBoldly, limitedExp, limitJunctionStep } from './junction';
import { pinCells } from './places';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, DIODE_FIGURES, LAMP_FIGURES, type CircuitValues } from './values';

/** Leak across every junction, in S: keeps blocked nodes defined. Part of the model, as in the check figures. */
export const JUNCTION_LEAK_SIEMENS = 1e-12;
/** A junction in a solved circuit is never further over its critical voltage than this. */
const MAX_OVER_CRITICAL_VOLTS = 0.5;
/** A junction that is held back by less than this is not held back. */
const HELD_VOLTS = 3e-7;

/**
 * The nonlinear elements of a circuit, written into its equations at the voltages of one of Newton's steps; what is written is each
 * element's tangent there. Equations are those of the nodes' next step, `matrix · step = currents left over`; what is written for
 * nodes whose voltage is known means nothing.
 */
export class Devices {
  /** Whether a junction was held back in the last step. */
  isHeld = false;
  /** Whether junctions may take long steps. */
  isBold = true;
  /** Junction voltages of the step before: of diodes, then base–emitter and base–collector, then gate–source and gate–drain. */
  private readonly junctions: Float64Array;
  private values: CircuitValues;
  private volts: Float64Array;

  /** Where in the matrix each element's pins meet, row by row: pins × pins places each. */
  private readonly cells: Readonly<Record<'diodes' | 'bipolars' | 'channels' | 'lamps', Int32Array>>;

  /**
   * @param matrix row-major nodes × nodes, in S
   * @param vector the currents into each node, in A
   */
  constructor(
    private readonly circuit: Circuit,
    private readonly matrix: Float64Array,
    private readonly vector: Float64Array,
  ) {
    const { size } = circuit.nodeIndex;
    this.cells = {
      diodes: pinCells(circuit.diodes, 2, size),
      bipolars: pinCells(circuit.bipolars, 3, size),
      channels: pinCells(circuit.channels, 3, size),
      lamps: pinCells(circuit.lamps, 2, size),
    };
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
    const { diodes, bipolars, channels, lamps } = this.circuit;
    this.isHeld = false;
    if (diodes.count > 0) this.stampDiodes();
    if (bipolars.count > 0) this.stampBipolars(diodes.count);
    if (channels.count > 0) this.stampChannels(diodes.count + 2 * bipolars.count);
    if (lamps.count > 0) this.stampLamps();
  }

  private stampDiodes(): void {
    const { circuit, values, volts, vector } = this;
    const { nodes, count } = circuit.diodes;
    const cells = this.cells.diodes;
    const figures = values.diodes;
    for (let i = 0; i < count; i++) {
      const anode = nodes[2 * i]!;
      const cathode = nodes[2 * i + 1]!;
      const at = i * DIODE_FIGURES;
      const saturation = figures[at]!;
      const emission = figures[at + 1]!;
      const perVolt = 1 / emission;
      const whole = volts[anode]! - volts[cathode]!;
      const across = this.junction(i, whole, emission, figures[at + 2]!);
      const growth = limitedExp(across * perVolt);
      const slope = saturation * growth * perVolt + JUNCTION_LEAK_SIEMENS;
      const amps = saturation * (growth - 1) + JUNCTION_LEAK_SIEMENS * across;
      this.twoEnds(cells, 4 * i, slope);
      const all = amps + slope * (whole - across);
      vector[anode]! -= all;
      vector[cathode]! += all;
    }
  }

  private stampBipolars(firstSlot: number): void {
    const { circuit, values, volts, matrix, vector } = this;
    const { nodes, count } = circuit.bipolars;
    const cells = this.cells.bipolars;
    const figures = values.bipolars;
    for (let i = 0; i < count; i++) {
      const collector = nodes[3 * i]!;
      const base = nodes[3 * i + 1]!;
      const emitter = nodes[3 * i + 2]!;
      const sign = circuit.bipolarSigns[i]!;
      const at = i * BIPOLAR_FIGURES;
      const saturation = figures[at]!;
      const forwardShare = 1 / figures[at + 1]!;
      const reverseShare = 1 / figures[at + 2]!;
      const thermal = figures[at + 3]!;
      const perVolt = 1 / thermal;
      const critical = figures[at + 4]!;
      const slot = firstSlot + 2 * i;
      const wholeBe = sign * (volts[base]! - volts[emitter]!);
      const wholeBc = sign * (volts[base]! - volts[collector]!);
      const vbe = this.junction(slot, wholeBe, thermal, critical);
      const vbc = this.junction(slot + 1, wholeBc, thermal, critical);
      const forward = limitedExp(vbe * perVolt);
      const reverse = limitedExp(vbc * perVolt);
      // The transport current from collector to emitter, the base–emitter and the base–collector diode; beyond where a junction was held back along its tangent.
      const gf = saturation * forward * perVolt;
      const gr = saturation * reverse * perVolt;
      const be = gf * forwardShare + JUNCTION_LEAK_SIEMENS;
      const bc = gr * reverseShare + JUNCTION_LEAK_SIEMENS;
      const beyondBe = wholeBe - vbe;
      const beyondBc = wholeBc - vbc;
      const transport = saturation * (forward - reverse) + gf * beyondBe - gr * beyondBc;
      const intoEmitter =
        saturation * forwardShare * (forward - 1) + JUNCTION_LEAK_SIEMENS * vbe + be * beyondBe;
      const intoCollector =
        saturation * reverseShare * (reverse - 1) + JUNCTION_LEAK_SIEMENS * vbc + bc * beyondBc;
      const first = 9 * i;
      matrix[cells[first]!]! += gr + bc;
      matrix[cells[first + 1]!]! += gf - gr - bc;
      matrix[cells[first + 2]!]! -= gf;
      matrix[cells[first + 3]!]! -= bc;
      matrix[cells[first + 4]!]! += be + bc;
      matrix[cells[first + 5]!]! -= be;
      matrix[cells[first + 6]!]! -= gr;
      matrix[cells[first + 7]!]! += gr - gf - be;
      matrix[cells[first + 8]!]! += gf + be;
      vector[collector]! -= sign * (transport - intoCollector);
      vector[base]! -= sign * (intoEmitter + intoCollector);
      vector[emitter]! += sign * (transport + intoEmitter);
    }
  }

  private stampChannels(firstSlot: number): void {
    const { circuit, values, volts, matrix, vector } = this;
    const { nodes, count } = circuit.channels;
    const cells = this.cells.channels;
    for (let i = 0; i < count; i++) {
      const drain = nodes[3 * i]!;
      const gate = nodes[3 * i + 1]!;
      const source = nodes[3 * i + 2]!;
      const sign = circuit.channelSigns[i]!;
      const at = i * CHANNEL_FIGURES;
      const threshold = values.channels[at]!;
      const k = values.channels[at + 1]!;
      const knee = values.channels[at + 2]!;
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
      const first = 9 * i;
      const leak = JUNCTION_LEAK_SIEMENS;
      matrix[cells[first]!]! += gd + leak;
      matrix[cells[first + 1]!]! += gs - gd;
      matrix[cells[first + 2]!]! -= gs + leak;
      matrix[cells[first + 6]!]! -= gd + leak;
      matrix[cells[first + 7]!]! += gd - gs;
      matrix[cells[first + 8]!]! += gs + leak;
      vector[drain]! -= amps;
      vector[source]! += amps;
    }
  }

  private stampLamps(): void {
    const { circuit, values, volts, vector } = this;
    const { nodes, count } = circuit.lamps;
    const cells = this.cells.lamps;
    for (let i = 0; i < count; i++) {
      const a = nodes[2 * i]!;
      const b = nodes[2 * i + 1]!;
      const hot = values.lamps[i * LAMP_FIGURES]!;
      const rated = values.lamps[i * LAMP_FIGURES + 1]!;
      const across = volts[a]! - volts[b]!;
      const amps = lampCurrent(hot, rated, across);
      this.twoEnds(cells, 4 * i, lampSlope(hot, rated, across));
      vector[a]! -= amps;
      vector[b]! += amps;
    }
  }

  /** A conductance between two nodes. @param first of its four places in the matrix */
  private twoEnds(cells: Int32Array, first: number, siemens: number): void {
    const { matrix } = this;
    matrix[cells[first]!]! += siemens;
    matrix[cells[first + 1]!]! -= siemens;
    matrix[cells[first + 2]!]! -= siemens;
    matrix[cells[first + 3]!]! += siemens;
  }

  private junction(slot: number, wanted: number, emissionVolts: number, critical: number): number {
    const { junctions } = this;
    const before = junctions[slot]!;
    let taken = wanted;
    if (wanted > critical || before - wanted > emissionVolts * DOWN_SHARE) {
      const limit = this.isBold ? limitBoldly : limitJunctionStep;
      taken = limit(wanted, before, emissionVolts, critical);
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
