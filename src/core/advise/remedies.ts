import isEqual from 'fast-deep-equal/es6/index.js';
import type { Circuitry, Project } from '../project/project';
import { checkProject } from '../project/project';
import type { Edit } from '../project/edits';
import { circuitOf } from '../project/variants';
import { adviseOn } from './advise';
import { findingKey, type FindingCode } from './advice';
import type { Change } from './changes';
import { CornersInTurn } from './corners';
import { editBetween } from './patch';
import { stages } from './stages';
import {
  cures,
  isWorse,
  mayCure,
  total,
  trades,
  tried,
  Trials,
  withFailures,
  type OfWhat,
  type Outcome,
  type Said,
  type Trial,
} from './trials';

/** A change that was tried and improves what it is offered for. */
export interface Remedy {
  /** The circuit that it changes, and the one that it leads to. */
  readonly from: Circuitry;
  readonly to: Circuitry;
  readonly changes: readonly Change[];
  readonly before: Outcome;
  readonly then: Outcome;
  /** Whether what fails at the ends of what it may meet then is counted in: before that nothing is said to be in order. */
  readonly areEndsSolved: boolean;
}

/** The edit that makes a remedy's change. */
export const editTo = ({ from, to }: Remedy): Edit => editBetween(from, to);

/** What was found for a finding: the best change first; none where no change that was tried cures it. */
export interface Cure {
  readonly code: FindingCode;
  /** What the finding is of: there may be several of its code. */
  readonly key: string;
  readonly remedies: readonly Remedy[];
  /**
   * Why there is none: what cannot work comes first, and may be all that stands in its way; or what cures it leaves as much else to look
   * at. `null` where there is one.
   */
  readonly none: 'nothing-found' | 'cannots-first' | 'trades' | null;
}

/** What is worth a look afterwards weighs as much as such a change. */
export const LOOK_COST = 3;
/** Loads that want a switch each. */
export const NOT_TOGETHER: readonly FindingCode[] = ['loads-disagree'];

/** So many changes are offered for one finding. */
const OFFERED = 2;

/** What a search for cures has found, and what takes longer to be told of it. */
export interface CureSearch {
  /** Whether anything fails at the ends of what the design may meet. */
  readonly failsAtEnds: boolean;
  readonly cures: readonly Cure[];
  /** The same cures, with what fails at the ends of what each may meet. */
  readonly whole: () => readonly Cure[];
}

/** Every cure, with all that it leads to: see {@link searchCures}. */
export const curesOf = (project: Project): readonly Cure[] => searchCures(project).whole();

/**
 * For each finding of a design the changes that cure it, each tried on the whole circuit before: the finding is gone, nothing
 * new "cannot work", and the wanted action, light and load stay. Least change first among those that leave least undone.
 */
export function searchCures(project: Project): CureSearch {
  const nothing = { failsAtEnds: false, cures: [], whole: () => [] };
  const start = tried(project);
  if (!start) return nothing;
  const { found } = start;
  const corners = start.outcome.cannots > 0 ? [] : new CornersInTurn(project, found).all;
  const { said, outcome } = withFailures(start, corners);
  const failed = new Set(corners.flatMap((advice) => ('corner' in advice ? [advice.corner] : [])));
  if (said.cannot.size === 0 && said.look.size === 0) return nothing;
  const search = new Trials(project, said, failed, found.thresholds?.boundaries.length ?? 1);
  const after = new Map<Edit, Said | null>();
  let isLate = false;
  for (const stage of stages(project, found, said, (edit) => after.get(edit) ?? null)) {
    for (const candidate of stage()) {
      if (search.isSpent || (isLate && search.isServed)) break;
      after.set(candidate, search.try(candidate(project)));
    }
    // Where loads do not go together no design serves them, and what is only worth a look is worth a single change.
    const isLittle =
      NOT_TOGETHER.some((code) => said.cannot.has(code)) ||
      (said.cannot.size === 0 && (failed.size === 0 || search.holdsAtCorners));
    if (search.isServed || (isLate && isLittle)) break;
    isLate = true;
  }
  const shown = [...adviseOn(project, found).filter(({ step }) => step !== 'measure'), ...corners];
  const wanted = new Map(shown.map((finding) => [findingKey(finding), finding.code]));
  const answers = [...wanted].map(([key, code]) => {
    const trials = chosen(search, said, { code, key });
    return { code, key, trials, none: trials.length > 0 ? null : noneFor(search, said, { code, key }) };
  });
  const from = circuitOf(project);
  const curesWith = (outcomeOf: (trial: Trial) => Pick<Remedy, 'then' | 'areEndsSolved'>) =>
    answers.map(({ trials, ...answer }) => ({
      ...answer,
      remedies: trials.map((trial) => ({
        ...{ from, to: circuitOf(trial.project), changes: trial.changes, before: outcome },
        ...outcomeOf(trial),
      })),
    }));
  return {
    failsAtEnds: corners.length > 0,
    cures: curesWith(({ soFar, areEndsSolved }) => ({ then: soFar, areEndsSolved })),
    whole: () => curesWith(({ whole }) => ({ then: whole, areEndsSolved: true })),
  };
}

/** Why nothing is offered for a finding, where that is so. */
function noneFor({ trials }: Trials, said: Said, of: OfWhat): NonNullable<Cure['none']> {
  if (said.cannot.has(of.code)) return 'nothing-found';
  if (said.cannot.size > 0) return 'cannots-first';
  return trials.some((trial) => trades(said, trial, of)) ? 'trades' : 'nothing-found';
}

/** How far down a trial stands: by what cannot work then, and by its change with what is left to look at. */
interface Rank {
  readonly cannots: number;
  readonly weight: number;
}

const byRank = (one: Rank, other: Rank) => one.cannots - other.cannots || one.weight - other.weight;

/** Whether a trial changes all that another does, and more. */
const isMoreThan = ({ changes: more }: Trial, { changes: less }: Trial) =>
  less.every((change) => more.some((other) => isEqual(other, change)));

/**
 * The trials that cure a finding: first those that leave least undone, then the least change; of equals the one tried first. None that
 * only adds to what a better one does.
 */
function chosen(search: Trials, said: Said, of: OfWhat): readonly Trial[] {
  const rankOf = ({ cost, cannots }: Trial, looks: number): Rank => ({
    cannots,
    weight: cost + LOOK_COST * looks,
  });
  let best: readonly (Rank & { readonly trial: Trial; readonly index: number })[] = [];
  const inOrder = search.trials
    .map((trial, index) => ({ trial, index, ...rankOf(trial, total(trial.between.look)) }))
    .filter(({ trial }) => mayCure(said, trial, of))
    .sort(byRank);
  for (const { trial, index, ...atBest } of inOrder) {
    const last = best.length === OFFERED ? best.at(-1) : undefined;
    // With its ends, which take most of the time, a trial only stands further down.
    if (last && byRank(last, atBest) < 0) break;
    if (!cures(said, trial, of)) continue;
    const rank = { ...rankOf(trial, trial.judged.outcome.looks), trial, index };
    if (last && (byRank(last, rank) || last.index - index) < 0) continue;
    if (!search.canBeKept(trial.project)) continue;
    const sorted = [...best, rank].sort((one, other) => byRank(one, other) || one.index - other.index);
    best = sorted
      .filter(
        (one, place) => !sorted.slice(0, place).some(({ trial: other }) => isMoreThan(one.trial, other)),
      )
      .slice(0, OFFERED);
  }
  return best.map(({ trial }) => trial);
}

/** Whether a change of a project is fit to be offered: one that a file can hold, and after which nothing new "cannot work". */
export function isFit(before: Project, after: Project): boolean {
  if (!checkProject(after).ok) return false;
  const [was, is] = [tried(before), tried(after)];
  return was !== null && is !== null && !isWorse(was.said, is.said);
}
