import type { Advice } from '@/core/advise/advice';
import { cornersOf } from '@/core/advise/corners';
import { searchCures, type Cure } from '@/core/advise/remedies';
import type { Project } from '@/core/project/project';

/** What is said of a design besides, and what cures each finding. */
export interface CuresAnswer {
  /** What cannot work at the ends of what its supplies may have. */
  readonly corners: readonly Advice[];
  readonly cures: readonly Cure[];
}

/**
 * Corners and cures of a project, each tried on its whole circuit. Where nothing fails at a corner the cures are told before what each of
 * them leads to at its own.
 */
export async function computeCures(
  project: Project,
  _onProgress?: (share: number) => void,
  onSofar?: (answer: CuresAnswer) => void,
): Promise<CuresAnswer> {
  const { failsAtEnds, cures, whole } = searchCures(project);
  if (!failsAtEnds && cures.some(({ remedies }) => remedies.length > 0)) onSofar?.({ corners: [], cures });
  return Promise.resolve({ corners: failsAtEnds ? cornersOf(project) : [], cures: whole() });
}
