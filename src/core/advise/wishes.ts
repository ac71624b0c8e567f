import isEqual from 'fast-deep-equal/es6/index.js';
import { isSameLight, isWrongOff } from '../project/goalLights';
import type { Goal, Project } from '../project/project';

/** The light to turn off at stays; one that nobody has said, or that lies on the side where it is on, may be put somewhere. */
const keepsOff = (was: Goal, is: Goal): boolean =>
  was.offLux === null || isWrongOff(was) || isSameLight(was.offLux, is.offLux);

/** Whether a ladder shows what it did: all steps up to the present one, or that one alone. */
const showsAlike = ({ detector: before }: Project, { detector: after }: Project) =>
  !('shows' in before) || !('shows' in after) || before.shows === after.shows;

/** What of a load is a means and not a wish: a change may touch it. */
const MEANS: readonly string[] = ['seriesOhms', 'contactAmps', 'second', 'lowerOhms', 'source', 'input'];

/**
 * What a user has said that they want stays: action and lights, loads, what shines on the LDR.
 * @param may what is itself wrong, and may be another: the goal's light, that does not lie between the two of a beam; the light to turn
 * off at, up to which the load's own light does not let it; one load alone on
 */
export function keepsWishes(
  before: Project,
  after: Project,
  may: { readonly moveGoal: boolean; readonly moveOff: boolean; readonly showAll: boolean },
): boolean {
  const loadsOf = ({ loads }: Project) =>
    loads.map((load) => Object.fromEntries(Object.entries(load).filter(([key]) => !MEANS.includes(key))));
  return (
    before.goal.action === after.goal.action &&
    (may.showAll || showsAlike(before, after)) &&
    (may.moveGoal || before.goal.lux === after.goal.lux) &&
    (may.moveGoal || may.moveOff || keepsOff(before.goal, after.goal)) &&
    before.feedbackLux === after.feedbackLux &&
    isEqual(before.beam, after.beam) &&
    isEqual(loadsOf(before), loadsOf(after))
  );
}
