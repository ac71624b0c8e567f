/** Ways of switching with one transistor; each is a stage of its own. */
export const transistorKinds = ['npn', 'pnp', 'darlington', 'nmos'] as const;
export type TransistorKind = (typeof transistorKinds)[number];

interface PartBase {
  readonly id: string;
  /** As its owner calls it; empty for one of the list, which the words name. */
  readonly name: string;
  /** Most load current, in A. */
  readonly mostAmps: number;
  /** Most voltage across the switch when it is off, in V. */
  readonly mostVolts: number;
  /** Most heat without a heat sink at 25 °C, in W. */
  readonly mostWatts: number;
}

/** A bipolar transistor as a datasheet tells it. A Darlington's β is that of the pair. */
export interface BipolarPart extends PartBase {
  readonly kind: Exclude<TransistorKind, 'nmos'>;
  /** Transport saturation current at 25 °C, in A. */
  readonly saturationAmps: number;
  readonly leastBeta: number;
  readonly typicalBeta: number;
  readonly mostBeta: number;
  readonly mostBaseAmps: number;
}

/** A logic-level N-MOSFET as a datasheet tells it. */
export interface MosPart extends PartBase {
  readonly kind: 'nmos';
  readonly leastThresholdVolts: number;
  readonly typicalThresholdVolts: number;
  readonly mostThresholdVolts: number;
  /** Resistance when on, with {@link ON_GATE_VOLTS} at the gate. */
  readonly onOhms: number;
  readonly mostGateVolts: number;
}

export type TransistorPart = BipolarPart | MosPart;

/** Which of a lot: the weakest that the datasheet allows (least β, highest threshold), the usual one, the strongest. */
export type Grade = 'least' | 'typical' | 'most';

/** Reverse β, taken for every bipolar part. */
export const REVERSE_BETA = 4;
/** The gate voltage for which on-resistances of logic-level parts are given. */
export const ON_GATE_VOLTS = 4.5;

const smallNpn: BipolarPart = {
  id: 'small-npn', name: '', kind: 'npn', saturationAmps: 2e-14, leastBeta: 100, typicalBeta: 200, mostBeta: 400,
  mostAmps: 0.2, mostBaseAmps: 0.02, mostVolts: 40, mostWatts: 0.5,
}; // prettier-ignore

/** Kinds of part with the figures that parts of that size share closely enough; the first of a kind is taken first. */
export const shippedParts: readonly TransistorPart[] = [
  smallNpn,
  { ...smallNpn, id: 'medium-npn', saturationAmps: 1e-13, leastBeta: 60, typicalBeta: 130, mostBeta: 250, mostAmps: 1, mostBaseAmps: 0.1, mostVolts: 60, mostWatts: 0.8 }, // prettier-ignore
  { ...smallNpn, id: 'small-pnp', kind: 'pnp' },
  { ...smallNpn, id: 'medium-pnp', kind: 'pnp', saturationAmps: 1e-13, leastBeta: 60, typicalBeta: 130, mostBeta: 250, mostAmps: 1, mostBaseAmps: 0.1, mostVolts: 60, mostWatts: 0.8 }, // prettier-ignore
  { ...smallNpn, id: 'small-darlington', kind: 'darlington', leastBeta: 5000, typicalBeta: 20_000, mostBeta: 70_000, mostAmps: 0.5, mostBaseAmps: 0.02, mostVolts: 30, mostWatts: 0.6 }, // prettier-ignore
  { ...smallNpn, id: 'power-darlington', kind: 'darlington', saturationAmps: 1e-12, leastBeta: 1000, typicalBeta: 3000, mostBeta: 12_000, mostAmps: 4, mostBaseAmps: 0.1, mostVolts: 60, mostWatts: 1.5 }, // prettier-ignore
  { id: 'small-nmos', name: '', kind: 'nmos', leastThresholdVolts: 0.8, typicalThresholdVolts: 1.4, mostThresholdVolts: 2, onOhms: 2, mostAmps: 0.3, mostVolts: 60, mostGateVolts: 20, mostWatts: 0.35 }, // prettier-ignore
  { id: 'power-nmos', name: '', kind: 'nmos', leastThresholdVolts: 1, typicalThresholdVolts: 1.6, mostThresholdVolts: 2.4, onOhms: 0.03, mostAmps: 10, mostVolts: 50, mostGateVolts: 16, mostWatts: 1.5 }, // prettier-ignore
];

/** The part of the list that a kind starts with. */
export function usualPart(kind: TransistorKind): TransistorPart {
  return shippedParts.find((part) => part.kind === kind) ?? smallNpn;
}

/** The smallest part of the list and of a kind that carries a current; `null` where none does. */
export function partFor(kind: TransistorKind, amps: number): TransistorPart | null {
  return shippedParts.find((part) => part.kind === kind && part.mostAmps >= amps) ?? null;
}

/** Current gain of a grade; of the pair for a Darlington. */
export function betaOf(part: BipolarPart, grade: Grade): number {
  return { least: part.leastBeta, typical: part.typicalBeta, most: part.mostBeta }[grade];
}

/** Threshold of a grade: the weakest part has the highest. */
export function thresholdOf(part: MosPart, grade: Grade): number {
  return {
    least: part.mostThresholdVolts,
    typical: part.typicalThresholdVolts,
    most: part.leastThresholdVolts,
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
    const { leastThresholdVolts, typicalThresholdVolts, mostThresholdVolts } = part;
    return rising(leastThresholdVolts, typicalThresholdVolts, mostThresholdVolts) ? null : 'threshold-order';
  }
  return rising(part.leastBeta, part.typicalBeta, part.mostBeta) ? null : 'beta-order';
}

/** What each figure of an own part may be. */
export const TRANSISTOR_LIMITS = {
  saturationAmps: { least: 1e-18, most: 1e-8 },
  beta: { least: 5, most: 200_000 },
  thresholdVolts: { least: 0.3, most: 4 },
  onOhms: { least: 0.001, most: 50 },
  mostAmps: { least: 0.01, most: 100 },
  mostBaseAmps: { least: 0.0005, most: 10 },
  mostVolts: { least: 5, most: 1000 },
  mostGateVolts: { least: 5, most: 30 },
  mostWatts: { least: 0.05, most: 300 },
  nameLength: 40,
} as const;
