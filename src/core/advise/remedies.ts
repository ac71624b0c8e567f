import isEqual from 'fast-deep-equal/es6/index.js';
import type { Project } from '../project/project';
import { checkProject, type Circuitry, type Goal } from '../project/project';
import { editBetween } from './patch';
import type { Edit } from '../project/edits';
import { circuitOf } from '../project/variants';
import { judge } from '../readings/judge';
import { sizeDesign } from '../size/sized';
import { resized } from '../size/resize';
import { withAction } from '../size/withAction';
import { swapLdrSide } from '../project/edits';
import { adviseOn, allAdvice } from './advise';
import type { FindingCode } from './advice';
import { cornerAdvice } from './corners';
import { changesBetween, costOf, type Change } from './changes';
import { editFor } from './fixes';
import {
  baseFitted,
  detectorPlans,
  dividerPlans,
  driverPlans,
  finished,
  seriesFitted,
  supplyPlans,
} from './plans';
import type { Found } from './found';

/** What is said of a design, counted: how often each code says "cannot", and how often "look". */
interface Said {
  readonly cannot: ReadonlyMap<FindingCode, number>;
  readonly look: ReadonlyMap<FindingCode, number>;
}

/** What a design does, in the figures that a change is judged by. */
export interface Outcome {
  /** The light at which the load is half on, or turns on; `null` where it never is. */
  readonly switchLux: number | null;
  readonly guaranteedAmps: number;
  /** Findings that say it cannot work, and those worth a look. */
  readonly cannots: number;
  readonly looks: number;
}

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
  readonly remedies: readonly Remedy[];
}

interface Trial {
  readonly project: Project;
  readonly said: Said;
  readonly found: Found;
  readonly outcome: Outcome;
  readonly changes: readonly Change[];
  readonly cost: number;
}

const total = (counts: ReadonlyMap<FindingCode, number>) =>
  [...counts.values()].reduce((sum, one) => sum + one, 0);

/** A design as far as trials need it; `null` where it has no operating point. */
function tried(
  project: Project,
  withCorners: boolean,
): { readonly said: Said; readonly outcome: Outcome; readonly found: Found } | null {
  const sized = sizeDesign(project);
  if (!sized.ok) return null;
  const found: Found = { ...sized.design, judgement: judge(project) };
  const [cannot, look] = [new Map<FindingCode, number>(), new Map<FindingCode, number>()];
  for (const { step, state, code } of adviseOn(project, found)) {
    // What is said of the readings no part can change.
    if (step === 'measure') continue;
    const counts = state === 'cannot' ? cannot : look;
    counts.set(code, (counts.get(code) ?? 0) + 1);
  }
  if (withCorners && cannot.size === 0) {
    const corners = cornerAdvice(project, found);
    if (corners.length > 0) look.set('at-corner', corners.length);
  }
  const { half, drive } = found;
  const outcome: Outcome = {
    switchLux: half.ok ? half.lux : null,
    guaranteedAmps: drive.guaranteedAmps,
    cannots: total(cannot),
    looks: total(look),
  };
  return { said: { cannot, look }, outcome, found };
}

/** Closer than this, as a share, two lights are one that was rounded. */
const ROUNDED = 0.01;

/** The light to turn off at stays; one that nobody has said, or that lies on the side where it is on, may be put somewhere. */
function keepsOff({ action, lux, offLux: was }: Goal, { offLux: is }: Goal): boolean {
  if (was === null || was === is) return true;
  const isWrong = action === 'on-in-dark' ? was <= lux : was >= lux;
  return isWrong || (is !== null && Math.abs(is / was - 1) < ROUNDED);
}

/** What of a load is a means and not a wish: a change may touch it. */
const MEANS: readonly string[] = ['seriesOhms', 'contactAmps', 'second', 'lowerOhms', 'source'];

/**
 * What a user has said that they want stays: action and lights, loads, what shines on the LDR.
 * @param mayMoveGoal the goal's own light is what is wrong: it does not lie between the two of a beam
 */
function keepsWishes(before: Project, after: Project, mayMoveGoal: boolean): boolean {
  const loadsOf = ({ loads }: Project) =>
    loads.map((load) => Object.fromEntries(Object.entries(load).filter(([key]) => !MEANS.includes(key))));
  return (
    before.goal.action === after.goal.action &&
    (mayMoveGoal || (before.goal.lux === after.goal.lux && keepsOff(before.goal, after.goal))) &&
    before.feedbackLux === after.feedbackLux &&
    isEqual(before.beam, after.beam) &&
    isEqual(loadsOf(before), loadsOf(after))
  );
}

/** So many designs are tried at most. */
const MAX_TRIALS = 600;

class Search {
  private readonly seen = new Set<string>();
  private readonly kept = new Map<Project, boolean>();
  readonly trials: Trial[] = [];

  constructor(
    private readonly start: Project,
    private readonly before: Said,
    private readonly withCorners: boolean,
  ) {
    this.seen.add(JSON.stringify(circuitOf(start)));
  }

  /** Some design is as good as can be hoped for: nothing cannot work; where that was so before, no corner fails or nothing is left to look at. */
  get isServed(): boolean {
    const { cannot, look } = this.before;
    return this.trials.some(
      ({ said, project }) =>
        said.cannot.size === 0 &&
        (cannot.size > 0 || (look.has('at-corner') ? !said.look.has('at-corner') : said.look.size === 0)) &&
        this.canBeKept(project),
    );
  }

  get isSpent(): boolean {
    return this.seen.size > MAX_TRIALS;
  }

  /** Whether a design is one that a file can hold: asked only of what may be offered, for it takes longer than to solve it. */
  canBeKept(project: Project): boolean {
    const known = this.kept.get(project) ?? checkProject(project).ok;
    this.kept.set(project, known);
    return known;
  }

  try(project: Project): void {
    if (this.isSpent) return;
    const key = JSON.stringify(circuitOf(project));
    if (this.seen.has(key)) return;
    this.seen.add(key);
    const mayMoveGoal = this.before.cannot.has('beam-missed') || this.before.cannot.has('edges-reversed');
    if (!keepsWishes(this.start, project, mayMoveGoal)) return;
    const cannots = total(this.before.cannot);
    const result = tried(project, this.withCorners);
    if (!result || result.outcome.cannots > cannots) return;
    const changes = changesBetween(this.start, project);
    this.trials.push({ project, ...result, changes, cost: costOf(changes) });
  }
}

/** Whether something says "cannot" more often than before. */
function isWorse({ cannot: before }: Pick<Said, 'cannot'>, { cannot }: Pick<Said, 'cannot'>): boolean {
  return [...cannot].some(([code, count]) => count > (before.get(code) ?? 0));
}

/** Whether a change of a project is fit to be offered: one that a file can hold, and after which nothing new "cannot work". */
export function isFit(before: Project, after: Project): boolean {
  if (!checkProject(after).ok) return false;
  const [was, is] = [tried(before, false), tried(after, false)];
  return was !== null && is !== null && !isWorse(was.said, is.said);
}

/** Whether nothing says "cannot" more often than before, and a finding is said less often. */
function cures(before: Said, { said }: Trial, code: FindingCode): boolean {
  if (isWorse(before, said)) return false;
  const isCannot = before.cannot.has(code);
  const countOf = (of: Said) => (of.cannot.get(code) ?? 0) + (of.look.get(code) ?? 0);
  if (isCannot) return (said.cannot.get(code) ?? 0) < (before.cannot.get(code) ?? 0);
  return countOf(said) < countOf(before) && total(said.look) < total(before.look);
}

/** What is worth a look afterwards weighs as much as such a change. */
const LOOK_COST = 3;
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
  const search = new Search(project, said, hasCorners);
  let isLate = false;
  for (const stage of stages(project, found)) {
    for (const candidate of stage()) {
      if (search.isSpent || (isLate && search.isServed)) break;
      const next = candidate(project);
      search.try(next);
    }
    // Where no supply suits all loads no design does, and what is only worth a look is worth a single change.
    const isLittle = said.cannot.has('loads-disagree') || (said.cannot.size === 0 && !hasCorners);
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
  const shown = adviseOn(project, found).filter(({ step }) => step !== 'measure');
  const codes = [
    ...new Set([...shown.map(({ code }) => code), ...(hasCorners ? (['at-corner'] as const) : [])]),
  ];
  return codes.map((code) => ({
    code,
    remedies: chosen(search, said, code).map((trial) => ({
      from: circuitOf(project),
      to: circuitOf(trial.project),
      changes: trial.changes,
      before: outcome,
      then: whole(trial),
    })),
  }));
}

/** What a trial comes to, with what fails at the ends of what its supplies may have where that was not seen yet. */
function withCornersOf({ project, outcome, found }: Trial, areSeen: boolean): Outcome {
  if (areSeen || outcome.cannots > 0) return outcome;
  return { ...outcome, looks: outcome.looks + cornerAdvice(project, found).length };
}

/** The trials that cure a finding: first those that leave least undone, then the least change. */
function chosen(search: Search, said: Said, code: FindingCode): readonly Trial[] {
  const weight = ({ cost, outcome }: Trial) => cost + LOOK_COST * outcome.looks;
  const best: Trial[] = [];
  const inOrder = search.trials
    .filter((trial) => cures(said, trial, code))
    .sort((one, other) => one.outcome.cannots - other.outcome.cannots || weight(one) - weight(other));
  for (const trial of inOrder) {
    if (best.length === OFFERED) break;
    if (search.canBeKept(trial.project)) best.push(trial);
  }
  return best;
}

/** Changes to try, the least first; each stage is only begun where those before it leave something that cannot work. */
function* stages(project: Project, found: Found): Generator<() => Generator<Edit>> {
  const proposed = allAdvice(project, found).flatMap(({ fix }) => (fix ? [editFor(fix)] : []));
  yield function* () {
    yield* proposed;
    yield resized;
    yield seriesFitted;
    yield baseFitted;
    yield (p) => resized(withAction(p));
    yield (p) => resized(swapLdrSide(p));
    yield finished;
    yield (p) => finished(baseFitted(p));
  };
  const [supplies, drivers, detectors, dividers] = [
    supplyPlans(project),
    driverPlans(project),
    detectorPlans(project),
    dividerPlans(project),
  ];
  const ended =
    (...plans: Edit[]): Edit =>
    (p) =>
      finished(baseFitted(plans.reduce((design, plan) => plan(design), p)));
  yield function* () {
    for (const plan of [...dividers, ...drivers, ...detectors, ...supplies]) yield ended(plan);
    for (const fix of proposed) yield ended(fix);
  };
  const pairs = (ones: readonly Edit[], others: readonly Edit[]) =>
    ones.flatMap((one) => others.map((other) => ended(one, other)));
  yield function* () {
    yield* pairs(proposed, dividers);
    yield* pairs(detectors, drivers);
    yield* pairs(supplies, drivers);
    yield* pairs(supplies, detectors);
    yield* pairs(supplies, dividers);
    yield* pairs(detectors, dividers);
  };
  yield function* () {
    for (const last of [...drivers, ...dividers])
      for (const detector of detectors) for (const supply of supplies) yield ended(supply, detector, last);
  };
}
