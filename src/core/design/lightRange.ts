import { lightRangeAround, lightRangeFor, type LightRange } from '../light/range';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { namedLightOf } from '../readings/named';

/** The light axis of a project: on lux the usual one, widened to hold goal and readings; else as wide as they need. */
export function lightRangeOf(project: Project): LightRange {
  return same(rangeFor(project));
}

/** The last range again where it is the same: whoever draws an axis can tell by identity that it has not changed. */
let lastRange: LightRange = { minLux: 0, maxLux: 0 };
function same(range: LightRange): LightRange {
  const isSame = range.minLux === lastRange.minLux && range.maxLux === lastRange.maxLux;
  lastRange = isSame ? lastRange : range;
  return lastRange;
}

function rangeFor(project: Project): LightRange {
  const { scale, lights } = measuredLdr(project).resolved;
  const held = [
    project.goal.lux,
    ...(project.goal.offLux === null ? [] : [project.goal.offLux]),
    ...lights.filter((light) => light !== null),
  ];
  if (scale === 'lux') return lightRangeFor(held);
  return lightRangeAround(scale === 'ohms' ? [...held, ...DEFAULT_NAMED_LIGHTS] : held);
}

/** A project in ohms shows at least the resistances that LDRs have in a lit room and at night. */
const DEFAULT_NAMED_LIGHTS = [namedLightOf(1000), namedLightOf(300_000)];
