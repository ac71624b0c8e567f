import type { CircuitAnalysis } from '../analyse/analysis';
import { SHARES } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import type { TransistorKind } from '../drivers/kinds';
import { driverDefinition, transistorFor } from '../drivers/registry';
import { findRoot } from '../numeric/findRoot';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { OFFERED_OHMS, valuesIn } from '../series/stock';
import { chooseDetector } from '../size/chooseDetector';
import { endsFor } from '../size/fixed';
import { resized } from '../size/resize';
import { sizeDesign, type SizedDesign } from '../size/sized';
import type { Fix } from './advice';
import { editFor } from './fixes';
import { lighterLoad } from './lighterLoad';

/** What a design does, in the figures that a way out is judged by. */
export interface Outcome {
  /** The light at which the load is half on; `null` where it never is. */
  readonly halfLux: number | null;
  readonly fixedOhms: number;
  readonly fullAmps: number;
  readonly guaranteedAmps: number;
  readonly saturates: boolean;
  /** From 1 % to 90 %, as a ratio of light; `null` where it is never fully on, or never quite off. */
  readonly softBand: number | null;
}

export type WayOutId = 'move-divider' | 'lighten-load' | 'darlington' | 'nmos' | 'comparator';

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
  /** The limit up to which, or from which on, the weakest part holds the load; `null` where none holds it. */
  readonly loadOhms: number | null;
  /** R1 feeds the base where the load is on in the dark: then the load wants at most that; else R1 takes from it: at least. */
  readonly loadWants: 'at-most' | 'at-least';
  readonly before: Outcome;
  readonly ways: readonly WayOut[];
}

/**
 * The conflict between light and load, with each way out as the design it would make; `null` where there is none: the load is
 * held, or the goal out of reach whatever the resistor.
 */
export function conflictOf(project: Project, design: SizedDesign): Conflict | null {
  if (design.drive.saturates || !design.exactFixed.ok || project.divider.isDirect) return null;
  if (design.thresholds) return null;
  if (design.loads.some(({ lacksVolts }) => lacksVolts) || project.loadSupply?.commonGround === false)
    return null;
  const loadOhms = saturationLimitOhms(project, design);
  const loadWants = design.action === 'on-in-dark' ? 'at-most' : 'at-least';
  const after: [WayOutId, Project | null][] = [
    ['nmos', switchedTo(project, 'nmos', design)],
    ['darlington', switchedTo(project, 'darlington', design)],
    ['comparator', chooseDetector('comparator')(project)],
    ['lighten-load', withFix(project, lighterLoad(project, design))],
    ['move-divider', moved(project, loadOhms, loadWants)],
  ];
  const ways = after.flatMap(([id, other]): WayOut[] => {
    const outcome = other && outcomeOf(other);
    return other && outcome?.saturates ? [{ id, after: other, outcome }] : [];
  });
  const before = outcomeFrom(project, design);
  return { lightOhms: design.exactFixed.ohms, loadOhms, loadWants, before, ways };
}

/** The resistor with which the weakest part holds just nine tenths of the load. */
function saturationLimitOhms(
  project: Project,
  { ldr, range, drive, action }: CircuitAnalysis,
): number | null {
  const weakest = DesignCircuit.of(project, ldr, { grade: 'min' });
  const { onLux } = endsFor(action, range);
  const level = SHARES.fullyOn * drive.fullAmps;
  const over = (lnOhms: number) =>
    Math.log(Math.max(weakest.loadAmps(onLux, Math.exp(lnOhms)) ?? 0, 1e-15) / level);
  const root = findRoot(over, Math.log(OFFERED_OHMS.min), Math.log(OFFERED_OHMS.max), { tolerance: 1e-6 });
  return root.ok ? Math.exp(root.x) : null;
}

function switchedTo(project: Project, kind: TransistorKind, { drive }: CircuitAnalysis): Project | null {
  if (!driverDefinition(project.driver.kind).lessDrive.includes(kind)) return null;
  const part = transistorFor(kind, drive.fullAmps);
  return part && withFix(project, { kind: 'take-part', id: part.id });
}

const withFix = (project: Project, fix: Fix | null) => fix && resized(editFor(fix)(project));

/** The resistor in stock nearest to the limit that holds the load: it switches elsewhere. */
function moved(project: Project, loadOhms: number | null, wants: Conflict['loadWants']): Project | null {
  if (loadOhms === null) return null;
  const values = valuesIn(project.resistors);
  const real =
    wants === 'at-most'
      ? values.findLast((ohms) => ohms <= loadOhms)
      : values.find((ohms) => ohms >= loadOhms);
  return real === undefined ? null : changeDivider({ fixedOhms: real, trimmer: null })(project);
}

function outcomeOf(project: Project): Outcome | null {
  const analysis = sizeDesign(project);
  return analysis.ok ? outcomeFrom(project, analysis.design) : null;
}

function outcomeFrom(project: Project, { half, drive, softBandRatio }: CircuitAnalysis): Outcome {
  return {
    halfLux: half.ok ? half.lux : null,
    fixedOhms: project.divider.fixedOhms,
    fullAmps: drive.fullAmps,
    guaranteedAmps: drive.guaranteedAmps,
    saturates: drive.saturates,
    softBand: softBandRatio,
  };
}
