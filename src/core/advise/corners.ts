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

/** The same design on supplies that have so much of the way from their nominal voltage to a corner behind them. */
export function atCorner(project: Project, corner: Corner, way = 1): Project {
  const aged = (source: Source, volts: number) => {
    const { min, max } = SUPPLY_LIMITS.volts;
    const share = 1 + way * (shareAt(source, corner) - 1);
    const isWorn = source.kind === 'battery' && corner === 'flat';
    return {
      volts: Math.min(max, Math.max(min, volts * share)),
      source: {
        ...source,
        ohms: Math.min(SUPPLY_LIMITS.ohms.max, source.ohms * (isWorn ? 1 + way * (FLAT_OHMS - 1) : 1)),
      },
    };
  };
  const sensor = aged(project.source, project.divider.supplyVolts);
  const { loadSupply } = project;
  return {
    ...project,
    source: sensor.source,
    divider: { ...project.divider, supplyVolts: sensor.volts },
    loadSupply: loadSupply && { ...loadSupply, ...aged(loadSupply.source, loadSupply.volts) },
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
  return (['flat', 'fresh'] as const).flatMap((corner) => {
    const fresh = cannotsOf(atCorner(project, corner)).filter(({ code }) => !nominal.has(code));
    return fresh.map((inner): Advice => ({
      step: inner.step,
      state: 'look',
      code: 'at-corner',
      corner,
      inner,
      ...voltsOf(project, corner, endOf(project, corner, inner.code)),
    }));
  });
}

/** The same for a design by itself: nothing where something cannot work anyway. */
export function cornersOf(project: Project): readonly Advice[] {
  const sized = sizeDesign(project);
  if (!sized.ok) return [];
  const said = adviseOn(project, { ...sized.design, judgement: judge(project) });
  return said.some(({ state }) => state === 'cannot') ? [] : cornerAdvice(project, new Set());
}

/** How much of the way to a corner a design goes before something cannot work any more, 0–1. */
function endOf(project: Project, corner: Corner, code: FindingCode): number {
  let [works, fails] = [0, 1];
  const span = Math.max(Math.abs(shareAt(supplyOf(project).source, corner) - 1), END_SHARE);
  while ((fails - works) * span > END_SHARE) {
    const middle = (works + fails) / 2;
    if (cannotsOf(atCorner(project, corner, middle)).some((one) => one.code === code)) fails = middle;
    else works = middle;
  }
  return works;
}

/** The supply that a load feels most: its own, else the one there is. */
const supplyOf = ({ loadSupply, source, divider }: Project) =>
  loadSupply ?? { source, volts: divider.supplyVolts };

function voltsOf(project: Project, corner: Corner, ends: number) {
  const { source, volts } = supplyOf(project);
  const made = source.kind === 'battery' ? batteryKinds.find(({ id }) => id === source.battery) : undefined;
  const each = made ? volts / source.cells : volts;
  const at = (way: number) => each * (1 + way * (shareAt(source, corner) - 1));
  return { volts: at(1), endsVolts: at(ends), isOfCell: made !== undefined && source.cells > 1 };
}
