import type { BoundaryFacts } from '../../detectors/thresholds';

/** Nearer than this two lights are one, as a ratio's logarithm. */
const CROSSED_TOGETHER = 1e-5;

/** Whether a boundary is passed at another light on the way up than on the way down. */
export function isCrossedApart({ rising, falling }: BoundaryFacts): boolean {
  if (!rising.ok || !falling.ok) return rising.ok !== falling.ok;
  return Math.abs(Math.log(rising.lux / falling.lux)) > CROSSED_TOGETHER;
}

/** The lights at which boundaries are passed, those of each boundary once. */
export const stepsOf = (boundaries: readonly BoundaryFacts[]): readonly number[] =>
  boundaries.flatMap(lightsOf);

function lightsOf({ rising, falling }: BoundaryFacts): readonly number[] {
  const lights = [rising, falling].flatMap((point) => (point.ok ? [point.lux] : []));
  return [...new Set(lights)];
}
