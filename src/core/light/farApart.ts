/** How far the switching light may lie from the goal before it is said: about what a hand at a torch can set. */
const OFF_GOAL_RATIO = 1.1;

/** Whether two lights differ by more than can be set by hand. */
export function farApart(one: number, other: number): boolean {
  return Math.max(one, other) / Math.min(one, other) > OFF_GOAL_RATIO;
}
