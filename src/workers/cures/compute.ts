import { curesOf, type Cure } from '@/core/advise/remedies';
import type { Project } from '@/core/project/project';

/** What cures each finding of a project, tried on its whole circuit. */
export async function computeCures(project: Project): Promise<readonly Cure[]> {
  return Promise.resolve(curesOf(project));
}
