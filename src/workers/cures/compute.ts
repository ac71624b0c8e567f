import type { Advice } from '@/core/advise/advice';
import { cornersOf } from '@/core/advise/corners';
import { curesOf, type Cure } from '@/core/advise/remedies';
import type { Project } from '@/core/project/project';

/** What is said of a design besides, and what cures each finding. */
export interface CuresAnswer {
  /** What cannot work at the ends of what its supplies may have. */
  readonly corners: readonly Advice[];
  readonly cures: readonly Cure[];
}

/** Corners and cures of a project, each tried on its whole circuit. */
export async function computeCures(project: Project): Promise<CuresAnswer> {
  const corners = cornersOf(project);
  return Promise.resolve({ corners, cures: curesOf(project, corners) });
}
