import type { SwitchPoint } from '@/core/light/crossing';
import type { LdrModel } from '@/core/ldr/model';
import { takeLdr } from '@/core/project/readingEdits';
import type { Project } from '@/core/project/project';
import type { SavedLdr } from '@/core/readings/savedLdr';
import { measuredLdr } from '@/core/readings/ldrOf';
import type { LdrPart } from '@/core/readings/ldrPart';
import { analysisOf } from '@/ui/workbench/analysisCache';

/** An LDR in stock, or the project's own, as it is compared. */
export interface Compared {
  /** `null` for the LDR that is in the project now. */
  readonly ldr: SavedLdr | null;
  readonly part: LdrPart;
  readonly model: LdrModel;
  /** Its readings are in lux, so that its curve can stand beside others. */
  readonly inLux: boolean;
  readonly readings: number;
  /** Where the present circuit would switch with it. */
  readonly half: SwitchPoint | null;
}

/** The project's own LDR first, then the stock's, each with where the present circuit would switch with it. */
export function comparedOf(project: Project, ldrs: readonly SavedLdr[]): readonly Compared[] {
  const halfOf = (design: Project) => {
    const analysis = analysisOf(design);
    return analysis.ok ? analysis.design.half : null;
  };
  const own = measuredLdr(project);
  return [
    {
      ldr: null,
      part: project.part,
      model: own.model,
      inLux: own.resolved.scale === 'lux',
      readings: project.readings.length,
      half: halfOf(project),
    },
    ...ldrs.map((ldr): Compared => {
      const { model, resolved } = measuredLdr(ldr.measurement);
      return {
        ldr,
        part: ldr.part,
        model,
        inLux: resolved.scale === 'lux',
        readings: ldr.measurement.readings.length,
        half: halfOf(takeLdr(ldr.part, ldr.measurement)(project)),
      };
    }),
  ];
}
