import { around, type Crossing } from '../light/crossing';
import { fullDrive } from '../operate/fullDrive';
import { ROOM_CELSIUS, type Conditions } from '../operate/operation';
import type { Grade } from '../parts/base';
import type { Part } from '../parts/part';
import type { Project } from '../project/project';
import { toleranceOf } from '../series/stock';
import type { CircuitAnalysis } from './analysis';
import { circuitInput } from './circuitInput';
import { DesignCircuit } from './designCircuit';

/** How the switching light moves with what is not the light: warmth, supply, and which transistor of the lot it is. */
export interface Stability {
  /** For the transistor 10 °C warmer than room: ratio of the lights, above 1 for more; `null` where it does not switch then. */
  readonly perTenCelsius: number | null;
  /** How far an offset that drifts may take it besides, either way: ratio of the lights, above 1; `null` without such. */
  readonly driftPerTen: number | null;
  /** For one volt more of the divider's supply. */
  readonly perVolt: number | null;
  /** With the weakest and with the strongest part that the datasheet allows. */
  readonly grades: Readonly<Record<Exclude<Grade, 'typical'>, Crossing>>;
  /** With the supply flat (or at its lowest) and fresh (or at its highest). */
  readonly flat: Crossing;
  readonly fresh: Crossing;
  readonly flatVolts: number;
  readonly freshVolts: number;
}

const WARMER_CELSIUS = 10;

/**
 * Each figure is the half-on light of the circuit solved anew under that condition, half of the typical full current being the
 * level throughout; at another supply voltage half of the full current there.
 */
export function stabilityOf(
  project: Project,
  design: Pick<CircuitAnalysis, 'ldr' | 'half' | 'drive' | 'range' | 'assembly'>,
): Stability {
  const { ldr, half, range, drive, assembly } = design;
  const near = half.ok ? around(half.lux, 2, range) : undefined;
  const crossing = (level: number, conditions: Partial<Conditions>) => {
    const circuit = DesignCircuit.of(project, ldr, conditions, assembly);
    return circuit.crossing(level, range, near);
  };
  const halfOn = drive.switchAmps;
  const withGrade = (grade: Grade) => crossing(halfOn, { grade });
  const withVolts = (volts: number): Crossing => {
    // A lower supply lowers the full current with it: half on is half of that.
    const full =
      project.loadSupply || drive.isPullIn ? null : fullDrive(circuitInput(atSupply(project, volts)));
    return crossing(full ? full.amps / 2 : halfOn, { supplyVolts: { supply: volts } });
  };
  const warm = crossing(halfOn, { celsius: ROOM_CELSIUS + WARMER_CELSIUS });
  const drifted = hasDrift(assembly)
    ? crossing(halfOn, { celsius: ROOM_CELSIUS + WARMER_CELSIUS, drift: 1 })
    : null;
  const { supplyVolts } = project.divider;
  const { lowShare, highShare } = project.source;
  const step = Math.min(0.5, supplyVolts * 0.1);
  const [below, above] = [withVolts(supplyVolts - step), withVolts(supplyVolts + step)];
  const [flatVolts, freshVolts] = [supplyVolts * lowShare, supplyVolts * highShare];
  return {
    perTenCelsius: half.ok && warm.ok ? warm.lux / half.lux : null,
    driftPerTen: drifted?.ok && warm.ok ? Math.exp(Math.abs(Math.log(drifted.lux / warm.lux))) : null,
    perVolt: below.ok && above.ok ? (above.lux / below.lux) ** (0.5 / step) : null,
    grades: { min: withGrade('min'), max: withGrade('max') },
    flat: withVolts(flatVolts),
    fresh: withVolts(freshVolts),
    flatVolts,
    freshVolts,
  };
}

const hasDrift = ({ switching }: CircuitAnalysis['assembly']) =>
  switching?.boundaries.some(({ rising }) => (rising.driftVoltsPerKelvin ?? 0) > 0) ?? false;

function atSupply(project: Project, supplyVolts: number): Project {
  return { ...project, divider: { ...project.divider, supplyVolts } };
}

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

/** The switching light at each end of what a design may meet by itself. */
export interface CornerRow {
  readonly corner: 'weak' | 'strong' | 'flat' | 'fresh' | 'cold' | 'hot';
  readonly crossing: Crossing;
}

/** Weakest and strongest part, flat and fresh supply, 0 and 50 °C: each solved by itself. */
export function cornerRows(
  project: Project,
  design: Pick<CircuitAnalysis, 'ldr' | 'half' | 'drive' | 'range' | 'assembly'>,
  { grades, flat, fresh }: Pick<Stability, 'grades' | 'flat' | 'fresh'>,
): readonly CornerRow[] {
  const { ldr, half, range, drive, assembly } = design;
  const at = (celsius: number): Crossing => {
    const circuit = DesignCircuit.of(project, ldr, { celsius }, assembly);
    const near = half.ok ? around(half.lux, 2, range) : undefined;
    return circuit.crossing(drive.switchAmps, range, near);
  };
  return [
    { corner: 'weak', crossing: grades.min },
    { corner: 'strong', crossing: grades.max },
    { corner: 'flat', crossing: flat },
    { corner: 'fresh', crossing: fresh },
    { corner: 'cold', crossing: at(COLD_CELSIUS) },
    { corner: 'hot', crossing: at(HOT_CELSIUS) },
  ];
}

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
    return circuit.crossing(drive.switchAmps, range, around(half.lux, 2, range));
  };
  const ends = [
    ...[grades.min, grades.max, flat, fresh],
    ...[COLD_CELSIUS, HOT_CELSIUS].map((celsius) => crossing({ celsius })),
    ...(hasDrift(assembly) ? ([-1, 1] as const) : []).map((drift) =>
      crossing({ celsius: HOT_CELSIUS, drift }),
    ),
  ];
  const bought = toleranceOf(project.resistors);
  const resistors = assembly.parts.filter(isOfThreshold).flatMap((part) => {
    if (part.kind !== 'resistor') return [];
    return [crossing({ ohms: { [part.designator]: part.ohms * (1 + bought) } })];
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
