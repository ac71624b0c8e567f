import { compareIds, compareOne, inOrderOfUse } from '@/core/compare/compare';
import type { Compared } from '@/core/compare/compare';
import type { Project } from '@/core/project/project';

/** Every way of switching for a project, one after another; those without a solution are left out; the best first. */
export async function computeCompare(
  project: Project,
  onProgress: (share: number) => void,
): Promise<readonly Compared[]> {
  const rows: Compared[] = [];
  for (const [index, id] of compareIds.entries()) {
    const row = compareOne(project, id);
    if (row) rows.push(row);
    onProgress((index + 1) / compareIds.length);
    await Promise.resolve();
  }
  return inOrderOfUse(rows, project.goal.lux);
}
