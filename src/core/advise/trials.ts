import { detectorDefinition } from '../detectors/registry';
import { judge } from '../readings/judge';
import type { Project } from '../project/project';
import { canBecome } from '../project/project';
import { circuitOf } from '../project/variants';
import { sizeDesign } from '../size/sized';
import { adviseOn } from './advise';
import { findingKey, type Advice, type CornerPlace, type FindingCode, type Found } from './advice';
import { changesBetween, costOf, type Change } from './changes';
import { CornersInTurn } from './corners';
import { keepsWishes } from './wishes';

/** What is said of a design, counted: how often each code says "cannot", and how often "look". */
export interface Said {
  readonly cannot: ReadonlyMap<FindingCode, number>;
  readonly look: ReadonlyMap<FindingCode, number>;
  /** Of both, by what each is of. */
  readonly keys: ReadonlyMap<string, number>;
}

/** What a design does, in the figures that a change is judged by. */
export interface Outcome {
  /** The light at which the load is half on, or turns on; `null` where it never is. */
  readonly switchLux: number | null;
  /** `false` for what hears changes: it has no light of its own, and switches all the same. */
  readonly hasLight: boolean;
  readonly guaranteedAmps: number;
  /** Findings that say it cannot work, and those worth a look. */
  readonly cannots: number;
  readonly looks: number;
}

/** A design as it was judged: what is said of it, and what it does. */
export interface Judged {
  readonly said: Said;
  readonly outcome: Outcome;
}

/** How often anything is said. */
export const total = (counts: ReadonlyMap<FindingCode, number>) =>
  [...counts.values()].reduce((sum, one) => sum + one, 0);

/** A design as far as trials need it; `null` where it has no operating point. */
export function tried(project: Project): (Judged & { readonly found: Found }) | null {
  const sized = sizeDesign(project);
  if (!sized.ok) return null;
  const found: Found = { ...sized.design, judgement: judge(project) };
  const [cannot, look] = [new Map<FindingCode, number>(), new Map<FindingCode, number>()];
  const keys = new Map<string, number>();
  for (const advice of adviseOn(project, found)) {
    // What is said of the readings no part can change.
    if (advice.step === 'measure') continue;
    addTo(advice.state === 'cannot' ? cannot : look, advice.code);
    addTo(keys, findingKey(advice));
  }
  const { half, drive } = found;
  const outcome: Outcome = {
    switchLux: half.ok ? half.lux : null,
    hasLight: detectorDefinition(project.detector).goal.lights !== 'start',
    guaranteedAmps: drive.guaranteedAmps,
    cannots: total(cannot),
    looks: total(look),
  };
  return { said: { cannot, look, keys }, outcome, found };
}

/** What is judged of a design, with what fails at ends of what it may meet. */
export function withFailures({ said, outcome }: Judged, failures: readonly Advice[] = []): Judged {
  if (failures.length === 0) return { said, outcome };
  const [look, keys] = [new Map(said.look), new Map(said.keys)];
  for (const failure of failures) {
    addTo(look, failure.code);
    addTo(keys, findingKey(failure));
  }
  return {
    said: { ...said, look, keys },
    outcome: { ...outcome, looks: outcome.looks + failures.length },
  };
}

function addTo<K>(counts: Map<K, number>, key: K) {
  counts.set(key, (counts.get(key) ?? 0) + 1);
}

/** A design that was tried, with what is said of it and what leads to it. The ends of what it may meet are solved as they are asked for. */
export class Trial {
  readonly changes: readonly Change[];
  readonly cost: number;
  private readonly corners: CornersInTurn | null;
  private least: Said | null = null;
  private atEnds: Judged | null = null;

  /** @param first ends at which what it comes from fails: nothing is asked of ends where there are none */
  constructor(
    start: Project,
    readonly project: Project,
    private readonly result: Judged & { readonly found: Found },
    private readonly first: ReadonlySet<CornerPlace['corner']>,
  ) {
    this.changes = changesBetween(start, project);
    this.cost = costOf(this.changes);
    this.corners = result.outcome.cannots > 0 ? null : new CornersInTurn(project, result.found, first);
  }

  get cannots(): number {
    return this.result.outcome.cannots;
  }

  /** What is said of it where nothing is at an end. */
  get between(): Said {
    return this.result.said;
  }

  /** What is said of it at the least: of its ends no more than the first where it fails. */
  get atLeast(): Said {
    this.least ??=
      this.first.size > 0 ? withFailures(this.result, this.corners?.first).said : this.result.said;
    return this.least;
  }

  /** What is said of it, and of its ends where that is asked. */
  get judged(): Judged {
    this.atEnds ??= this.first.size > 0 ? withFailures(this.result, this.corners?.all) : this.result;
    return this.atEnds;
  }

  /** What it comes to, as far as that is known; and whether its ends are counted in. */
  get soFar(): Outcome {
    return this.judged.outcome;
  }

  get areEndsSolved(): boolean {
    return this.corners === null || this.first.size > 0;
  }

  /** What it comes to with its ends: "in order" is said of it only if its supplies may run flat, too. */
  get whole(): Outcome {
    return withFailures(this.result, this.corners?.all).outcome;
  }
}

/** Findings of the goal itself: nothing else is cured by another one. */
const OF_THE_GOAL: readonly FindingCode[] = ['beam-missed', 'beam-beside-window', 'edges-reversed'];
/** Findings of the load's own light, up to which it cannot turn off at the light that was said. */
const OF_THE_OFF: readonly FindingCode[] = ['feedback-light'];

/**
 * So many designs are tried at most, of a detector with one edge or two; of one with more so many fewer as each takes longer. What is
 * only worth a look is cured by one of the first, or by none.
 */
const MAX_TRIALS = 600;
const MAX_LOOK_TRIALS = 200;
const USUAL_EDGES = 2;

/** The designs that were tried for one project, each once. */
export class Trials {
  private readonly seen = new Set<string>();
  private readonly kept = new Map<Project, boolean>();
  private readonly maxTrials: number;
  readonly trials: Trial[] = [];

  constructor(
    private readonly start: Project,
    private readonly before: Said,
    private readonly first: ReadonlySet<CornerPlace['corner']>,
    edges: number,
  ) {
    const most = before.cannot.size > 0 ? MAX_TRIALS : MAX_LOOK_TRIALS;
    this.maxTrials = (most * USUAL_EDGES) / Math.max(USUAL_EDGES, edges);
    this.seen.add(JSON.stringify(circuitOf(start)));
  }

  /** Some design is as good as can be hoped for: nothing cannot work; where that was so before, nothing is left to look at. */
  get isServed(): boolean {
    const isTroubled = this.before.cannot.size > 0;
    return this.trials.some(
      (trial) =>
        trial.cannots === 0 &&
        (isTroubled || (trial.between.look.size === 0 && trial.atLeast.look.size === 0)) &&
        this.canBeKept(trial.project),
    );
  }

  /** Some design holds where this one fails at an end of what it may meet. */
  get holdsAtCorners(): boolean {
    return this.trials.some(
      ({ cannots, atLeast, project }) =>
        cannots === 0 && !atLeast.look.has('at-corner') && this.canBeKept(project),
    );
  }

  get isSpent(): boolean {
    return this.seen.size > this.maxTrials;
  }

  /** Whether a design is one that a file can hold: asked only of what may be offered, for it takes longer than to solve it. */
  canBeKept(project: Project): boolean {
    const known = this.kept.get(project) ?? canBecome(circuitOf(this.start), circuitOf(project));
    this.kept.set(project, known);
    return known;
  }

  /** @returns what is said of it; `null` where it has been tried before, or is no answer */
  try(project: Project): Said | null {
    if (this.isSpent) return null;
    const key = JSON.stringify(circuitOf(project));
    if (this.seen.has(key)) return null;
    this.seen.add(key);
    const { cannot, look } = this.before;
    const may = {
      moveGoal: OF_THE_GOAL.some((code) => cannot.has(code)),
      moveOff: OF_THE_OFF.some((code) => cannot.has(code)),
      showAll: cannot.has('dot-smears') || look.has('dot-smears'),
    };
    if (!keepsWishes(this.start, project, may)) return null;
    const cannots = total(this.before.cannot);
    const result = tried(project);
    if (!result) return null;
    if (result.outcome.cannots <= cannots)
      this.trials.push(new Trial(this.start, project, result, this.first));
    return result.said;
  }
}

/** Whether something says "cannot" more often than before. */
export function isWorse({ cannot: before }: Pick<Said, 'cannot'>, { cannot }: Pick<Said, 'cannot'>): boolean {
  return [...cannot].some(([code, count]) => count > (before.get(code) ?? 0));
}

/** A finding: its code, and what it is of. */
export interface OfWhat {
  readonly code: FindingCode;
  readonly key: string;
}

const mayMoveOff = (code: FindingCode) => [...OF_THE_GOAL, ...OF_THE_OFF].includes(code);

/** Whether nothing says "cannot" more often than before, and a finding is said less often. */
function isLess(before: Said, after: Said, { code, key }: OfWhat): boolean {
  const countOf = (said: Said) => (said.cannot.get(code) ?? 0) + (said.look.get(code) ?? 0);
  if (isWorse(before, after)) return false;
  // Another one of the same code may be gone in its place.
  if ((after.keys.get(key) ?? 0) >= (before.keys.get(key) ?? 0)) return false;
  if (before.cannot.has(code)) return (after.cannot.get(code) ?? 0) < (before.cannot.get(code) ?? 0);
  return countOf(after) < countOf(before) && total(after.look) < total(before.look);
}

/** Whether a finding is said less often where nothing is at an end, and the goal stays where it is not what is wrong. */
export function mayCure(before: Said, trial: Trial, of: OfWhat): boolean {
  if (!OF_THE_GOAL.includes(of.code) && trial.changes.some((change) => change.code === 'goal')) return false;
  if (!mayMoveOff(of.code) && trial.changes.some((change) => change.code === 'move-off')) return false;
  return isLess(before, trial.between, of);
}

/** Whether a change cures a finding at the ends of what the design may meet as well. */
export function cures(before: Said, trial: Trial, of: OfWhat): boolean {
  // What is said only grows with its ends, and they take most of the time.
  return (
    mayCure(before, trial, of) && isLess(before, trial.atLeast, of) && isLess(before, trial.judged.said, of)
  );
}

/** Whether what is only worth a look is cured at the price of something else to look at: not offered, for that may lead in a circle. */
export function trades(before: Said, trial: Trial, { code, key }: OfWhat): boolean {
  if (before.cannot.has(code)) return false;
  if (trial.changes.some((change) => change.code === 'goal' || change.code === 'move-off')) return false;
  const isGone = (said: Said) =>
    !isWorse(before, said) &&
    (said.keys.get(key) ?? 0) < (before.keys.get(key) ?? 0) &&
    !said.cannot.has(code);
  return isGone(trial.between) && isGone(trial.atLeast) && isGone(trial.judged.said);
}
