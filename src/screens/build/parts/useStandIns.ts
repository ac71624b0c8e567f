import { useEffect, useMemo, useState } from 'react';
import type { PartLine } from '@/core/build/partsList';
import { analyse, type Design } from '@/core/design';
import { together, type Edit } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { resized } from '@/core/size/resize';
import { editablesOf } from '@/ui/schematic/editable';
import { fitClient } from '@/workers/build/client';

/** A design that does without a part that is not in stock. */
export interface StandIn {
  readonly designator: string;
  /** What takes its place, in Ω. */
  readonly ohms: number;
  /** The change, and what it makes of the project. */
  readonly edit: Edit;
  readonly project: Project;
  /** Where it switches then; `null` where it has no light. */
  readonly lux: number | null;
}

/**
 * For each part that is not in stock the nearest design without it: the nearest resistor there is, and R1 sized again for
 * the goal. Each was tried on the whole circuit before it is told.
 */
export function useStandIns(
  project: Project,
  design: Design,
  lines: readonly PartLine[],
): readonly StandIn[] {
  const candidates = useMemo(() => candidatesOf(project, design, lines), [project, design, lines]);
  const [fitting, setFitting] = useState<{ readonly of: unknown; readonly list: readonly StandIn[] } | null>(
    null,
  );
  useEffect(() => {
    if (candidates.length === 0) return;
    let isWanted = true;
    void fitClient
      .run({ before: project, afters: candidates.map((candidate) => candidate.project) })
      .then((outcome) => {
        if (!isWanted || !outcome.ok) return;
        setFitting({ of: candidates, list: candidates.filter((_, index) => outcome.output[index]) });
      });
    return () => {
      isWanted = false;
    };
  }, [candidates, project]);
  return fitting?.of === candidates ? fitting.list : [];
}

export function candidatesOf(
  project: Project,
  design: Design,
  lines: readonly PartLine[],
): readonly StandIn[] {
  const editables = editablesOf(project, design);
  return lines.flatMap(({ inStock, designators }): StandIn[] => {
    const [designator] = designators;
    if (inStock.kind !== 'no' || inStock.nearestOhms === null || designator === undefined) return [];
    const editable = editables.get(designator);
    if (editable?.kind !== 'value' || editable.unit !== 'Ω') return [];
    const ohms = inStock.nearestOhms;
    const edit = together(editable.edit(ohms), resized);
    const made = edit(project);
    const analysis = analyse(made);
    if (!analysis.ok) return [];
    const { half } = analysis.design;
    return [{ designator, ohms, edit, project: made, lux: half.ok ? half.lux : null }];
  });
}
