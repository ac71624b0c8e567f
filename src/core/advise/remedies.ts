import type { Circuitry, Project } from '../project/project';
import { checkProject } from '../project/project';
import type { Edit } from '../project/edits';
import { circuitOf } from '../project/variants';
import { adviseOn } from './advise';
import { findingKey, type FindingCode } from './advice';
import type { Change } from './changes';
import { cornerAdvice } from './corners';
import { editBetween } from './patch';
import { stages } from './stages';
import {
  cures,
  isWorse,
  trades,
  tried,
  Trials,
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
}

/** The edit that makes a remedy's change. */
export const editTo = ({ from, to }: Remedy): Edit => editBetween(from, to);

/** What was found for a finding: the best change first; none where no change that was tried cures it. */
export interface Cure {
  readonly code: FindingCode;
  /** What the finding is of: there may be several of its code. */
  readonly key: string;
  readonly remedies: readonly Remedy[];
  /** Why there is none: what cannot work comes first, and may be all that stands in its way; or what cures it leaves as much else to look at. */
  readonly none: 'nothing-found' | 'cannots-first' | 'trades';
}

/** What is worth a look afterwards weighs as much as such a change. */
const LOOK_COST = 3;
/** Loads that want a switch each. */
export const NOT_TOGETHER: readonly FindingCode[] = ['loads-disagree', 'sides-disagree'];

/** So many changes are offered for one finding. */
const OFFERED = 2;

/**
 * For each finding of a design the changes that cure it, each tried on the whole circuit before: the finding is gone, nothing
 * new "cannot work", and the wanted action, light and load stay. Least change first among those that leave least undone.
 */
export function curesOf(project: Project): readonly Cure[] {
  const start = tried(project, true);
  if (!start) return [];
  const { said, found, outcome } = start;
  const hasCorners = said.look.has('at-corner');
  if (said.cannot.size === 0 && said.look.size === 0) return [];
  const search = new Trials(project, said, hasCorners, found.thresholds?.boundaries.length ?? 1);
  const after = new Map<Edit, Said['cannot'] | null>();
  let isLate = false;
  for (const stage of stages(project, found, said.cannot, (edit) => after.get(edit) ?? null)) {
    for (const candidate of stage()) {
      if (search.isSpent || (isLate && search.isServed)) break;
      after.set(candidate, search.try(candidate(project)));
    }
    // Where loads do not go together no design serves them, and what is only worth a look is worth a single change.
    const isLittle =
      NOT_TOGETHER.some((code) => said.cannot.has(code)) ||
      (said.cannot.size === 0 && (!hasCorners || search.holdsAtCorners));
    if (search.isServed || (isLate && isLittle)) break;
    isLate = true;
  }
  // "In order" is said of a change only if its supplies may run flat, too.
  const wholes = new Map<Trial, Outcome>();
  const whole = (trial: Trial) => {
    const known = wholes.get(trial) ?? withCornersOf(trial, hasCorners);
    wholes.set(trial, known);
    return known;
  };
  const shown = [...adviseOn(project, found).filter(({ step }) => step !== 'measure'), ...said.corners];
  const wanted = new Map(shown.map((finding) => [findingKey(finding), finding.code]));
  return [...wanted].map(([key, code]) => ({
    code,
    key,
    remedies: chosen(search, said, { code, key }).map((trial) => ({
      from: circuitOf(project),
      to: circuitOf(trial.project),
      changes: trial.changes,
      before: outcome,
      then: whole(trial),
    })),
    none: noneFor(search, said, { code, key }),
  }));
}

/** Why nothing is offered for a finding, where that is so. */
function noneFor({ trials }: Trials, said: Said, of: OfWhat): Cure['none'] {
  if (said.cannot.has(of.code)) return 'nothing-found';
  if (said.cannot.size > 0) return 'cannots-first';
  return trials.some((trial) => trades(said, trial, of)) ? 'trades' : 'nothing-found';
}

/** What a trial comes to, with what fails at the ends of what its supplies may have where that was not seen yet. */
function withCornersOf({ project, outcome, found }: Trial, areSeen: boolean): Outcome {
  if (areSeen || outcome.cannots > 0) return outcome;
  return { ...outcome, looks: outcome.looks + cornerAdvice(project, found).length };
}

/** The trials that cure a finding: first those that leave least undone, then the least change. */
function chosen(search: Trials, said: Said, of: OfWhat): readonly Trial[] {
  const weight = ({ cost, outcome }: Trial) => cost + LOOK_COST * outcome.looks;
  const best: Trial[] = [];
  const inOrder = search.trials
    .filter((trial) => cures(said, trial, of))
    .sort((one, other) => one.outcome.cannots - other.outcome.cannots || weight(one) - weight(other));
  for (const trial of inOrder) {
    if (best.length === OFFERED) break;
    if (search.canBeKept(trial.project)) best.push(trial);
  }
  return best;
}

/** Whether a change of a project is fit to be offered: one that a file can hold, and after which nothing new "cannot work". */
export function isFit(before: Project, after: Project): boolean {
  if (!checkProject(after).ok) return false;
  const [was, is] = [tried(before, false), tried(after, false)];
  return was !== null && is !== null && !isWorse(was.said, is.said);
}
