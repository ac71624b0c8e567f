/** Ways of switching with one transistor; each is a stage of its own. */
export const transistorKinds = ['npn', 'pnp', 'darlington', 'nmos'] as const;
export type TransistorKind = (typeof transistorKinds)[number];

interface PartBase {
  readonly id: string;
  /** As its owner calls it; empty for one of the list, which the words name. */
  readonly name: string;
  /** Most load current, in A. */
  readonly maxAmps: number;
  /** Most voltage across the switch when it is off, in V. */
  readonly maxVolts: number;
  /** Most heat without a heat sink at 25 °C, in W. */
  readonly maxWatts: number;
}

/** A bipolar transistor as a datasheet tells it. A Darlington's β is that of the pair. */
export interface BipolarPart extends PartBase {
  readonly kind: Exclude<TransistorKind, 'nmos'>;
  /** Transport saturation current at 25 °C, in A. */
  readonly saturationAmps: number;
  readonly minBeta: number;
  readonly typicalBeta: number;
  readonly maxBeta: number;
  readonly maxBaseAmps: number;
}

/** A logic-level N-MOSFET as a datasheet tells it. */
export interface MosPart extends PartBase {
  readonly kind: 'nmos';
  readonly minThresholdVolts: number;
  readonly typicalThresholdVolts: number;
  readonly maxThresholdVolts: number;
  /** Resistance when on, with {@link ON_GATE_VOLTS} at the gate. */
  readonly onOhms: number;
  readonly maxGateVolts: number;
}

export type TransistorPart = BipolarPart | MosPart;

/** Which of a lot: the weakest that the datasheet allows (least β, highest threshold), the usual one, the strongest. */
export type Grade = 'min' | 'typical' | 'max';

/** Reverse β, taken for every bipolar part. */
export const REVERSE_BETA = 4;
/** The gate voltage for which on-resistances of logic-level parts are given. */
export const ON_GATE_VOLTS = 4.5;

const smallNpn: BipolarPart = {
  id: 'small-npn', name: '', kind: 'npn', saturationAmps: 2e-14, minBeta: 100, typicalBeta: 200, maxBeta: 400,
  maxAmps: 0.2, maxBaseAmps: 0.02, maxVolts: 40, maxWatts: 0.5,
}; // prettier-ignore

/** Kinds of part with the figures that parts of that size share closely enough; the first of a kind is taken first. */
export const shippedParts: readonly TransistorPart[] = [
  smallNpn,
  { ...smallNpn, id: 'medium-npn', saturationAmps: 1e-13, minBeta: 60, typicalBeta: 130, maxBeta: 250, maxAmps: 1, maxBaseAmps: 0.1, maxVolts: 60, maxWatts: 0.8 }, // prettier-ignore
  { ...smallNpn, id: 'small-pnp', kind: 'pnp' },
  { ...smallNpn, id: 'medium-pnp', kind: 'pnp', saturationAmps: 1e-13, minBeta: 60, typicalBeta: 130, maxBeta: 250, maxAmps: 1, maxBaseAmps: 0.1, maxVolts: 60, maxWatts: 0.8 }, // prettier-ignore
  { ...smallNpn, id: 'small-darlington', kind: 'darlington', minBeta: 5000, typicalBeta: 20_000, maxBeta: 70_000, maxAmps: 0.5, maxBaseAmps: 0.02, maxVolts: 30, maxWatts: 0.6 }, // prettier-ignore
  { ...smallNpn, id: 'power-darlington', kind: 'darlington', saturationAmps: 1e-12, minBeta: 1000, typicalBeta: 3000, maxBeta: 12_000, maxAmps: 4, maxBaseAmps: 0.1, maxVolts: 60, maxWatts: 1.5 }, // prettier-ignore
  { id: 'small-nmos', name: '', kind: 'nmos', minThresholdVolts: 0.8, typicalThresholdVolts: 1.4, maxThresholdVolts: 2, onOhms: 2, maxAmps: 0.3, maxVolts: 60, maxGateVolts: 20, maxWatts: 0.35 }, // prettier-ignore
  { id: 'power-nmos', name: '', kind: 'nmos', minThresholdVolts: 1, typicalThresholdVolts: 1.6, maxThresholdVolts: 2.4, onOhms: 0.03, maxAmps: 10, maxVolts: 50, maxGateVolts: 16, maxWatts: 1.5 }, // prettier-ignore
];

/** The part of the list that a kind starts with. */
export function defaultPart(kind: TransistorKind): TransistorPart {
  return shippedParts.find((part) => part.kind === kind) ?? smallNpn;
}

/** The smallest part of the list and of a kind that carries a current; `null` where none does. */
export function partFor(kind: TransistorKind, amps: number): TransistorPart | null {
  return shippedParts.find((part) => part.kind === kind && part.maxAmps >= amps) ?? null;
}

/** Current gain of a grade; of the pair for a Darlington. */
export function betaOf(part: BipolarPart, grade: Grade): number {
  return { min: part.minBeta, typical: part.typicalBeta, max: part.maxBeta }[grade];
}

/** Threshold of a grade: the weakest part has the highest. */
export function thresholdOf(part: MosPart, grade: Grade): number {
  return {
    min: part.maxThresholdVolts,
    typical: part.typicalThresholdVolts,
    max: part.minThresholdVolts,
  }[grade];
}

/**
 * A MOSFET's on-resistance shared between its channel and a floor that no gate voltage lowers: half each with the usual
 * threshold and {@link ON_GATE_VOLTS} at the gate. `k = 2/(Ron·(Vgs − Vt))`.
 */
export function channelOf({ onOhms, typicalThresholdVolts }: MosPart): {
  readonly ampsPerVoltSquared: number;
  readonly floorOhms: number;
} {
  const over = Math.max(0.5, ON_GATE_VOLTS - typicalThresholdVolts);
  return { ampsPerVoltSquared: 2 / (onOhms * over), floorOhms: onOhms / 2 };
}

/** What does not go together in an own part; `null` where all does. */
export function partTrouble(part: TransistorPart): 'unnamed' | 'beta-order' | 'threshold-order' | null {
  if (part.name.trim() === '') return 'unnamed';
  const rising = (...figures: number[]) =>
    figures.every((figure, at) => at === 0 || figure >= (figures[at - 1] ?? 0));
  if (part.kind === 'nmos') {
    const { minThresholdVolts, typicalThresholdVolts, maxThresholdVolts } = part;
    return rising(minThresholdVolts, typicalThresholdVolts, maxThresholdVolts) ? null : 'threshold-order';
  }
  return rising(part.minBeta, part.typicalBeta, part.maxBeta) ? null : 'beta-order';
}

/** What each figure of an own part may be. */
export const TRANSISTOR_LIMITS = {
  saturationAmps: { min: 1e-18, max: 1e-8 },
  beta: { min: 5, max: 200_000 },
  thresholdVolts: { min: 0.3, max: 4 },
  onOhms: { min: 0.001, max: 50 },
  maxAmps: { min: 0.01, max: 100 },
  maxBaseAmps: { min: 0.0005, max: 10 },
  maxVolts: { min: 5, max: 1000 },
  maxGateVolts: { min: 5, max: 30 },
  maxWatts: { min: 0.05, max: 300 },
  nameLength: 40,
} as const;
