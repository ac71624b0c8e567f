import { lostAmps } from '../../loads/supply';
import { loadDefinition } from '../../loads/registry';
import { sizeDesign } from '../../size/sized';
import type { Assembly } from '../../operate/assembly';
import type { Project } from '../../project/project';
import type { Ok, Refused } from '../../result';
import { machineOf, type Machine } from '../machine';
import type { Burst } from './bursts';
import { withCauses } from './causes';
import { dayLight, type LightTrack } from './dayLight';
import type { DaySettings } from './daySettings';
import { runTrack, type DayRun } from './runDay';

/** Operations of a relay's contact at its rated load (usual of small relays). */
export const RELAY_OPERATIONS = 100_000;

/** What a day makes of a design, with what follows from it. */
export interface DayReport extends Omit<DayRun, 'bursts'> {
  readonly bursts: readonly Burst[];
  readonly track: LightTrack;
  /** Life of each supply's battery at this day's use, in days; `null` where its capacity is not known. */
  readonly batteryDays: readonly (number | null)[];
  /** The most operations of any contact, and how many days like this it lasts; `null` without a relay that moves. */
  readonly relayDays: number | null;
}

/** A recorded light in the place of a day's. */
export type DayInput =
  | { readonly day: DaySettings; readonly track: null }
  | { readonly day: null; readonly track: LightTrack };

/** Why there is no report. */
export type DayRefusal = Refused<'not-converged'>;

/** Runs a design through a day, or through a recorded light. @param onProgress told the share that is done */
export function dayReport(
  project: Project,
  { day, track: recorded }: DayInput,
  onProgress: (share: number) => void = () => undefined,
): Ok<{ report: DayReport }> | DayRefusal {
  const sized = sizeDesign(project);
  if (!sized.ok) return sized;
  const machine = machineOf(project, sized.design);
  const track = recorded ?? dayLight(day);
  const run = runTrack(machine, track, (share) => onProgress(0.7 * share));
  const bursts = day
    ? withCauses(machine, day, run.bursts, (share) => onProgress(0.7 + 0.3 * share))
    : run.bursts;
  const coulombs = withOwn(sized.design.assembly, run);
  return {
    ok: true,
    report: { ...run, coulombs, bursts, track, ...livesOf(project, machine, run, coulombs) },
  };
}

/** Charge out of each supply with what the loads take beside the solved circuit, which that of the loads gives, in A·s. */
function withOwn(
  { loads, loadRail }: Assembly,
  { coulombs, loadSeconds, wholeSeconds }: DayRun,
): readonly number[] {
  // Steps have like loads, and others are on together: on the average each is on for so long.
  const onSeconds = loadSeconds / loads.length;
  const own = loads.reduce((total, { load }) => {
    const { off, on } = loadDefinition(load).ownAmps(load);
    return total + on * onSeconds + off * (wholeSeconds - onSeconds);
  }, 0);
  const gives = loadRail === 'load-supply' ? coulombs.length - 1 : 0;
  return coulombs.map((charge, index) => (index === gives ? charge + own : charge));
}

function livesOf(
  project: Project,
  machine: Machine,
  run: DayRun,
  coulombs: readonly number[],
): Pick<DayReport, 'batteryDays' | 'relayDays'> {
  const days = run.wholeSeconds / 86_400;
  const sources = [project.source, ...(project.loadSupply ? [project.loadSupply.source] : [])];
  const batteryDays = sources.map((source, index) => {
    const { ampHours } = source;
    const perDay = (coulombs[index] ?? 0) / 3600 / days + 24 * lostAmps(source);
    return ampHours === null || perDay <= 0 ? null : ampHours / perDay;
  });
  const operations = Math.max(0, ...run.contactMoves) / 2 / days;
  const hasContact = machine.loads.some(({ pull }) => pull !== null);
  return { batteryDays, relayDays: hasContact && operations > 0 ? RELAY_OPERATIONS / operations : null };
}
