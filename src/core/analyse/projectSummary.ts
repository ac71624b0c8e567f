import { detectorDefinition, type DetectorSettings } from '../detectors/registry';
import type { OutputStage } from '../detectors/outputStage/outputStage';
import type { TransistorKind } from '../drivers/kinds';
import type { LightRange } from '../light/range';
import type { LightScale } from '../light/scale';
import type { Load } from '../loads/registry';
import type { Goal, Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { lightRangeOf } from './lightRange';

/** What a list tells of a project: kept beside it, so that a list need not read whole projects. */
export interface ProjectSummary {
  readonly name: string;
  /** Its lights on the scale of the readings. */
  readonly goal: Goal;
  readonly scale: LightScale;
  readonly range: LightRange;
  readonly loads: readonly Load[];
  readonly detector: DetectorSettings;
  readonly outputStage: OutputStage;
  /** The transistor, where it switches by itself. */
  readonly switchedBy: TransistorKind | null;
  readonly readings: number;
}

export function summaryOf(project: Project): ProjectSummary {
  const { name, goal, loads, detector, outputStage, driver, readings } = project;
  return {
    ...{ name, goal, loads, detector, outputStage },
    scale: measuredLdr(project).resolved.scale,
    range: lightRangeOf(project),
    switchedBy: detectorDefinition(detector).output(detector) ? null : driver.kind,
    readings: readings.length,
  };
}
