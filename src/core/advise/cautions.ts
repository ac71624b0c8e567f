import { cautions, type Caution } from '../loads/definition';
import { loadDefinition } from '../loads/registry';
import type { Project } from '../project/project';

export type { Caution };

/** The cautions that apply to a project's own loads, the gravest first; none as decoration. */
export function cautionsOf({ loads }: Pick<Project, 'loads'>): readonly Caution[] {
  const applying = new Set(loads.flatMap((load) => loadDefinition(load).cautions(load)));
  return cautions.filter((caution) => applying.has(caution));
}
