import type { CircuitAnalysis } from '../analyse/analysis';
import { driverDefinition } from '../drivers/registry';
import type { LdrModel } from '../ldr/model';
import { lnOhmsVariance } from '../ldr/model';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_R10_FACTOR } from '../ldr/typical';
import type { Assembly } from '../operate/assembly';
import { feedOf } from '../parts/kinds/supply';
import type { Part } from '../parts/part';
import { elementsOf, toleranceOf } from '../parts/registry';
import type { Project } from '../project/project';

/** What differs from one built circuit to the next. Each is drawn by itself: from −1 to 1 evenly, or normal with deviation 1. */
export type FactorKind =
  | { readonly of: 'ldr' | 'ldr-slope' | 'light-meter'; readonly std: number }
  /** By its elements in the netlist. */
  | {
      readonly of: 'resistor';
      readonly designator: string;
      readonly elements: readonly string[];
      readonly tolerance: number;
    }
  | {
      readonly of: 'gain';
      readonly designator: string;
      readonly elements: readonly string[];
      readonly lnMiddle: number;
      readonly lnHalf: number;
    }
  | {
      readonly of: 'base-volts';
      readonly designator: string;
      readonly elements: readonly string[];
      readonly lnStd: number;
    }
  | {
      readonly of: 'gate-threshold';
      readonly designator: string;
      readonly elements: readonly string[];
      readonly low: number;
      readonly high: number;
    }
  | { readonly of: 'offset' }
  /** The thresholds that an IC has of its own, told as shares of its supply. */
  | { readonly of: 'thresholds'; readonly designator: string }
  | {
      readonly of: 'supply' | 'load-supply';
      readonly feed: string;
      readonly lowShare: number;
      readonly highShare: number;
    }
  | { readonly of: 'warmth'; readonly minCelsius: number; readonly maxCelsius: number };

export type Factor = FactorKind & { readonly isNormal: boolean };

/** What someone may say of a bag of parts. */
export interface SpreadOptions {
  readonly builds: number;
  readonly seed: number;
  readonly minCelsius: number;
  readonly maxCelsius: number;
  /** How far the switching lights may be off the wanted ones and still do, as a ratio above 1. */
  readonly limitRatio: number;
  /** The goal is in true lux, and not as the light meter of the readings shows it. */
  readonly isTrueLux: boolean;
}

export const DEFAULT_SPREAD: SpreadOptions = {
  builds: 10_000,
  seed: 1,
  minCelsius: 10,
  maxCelsius: 35,
  limitRatio: 1.3,
  isTrueLux: false,
};

export const SPREAD_LIMITS = {
  builds: { min: 1, max: 200_000 },
  seed: { min: 1, max: 1_000_000 },
  celsius: { min: -40, max: 85 },
  limitRatio: { min: 1.01, max: 10 },
} as const;

/** A junction's voltage differs by this much from part to part of a kind, in V (one deviation), as the logarithm of its current. */
const BASE_VOLTS_STD = 0.01;
const THERMAL_VOLTS = 0.02569;

const TYPICAL = { celsius: 25, grade: 'typical' } as const;

/** Resistors that do nothing to where it switches or how far it is driven. */
const WITHOUT_PART = (part: Part) => part.role.startsWith('tone') || part.role.startsWith('counter');

/**
 * All that differs from one build of a project to the next.
 * @param hasAll with the resistors that do nothing to where it switches or how far it is driven: a meter finds those too
 */
export function factorsOf(
  project: Project,
  analysis: CircuitAnalysis,
  options: SpreadOptions,
  hasAll = false,
): readonly Factor[] {
  const { assembly, ldr, thresholds } = analysis;
  const resistors = assembly.parts.flatMap((part): Factor[] => {
    if ((!hasAll && WITHOUT_PART(part)) || (part.kind !== 'resistor' && part.kind !== 'trimmer')) return [];
    const tolerance = toleranceOf(part)?.high ?? 0;
    const { designator } = part;
    const elements = elementsOf(part, TYPICAL).map(({ name }) => name);
    return tolerance > 0 ? [{ of: 'resistor', designator, elements, tolerance, isNormal: false }] : [];
  });
  const edges = thresholds === null ? [] : (assembly.switching?.boundaries ?? []);
  const hasOffset = edges.some(({ rising }) => (rising.offsetSpread ?? 0) > 0);
  const hasThresholds = edges.some(({ rising }) => (rising.shareSpread ?? 0) > 0);
  const detector = assembly.parts.find(({ role }) => role === 'detector');
  const { minCelsius, maxCelsius } = options;
  return [
    ...ldrFactors(ldr, project.goal.lux, options),
    ...resistors,
    ...driverFactors(analysis),
    // One draw moves both, of which an edge has one.
    ...(hasThresholds && detector
      ? [{ of: 'thresholds', designator: detector.designator, isNormal: false } as const]
      : hasOffset
        ? [{ of: 'offset', isNormal: false } as const]
        : []),
    ...supplyFactors(project, analysis),
    ...(maxCelsius > minCelsius ? [{ of: 'warmth', minCelsius, maxCelsius, isNormal: false } as const] : []),
  ];
}

function ldrFactors(ldr: LdrModel, lux: number, { isTrueLux }: SpreadOptions): readonly Factor[] {
  const meter: Factor[] =
    isTrueLux && ldr.source === 'measured' && ldr.lightStd > 0
      ? [{ of: 'light-meter', std: ldr.lightStd, isNormal: true }]
      : [];
  const slope = (std: number): Factor[] => (std > 0 ? [{ of: 'ldr-slope', std, isNormal: true }] : []);
  switch (ldr.source) {
    case 'named':
      return [];
    case 'typical':
      return [
        { of: 'ldr', std: Math.log(TYPICAL_R10_FACTOR) / 2, isNormal: true },
        ...slope(TYPICAL_GAMMA_SPREAD / 2),
      ];
    case 'bag':
      return [{ of: 'ldr', std: ldr.bag.lnR10Std, isNormal: true }, ...slope(ldr.bag.gammaStd)];
    case 'measured':
      // The error of the fit where it matters, as one shift of the whole curve.
      return [{ of: 'ldr', std: Math.sqrt(Math.max(0, lnOhmsVariance(ldr, lux))), isNormal: true }, ...meter];
  }
}

function driverFactors({ assembly }: CircuitAnalysis): readonly Factor[] {
  return assembly.drivers.flatMap((driver) => factorsOfDriver(driver, assembly.driverKind));
}

function factorsOfDriver(
  driver: Assembly['drivers'][number],
  driverKind: Assembly['driverKind'],
): readonly Factor[] {
  const { designator } = driver;
  const elements = driverDefinition(driverKind).measured(designator).names;
  if (driver.kind === 'mosfet') {
    const { minThresholdVolts: low, typicalThresholdVolts: typical, maxThresholdVolts: high } = driver.model;
    return [
      {
        of: 'gate-threshold',
        designator,
        elements,
        low: low - typical,
        high: high - typical,
        isNormal: false,
      },
    ];
  }
  const { minBeta, typicalBeta, maxBeta } = driver.model;
  return [
    {
      ...{ of: 'gain', designator, elements, isNormal: false },
      lnMiddle: Math.log(Math.sqrt(minBeta * maxBeta) / typicalBeta),
      lnHalf: Math.log(maxBeta / minBeta) / 2,
    },
    { of: 'base-volts', designator, elements, lnStd: BASE_VOLTS_STD / THERMAL_VOLTS, isNormal: true },
  ];
}

function supplyFactors({ source, loadSupply }: Project, { assembly }: CircuitAnalysis): readonly Factor[] {
  const [sensor, load] = assembly.rails;
  const factor = (
    of: 'supply' | 'load-supply',
    rail: (typeof assembly.rails)[number] | undefined,
    { lowShare, highShare }: Project['source'],
  ): Factor[] => {
    if (!rail || highShare <= lowShare) return [];
    const feed = feedOf(rail);
    if (feed === null) return [];
    return [{ of, feed, lowShare, highShare, isNormal: false }];
  };
  return [
    ...factor('supply', sensor, source),
    ...(loadSupply ? factor('load-supply', load, loadSupply.source) : []),
  ];
}
