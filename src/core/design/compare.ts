import { takeDetector, changeOutputStage } from '../project/deciderEdits';
import { takeTransistor, together } from '../project/edits';
import type { Project } from '../project/project';
import { partFor, type TransistorKind } from '../stages/transistors';
import { analyse } from './analyse';
import { changeVerdict } from './changeDetector';
import { chooseDetector } from './chooseDecider';
import { bandGoal, searchNow, DEFAULT_HYSTERESIS, withBand } from './hysteresis';
import { resized } from './mend';
import { stabilityOf } from './steadiness';
import { withAction } from './withAction';

/** The ways of switching that are held side by side. */
export const compareIds = [
  'npn',
  'pnp',
  'darlington',
  'nmos',
  'comparator',
  'hysteresis',
  'timer',
  'controller',
  'window',
  'ladder',
  'change',
] as const;
export type CompareId = (typeof compareIds)[number];

/** What a way cannot do for this goal and load. */
export type Shortcoming =
  | 'not-saturated'
  | 'soft'
  | 'no-band'
  | 'fixed-band'
  | 'needs-firmware'
  | 'different-behaviour'
  | 'out-of-reach'
  | 'drifts';

/** One way of switching, for the same LDR, goal and load: what it gives. */
export interface Compared {
  readonly id: CompareId;
  /** The project made so. */
  readonly project: Project;
  readonly onLux: number | null;
  /** Ratio of turning off to on; 1 for none. */
  readonly bandRatio: number | null;
  /** From 1 % to 90 %, 1 where it snaps. */
  readonly softBand: number | null;
  /** Change of the switching light per 10 °C and per volt, as shares; `null` without an answer. */
  readonly perTenCelsius: number | null;
  readonly perVolt: number | null;
  /** From the weakest to the strongest part, as a ratio of lights; `null` where one does not switch. */
  readonly spreadRatio: number | null;
  /** Parts besides LDR and load, and what flows when the load is off. */
  readonly parts: number;
  readonly idleAmps: number;
  readonly shortcomings: readonly Shortcoming[];
}

const SOFT_RATIO = 1.3;
const NARROW_RATIO = 1.03;
const DRIFT_SHARE = 0.05;

/** The design that a way of switching makes of a project: ready to work for its goal and load. */
export function madeBy(project: Project, id: CompareId): Project {
  const plain = changeOutputStage({ kind: 'direct' })(project);
  switch (id) {
    case 'npn':
    case 'pnp':
    case 'darlington':
    case 'nmos':
      return withTransistor(plain, id);
    case 'hysteresis': {
      const comparator = chooseDetector('comparator')(takeDetector({ kind: 'transistor' })(plain));
      const wanted = comparator.goal.offLux === null ? bandGoal(DEFAULT_HYSTERESIS)(comparator) : comparator;
      return withBand(wanted, searchNow(wanted));
    }
    default:
      return chooseDetector(id)(takeDetector({ kind: 'transistor' })(plain));
  }
}

function withTransistor(project: Project, kind: TransistorKind): Project {
  const analysis = analyse(project);
  const amps = analysis.ok ? analysis.design.drive.fullAmps : 0.02;
  const part = project.driver.kind === kind ? project.driver.part : partFor(kind, amps);
  const taken = takeDetector({ kind: 'transistor' });
  return resized(withAction(part ? together(taken, takeTransistor(part))(project) : taken(project)));
}

/** One row: the way made, solved, and what can be held against it. `null` where its circuit has no solution. */
export function compareOne(project: Project, id: CompareId): Compared | null {
  const made = madeBy(project, id);
  const analysis = analyse(made);
  if (!analysis.ok) return null;
  const { design } = analysis;
  const { thresholds, half, drive, softBandRatio, assembly, sweep } = design;
  const stability = stabilityOf(made, design);
  const { min, max } = stability.grades;
  const spreadRatio = min.ok && max.ok ? Math.max(min.lux, max.lux) / Math.min(min.lux, max.lux) : null;
  const idle = sweep.supplies.map(({ darkAmps, brightAmps }) => (design.action === 'on-in-dark' ? brightAmps : darkAmps)); // prettier-ignore
  const bandRatio = thresholds && !thresholds.isWindow ? thresholds.bandRatio : thresholds ? null : 1;
  const drifts = [stability.perTenCelsius, stability.perVolt].some((ratio) => ratio !== null && Math.abs(ratio - 1) > DRIFT_SHARE); // prettier-ignore
  const isOther = id === 'window' || id === 'ladder' || id === 'change';
  const shortcomings: Shortcoming[] = [];
  if (isOther) shortcomings.push('different-behaviour');
  if (!half.ok && id !== 'change') shortcomings.push('out-of-reach');
  if (id === 'change' && !(changeVerdict(made)?.fires ?? false)) shortcomings.push('out-of-reach');
  if (!drive.saturates) shortcomings.push('not-saturated');
  if (!thresholds && (softBandRatio === null || softBandRatio > SOFT_RATIO)) shortcomings.push('soft');
  if (!isOther && (bandRatio ?? 1) < NARROW_RATIO) shortcomings.push('no-band');
  if (id === 'timer') shortcomings.push('fixed-band');
  if (id === 'controller') shortcomings.push('needs-firmware');
  if (drifts && !isOther) shortcomings.push('drifts');
  return {
    id,
    project: made,
    onLux: half.ok ? half.lux : null,
    bandRatio,
    softBand: softBandRatio,
    perTenCelsius: stability.perTenCelsius === null ? null : stability.perTenCelsius - 1,
    perVolt: stability.perVolt === null ? null : stability.perVolt - 1,
    spreadRatio,
    parts: partCount(assembly.parts, assembly.loads),
    idleAmps: idle.reduce((total, amps) => total + amps, 0),
    shortcomings,
  };
}

/** Parts to buy and solder, without the LDR and the loads with theirs: what is inside an IC does not count. */
function partCount(
  parts: readonly { readonly designator: string; readonly kind: string; readonly role?: string }[],
  loads: readonly {
    readonly designator: string;
    readonly resistor: string | null;
    readonly flyback: string | null;
  }[],
): number {
  const own = new Set(loads.flatMap(({ designator, resistor, flyback }) => [designator, resistor, flyback]));
  return parts.filter(({ designator, kind, role }) => kind !== 'ldr' && role !== 'internal' && !designator.includes('.') && !own.has(designator)).length; // prettier-ignore
}
