import { isFit } from '../advise/remedies';
import type { SizingMethodId } from '../detectors/definition';
import { detectorDefinition } from '../detectors/registry';
import type { Project } from '../project/project';
import type { SizingMethod } from '../size/sizingMethods';

/** A value that switches farther from the goal than this, as a ratio of lights, is not recommended. */
const NEAR_RATIO = 1.2;

/**
 * The method that suits the way of switching: its own threshold where that is fixed (a transistor, a timer); the steepest midpoint
 * at the goal where a reference is put there; the widest swing where several levels are read off it. Where its value would leave the
 * goal, because a reference stands elsewhere, or bring something new that cannot work, the one that reckons with the switch as it
 * stands; `null` where that would do so too.
 */
export function recommendedMethod(project: Project, methods: readonly SizingMethod[]): SizingMethodId | null {
  const { recommendedSizing, sizes } = detectorDefinition(project.detector);
  const isRight = (id: SizingMethodId) => {
    const method = methods.find((one) => one.id === id);
    if (!method?.ok) return false;
    const { switching } = method.figures;
    const isNear =
      sizes === 'none' ||
      (switching.ok && Math.abs(Math.log(switching.lux / project.goal.lux)) < Math.log(NEAR_RATIO));
    return isNear && (method.isInUse || isFit(project, method.edit(project)));
  };
  return ([recommendedSizing, 'own-threshold'] as const).find(isRight) ?? null;
}
