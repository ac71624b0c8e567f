import { findRoot } from '../numeric/findRoot';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { OFFERED_OHMS, valuesIn } from '../series/drawer';
import { partFor, type TransistorKind } from '../stages/transistors';
import type { Mend } from './advice';
import { lighterLoad } from './adviseDrive';
import { analyse } from './analyse';
import { SHARES, type Design } from './analysis';
import { endsFor } from './sizing';
import { LiveCircuit } from './liveCircuit';
import { editFor, resized } from './mend';

/** What a design does, in the figures that a way out is judged by. */
export interface Outcome {
  /** The light at which the load is half on; `null` where it never is. */
  readonly halfLux: number | null;
  readonly fixedOhms: number;
  readonly fullAmps: number;
  readonly guaranteedAmps: number;
  readonly holds: boolean;
  /** From 1 % to 90 %, as a ratio of light; `null` where it is never fully on. */
  readonly softBand: number | null;
}

export type WayOutId = 'lower-divider' | 'lighten-load' | 'darlington' | 'nmos';

/** A way out of the conflict: the design after it, and what it does. */
export interface WayOut {
  readonly id: WayOutId;
  readonly after: Project;
  readonly outcome: Outcome;
}

/** The light wants one fixed resistor, the load another. */
export interface Conflict {
  /** What puts the switching point on the goal. */
  readonly lightOhms: number;
  /** The most with which the weakest part still holds the load; `null` where none does. */
  readonly loadOhms: number | null;
  readonly before: Outcome;
  readonly ways: readonly WayOut[];
}

/**
 * The conflict between light and load, with each way out as the design it would make; `null` where there is none: the load is
 * held, or the goal out of reach whatever the resistor.
 */
export function conflictOf(project: Project, design: Design): Conflict | null {
  if (design.drive.holdsFullyOn || !design.exactFixed.ok || project.divider.isDirect) return null;
  if (design.loads.some(({ series }) => series?.ok === false) || project.loadSupply?.joined === false)
    return null;
  const loadOhms = mostHoldingOhms(project, design);
  const after: [WayOutId, Project | null][] = [
    ['nmos', switchedTo(project, 'nmos', design)],
    ['darlington', switchedTo(project, 'darlington', design)],
    ['lighten-load', mended(project, lighterLoad(project, design))],
    ['lower-divider', lowered(project, loadOhms)],
  ];
  const ways = after.flatMap(([id, other]): WayOut[] => {
    const outcome = other && outcomeOf(other);
    return other && outcome?.holds ? [{ id, after: other, outcome }] : [];
  });
  const before = outcomeFrom(project, design);
  return { lightOhms: design.exactFixed.ohms, loadOhms, before, ways };
}

/** The largest (with the load on the R1 side of the drive) resistor with which the weakest part holds nine tenths of the load. */
function mostHoldingOhms(project: Project, { ldr, range, drive, action }: Design): number | null {
  const weakest = new LiveCircuit(project, ldr, { grade: 'least' });
  const { onLux } = endsFor(action, range);
  const level = SHARES.fullyOn * drive.fullAmps;
  const over = (lnOhms: number) =>
    Math.log(Math.max(weakest.loadAmps(onLux, Math.exp(lnOhms)) ?? 0, 1e-15) / level);
  const root = findRoot(over, Math.log(OFFERED_OHMS.least), Math.log(OFFERED_OHMS.most), { tolerance: 1e-6 });
  return root.ok ? Math.exp(root.x) : null;
}

function switchedTo(project: Project, kind: TransistorKind, { drive }: Design): Project | null {
  if (project.stage.kind !== 'npn') return null;
  const part = partFor(kind, drive.fullAmps);
  return part && mended(project, { kind: 'take-part', id: part.id });
}

const mended = (project: Project, mend: Mend | null) => mend && resized(editFor(mend)(project));

/** The largest resistor of the drawer that holds the load: it switches elsewhere. */
function lowered(project: Project, loadOhms: number | null): Project | null {
  if (loadOhms === null) return null;
  const real = valuesIn(project.resistors).findLast((ohms) => ohms <= loadOhms);
  return real === undefined ? null : changeDivider({ fixedOhms: real, trimmer: null })(project);
}

function outcomeOf(project: Project): Outcome | null {
  const analysis = analyse(project);
  return analysis.ok ? outcomeFrom(project, analysis.design) : null;
}

function outcomeFrom(project: Project, { half, drive, softBandRatio }: Design): Outcome {
  return {
    halfLux: half.ok ? half.lux : null,
    fixedOhms: project.divider.fixedOhms,
    fullAmps: drive.fullAmps,
    guaranteedAmps: drive.guaranteedAmps,
    holds: drive.holdsFullyOn,
    softBand: softBandRatio,
  };
}
