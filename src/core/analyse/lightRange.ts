import { detectorDefinition } from '../detectors/registry';
import { memoize } from '../memoize';
import { lightRangeAround, lightRangeFor, type LightRange } from '../light/range';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { namedLightOf } from '../readings/named';

/** The light axis of a project: on lux the default one, widened to hold goal and readings; else as wide as they need. */
export function lightRangeOf(project: Project): LightRange {
  const { minLux, maxLux } = rangeFor(project);
  return rangeOf(minLux, maxLux);
}

/** The last range again where it is the same: whoever draws an axis can tell by identity that it has not changed. */
const rangeOf = memoize((minLux: number, maxLux: number): LightRange => ({ minLux, maxLux }));

function rangeFor(project: Project): LightRange {
  const { scale, lights } = measuredLdr(project).resolved;
  const held = [
    project.goal.lux,
    ...(project.goal.offLux === null ? [] : [project.goal.offLux]),
    ...detectorDefinition(project.detector).wantedLights(project.detector),
    ...(project.beam ? [project.beam.ambientLux, project.beam.ambientLux + project.beam.beamLux] : []),
    ...lights.filter((light) => light !== null),
  ];
  if (scale === 'lux') return lightRangeFor(held);
  return lightRangeAround(scale === 'ohms' ? [...held, ...DEFAULT_NAMED_LIGHTS] : held);
}

/** A project in ohms shows at least the resistances that LDRs have in a lit room and at night. */
const DEFAULT_NAMED_LIGHTS = [namedLightOf(1000), namedLightOf(300_000)];
