import { probeOf, type Probed, type ProbeFrom } from '@/core/analyse/probe';
import { analyse, type Analysis } from '@/core/design';
import { memoize } from '@/core/memoize';
import type { Project, VariantName } from '@/core/project/project';
import { besideProject } from '@/core/project/variants';

/** The open project, and that with a goal which is being dragged. */
const KEPT = 2;

/** Everything that follows from a project, found once for each of its states. */
export const analysisOf: (project: Project) => Analysis = memoize(analyse, KEPT);

const probeFor = memoize(probeOf, KEPT);

/** What meters show at a light, coming from a state. Many parts of the screen ask for the same. */
export const probedAt: (project: Project, lux: number, from: ProbeFrom) => Probed | null = memoize(
  (project: Project, lux: number, from: ProbeFrom) => probeFor(project)(lux, from),
);

const analyseBeside = memoize(analyse);

/** What follows from a variant that is not open; `null` where there is none of that name. */
export function analysisBeside(project: Project, name: VariantName): Analysis | null {
  if (!project.others.some((other) => other.name === name)) return null;
  // The open one is among the others of that which is beside it, and says nothing of it.
  return analyseBeside({ ...besideProject(project, name), others: [] });
}
