import type { Project } from '../project/project';
import type { Grade } from '../stages/transistors';
import type { Design } from './analysis';
import { around, findCrossing, type Crossing } from './crossing';
import { LiveCircuit } from './liveCircuit';
import { ROOM_CELSIUS, circuitInput } from './stageInput';

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
 * Each figure is the half-on light of the circuit solved anew under that condition, half of the usual full current being the
 * level throughout; at another supply voltage half of the full current there.
 */
export function stabilityOf(
  project: Project,
  design: Pick<Design, 'ldr' | 'half' | 'drive' | 'range'>,
): Stability {
  const { ldr, half, range, drive } = design;
  const near = half.ok ? around(half.lux, 2, range) : undefined;
  const crossing = (live: LiveCircuit, level: number) =>
    findCrossing((lux) => live.over(level, lux), range, near);
  const defaultLevel = drive.fullAmps / 2;
  const withGrade = (grade: Grade) => crossing(new LiveCircuit(project, ldr, { grade }), defaultLevel);
  const withVolts = (volts: number): Crossing => {
    const other = atSupply(project, volts);
    const live = new LiveCircuit(other, ldr);
    // A lower supply lowers the full current with it: half on is half of that.
    const full = other.loadSupply ? null : live.driver.full(circuitInput(other, 1, 'typical'), ROOM_CELSIUS);
    return crossing(live, full ? full.amps / 2 : defaultLevel);
  };
  const warm = crossing(
    new LiveCircuit(project, ldr, { celsius: ROOM_CELSIUS + WARMER_CELSIUS }),
    defaultLevel,
  );
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
