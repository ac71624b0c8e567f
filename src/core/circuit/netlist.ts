/** The node that all voltages are measured from. */
export const GROUND = '0';

export interface Resistor {
  readonly kind: 'resistor';
  readonly name: string;
  readonly a: string;
  readonly b: string;
  /** Above 0. */
  readonly ohms: number;
}

/** An ideal current pushed out of `from` and into `to`. */
export interface CurrentSource {
  readonly kind: 'current';
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly amps: number;
}

/** Shockley diode `I = Is·(exp(V / n·Vt) − 1)`. Series resistance is a resistor of its own. */
export interface Diode {
  readonly kind: 'diode';
  readonly name: string;
  readonly anode: string;
  readonly cathode: string;
  readonly saturationAmps: number;
  readonly ideality: number;
  readonly celsius: number;
}

/** Bipolar transistor by the Ebers–Moll transport model. `saturationAmps` is the figure at 25 °C. */
export interface BipolarTransistor {
  readonly kind: 'npn' | 'pnp';
  readonly name: string;
  readonly collector: string;
  readonly base: string;
  readonly emitter: string;
  readonly saturationAmps: number;
  readonly forwardBeta: number;
  readonly reverseBeta: number;
  readonly celsius: number;
}

/**
 * Enhancement MOSFET by the square law, `Id = k/2·((Vgs − Vt)² − (Vgd − Vt)²)`, with a smooth, exponential turn-on below the
 * threshold; of a P-channel one every voltage and current has the other sign. No current into the gate.
 */
export interface MosTransistor {
  readonly kind: 'nmos' | 'pmos';
  readonly name: string;
  readonly drain: string;
  readonly gate: string;
  readonly source: string;
  /** At 25 °C, in V: above 0 for either channel. */
  readonly thresholdVolts: number;
  /** k in A/V², at 25 °C. */
  readonly ampsPerVoltSquared: number;
  readonly celsius: number;
}

/** A filament lamp in thermal balance: about a tenth of its hot resistance when cold, `I ∝ V^0.55` when it glows. */
export interface Lamp {
  readonly kind: 'lamp';
  readonly name: string;
  readonly a: string;
  readonly b: string;
  readonly ratedVolts: number;
  readonly ratedAmps: number;
}

export type Element = Resistor | CurrentSource | Diode | BipolarTransistor | MosTransistor | Lamp;

/** An ideal supply between ground and a node. */
export interface Supply {
  readonly node: string;
  readonly volts: number;
}

/** A circuit as wires and parts: everything Yemko says of voltages and currents comes from solving one of these. */
export interface Netlist {
  readonly supplies: readonly Supply[];
  readonly elements: readonly Element[];
}
