import type { ReadingLight } from '../readings/reading';
import { LIMITS, type Project } from './project';

/**
 * A project as one of its own: itself, its readings and its levels under fresh ids, so that nothing that is kept of one
 * of them is ever taken for the other's.
 * @param newId a fresh id at each call
 */
export function copyOf(project: Project, newId: () => string): Project {
  const levelIds = new Map(project.levels.map(({ id }) => [id, newId()]));
  const moved = (light: ReadingLight): ReadingLight =>
    light.kind === 'level' ? { ...light, level: levelIds.get(light.level) ?? light.level } : light;
  return {
    ...project,
    id: newId(),
    levels: project.levels.map((level) => ({ ...level, id: levelIds.get(level.id) ?? level.id })),
    readings: project.readings.map((reading) => ({ ...reading, id: newId(), light: moved(reading.light) })),
    plan: project.plan.map(moved),
    midpoints: project.midpoints.map((midpoint) => ({ ...midpoint, light: moved(midpoint.light) })),
  };
}

/** A name that none of the others has: `Hall lamp`, `Hall lamp 2`, `Hall lamp 3` …; cut where it would be too long. */
export function freeName(wanted: string, taken: readonly string[]): string {
  const stem = wanted.slice(0, LIMITS.nameLength - 5).trim();
  const isTaken = new Set(taken);
  if (!isTaken.has(stem)) return stem;
  for (let number = 2; ; number++) {
    const name = `${stem} ${number}`;
    if (!isTaken.has(name)) return name;
  }
}
