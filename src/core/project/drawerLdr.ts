import type { DrawerLdr } from '../readings/drawer';
import type { Measurement } from '../readings/reading';
import type { Project } from './project';

/** The measurement that a project holds, without the design around it. */
export function measurementOf({
  readings,
  meter,
  lightTolerance,
  levels,
  lampMetres,
  plan,
}: Project): Measurement {
  return { readings, meter, lightTolerance, levels, lampMetres, plan };
}

/** A project's LDR as it goes into the drawer. @param keptAt milliseconds since 1970 */
export function drawerLdrOf(project: Project, id: string, keptAt: number): DrawerLdr {
  return { id, part: project.part, measurement: { ...measurementOf(project), plan: [] }, keptAt };
}
