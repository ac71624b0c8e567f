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

/** NPN by the Ebers–Moll transport model. `saturationAmps` is the figure at 25 °C. */
export interface NpnTransistor {
  readonly kind: 'npn';
  readonly name: string;
  readonly collector: string;
  readonly base: string;
  readonly emitter: string;
  readonly saturationAmps: number;
  readonly forwardBeta: number;
  readonly reverseBeta: number;
  readonly celsius: number;
}

export type Element = Resistor | CurrentSource | Diode | NpnTransistor;

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
