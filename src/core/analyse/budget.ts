import { sum } from 'd3-array';
import { stageOf } from '../detectors/stageOf';
import { loadDefinition } from '../loads/registry';
import { batteryHours, lostAmps, type Source } from '../loads/supply';
import type { Project } from '../project/project';
import type { CircuitAnalysis } from './analysis';

/** What one supply gives, in A, and how long it lasts. */
export interface SupplyBudget {
  /** What it feeds: the divider and the load, or one of them. */
  readonly feeds: 'both' | 'sensor' | 'load';
  readonly source: Source;
  readonly openVolts: number;
  readonly darkAmps: number;
  readonly brightAmps: number;
  readonly maxAmps: number;
  /** The least, below 0 where current flows into it. */
  readonly minAmps: number;
  /** What its limit lets its voltage down to, in V; `null` where it does not. */
  readonly foldedVolts: number | null;
  /** For a moment, when everything is switched on; no less than `mostAmps`. */
  readonly inrushAmps: number;
  /** Life in hours with the project's share of dark hours; `null` where its capacity is not known. */
  readonly hours: number | null;
  /** What ends by itself is on for so long a day, being started once; `null` where the light says how long. */
  readonly onSecondsADay: number | null;
}

const NOTHING_GIVEN = { darkAmps: 0, brightAmps: 0, maxAmps: 0, minAmps: 0, foldedVolts: null } as const;

/** The supplies of a project, the sensor's first: the solved circuit's currents, and what loads take beside it. */
export function budgetOf(
  project: Project,
  design: Pick<CircuitAnalysis, 'extremes' | 'thresholds' | 'loads' | 'drive' | 'assembly'>,
): readonly SupplyBudget[] {
  const { divider, source, loadSupply, darkShare } = project;
  const { assembly } = design;
  const sides = loadSupply
    ? [
        { feeds: 'sensor' as const, source, openVolts: divider.supplyVolts },
        { feeds: 'load' as const, source: loadSupply.source, openVolts: loadSupply.volts },
      ]
    : [{ feeds: 'both' as const, source, openVolts: divider.supplyVolts }];
  const { load, supplies } = design.extremes;
  const isOnAt = (amps: number) => amps > design.drive.switchAmps;
  // A window may be on at neither end, and what hears changes is on for a moment only.
  const [isDark, isBright] = [isOnAt(load.darkAmps), isOnAt(load.brightAmps)];
  const stage = design.thresholds && (isDark || isBright) ? stageOf(project) : null;
  const onSecondsADay = stage?.kind === 'pulse' ? Math.min(DAY_SECONDS, stage.seconds) : null;
  return sides.map((side, index) => {
    const { darkAmps, brightAmps, maxAmps, minAmps, foldedVolts } = supplies[index] ?? NOTHING_GIVEN;
    const feedsLoads =
      side.feeds === 'both' || (side.feeds === 'load') === (assembly.loadRail === 'load-supply');
    const { idle, on } = feedsLoads ? ownOf(assembly) : { idle: 0, on: 0 };
    const starting = feedsLoads ? inrush(design.loads) : 0;
    const [dark, bright] = [darkAmps + (isDark ? on : idle), brightAmps + (isBright ? on : idle)];
    const [most, least] = isDark ? [dark, bright] : [bright, dark];
    const max = maxAmps + on;
    return {
      ...side,
      darkAmps: dark,
      brightAmps: bright,
      maxAmps: max,
      minAmps,
      foldedVolts,
      inrushAmps: max + starting,
      hours: hoursOf(
        side.source,
        onSecondsADay === null ? [dark, bright, darkShare] : [most, least, onSecondsADay / DAY_SECONDS],
      ),
      onSecondsADay,
    };
  });
}

const DAY_SECONDS = 86_400;

/** What all loads take beside the solved circuit, each step's by itself: all off, and as many on as ever are; in A. */
function ownOf({ loads, isOneAtATime }: CircuitAnalysis['assembly']): {
  readonly idle: number;
  readonly on: number;
} {
  const own = loads.map(({ load }) => loadDefinition(load).ownAmps(load));
  const idle = sum(own, ({ off }) => off);
  const more = own.map(({ on, off }) => on - off);
  return { idle, on: idle + (isOneAtATime ? Math.max(...more) : sum(more)) };
}

/** @param drawn what it gives for a share of the time, what for the rest, in A, and that share */
const hoursOf = (source: Source, drawn: readonly [amps: number, otherAmps: number, share: number]) =>
  source.ampHours === null ? null : batteryHours(source.ampHours, ...drawn, lostAmps(source));

/** How much more than their full current the loads take at the first moment, in A. */
function inrush(loads: CircuitAnalysis['loads']): number {
  return loads.reduce((total, { inrushAmps, amps }) => total + Math.max(0, (inrushAmps ?? 0) - amps), 0);
}
