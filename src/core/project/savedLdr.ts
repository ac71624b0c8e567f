import type { SavedLdr } from '../readings/savedLdr';
import { measurementOf } from '../readings/reading';
import type { Project } from './project';

/**
 * A project's LDR as it goes into the stock: in the place of its own older measurement, which it is known by any reading
 * in common, or as a new one.
 * @param newId for one that is new; @param keptAt milliseconds since 1970
 */
export function savedLdrOf(
  project: Project,
  drawer: readonly SavedLdr[],
  newId: string,
  keptAt: number,
): SavedLdr {
  const own = new Set(project.readings.map(({ id }) => id));
  const older = drawer.find(({ measurement }) => measurement.readings.some((reading) => own.has(reading.id)));
  const id = older?.id ?? newId;
  return { id, part: project.part, measurement: { ...measurementOf(project), plan: [] }, keptAt };
}
