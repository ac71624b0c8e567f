import type { Reading } from '../readings/reading';
import { measuredLdr } from '../readings/ldrOf';
import type { Project } from './project';

/** For tests: the light of each reading of a project, in lux. */
export function luxesOf(project: Project): readonly number[] {
  return measuredLdr(project).resolved.lights.map((light) => light ?? NaN);
}

/** For tests: a project with every reading changed by its lux and resistance. */
export function mapReadings(
  project: Project,
  change: (lux: number, ohms: number, index: number) => { lux?: number; ohms?: number },
): Project {
  const lights = luxesOf(project);
  const readings = project.readings.map((reading, index): Reading => {
    const lux = lights[index] ?? NaN;
    const changed = { lux, ohms: reading.ohms, ...change(lux, reading.ohms, index) };
    return { ...reading, light: { kind: 'lux', lux: changed.lux }, ohms: changed.ohms };
  });
  return { ...project, readings };
}
