import { sort as sortBy } from 'd3-array';
import { SUPPLY_LIMITS, type Source } from '../loads/supply';
import type { Project } from '../project/project';
import { judge } from '../readings/judge';
import { sizeDesign } from '../size/sized';
import { ROOM_CELSIUS, type Conditions } from '../operate/operation';
import { COLD_CELSIUS, HOT_CELSIUS } from '../analyse/stability';
import { analyseCircuit } from '../analyse/analyseCircuit';
import type { Advice, CornerPlace, FindingCode, SupplyCorner, Found } from './advice';
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
  'sides-disagree',
  'beam-missed',
  'beam-beside-window',
  'band-inverted',
];

/** Where the search for the end of the job stops, as a share of the nominal voltage. */
const END_SHARE = 0.005;

const shareAt = (source: Source, corner: SupplyCorner) =>
  corner === 'flat' ? source.lowShare : source.highShare;

/** Which supply is at a corner: they do not run flat together. */
type Side = 'sensor' | 'load';

const sidesOf = ({ loadSupply }: Project): readonly Side[] => (loadSupply ? ['sensor', 'load'] : ['sensor']);

/** What stands on a side: the sensor's supply, which is the only one where the load has none of its own, or the load's. */
const supplyOf = ({ loadSupply, source, divider }: Project, side: Side) =>
  side === 'load' && loadSupply ? loadSupply : { source, volts: divider.supplyVolts };

/** The same design with one supply so much of the way from its nominal voltage to a corner. */
export function atCorner(project: Project, corner: SupplyCorner, side: Side, way = 1): Project {
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

/** A design under the conditions of an end, so much of the way there. */
interface Case {
  readonly at: (way: number) => { readonly project: Project; readonly conditions: Partial<Conditions> };
  /** How finely its end is looked for, as a share of the way. */
  readonly grain: number;
  readonly place: (ends: number) => CornerPlace;
}

/** What cannot work there, and is not said of R1: what that should be is found where nothing is at an end. */
const cannotsAt = (
  { at }: Case,
  { exactFixed, candidates, judgement }: Found,
  way = 1,
): readonly Advice[] => {
  const { project, conditions } = at(way);
  const solved = analyseCircuit(project, conditions);
  if (!solved.ok) return [];
  return adviseOn(project, { ...solved.analysis, exactFixed, candidates, judgement }).filter(
    ({ state, code }) => state === 'cannot' && !NOT_OF_CORNERS.includes(code),
  );
};

function supplyCase(project: Project, corner: SupplyCorner, side: Side): Case {
  const { source, volts } = supplyOf(project, side);
  const isBattery = source.kind === 'battery';
  const each = isBattery ? volts / source.cells : volts;
  const voltsAt = (way: number) => each * (1 + way * (shareAt(source, corner) - 1));
  return {
    at: (way) => ({ project: atCorner(project, corner, side, way), conditions: {} }),
    grain: END_SHARE / Math.max(Math.abs(shareAt(source, corner) - 1), END_SHARE),
    place: (ends) => ({
      corner,
      feeds: project.loadSupply ? side : 'both',
      ...{ volts: voltsAt(1), endsVolts: voltsAt(ends), isOfCell: isBattery && source.cells > 1 },
    }),
  };
}

function warmthCase(project: Project, corner: 'cold' | 'hot'): Case {
  const end = corner === 'cold' ? COLD_CELSIUS : HOT_CELSIUS;
  const celsiusAt = (way: number) => ROOM_CELSIUS + way * (end - ROOM_CELSIUS);
  return {
    at: (way) => ({ project, conditions: { celsius: celsiusAt(way) } }),
    grain: 0.02,
    place: (ends) => ({ corner, celsius: end, endsCelsius: celsiusAt(ends) }),
  };
}

/** A weak transistor has the least gain or the highest threshold that its datasheet allows, a strong one the other. */
function partCase(project: Project, corner: 'weak' | 'strong'): Case {
  const { part } = project.driver;
  const grade = corner === 'weak' ? 'min' : 'max';
  const isWeak = corner === 'weak';
  return {
    at: () => ({ project, conditions: { grade } }),
    grain: 1,
    place: () => ({
      corner,
      beta: 'minBeta' in part ? (isWeak ? part.minBeta : part.maxBeta) : null,
      thresholdVolts:
        'minThresholdVolts' in part ? (isWeak ? part.maxThresholdVolts : part.minThresholdVolts) : null,
    }),
  };
}

const casesOf = (project: Project): readonly Case[] => [
  ...(['flat', 'fresh'] as const).flatMap((corner) =>
    sidesOf(project).map((side) => supplyCase(project, corner, side)),
  ),
  ...(['cold', 'hot'] as const).map((corner) => warmthCase(project, corner)),
  ...(['weak', 'strong'] as const).map((corner) => partCase(project, corner)),
];

/**
 * What cannot work at the ends of what a design may meet, though it does in between: each with where the job ends (found by
 * halving the way there). The whole circuit is solved at each.
 * @param found the design where nothing is at an end
 */
export const cornerAdvice = (project: Project, found: Found): readonly Advice[] =>
  casesOf(project).flatMap((one) => failuresAt(one, found, (code) => endOf(one, found, code)));

/**
 * The same, each corner solved only when it is asked for, and without where the job ends, which takes most of the time: that is told of
 * the corner itself.
 */
export class CornersInTurn {
  private readonly seen: Advice[] = [];
  private readonly rest: Case[];

  /** @param first corners that are looked at before the others */
  constructor(
    project: Project,
    private readonly found: Found,
    first: ReadonlySet<CornerPlace['corner']> = new Set(),
  ) {
    this.rest = sortBy(casesOf(project), (one) => (first.has(one.place(1).corner) ? 0 : 1));
  }

  /** What fails at the first corner where anything does. */
  get first(): readonly Advice[] {
    while (this.seen.length === 0 && this.solveNext());
    return this.seen;
  }

  /** What fails at any of them. */
  get all(): readonly Advice[] {
    while (this.solveNext());
    return this.seen;
  }

  private solveNext(): boolean {
    const one = this.rest.shift();
    if (one) this.seen.push(...failuresAt(one, this.found, () => 1));
    return one !== undefined;
  }
}

function failuresAt(one: Case, found: Found, endsAt: (code: FindingCode) => number): readonly Advice[] {
  return cannotsAt(one, found).map((inner): Advice => ({
    ...{ step: inner.step, state: 'look', code: 'at-corner', inner },
    ...one.place(endsAt(inner.code)),
  }));
}

/** The same for a design by itself: nothing where something cannot work anyway. */
export function cornersOf(project: Project): readonly Advice[] {
  const sized = sizeDesign(project);
  if (!sized.ok) return [];
  const found: Found = { ...sized.design, judgement: judge(project) };
  const said = adviseOn(project, found);
  return said.some(({ state }) => state === 'cannot') ? [] : cornerAdvice(project, found);
}

/** How much of the way to an end a design goes before something cannot work any more, 0–1. */
function endOf(one: Case, found: Found, code: FindingCode): number {
  let [works, fails] = [0, 1];
  while (fails - works > one.grain) {
    const middle = (works + fails) / 2;
    if (cannotsAt(one, found, middle).some((said) => said.code === code)) fails = middle;
    else works = middle;
  }
  return works;
}
