import type { CircuitAnalysis } from '../analyse/analysis';
import { ratingsOf } from '../analyse/ratings';
import { bodyOf } from '../parts/footprint';
import type { BoxKind } from '../project/built/siting';

/** How much warmer a small plastic box gets inside, in K for each watt; one with holes half of it. As a rule of thumb. */
export const KELVIN_PER_WATT: Readonly<Record<BoxKind, number>> = { open: 0, vented: 6, closed: 12 };

/** Most heat that all parts on the board give off together, in W: each at its worst, not those that stand beside it. */
export function boardWatts(design: Pick<CircuitAnalysis, 'extremes' | 'loads' | 'assembly'>): number {
  const beside = new Set(
    design.assembly.parts
      .filter((part) => bodyOf(part).kind === 'beside')
      .map(({ designator }) => designator),
  );
  return ratingsOf(design)
    .filter(({ designator }) => !beside.has(designator))
    .reduce((sum, { watts }) => sum + watts, 0);
}

/** How much warmer than around it a box gets, in K. */
export function boxKelvin(
  design: Pick<CircuitAnalysis, 'extremes' | 'loads' | 'assembly'>,
  box: BoxKind,
): number {
  return KELVIN_PER_WATT[box] * boardWatts(design);
}

/** From so much heat on a small part is warm to the touch, in W. */
const WARM_WATTS = 0.1;

/** Parts that get warm, by designator: they stand away from the LDR, which heat misleads, and from one another. */
export const warmParts = (
  design: Pick<CircuitAnalysis, 'extremes' | 'loads' | 'assembly'>,
): readonly string[] =>
  ratingsOf(design)
    .filter(({ watts }) => watts >= WARM_WATTS)
    .map(({ designator }) => designator);
