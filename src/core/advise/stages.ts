import { sort as sortBy, sum } from 'd3-array';
import { loadDefinition } from '../loads/registry';
import { swapLdrSide, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { resized } from '../size/resize';
import { withAction } from '../size/withAction';
import type { FindingCode, Fix, Found } from './advice';
import { adviseOn, allAdvice } from './advise';
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
import { total, tried, type Said } from './trials';

/** What is said after a change; `null` where that is not known: it was not tried, or changes nothing new. */
export type SaidAfter = (edit: Edit) => Said | null;

/** A change that a plan alone makes, brought to its end; plans that go well together are found by what each does alone. */
interface Single {
  readonly plan: Edit;
  readonly alone: Edit;
}

/**
 * Changes to try, the least first; each stage is only begun where those before it leave something that cannot work. Of changes
 * that are made together those come first of which one cures what the other leaves.
 */
export function* stages(
  project: Project,
  found: Found,
  before: Said,
  after: SaidAfter,
): Generator<() => Iterable<Edit>> {
  const { cannot: cannots } = before;
  const advised = allAdvice(project, found).flatMap(({ code, fix }) => (fix ? [{ code, fix }] : []));
  const fixes = advised.flatMap(({ fix }) => variantsOf(fix, project));
  const singleOf = (plan: Edit): Single => {
    const kept = keptFrom(project, plan);
    return { plan: kept, alone: ended([kept]) };
  };
  const proposals = advised.map(({ code, fix }) => ({
    code,
    singles: variantsOf(fix, project).map((variant) => singleOf(editFor(variant))),
  }));
  // A switch that tells the two lights of a beam apart may have to be another one, and its goal lies between them.
  const goals = fixes
    .filter(({ kind }) => kind === 'goal-for-beam')
    .slice(0, 1)
    .map((fix) => singleOf(editFor(fix)));
  const mains = proposals.flatMap(({ singles }) => singles.slice(0, 1));
  const first = [
    ...mains.map(({ plan }) => plan),
    resized,
    seriesFitted,
    baseFitted,
    (p: Project) => resized(withAction(p)),
    (p: Project) => resized(swapLdrSide(p)),
    finished,
    (p: Project) => finished(baseFitted(p)),
  ];
  // What is like a fix is only tried where that does not do.
  const likeThem = () =>
    proposals.flatMap(({ code, singles }) =>
      isCured(code, before, singles[0] && after(singles[0].plan)) ? [] : singles.slice(1),
    );
  yield function* () {
    yield* first;
    yield* likeThem().map(({ plan }) => plan);
  };
  const proposed = [...mains, ...likeThem()];
  const [supplies, drivers, detectors, dividers] = [
    supplyPlans(project).map(singleOf),
    driverPlans(project).map(singleOf),
    detectorPlans(project).map(singleOf),
    dividerPlans(project).map(singleOf),
  ];
  const modules = hasOtherInput(project) ? [singleOf(editFor({ kind: 'module-input' }))] : [];
  const alone = [...dividers, ...drivers, ...detectors, ...supplies, ...proposed].map(
    (single) => single.alone,
  );
  yield () => alone;
  yield () =>
    thenOwnFixes(project, cannots, [...first, ...proposed.map(({ plan }) => plan), ...alone], after);
  const likeliest = (groups: readonly (readonly Single[])[]) =>
    sortBy(groups, (singles) => leftAfter(cannots, singles, after)).map((singles) =>
      ended(singles.map(({ plan }) => plan)),
    );
  const pairs = (ones: readonly Single[], others: readonly Single[]) =>
    ones.flatMap((one) => others.map((other) => [one, other]));
  const several = [
    ...likeliest([
      ...pairs(proposed, dividers),
      ...pairs(detectors, drivers),
      ...pairs(supplies, drivers),
      ...pairs(supplies, detectors),
      ...pairs(supplies, dividers),
      ...goals.flatMap((goal) => [
        ...pairs([...supplies, ...drivers, ...detectors], [goal]),
        ...pairs(supplies, drivers).map((singles) => [...singles, goal]),
        ...pairs(detectors, drivers).map((singles) => [...singles, goal]),
        ...pairs(supplies, detectors).map((singles) => [...singles, goal]),
      ]),
      // Where the side that a module's input wants cannot be switched on the supply that it needs, the input is another one.
      ...modules.flatMap((module) => [
        ...pairs([...supplies, ...drivers], [module]),
        ...pairs(supplies, drivers).map((singles) => [...singles, module]),
      ]),
      ...pairs(detectors, dividers),
      ...[...drivers, ...dividers].flatMap((last) =>
        pairs(supplies, detectors).map((singles) => [...singles, last]),
      ),
    ]),
    // What is where it is wanted may leave it when it is put on its goal anew.
    ...pairs(detectors, drivers).map((singles) => together(...singles.map(({ plan }) => plan))),
  ];
  yield () => several;
  yield () => thenOwnFixes(project, cannots, several, after);
}

/** Whether nothing of a finding is left after a change, and less in all. */
function isCured(code: FindingCode, before: Said, said: Said | null | undefined): boolean {
  if (!said || said.cannot.has(code) || said.look.has(code)) return false;
  return total(said.cannot) < total(before.cannot) || total(said.look) < total(before.look);
}

/** Of so many changes that leave least undone what is left is looked at. */
const NEAREST = 8;

/** What was so before counts half as much again: its own fix has been tried. */
const OLD_SHARE = 0.5;

/** Changes that leave something which has a fix of its own, each with that fix: those first that leave least. */
function* thenOwnFixes(
  project: Project,
  before: ReadonlyMap<FindingCode, number>,
  edits: readonly Edit[],
  after: SaidAfter,
): Generator<Edit> {
  const tries = edits.flatMap((edit) => {
    const cannots = after(edit)?.cannot;
    if (!cannots || cannots.size === 0) return [];
    const old = sum(cannots, ([code, count]) => Math.min(count, before.get(code) ?? 0));
    return [{ edit, left: total(cannots) + OLD_SHARE * old }];
  });
  for (const { edit } of sortBy(tries, ({ left }) => left).slice(0, NEAREST)) {
    const design = edit(project);
    const found = tried(design)?.found;
    if (!found) continue;
    for (const { state, fix } of adviseOn(design, found))
      if (state === 'cannot' && fix)
        for (const variant of variantsOf(fix, project)) yield (p) => editFor(variant)(edit(p));
  }
}

/** A band may be had with the parts in stock where one that is a little narrower or wider may not. */
const BAND_TIMES = [1, 0.5, 2] as const;

/** A fix, and those like it that may do where it does not. */
function variantsOf(fix: Fix, project: Project): readonly Fix[] {
  // A module's input may be the other one, where the side that is switched cannot.
  if ((fix.kind === 'switch-side' || fix.kind === 'output-rail') && hasOtherInput(project))
    return [fix, { kind: 'module-input' }];
  if (fix.kind === 'module-input')
    return [fix, { ...fix, input: fix.input === 'active-low' ? 'active-high' : 'active-low' }];
  if (fix.kind !== 'edge-band' && fix.kind !== 'add-hysteresis') return [fix];
  return BAND_TIMES.map((times) => ({
    ...fix,
    ratio: Number((1 + times * (fix.ratio - 1)).toPrecision(3)),
  }));
}

const hasOtherInput = ({ loads }: Project): boolean =>
  loads.some((load) => loadDefinition(load).withOtherInput(load) !== null);

/** Plans one after another, brought to their end. */
const ended =
  (plans: readonly Edit[]): Edit =>
  (project) =>
    finished(baseFitted(plans.reduce((design, plan) => plan(design), project)));

/** A plan of which what it makes of one project is kept: it is where most of what is made together begins. */
function keptFrom(project: Project, plan: Edit): Edit {
  let made: Project | null = null;
  return (design) => (design === project ? (made ??= plan(project)) : plan(design));
}

/** What a change adds to what cannot work counts a quarter: another one may take that away again, while what none of them cures stays. */
const ADDED_SHARE = 0.25;

/** How much is likely left of what cannot work after several changes: of each finding what the best of them leaves alone. */
function leftAfter(
  before: ReadonlyMap<FindingCode, number>,
  singles: readonly Single[],
  after: SaidAfter,
): number {
  const each = singles.map(({ alone }) => after(alone)?.cannot ?? before);
  const codes = new Set([...before.keys(), ...each.flatMap((counts) => [...counts.keys()])]);
  let left = 0;
  for (const code of codes) {
    const counts = each.map((one) => one.get(code) ?? 0);
    const had = before.get(code) ?? 0;
    left += Math.min(had, ...counts) + ADDED_SHARE * Math.max(0, Math.max(...counts) - had);
  }
  return left;
}
