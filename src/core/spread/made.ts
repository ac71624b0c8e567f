import { nodeNumber, setSupply, type Circuit } from '../circuit/circuit';
import { copyValues, type CircuitValues } from '../circuit/values';
import type { LdrCurve } from '../ldr/curve';
import { applyFigures, drawnOf } from './drawn';
import type { Factor } from './factors';

/** Warmths that values are made for; a build takes the nearest. */
export const WARMTHS = 11;

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
  const drawn = drawnOf(factors, draws, curve);
  const warmth = Math.round(((drawn.warmth + 1) / 2) * (WARMTHS - 1));
  const states = values[warmth] ?? [];
  const valuesIn = new Map<number, CircuitValues>();
  const valuesOf = (position: number): CircuitValues | null => {
    const known = valuesIn.get(position);
    if (known) return known;
    const base = states[position];
    if (!base) return null;
    const own = copyValues(base);
    applyFigures(circuit, own, drawn.figures);
    for (const { feed, share } of drawn.supplies)
      setSupply(circuit, own, feed, (base.fixedVolts[nodeNumber(circuit, feed)] ?? 0) * share);
    valuesIn.set(position, own);
    return own;
  };
  const feedsLoad = drawn.supplies.find(({ of }) => (of === 'load-supply') === hasLoadSupply);
  return {
    valuesOf,
    ...{ offset: drawn.offset, lightTimes: drawn.lightTimes, curve: drawn.curve },
    warmKelvin: minCelsius + warmth * perStep - 25,
    supplyShare: feedsLoad?.share ?? 1,
  };
}
