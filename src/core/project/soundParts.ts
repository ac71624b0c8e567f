import { readingField } from '../readings/reading';
import { keysOf } from '../record';
import { checked } from '../schema';
import { newProject } from './newProject';
import { checkProject, type Project } from './project';

/** A damaged project, as far as it is sound. */
export interface SoundParts {
  readonly project: Project;
  /** How many of its readings are sound, of how many. */
  readonly readings: { readonly sound: number; readonly all: number };
  /** Whole parts of the document that had to be taken from a new project. */
  readonly lost: readonly (keyof Project)[];
}

/**
 * What can be saved of a project that cannot be read whole: each reading that is sound, and each other part of the document
 * that is sound and fits the rest; a new project's in place of what is not.
 * @returns `null` where nothing of it is sound
 */
export function soundParts(value: unknown): SoundParts | null {
  if (typeof value !== 'object' || value === null) return null;
  const damaged: Partial<Record<string, unknown>> = { ...value };
  const fresh = newProject('damaged', 'Damaged project');
  const all: readonly unknown[] = Array.isArray(damaged.readings) ? damaged.readings : [];
  const readings = all.filter((reading) => checked(readingField, reading, 'reading').ok);
  let project = fresh;
  const lost: (keyof Project)[] = [];
  const keep = (part: Partial<Record<string, unknown>>): boolean => {
    const candidate = checkProject({ ...project, ...part });
    if (candidate.ok) project = candidate.project;
    return candidate.ok;
  };
  // Readings may name levels, so levels come first; a part that does not fit the rest is left out.
  const first: readonly (keyof Project)[] = ['id', 'name', 'levels'];
  const keys = [...first, ...keysOf(fresh).filter((key) => !first.includes(key))];
  for (const key of keys) {
    const part = key === 'readings' ? readings : damaged[key];
    if (!keep({ [key]: part })) lost.push(key);
  }
  const isNothing = lost.length === keys.length || (readings.length === 0 && lost.length > keys.length / 2);
  return isNothing ? null : { project, readings: { sound: project.readings.length, all: all.length }, lost };
}
