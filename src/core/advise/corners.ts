import { batteryKinds, SUPPLY_LIMITS, type Source } from '../loads/supply';
import type { Project } from '../project/project';
import { judge } from '../readings/judge';
import { sizeDesign } from '../size/sized';
import type { Advice, Corner, FindingCode } from './advice';
import { adviseOn } from './advise';

/** A flat cell's inner resistance is so many times a fresh one's. */
const FLAT_OHMS = 3;

/** What R1 should be is no matter of a corner, and an LED that is a little brighter on fresh cells is no fault. */
const NOT_OF_CORNERS: readonly FindingCode[] = [
  'goal-out-of-reach',
  'wrong-action',
  'cells-disagree',
  'led-over-current',
  'loads-disagree',
  'beam-missed',
];

/** Where the search for the end of the job stops, as a share of the nominal voltage. */
const END_SHARE = 0.005;

const shareAt = (source: Source, corner: Corner) => (corner === 'flat' ? source.lowShare : source.highShare);

/** Which supply is at a corner: they do not run flat together. */
type Side = 'sensor' | 'load';

const sidesOf = ({ loadSupply }: Project): readonly Side[] => (loadSupply ? ['sensor', 'load'] : ['sensor']);

/** What stands on a side: the sensor's supply, which is the only one where the load has none of its own, or the load's. */
const supplyOf = ({ loadSupply, source, divider }: Project, side: Side) =>
  side === 'load' && loadSupply ? loadSupply : { source, volts: divider.supplyVolts };

/** The same design with one supply so much of the way from its nominal voltage to a corner. */
export function atCorner(project: Project, corner: Corner, side: Side, way = 1): Project {
  const { source, volts } = supplyOf(project, side);
  const { min, max } = SUPPLY_LIMITS.volts;
  const share = 1 + way * (shareAt(source, corner) - 1);
  const isWorn = source.kind === 'battery' && corner === 'flat';
  const ohms = source.ohms * (isWorn ? 1 + way * (FLAT_OHMS - 1) : 1);
  const aged = {
    volts: Math.min(max, Math.max(min, volts * share)),
    source: { ...source, ohms: Math.min(SUPPLY_LIMITS.ohms.max, ohms) },
  };
  if (side === 'load')
    return { ...project, loadSupply: project.loadSupply && { ...project.loadSupply, ...aged } };
  return {
    ...project,
    source: aged.source,
    divider: { ...project.divider, supplyVolts: aged.volts },
  };
}

const cannotsOf = (project: Project): readonly Advice[] => {
  const sized = sizeDesign(project);
  if (!sized.ok) return [];
  return adviseOn(project, { ...sized.design, judgement: judge(project) }).filter(
    ({ state, code }) => state === 'cannot' && !NOT_OF_CORNERS.includes(code),
  );
};

/**
 * What cannot work at the ends of what the supplies may have, though it does in between: each with the voltage at which the
 * job ends (found by halving the way there). The whole circuit is solved at each.
 * @param nominal codes that cannot work anyway
 */
export function cornerAdvice(project: Project, nominal: ReadonlySet<FindingCode>): readonly Advice[] {
  return (['flat', 'fresh'] as const).flatMap((corner) =>
    sidesOf(project).flatMap((side) =>
      cannotsOf(atCorner(project, corner, side))
        .filter(({ code }) => !nominal.has(code))
        .map((inner): Advice => ({
          step: inner.step,
          state: 'look',
          code: 'at-corner',
          corner,
          feeds: project.loadSupply ? side : 'both',
          inner,
          ...voltsOf(project, corner, side, endOf(project, corner, side, inner.code)),
        })),
    ),
  );
}

/** The same for a design by itself: nothing where something cannot work anyway. */
export function cornersOf(project: Project): readonly Advice[] {
  const sized = sizeDesign(project);
  if (!sized.ok) return [];
  const said = adviseOn(project, { ...sized.design, judgement: judge(project) });
  return said.some(({ state }) => state === 'cannot') ? [] : cornerAdvice(project, new Set());
}

/** How much of the way to a corner a design goes before something cannot work any more, 0–1. */
function endOf(project: Project, corner: Corner, side: Side, code: FindingCode): number {
  let [works, fails] = [0, 1];
  const span = Math.max(Math.abs(shareAt(supplyOf(project, side).source, corner) - 1), END_SHARE);
  while ((fails - works) * span > END_SHARE) {
    const middle = (works + fails) / 2;
    const said = cannotsOf(atCorner(project, corner, side, middle));
    if (said.some((one) => one.code === code)) fails = middle;
    else works = middle;
  }
  return works;
}

function voltsOf(project: Project, corner: Corner, side: Side, ends: number) {
  const { source, volts } = supplyOf(project, side);
  const made = source.kind === 'battery' ? batteryKinds.find(({ id }) => id === source.battery) : undefined;
  const each = made ? volts / source.cells : volts;
  const at = (way: number) => each * (1 + way * (shareAt(source, corner) - 1));
  return { volts: at(1), endsVolts: at(ends), isOfCell: made !== undefined && source.cells > 1 };
}
