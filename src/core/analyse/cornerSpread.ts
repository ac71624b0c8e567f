import { around, findCrossing } from '../light/crossing';
import type { Conditions } from '../operate/operation';
import type { Part } from '../parts/part';
import { toleranceOf } from '../parts/registry';
import type { Project } from '../project/project';
import { toleranceOf as stockTolerance } from '../series/stock';
import type { CircuitAnalysis } from './analysis';
import { DesignCircuit } from './designCircuit';
import type { Stability } from './stability';

/** The switching light between the ends of what a design may meet, in lx. */
export interface CornerSpread {
  readonly lowLux: number;
  readonly highLux: number;
}

/** Cold and heat, as they are outdoors or in a loft, in °C. */
export const COLD_CELSIUS = 0;
export const HOT_CELSIUS = 50;

/**
 * What may be anywhere between two ends has a deviation of half their distance over √3, and 95 % lie within 1.96 deviations of
 * a sum of such.
 */
const COVERING = 1.96 / Math.sqrt(3);
/** Of these a tolerance moves the switching light; those of the load's side do not. */
const isOfThreshold = ({ kind, role }: Part) =>
  kind === 'resistor' && role !== 'series' && role !== 'pull-up' && !role.startsWith('tone');

/**
 * How far the switching light may lie off: with the weakest and the strongest part, from flat to fresh, from 0 to 50 °C, and with
 * each resistor at its tolerance. Each is solved by itself; as they do not go together, their shifts (ln of light) are added as
 * squares, those to more light and those to less apart, and widened so that 95 of 100 built ones lie between.
 *
 * @returns `null` where the design does not switch, or stops switching at one of them
 */
export function cornerSpread(
  project: Project,
  design: Pick<CircuitAnalysis, 'ldr' | 'half' | 'drive' | 'range' | 'assembly'>,
  { grades, flat, fresh }: Pick<Stability, 'grades' | 'flat' | 'fresh'>,
): CornerSpread | null {
  const { ldr, half, range, drive, assembly } = design;
  if (!half.ok) return null;
  const crossing = (conditions: Partial<Conditions>) => {
    const circuit = DesignCircuit.of(project, ldr, conditions, assembly);
    return findCrossing((lux) => circuit.over(drive.switchAmps, lux), range, around(half.lux, 2, range));
  };
  const ends = [
    ...[grades.min, grades.max, flat, fresh],
    ...[COLD_CELSIUS, HOT_CELSIUS].map((celsius) => crossing({ celsius })),
  ];
  const bought = stockTolerance(project.resistors);
  const resistors = assembly.parts.filter(isOfThreshold).flatMap((part) => {
    if (part.kind !== 'resistor') return [];
    const tolerance = Math.max(bought, toleranceOf(part)?.high ?? 0);
    return [crossing({ ohms: { [part.designator]: part.ohms * (1 + tolerance) } })];
  });
  if ([...ends, ...resistors].some(({ ok }) => !ok)) return null;
  const shift = (point: (typeof ends)[number]) => (point.ok ? Math.log(point.lux / half.lux) : 0);
  const squares = (shifts: readonly number[]) =>
    COVERING * Math.sqrt(shifts.reduce((sum, one) => sum + one * one, 0));
  const moved = ends.map(shift);
  const either = resistors.map(shift);
  return {
    lowLux: half.lux / Math.exp(squares([...moved.filter((one) => one < 0), ...either])),
    highLux: half.lux * Math.exp(squares([...moved.filter((one) => one > 0), ...either])),
  };
}
