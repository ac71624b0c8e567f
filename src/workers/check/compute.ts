import { knownFrom, sharpened, unmeasured, type Known, type Sharpened } from '@/core/points/adopt';
import { resistancesBy } from '@/core/points/adoptions';
import { switchesAt, type KnownLight } from '@/core/points/switchesAt';
import { BuildBench } from '@/core/spread/bench';
import { keyOf, type Fault } from '@/core/faults/fault';
import { diagnose, type Diagnosis, type Finder } from '@/core/faults/finder';
import { firstGroups, rankedGroups } from '@/core/faults/groups';
import { HiddenFault } from '@/core/faults/hidden/hiddenFault';
import { probesOf, testBench, type TestBench } from '@/core/faults/predict';
import { probeKey, type Answer, type Probe } from '@/core/faults/probe';
import { asFound } from '@/core/faults/makingSure';
import { hiddenFaultOf, type PracticeLevel } from '@/core/faults/hidden/practice';
import { searchFor } from '@/core/faults/hidden/search';
import { seenBy, weighedBy } from '@/core/faults/symptoms';
import { answersFrom, BAND_DRAWS, standingOf, testPointsOf, type TestPoint } from '@/core/points/testPoints';
import type { TestLight } from '@/core/faults/testLights';
import { turnFrom, trimsOf, type Turn } from '@/core/points/trim';
import { analyse, type Design } from '@/core/design';
import { uniforms } from '@/core/numeric/random';
import type { CheckSettings, Symptom } from '@/core/project/built/checkSettings';
import type { Project } from '@/core/project/project';
import type { Net } from '@/core/parts/base';
import { toleranceOf } from '@/core/series/stock';
import type { Compute } from '../protocol';
import {
  begin,
  finderFor,
  ownLights,
  type Begun,
  type Checked,
  type FindQuestion,
  type Helper,
} from './table';

/** What a sound circuit shows, and how its trimmers are to be turned. */
export interface Points {
  readonly points: readonly TestPoint[];
  readonly lights: readonly TestLight[];
  readonly nets: readonly Net[];
  readonly loads: number;
  readonly trims: readonly TrimLine[];
  /** What was measured of those, and what it says of the parts. */
  readonly answers: readonly Answer[];
  readonly known: readonly Sharpened[] | null;
  /** Where it turns on by all of that, and by the parts' spread alone; `null` where nothing was measured, something is out of its band, or it never does. */
  readonly light: { readonly before: KnownLight; readonly after: KnownLight } | null;
}

export interface TrimLine {
  readonly designator: string;
  readonly net: Net;
  readonly lux: number;
  readonly targetVolts: number;
  /** Its voltage hardly moves there: the load itself is what to go by. */
  readonly isStill: boolean;
  /** It can be set so. */
  readonly isReached: boolean;
  /** From the voltage that was measured; `null` where none was, or no setting gives it. */
  readonly turn: Turn | null;
}

/** A question about test points. @param trimVolts what was measured where each trimmer is set by, by designator */
export interface PointsQuestion extends Checked {
  readonly trimVolts: Readonly<Record<string, number>>;
}

/** What a sound circuit shows at every point; `null` where the circuit has no operating point. */
export const computePoints: Compute<PointsQuestion, Points | null> = async ({
  project,
  meter,
  trimVolts,
}) => {
  const analysis = analyse(project);
  if (!analysis.ok) return Promise.resolve(null);
  const bench = testBench(project, analysis.design, meter, ownLights(project), BAND_DRAWS);
  const probes = probesOf(bench, []);
  const answers = asFound(bench, answersFrom(probes, project.check.answers));
  const trims = trimsOf(project, analysis.design, bench).map((trim): TrimLine => {
    const { designator, net, lux, targetVolts, isStill } = trim;
    const volts = trimVolts[designator];
    const turn = volts === undefined ? null : turnFrom(trim, volts);
    const isReached = trim.shareAt(targetVolts) !== null;
    return { designator, net, lux, targetVolts, isStill, isReached, turn };
  });
  const points = testPointsOf(bench, probes);
  const { assembly } = analysis.design;
  const alone = resistancesBy(meter, assembly, points, answers, toleranceOf(project.resistors));
  const known = knownFrom(bench, answers, alone);
  return Promise.resolve({
    points,
    lights: bench.lights,
    nets: bench.setup.nets,
    loads: bench.seenBy.length,
    trims,
    answers,
    known: sharpened(known),
    light: known && isSound(points, answers) ? lightsFrom(project, analysis.design, known) : null,
  });
};

/** Whether every figure that was measured is one that a sound build may show. */
function isSound(points: readonly TestPoint[], answers: readonly Answer[]): boolean {
  const byKey = new Map(points.map((point) => [point.key, point]));
  return answers.every(({ probe, value }) => {
    const point = byKey.get(probeKey(probe));
    return !point || standingOf(point, value) !== 'out';
  });
}

/** Where a design turns on, as the parts' spread has it and as its build is known. */
function lightsFrom(project: Project, design: Design, known: Known): Points['light'] {
  const builds = new BuildBench(project, design, known.factors);
  const before = switchesAt(builds, unmeasured(known.factors));
  const after = switchesAt(builds, known);
  return before && after && { before, after };
}

/** What is found so far, without the table that it comes from. */
export interface Found extends Pick<Diagnosis, 'groups' | 'next' | 'isSure'> {
  /** Every fault is solved; else it is ranked by how often each happens, and nothing is proposed yet. */
  readonly isWhole: boolean;
  readonly lights: readonly TestLight[];
  readonly loads: number;
  readonly probes: readonly Probe[];
  /** What was counted, symptoms among it. */
  readonly answers: readonly Answer[];
  /** What each of `next` should find if the likeliest is what is wrong; `null` where there is no telling. Shape: next */
  readonly expected: readonly (number | null)[];
}

/** So many groups are told, and proposals. */
const TOLD = { groups: 12, next: 8 } as const;

/** The same table with other shares before anything is measured. */
function withSymptoms(finder: Finder, symptoms: readonly Symptom[]): Finder {
  return { ...finder, table: { ...finder.table, faults: weighedBy(finder.table.faults, symptoms) } };
}

function answersOf(
  bench: TestBench,
  probes: readonly Probe[],
  check: CheckSettings,
  onInDark: boolean,
): readonly Answer[] {
  const measured = answersFrom(probes, check.answers);
  return asFound(bench, [...seenBy(bench, check.symptoms, onInDark, measured), ...measured]);
}

/** The ranking before anything is measured or seen, which needs no fault solved; `null` where something was. */
function beforeAny({ project }: FindQuestion, { bench, faults, probes, onInDark }: Begun): Found | null {
  if (project.check.symptoms.length > 0) return null;
  const answers = answersOf(bench, probes, project.check, onInDark);
  if (answers.length > 0) return null;
  const table = { bench, faults, probes, rows: faults.map(() => null) };
  const each = Int32Array.from(faults, (_, at) => at);
  const groups = rankedGroups(table, each, {
    shares: Float64Array.from(faults, ({ prior }) => prior),
    weights: [],
  });
  return {
    ...{ isWhole: false, isSure: false, next: [], expected: [], answers, probes },
    groups: firstGroups(groups, TOLD.groups),
    lights: bench.lights,
    loads: bench.seenBy.length,
  };
}

/** What is wrong as far as is known, and what to do next; `null` where the circuit has no operating point. */
export async function computeFind(
  question: FindQuestion,
  onProgress: (share: number) => void,
  onSofar: (found: Found) => void = () => undefined,
  helpers: readonly Helper[] = [],
): Promise<Found | null> {
  const begun = begin(question);
  const before = begun && beforeAny(question, begun);
  if (before) onSofar(before);
  const made = await finderFor(question, onProgress, helpers);
  if (!made) return null;
  const { check } = question.project;
  const finder = withSymptoms(made.finder, check.symptoms);
  const { bench, probes } = finder.table;
  const answers = answersOf(bench, probes, check, made.onInDark);
  const { groups, next, isSure, expected } = diagnose(finder, answers);
  return {
    isWhole: true,
    groups: firstGroups(groups, TOLD.groups),
    next: next.slice(0, TOLD.next),
    isSure,
    lights: bench.lights,
    loads: bench.seenBy.length,
    probes,
    answers,
    expected: next.slice(0, TOLD.next).map(({ probe }) => expected(probe)),
  };
}

/** A circuit with a fault hidden in it, and what is asked of it. */
export interface PracticeQuestion extends FindQuestion {
  readonly seed: number;
  readonly level: PracticeLevel;
  /** Kinds of fault that this user has had. */
  readonly had: readonly string[];
  /** Probes made before, and the one to be made now; `null` to begin. */
  readonly asked: readonly Probe[];
  /** It is given away, with the way that the program would have gone. */
  readonly isOver: boolean;
}

export interface Practised {
  readonly lights: readonly TestLight[];
  readonly loads: number;
  readonly probes: readonly Probe[];
  readonly answers: readonly Answer[];
  /** Every fault that may be meant, those that no measurement tells apart by one. */
  readonly choices: readonly { readonly key: string; readonly members: readonly Fault[] }[];
  /** Given away: the fault, its group's key, and the program's own probes. */
  readonly solution: {
    readonly fault: Fault;
    readonly key: string;
    readonly path: readonly Answer[];
    readonly foundIt: boolean;
  } | null;
}

/** The program gives up after so many probes. */
const PATH_PROBES = 12;

/** One step of practice. The same seed hides the same fault and answers the same way. */
export async function computePractice(
  question: PracticeQuestion,
  onProgress: (share: number) => void,
  helpers: readonly Helper[] = [],
): Promise<Practised | null> {
  const made = await finderFor(question, onProgress, helpers);
  if (!made) return null;
  const { finder } = made;
  const { table, group } = finder;
  const { seed, level, had, asked, isOver } = question;
  const hidden = hiddenFaultOf(finder, level, new Set(had), uniforms(seed, 7));
  if (!hidden) return null;
  const bench = new HiddenFault(table.bench, hidden.fault, seed);
  const answers = asked.flatMap((probe) => bench.answer(probe) ?? []);
  const byGroup = new Map<number, Fault[]>();
  table.faults.forEach(({ fault }, at) => {
    if (fault.kind === 'unlisted') return;
    const number = group[at] ?? at;
    byGroup.set(number, [...(byGroup.get(number) ?? []), fault]);
  });
  const choices = [...byGroup].map(([number, members]) => ({ key: String(number), members }));
  const own = table.faults.findIndex(({ fault }) => keyOf(fault) === keyOf(hidden.fault));
  const solution = () => {
    const search = searchFor(finder, new HiddenFault(table.bench, hidden.fault, seed), PATH_PROBES);
    const first = search.diagnosis.groups[0]?.members ?? [];
    return {
      fault: hidden.fault,
      key: String(group[own] ?? own),
      path: search.answers,
      foundIt: first.some(({ fault }) => keyOf(fault.fault) === keyOf(hidden.fault)),
    };
  };
  return {
    lights: table.bench.lights,
    loads: table.bench.seenBy.length,
    probes: table.probes,
    answers,
    choices,
    solution: isOver ? solution() : null,
  };
}
