import { analyse } from '@/core/design/analyse';
import type { Analysis } from '@/core/design/analysis';
import { probeOf } from '@/core/design/probe';
import type { Project } from '@/core/project/project';

// A project is immutable, so what follows from it is found once and kept as long as the project is.
const analyses = new WeakMap<Project, Analysis>();
const probes = new WeakMap<Project, ReturnType<typeof probeOf>>();

export function analysisOf(project: Project): Analysis {
  return kept(analyses, project, analyse);
}

export function probeFor(project: Project): ReturnType<typeof probeOf> {
  return kept(probes, project, probeOf);
}

function kept<T>(cache: WeakMap<Project, T>, project: Project, find: (project: Project) => T): T {
  const known = cache.get(project);
  if (known !== undefined) return known;
  const found = find(project);
  cache.set(project, found);
  return found;
}
