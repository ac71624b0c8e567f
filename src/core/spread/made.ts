import { elementNumber, nodeNumber, setSupply, type Circuit } from '../circuit/circuit';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, copyValues, type CircuitValues } from '../circuit/values';
import type { LdrCurve } from '../ldr/curve';
import type { Factor } from './factors';

/** Warmths that values are made for; a build takes the nearest. */
export const WARMTHS = 11;
/** No resistor is less than this share of what it says, however wide its tolerance. */
const LEAST_SHARE = 0.001;

/** What builds are made of. */
export interface Plan {
  readonly circuit: Circuit;
  readonly factors: readonly Factor[];
  /** By warmth, then by state. */
  readonly values: readonly (readonly CircuitValues[])[];
  readonly curve: LdrCurve;
  /** The coldest, and how much warmer each next one is, in °C. */
  readonly minCelsius: number;
  readonly perStep: number;
  readonly hasLoadSupply: boolean;
}

/** One build's figures. */
export interface Made {
  /** `null` for a state that the circuit has not. */
  readonly valuesOf: (position: number) => CircuitValues | null;
  /** In deviations. */
  readonly offset: number;
  /** Above room temperature, in K. */
  readonly warmKelvin: number;
  /** What the light meter is off by, as a ratio. */
  readonly lightTimes: number;
  /** The load's supply, as a share of its own. */
  readonly supplyShare: number;
  readonly curve: LdrCurve;
}

/** The circuit's figures with every factor at its draw. @param draws shape: factors */
export function madeOf(
  { circuit, factors, values, curve, minCelsius, perStep, hasLoadSupply }: Plan,
  draws: ArrayLike<number>,
): Made {
  let [lnLdr, slope, lightTimes, supplyShare, offset, warmth] = [0, 0, 1, 1, 0, 0];
  const shares: { readonly feed: string; readonly share: number }[] = [];
  const lnSiemens: (readonly [index: number, times: number])[] = [];
  const gains: (readonly [index: number, times: number])[] = [];
  const saturations: (readonly [index: number, times: number])[] = [];
  const thresholds: (readonly [index: number, volts: number])[] = [];
  factors.forEach((factor, index) => {
    const draw = draws[index] ?? 0;
    switch (factor.of) {
      case 'ldr':
        lnLdr = factor.std * draw;
        break;
      case 'ldr-slope':
        slope = factor.std * draw;
        break;
      case 'light-meter':
        lightTimes = Math.exp(factor.std * draw);
        break;
      case 'resistor':
        for (const name of factor.elements)
          lnSiemens.push([
            elementNumber(circuit, name, 'resistors'),
            1 / Math.max(LEAST_SHARE, 1 + factor.tolerance * draw),
          ]);
        break;
      case 'gain':
        for (const name of factor.elements)
          gains.push([
            elementNumber(circuit, name, 'bipolars'),
            Math.exp((factor.lnMiddle + factor.lnHalf * draw) / factor.elements.length),
          ]);
        break;
      case 'base-volts':
        for (const name of factor.elements)
          saturations.push([elementNumber(circuit, name, 'bipolars'), Math.exp(factor.lnStd * draw)]);
        break;
      case 'gate-threshold':
        for (const name of factor.elements)
          thresholds.push([
            elementNumber(circuit, name, 'channels'),
            (factor.low + factor.high) / 2 + (draw * (factor.high - factor.low)) / 2,
          ]);
        break;
      case 'offset':
        offset = draw;
        break;
      case 'supply':
      case 'load-supply': {
        const share =
          (factor.lowShare + factor.highShare) / 2 + (draw * (factor.highShare - factor.lowShare)) / 2;
        shares.push({ feed: factor.feed, share });
        if ((factor.of === 'load-supply') === hasLoadSupply) supplyShare = share;
        break;
      }
      case 'warmth':
        warmth = Math.round(((draw + 1) / 2) * (WARMTHS - 1));
    }
  });
  const states = values[warmth] ?? [];
  const valuesIn = new Map<number, CircuitValues>();
  const valuesOf = (position: number): CircuitValues | null => {
    const known = valuesIn.get(position);
    if (known) return known;
    const base = states[position];
    if (!base) return null;
    const own = copyValues(base);
    for (const [index, times] of lnSiemens) own.siemens[index]! *= times;
    for (const [index, times] of gains) own.bipolars[index * BIPOLAR_FIGURES + 1]! *= times;
    for (const [index, times] of saturations) own.bipolars[index * BIPOLAR_FIGURES]! *= times;
    for (const [index, volts] of thresholds) own.channels[index * CHANNEL_FIGURES]! += volts;
    for (const { feed, share } of shares)
      setSupply(circuit, own, feed, (base.fixedVolts[nodeNumber(circuit, feed)] ?? 0) * share);
    valuesIn.set(position, own);
    return own;
  };
  return {
    valuesOf,
    offset,
    warmKelvin: minCelsius + warmth * perStep - 25,
    lightTimes,
    supplyShare,
    curve: {
      ...curve,
      r10Ohms: curve.r10Ohms * Math.exp(lnLdr),
      gamma: Math.max(0.05, curve.gamma + slope),
    },
  };
}
