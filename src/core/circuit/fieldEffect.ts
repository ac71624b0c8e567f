import { thermalVolts } from './junction';
import type { MosTransistor } from './netlist';

/** A MOSFET's threshold falls with warmth by about this much, in V/K (usual for logic-level parts: 2 to 5 mV). */
const THRESHOLD_VOLTS_PER_KELVIN = -0.003;
/** Its channel's mobility falls with this power of the absolute temperature. */
const MOBILITY_POWER = -1.5;
/** How many thermal voltages of gate voltage it takes, below the threshold, for e times the current. */
const SUBTHRESHOLD_SLOPE = 1.5;
const NOMINAL_CELSIUS = 25;
const ZERO_CELSIUS = 273.15;

/** Figures of a channel at a temperature. */
export interface ChannelFigures {
  readonly thresholdVolts: number;
  readonly ampsPerVoltSquared: number;
  /** Width of the smooth turn-on about the threshold, in V. */
  readonly kneeVolts: number;
}

/** A threshold at a temperature, in V. @param volts of it at 25 °C */
export const thresholdAt = (volts: number, celsius: number): number =>
  volts + THRESHOLD_VOLTS_PER_KELVIN * (celsius - NOMINAL_CELSIUS);

export function channelFigures(mos: MosTransistor): ChannelFigures {
  const kelvins = (mos.celsius + ZERO_CELSIUS) / (NOMINAL_CELSIUS + ZERO_CELSIUS);
  return {
    thresholdVolts: thresholdAt(mos.thresholdVolts, mos.celsius),
    ampsPerVoltSquared: mos.ampsPerVoltSquared * kelvins ** MOBILITY_POWER,
    kneeVolts: 2 * SUBTHRESHOLD_SLOPE * thermalVolts(mos.celsius),
  };
}

/**
 * Half of the channel's current: of a gate over one of its ends; the channel carries the difference of its two ends
 * (interpolation of Enz, Krummenacher and Vittoz). Far above the threshold it is the square law, far below an exponential.
 */
export function channelAmps(
  threshold: number,
  ampsPerVoltSquared: number,
  knee: number,
  gateVolts: number,
): number {
  return (ampsPerVoltSquared / 2) * overThreshold(threshold, knee, gateVolts) ** 2;
}

/** The slope of {@link channelAmps}, in S. */
export function channelSlope(
  threshold: number,
  ampsPerVoltSquared: number,
  knee: number,
  gateVolts: number,
): number {
  const x = (gateVolts - threshold) / knee;
  return (
    ampsPerVoltSquared * overThreshold(threshold, knee, gateVolts) * (x > 30 ? 1 : 1 / (1 + Math.exp(-x)))
  );
}

/** A gate's step is held to this over its threshold, or to twice what it is over already, in V. */
const GATE_STEP_VOLTS = 0.4;

/** Holds a step of gate voltage to what the square law can follow, as {@link channelAmps} bends up from nothing. */
export function limitGateStep(wanted: number, before: number, thresholdVolts: number): number {
  const [over, next] = [before - thresholdVolts, wanted - thresholdVolts];
  if (next > 0 && next > over) return thresholdVolts + Math.min(next, Math.max(GATE_STEP_VOLTS, 2 * over));
  if (over > 0 && next < -GATE_STEP_VOLTS) return thresholdVolts - GATE_STEP_VOLTS;
  return wanted;
}

/** `w·ln(1 + exp((v − Vt)/w))`: the volts over the threshold, never below 0. */
function overThreshold(threshold: number, knee: number, gateVolts: number): number {
  const x = (gateVolts - threshold) / knee;
  return knee * (x > 30 ? x : Math.log1p(Math.exp(x)));
}

/** Cold, a filament has this share of its hot resistance; glowing, its current goes with this power of the voltage. */
const COLD_SHARE = 0.1;
const GLOWING_POWER = 0.55;
const EXPONENT = (1 - GLOWING_POWER) / 2;
/** The voltage, as a share of the rated one, at which a filament begins to glow. */
const KNEE_SHARE = COLD_SHARE ** (1 / (1 - GLOWING_POWER));

/** Conductance of a filament with a steady voltage across it, in S: odd current, ohmic when cold, through its rated point. */
function lampSiemens(hotSiemens: number, ratedVolts: number, volts: number): number {
  const [share, knee] = [volts / ratedVolts, KNEE_SHARE];
  return hotSiemens * ((share * share + knee * knee) / (1 + knee * knee)) ** -EXPONENT;
}

/** Current of a filament, in A. @param hotSiemens rated current over rated voltage */
export function lampCurrent(hotSiemens: number, ratedVolts: number, volts: number): number {
  return volts * lampSiemens(hotSiemens, ratedVolts, volts);
}

/** Slope of the filament's current, in S: above 0 everywhere. */
export function lampSlope(hotSiemens: number, ratedVolts: number, volts: number): number {
  const square = (volts / ratedVolts) ** 2;
  return (
    lampSiemens(hotSiemens, ratedVolts, volts) * (1 - (2 * EXPONENT * square) / (square + KNEE_SHARE ** 2))
  );
}
