import type { Grade } from './transistors';

/** How a comparator's output is made. */
export const outputKinds = ['push-pull', 'open-collector', 'bipolar'] as const;
export type OutputKind = (typeof outputKinds)[number];

/**
 * A comparator, or an op-amp used as one, as a datasheet tells it. Its output is a switch to either rail: a voltage that stays
 * left over and a resistance, `Vout = Vrail − drop − I·R`.
 */
export interface ComparatorPart {
  readonly id: string;
  /** As its owner calls it; empty for one of the list, which the words name. */
  readonly name: string;
  readonly kind: OutputKind;
  /** Most input offset, either way, in V. */
  readonly offsetVolts: number;
  /** Current out of each input, in A; negative for inputs that take it. */
  readonly biasAmps: number;
  /** The inputs work from so far above the lower rail to so far below the upper one, in V; negative for beyond it. */
  readonly inputLowVolts: number;
  readonly inputHighVolts: number;
  /** What stays between output and lower rail when low, upper rail when high, in V. */
  readonly lowVolts: number;
  readonly highVolts: number;
  /** Resistance of the output, in Ω. */
  readonly outputOhms: number;
  /** Most output current, in A. */
  readonly maxAmps: number;
  /** Its own current, in A. */
  readonly idleAmps: number;
  /** What the supply may be, rail to rail, in V. */
  readonly minSupplyVolts: number;
  readonly maxSupplyVolts: number;
}

/** Kinds of part with the figures that parts of that sort share closely enough; the first is taken first. */
export const shippedComparators: readonly ComparatorPart[] = [
  { id: 'open-collector', name: '', kind: 'open-collector', offsetVolts: 0.005, biasAmps: 25e-9, inputLowVolts: 0, inputHighVolts: 1.5, lowVolts: 0.06, highVolts: 0, outputOhms: 30, maxAmps: 0.016, idleAmps: 0.0008, minSupplyVolts: 2, maxSupplyVolts: 36 },
  { id: 'rail-to-rail', name: '', kind: 'push-pull', offsetVolts: 0.005, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.005, highVolts: 0.005, outputOhms: 45, maxAmps: 0.02, idleAmps: 0.00005, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
  { id: 'open-drain', name: '', kind: 'open-collector', offsetVolts: 0.006, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.005, highVolts: 0, outputOhms: 50, maxAmps: 0.02, idleAmps: 0.00005, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
  { id: 'op-amp', name: '', kind: 'bipolar', offsetVolts: 0.006, biasAmps: 80e-9, inputLowVolts: 2, inputHighVolts: 2, lowVolts: 1.8, highVolts: 1.4, outputOhms: 75, maxAmps: 0.02, idleAmps: 0.0017, minSupplyVolts: 7, maxSupplyVolts: 36 },
  { id: 'single-supply-op-amp', name: '', kind: 'bipolar', offsetVolts: 0.007, biasAmps: 45e-9, inputLowVolts: 0, inputHighVolts: 1.5, lowVolts: 0.05, highVolts: 1.4, outputOhms: 100, maxAmps: 0.02, idleAmps: 0.0007, minSupplyVolts: 3, maxSupplyVolts: 32 },
  { id: 'rail-op-amp', name: '', kind: 'push-pull', offsetVolts: 0.003, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.01, highVolts: 0.01, outputOhms: 60, maxAmps: 0.02, idleAmps: 0.0003, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
]; // prettier-ignore

export function defaultComparator(): ComparatorPart {
  const [first] = shippedComparators;
  if (!first) throw new Error('no comparator is shipped');
  return first;
}

/** Whether a part works between rails so far apart. */
export function isRatedForSupply(
  { minSupplyVolts, maxSupplyVolts }: Pick<ComparatorPart, 'minSupplyVolts' | 'maxSupplyVolts'>,
  volts: number,
): boolean {
  return volts >= minSupplyVolts && volts <= maxSupplyVolts;
}

/** Offset of a grade: the usual part has none, the ends of the lot have the most either way. */
export function offsetOf({ offsetVolts }: ComparatorPart, grade: Grade): number {
  return { min: -offsetVolts, typical: 0, max: offsetVolts }[grade];
}

/** What each figure of a part may be. */
export const COMPARATOR_LIMITS = {
  offsetVolts: { min: 0, max: 0.1 },
  biasAmps: { min: -1e-5, max: 1e-5 },
  inputVolts: { min: -1, max: 6 },
  restVolts: { min: 0, max: 5 },
  outputOhms: { min: 1, max: 10_000 },
  maxAmps: { min: 0.0005, max: 3 },
  idleAmps: { min: 0, max: 0.1 },
  supplyVolts: { min: 0.8, max: 80 },
  nameLength: 40,
} as const;
