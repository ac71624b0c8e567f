import { sum } from 'd3-array';
import isEqual from 'fast-deep-equal/es6/index.js';
import { adviseOn } from '../advise/advise';
import type { Advice } from '../advise/advice';
import { cornerSpread, stabilityOf, type CornerSpread, type Stability } from '../analyse/stability';
import { benchOf } from '../analyse/bench';
import { changeVerdict } from '../detectors/change/facts';
import { DEFAULT_HYSTERESIS } from '../detectors/comparator/hysteresis';
import type { InherentShortcoming } from '../detectors/definition';
import { decidingKinds, type DetectorKind } from '../detectors/kinds';
import { defaultDetectors, detectorDefinition, detectorOf } from '../detectors/registry';
import type { Thresholds } from '../detectors/thresholds';
import { transistorKinds, type TransistorKind } from '../drivers/kinds';
import { transistorFor } from '../drivers/registry';
import type { Part } from '../parts/part';
import { changeDetector, changeOutputStage, takeDetector } from '../project/detectorEdits';
import { changeGoal, takeTransistor, together } from '../project/edits';
import type { Project } from '../project/project';
import { judge } from '../readings/judge';
import { bandGoal, searchNow, withBand } from '../size/hysteresis';
import { chooseDetector } from '../size/chooseDetector';
import { resized } from '../size/resize';
import { sizeDesign, type SizedDesign } from '../size/sized';
import { withAction } from '../size/withAction';

/** The ways of switching that are held side by side: each transistor by itself, each detector, and a comparator with feedback. */
export const compareIds = [...transistorKinds, ...decidingKinds, 'hysteresis'] as const;
export type CompareId = (typeof compareIds)[number];

/** What a way cannot do for this goal and load. */
export type Shortcoming =
  | InherentShortcoming
  | 'different-behaviour'
  | 'not-saturated'
  | 'soft'
  | 'no-band'
  | 'misses-off'
  | 'out-of-reach'
  | 'drifts';

/** One way of switching, for the same LDR, goal and load: what it gives. */
export interface Compared {
  readonly id: CompareId;
  /** The project made so. */
  readonly project: Project;
  readonly onLux: number | null;
  /** The one of its lights that the goal is about: mostly where it turns on. */
  readonly goalLux: number | null;
  /** Ratio of turning off to on; 1 for none. */
  readonly bandRatio: number | null;
  /** From 1 % to 90 %, 1 where it snaps. */
  readonly softBand: number | null;
  /** Change of the switching light per 10 °C and per volt, as shares; `null` without an answer. */
  readonly perTenCelsius: number | null;
  /** How far an input offset's drift takes it besides, either way, as a share; `null` without such. */
  readonly driftPerTen: number | null;
  readonly perVolt: number | null;
  /** Where it turns off again; `null` where it never does, or has no light. */
  readonly offLux: number | null;
  /** The switching light at the ends of parts, supply, warmth and tolerance; `null` where it stops switching at one. */
  readonly spread: CornerSpread | null;
  /** Parts of the circuit in the hand, supplies aside; and what flows when the load is off. */
  readonly parts: number;
  readonly idleAmps: number;
  /** The first thing that cannot work in it, and how many there are; `null` where all works. */
  readonly cannot: Advice | null;
  readonly cannots: number;
  /** It asks for another goal or another load than the project has. */
  readonly asksOther: boolean;
  readonly shortcomings: readonly Shortcoming[];
}

const SOFT_RATIO = 1.3;
const NARROW_RATIO = 1.03;
const DRIFT_SHARE = 0.05;

const isTransistor = (id: CompareId): id is TransistorKind => transistorKinds.some((kind) => kind === id);

/** Ways of a comparator: whether with feedback. */
const comparators = { comparator: false, hysteresis: true } as const;
const isComparator = (id: CompareId): id is keyof typeof comparators => id in comparators;

/** The design that a way of switching makes of a project: ready to work for its goal and load. */
export function madeBy(project: Project, id: CompareId): Project {
  if (isTransistor(id)) return withTransistor(changeOutputStage({ kind: 'direct' })(project), id);
  if (isComparator(id)) return withComparator(project, comparators[id]);
  // What the project has already stays as it is, its parts and outputs with it.
  return id === project.detector.kind ? project : started(project, id);
}

/** A way of switching instead of whatever there is, with what follows it where it can have that. */
function started(project: Project, kind: DetectorKind): Project {
  const { takesOutputStage } = detectorDefinition(defaultDetectors[kind]);
  const alone = takesOutputStage ? project : changeOutputStage({ kind: 'direct' })(project);
  return chooseDetector(kind)(takeDetector(defaultDetectors.transistor)(alone));
}

function withComparator(project: Project, wantsBand: boolean): Project {
  const own = detectorOf(project.detector, 'comparator');
  if (own && wantsBand === (own.feedbackOhms !== null)) return project;
  if (!wantsBand)
    return own
      ? resized(changeDetector('comparator', { feedbackOhms: null })(project))
      : fitted(started(project, 'comparator'));
  const comparator = own ? project : started(project, 'comparator');
  const wanted = comparator.goal.offLux === null ? bandGoal(DEFAULT_HYSTERESIS)(comparator) : comparator;
  return withBand(wanted, searchNow(wanted));
}

/** A plain comparator's R1 and reference, fitted together: with the reference in the middle R1 alone comes less near. */
function fitted(project: Project): Project {
  const plain = changeGoal({ offLux: null })(project);
  return withBand(project, searchNow(plain));
}

function withTransistor(project: Project, kind: TransistorKind): Project {
  const sized = sizeDesign(project);
  // Of several outputs each carries the loads once.
  const carried = sized.ok ? sized.design.full.loadAmps.slice(0, project.loads.length) : [0.02];
  const amps = sum(carried);
  const { driver } = project;
  const part = driver.kind === kind ? driver.part : transistorFor(kind, amps);
  const taken = takeDetector(defaultDetectors.transistor);
  return resized(withAction(part ? together(taken, takeTransistor(part))(project) : taken(project)));
}

/** One row: the way made, solved, and what can be held against it. `null` where its circuit has no solution. */
export function compareOne(project: Project, id: CompareId): Compared | null {
  const made = madeBy(project, id);
  const sized = sizeDesign(made);
  if (!sized.ok) return null;
  const { design } = sized;
  const { thresholds, half, softBandRatio, assembly, extremes, action } = design;
  const stability = stabilityOf(made, design);
  const turnOn = thresholds ? thresholds.turnOn : half;
  const idle = extremes.supplies.map(({ darkAmps, brightAmps }) =>
    action === 'on-in-dark' ? brightAmps : darkAmps,
  );
  return {
    id,
    project: made,
    onLux: turnOn.ok ? turnOn.lux : null,
    goalLux: half.ok ? half.lux : null,
    bandRatio: bandOf(thresholds),
    softBand: softBandRatio,
    perTenCelsius: stability.perTenCelsius === null ? null : stability.perTenCelsius - 1,
    driftPerTen: stability.driftPerTen === null ? null : stability.driftPerTen - 1,
    perVolt: stability.perVolt === null ? null : stability.perVolt - 1,
    offLux: offLuxOf(design),
    spread: cornerSpread(made, design, stability),
    parts: inTheHand(assembly.parts).length,
    idleAmps: idle.reduce((total, amps) => total + amps, 0),
    ...troubles(made, design),
    asksOther: !isEqual(wishesOf(project), wishesOf(made)),
    shortcomings: [
      ...(meantBy(made) === meantBy(project) ? [] : ['different-behaviour' as const]),
      ...shortcomingsOf(made, design, stability),
    ],
  };
}

/** What cannot work in a way that was made, its first finding with it. */
function troubles(made: Project, design: SizedDesign): Pick<Compared, 'cannot' | 'cannots'> {
  const said = adviseOn(made, { ...design, judgement: judge(made) }).filter(
    ({ state }) => state === 'cannot',
  );
  return { cannot: said[0] ?? null, cannots: said.length };
}

/** What a goal means to a project's way of switching: one light, a window, steps, a change. */
const meantBy = ({ detector }: Project) => detectorDefinition(detector).goal.lights;

/** What a user has asked for: action, light and loads. */
const wishesOf = ({ goal, loads }: Project) => [goal.action, goal.lux, loads.map(({ kind }) => kind)];

/** So far off, as a ratio, a switching light is told apart from the goal. */
const ON_GOAL = 1.1;

/** Rows by how well they do the job: all works, for the goal and load there are, near the goal, with the fewest drawbacks and parts. */
export function inOrderOfUse(rows: readonly Compared[], wantedLux: number): readonly Compared[] {
  const isOff = ({ goalLux }: Compared) =>
    goalLux === null || Math.max(goalLux / wantedLux, wantedLux / goalLux) > ON_GOAL;
  const key = (row: Compared) => [
    row.cannots > 0 ? 1 : 0,
    row.asksOther || row.shortcomings.includes('different-behaviour') ? 1 : 0,
    isOff(row) ? 1 : 0,
    row.shortcomings.length,
    row.parts,
  ];
  return [...rows].sort((one, other) => {
    const [a, b] = [key(one), key(other)];
    return a.reduce((order, value, index) => order || value - (b[index] ?? 0), 0);
  });
}

const bandOf = (thresholds: Thresholds | null): number | null =>
  thresholds === null ? 1 : thresholds.isWindow ? null : thresholds.bandRatio;

function shortcomingsOf(made: Project, design: SizedDesign, stability: Stability): readonly Shortcoming[] {
  const { half, drive, thresholds, softBandRatio } = design;
  const list: Shortcoming[] = [...detectorDefinition(made.detector).shortcomings];
  const hasOneLight = meantBy(made) === 'one';
  if (!reaches(made, half.ok)) list.push('out-of-reach');
  if (!drive.saturates) list.push('not-saturated');
  if (!thresholds && (softBandRatio === null || softBandRatio > SOFT_RATIO)) list.push('soft');
  if (hasOneLight && (bandOf(thresholds) ?? 1) < NARROW_RATIO) list.push('no-band');
  if (hasOneLight && missesOff(made, design)) list.push('misses-off');
  const drifts = [stability.perTenCelsius, stability.perVolt].some(
    (ratio) => ratio !== null && Math.abs(ratio - 1) > DRIFT_SHARE,
  );
  if (hasOneLight && drifts) list.push('drifts');
  return list;
}

/** The light at which the load is off again: a coil's drop-out, a detector's other light, or where a soft load has gone. */
function offLuxOf({ thresholds, drive, loads, justOff }: SizedDesign): number | null {
  const dropOut = drive.isPullIn ? loads[0]?.lights?.off : undefined;
  const point = dropOut ?? (thresholds ? thresholds.turnOff : justOff);
  return point.ok ? point.lux : null;
}

/** Whether a wanted light to turn off at is far from the one that it has. */
function missesOff({ goal }: Project, design: SizedDesign): boolean {
  const off = offLuxOf(design);
  return goal.offLux !== null && (off === null || Math.abs(Math.log(off / goal.offLux)) > Math.log(ON_GOAL));
}

/** Whether it does its job somewhere: at a light, or on the change that is wanted. */
function reaches(made: Project, hasLight: boolean): boolean {
  const change = detectorOf(made.detector, 'change');
  if (!change) return hasLight;
  const { fires, restVolts } = changeVerdict(change, benchOf(made));
  return fires && restVolts < change.triggerVolts;
}

/** The parts that go onto the board: all but the supplies. */
export const inTheHand = (parts: readonly Part[]): readonly Part[] =>
  parts.filter(({ kind }) => kind !== 'supply');
