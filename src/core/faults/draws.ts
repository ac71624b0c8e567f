import jstat from 'jstat';
import type { CircuitAnalysis } from '../analyse/analysis';
import { rowsOf } from '../parts/registry';
import { normals, uniforms } from '../numeric/random';
import type { Project } from '../project/project';
import { DEFAULT_SPREAD, factorsOf, type Factor } from '../spread/factors';
import { othersOf } from './circuit/rows';

/** What differs between this build and the nominal one, before the lights: at room temperature, as a bench has it. */
export const buildFactors = (project: Project, analysis: CircuitAnalysis): readonly Factor[] =>
  factorsOf(project, analysis, { ...DEFAULT_SPREAD, minCelsius: 25, maxCelsius: 25 }, true).map((factor) =>
    // Resistors of rows side by side are of one lot.
    factor.of === 'resistor' && isOfRows(analysis, factor.designator)
      ? { ...factor, elements: factor.elements.flatMap((name) => [name, othersOf(name)]) }
      : factor,
  );

const isOfRows = ({ assembly }: CircuitAnalysis, designator: string) =>
  assembly.parts.some((part) => part.designator === designator && rowsOf(part) > 1);

/** One way that a build may have come out: a figure for each factor, then one for each light. */
export type Draw = Float64Array;

/** Where a factor has its figure as the design has it: what its part says, or where that lies beyond its spread the end of it. */
function nominalOf(factor: Factor): number {
  const at = (low: number, as: number, high: number) => (2 * as - low - high) / (high - low);
  const within = (by: number) => (Number.isFinite(by) ? Math.min(1, Math.max(-1, by)) : 0);
  switch (factor.of) {
    case 'supply':
    case 'load-supply':
      return within(at(factor.lowShare, 1, factor.highShare));
    case 'gain':
      return within(-factor.lnMiddle / factor.lnHalf);
    case 'gate-threshold':
      return within(at(factor.low, 0, factor.high));
    default:
      return 0;
  }
}

/** The build that is as its design, in the lights that are meant. */
function nominalDraw(factors: readonly Factor[], lights: number): Draw {
  const draw = new Float64Array(factors.length + lights);
  factors.forEach((factor, at) => (draw[at] = nominalOf(factor)));
  return draw;
}

/**
 * Draws of a build and its lights, each dimension in as many strata as there are draws (Latin hypercube): few of them cover what
 * may be. The first is the build that is as its design.
 */
export function drawsOf(
  factors: readonly Factor[],
  lights: number,
  count: number,
  seed: number,
): readonly Draw[] {
  const size = factors.length + lights;
  const draws = Array.from({ length: count }, (_, index) =>
    index === 0 ? nominalDraw(factors, lights) : new Float64Array(size),
  );
  const uniform = uniforms(seed);
  for (let at = 0; at < size; at++) {
    const isNormal = factors[at]?.isNormal ?? true;
    const order = shuffled(count - 1, uniform);
    order.forEach((stratum, index) => {
      const share = (stratum + uniform()) / (count - 1);
      const draw = draws[index + 1];
      if (draw) draw[at] = isNormal ? normalAt(share) : 2 * share - 1;
    });
  }
  return draws;
}

/** One draw by pure chance: a build that nobody has seen. */
export function randomDraw(factors: readonly Factor[], lights: number, seed: number): Draw {
  const [uniform, normal] = [uniforms(seed), normals(seed, 1)];
  const draw = new Float64Array(factors.length + lights);
  for (let at = 0; at < draw.length; at++)
    draw[at] = (factors[at]?.isNormal ?? true) ? normal() : 2 * uniform() - 1;
  return draw;
}

function shuffled(count: number, uniform: () => number): readonly number[] {
  const order = Array.from({ length: count }, (_, index) => index);
  for (let last = count - 1; last > 0; last--) {
    const other = Math.floor(uniform() * (last + 1));
    [order[last], order[other]] = [order[other]!, order[last]!];
  }
  return order;
}

const normalAt = (share: number): number =>
  jstat.jStat.normal.inv(Math.min(1 - 1e-9, Math.max(1e-9, share)), 0, 1);
