import { around, findCrossing, type Crossing } from '../light/crossing';
import { fullDrive } from '../operate/fullDrive';
import { ROOM_CELSIUS, type Conditions } from '../operate/operation';
import type { Grade } from '../parts/base';
import type { Project } from '../project/project';
import type { CircuitAnalysis } from './analysis';
import { circuitInput } from './circuitInput';
import { DesignCircuit } from './designCircuit';

/** How the switching light moves with what is not the light: warmth, supply, and which transistor of the lot it is. */
export interface Stability {
  /** For the transistor 10 °C warmer than room: ratio of the lights, above 1 for more; `null` where it does not switch then. */
  readonly perTenCelsius: number | null;
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
    return findCrossing((lux) => circuit.over(level, lux), range, near);
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
  const { supplyVolts } = project.divider;
  const { lowShare, highShare } = project.source;
  const step = Math.min(0.5, supplyVolts * 0.1);
  const [below, above] = [withVolts(supplyVolts - step), withVolts(supplyVolts + step)];
  const [flatVolts, freshVolts] = [supplyVolts * lowShare, supplyVolts * highShare];
  return {
    perTenCelsius: half.ok && warm.ok ? warm.lux / half.lux : null,
    perVolt: below.ok && above.ok ? (above.lux / below.lux) ** (0.5 / step) : null,
    grades: { min: withGrade('min'), max: withGrade('max') },
    flat: withVolts(flatVolts),
    fresh: withVolts(freshVolts),
    flatVolts,
    freshVolts,
  };
}

function atSupply(project: Project, supplyVolts: number): Project {
  return { ...project, divider: { ...project.divider, supplyVolts } };
}
