/** How far the switching light may lie from the goal before it is said: about what a hand at a torch can set. */
const OFF_GOAL_RATIO = 1.1;

/** Whether two lights differ by more than can be set by hand, or by more than so many times. */
export function farApart(one: number, other: number, ratio = OFF_GOAL_RATIO): boolean {
  return Math.max(one, other) / Math.min(one, other) > ratio;
}
