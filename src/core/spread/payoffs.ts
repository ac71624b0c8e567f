import { isFit } from '../advise/remedies';
import { detectorDefinition } from '../detectors/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { changeResistors, changeTrimmer, takeSource, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { chooseDetector } from '../size/chooseDetector';
import { sizeDesign } from '../size/sized';
import { chooseTrimmer, fixedSpread, ohmsAtPosition } from '../size/trimmer';
import type { SpreadOptions } from './factors';
import { runSpread } from './spread';
import { summaryOf, type SpreadSummary } from './summary';

/** What might make more of a lot do. */
export const payoffKinds = ['measure', 'trimmer', 'resistors', 'supply', 'comparator'] as const;
export type PayoffKind = (typeof payoffKinds)[number];

/** One of these, with what a run of its own says that it does. */
export interface Payoff {
  readonly kind: PayoffKind;
  /** Of the builds that are good with it. */
  readonly good: SpreadSummary['good'];
  /** Deviation of ln lx with it, and without. */
  readonly lnStd: number;
  readonly lnStdBefore: number;
  readonly goodBefore: SpreadSummary['good'];
  /** It makes more builds good, or leaves as many good that lie closer together. */
  readonly isWorth: boolean;
}

/** A measured LDR is known to about so much (deviation of ln R10, and of γ). */
const MEASURED = { lnR10Std: 0.03, gammaStd: 0.02 } as const;
/** A regulated supply keeps its volts to this share. */
const REGULATED = { lowShare: 0.98, highShare: 1.02 } as const;

/** The edit that carries one out; `null` where it is not the design that changes, but what is known of it. */
export function payoffEdit(kind: PayoffKind): Edit | null {
  switch (kind) {
    case 'measure':
      return null;
    case 'trimmer':
      return withTrimmer;
    case 'resistors':
      return changeResistors({ series: 'E96' });
    case 'supply':
      return (project) => takeSource({ ...IDEAL_SOURCE, ...REGULATED }, project.divider.supplyVolts)(project);
    case 'comparator':
      return chooseDetector('comparator');
  }
}

/** R1 as a trimmer that reaches what the lot asks for; as it was where none does. */
const withTrimmer: Edit = (project) => {
  const sized = sizeDesign(project);
  if (!sized.ok || !sized.design.exactFixed.ok) return project;
  const { ohms } = sized.design.exactFixed;
  const found = chooseTrimmer(project.resistors, ohms, fixedSpread(sized.design.ldr, project.goal.lux, ohms));
  if (!found.ok) return project;
  const { trackOhms, endOhms, degrees, position } = found.choice;
  const trimmer = { trackOhms, endOhms, degrees };
  return changeTrimmer(trimmer, ohmsAtPosition(trimmer, position))(project);
};

/** The project as it would be, if nothing new “cannot work” then: for what only gets known better the LDR's own figures with a smaller error. */
function asIf(project: Project, kind: PayoffKind): Project | null {
  const edit = payoffEdit(kind);
  if (edit) {
    const made = edit(project);
    return made === project || !isFit(project, made) ? null : made;
  }
  const sized = sizeDesign(project);
  if (!sized.ok || sized.design.ldr.source === 'measured' || sized.design.ldr.source === 'named') return null;
  const { r10Ohms, gamma } = sized.design.ldr.curve;
  return { ...project, bag: { count: 100, lnR10Mean: Math.log(r10Ohms), gammaMean: gamma, ...MEASURED } };
}

/** Which of these a project may have at all. */
function kindsFor({ divider, detector, resistors, source }: Project): readonly PayoffKind[] {
  const definition = detectorDefinition(detector);
  return payoffKinds.filter((kind) => {
    switch (kind) {
      case 'measure':
        return true;
      case 'trimmer':
        return divider.trimmer === null && definition.sizes === 'fixed';
      case 'resistors':
        return resistors.series !== 'E96';
      case 'supply':
        return source.highShare - source.lowShare > REGULATED.highShare - REGULATED.lowShare;
      case 'comparator':
        return definition.output(detector) === null;
    }
  });
}

/** More good builds count from this share on, and a narrower spread from this ratio on. */
const MORE = 0.005;
const NARROWER = 0.97;

const pays = ({ good, goodBefore, lnStd, lnStdBefore }: Omit<Payoff, 'isWorth'>) => {
  const gain = good.share - goodBefore.share;
  return gain >= MORE || (gain > -MORE && lnStd < NARROWER * lnStdBefore);
};

/** What was tried, each by a run of its own with the same seed; what pays first, the most good builds first. @param onProgress told the share that is done */
export function payoffsOf(
  project: Project,
  options: SpreadOptions,
  onProgress: (share: number) => void = () => undefined,
): readonly Payoff[] {
  const run = (of: Project) => {
    const found = runSpread(of, options);
    return found.ok ? summaryOf(found.builds, found.factors, of, options) : null;
  };
  const before = run(project);
  if (!before) return [];
  const kinds = kindsFor(project);
  return kinds
    .flatMap((kind, index): Payoff[] => {
      const made = asIf(project, kind);
      const after = made && run(made);
      onProgress((index + 1) / kinds.length);
      if (!after) return [];
      const { good } = after;
      const [lnStd, lnStdBefore] = [after.atGoal.lnStd, before.atGoal.lnStd];
      const tried = { kind, good, lnStd, lnStdBefore, goodBefore: before.good };
      return [{ ...tried, isWorth: pays(tried) }];
    })
    .sort(
      (one, other) =>
        Number(other.isWorth) - Number(one.isWorth) ||
        other.good.share - one.good.share ||
        one.lnStd - other.lnStd,
    );
}
