import { detectorDefinition, type DetectorSettings } from '../detectors/registry';
import type { Action, TransistorKind } from '../drivers/kinds';
import type { LightRange } from '../light/range';
import type { LightScale } from '../light/scale';
import type { Load } from '../loads/registry';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { lightRangeOf } from './lightRange';

/** What a list tells of a project: kept beside it, so that a list need not read whole projects. */
export interface ProjectSummary {
  readonly name: string;
  readonly action: Action;
  /** The goal's light, on the scale of the readings. */
  readonly lux: number;
  readonly scale: LightScale;
  readonly range: LightRange;
  readonly loads: readonly Load[];
  /** `null` where the transistor switches by itself. */
  readonly detector: DetectorSettings | null;
  readonly transistor: TransistorKind;
  readonly readings: number;
}

export function summaryOf(project: Project): ProjectSummary {
  const { name, goal, loads, detector, driver, readings } = project;
  return {
    name,
    action: goal.action,
    lux: goal.lux,
    scale: measuredLdr(project).resolved.scale,
    range: lightRangeOf(project),
    loads,
    detector: detectorDefinition(detector).output(detector) ? detector : null,
    transistor: driver.kind,
    readings: readings.length,
  };
}
