import type { Follower } from './follow';
import type { LoadsInTime } from './loadsInTime';
import type { Machine } from './machine';
import type { StateTable } from './stateTable';

/** Behind its target by less than this share the LDR has followed. */
const FOLLOWED_SHARE = 0.001;
/** A step of time changes the conductance by no more than about this share where what follows from it bends. */
const STEP_SHARE = 0.01;
/** A load that lights its own LDR and is partly on changes with less. */
const LIT_SHARE = 0.001;
/** What a change detector hears is how fast it changes: finer. */
const HEARD_SHARE = 0.003;
/** A tail that is behind by less than this moves nothing that a change detector hears. */
const TAIL_SHARE = 1e-5;
/** No step is shorter, in s. */
export const SHORTEST_STEP = 0.0005;
/** Steps while a lamp's own light is on its way, in s. */
const LEVEL_STEP = 0.005;

/** A step that is asked for, in s, and where the LDR's conductance would settle at its start and end, in S. */
interface Wanted {
  readonly whole: number;
  readonly start: number;
  readonly end: number;
  /** The state's table, and the LDR's conductance now. */
  readonly table: StateTable | undefined;
  readonly siemens: number;
}

/** So long may be gone at once, in s: as long as it pleases where only crossings count, less where something bends on the way. */
export function longestStep(
  { isSoft, feedbackLux, coupling, dynamics }: Machine,
  follower: Follower,
  loads: LoadsInTime,
  { whole, start, end, table, siemens }: Wanted,
): number {
  const isLit = isSoft && feedbackLux > 0;
  const tau = Math.min(dynamics.riseSeconds, dynamics.fallSeconds);
  // What bends is a line over so small a change.
  const change = Math.abs(end - start) / start;
  const line = (share: number) => (change <= share ? whole : (whole * share) / change);
  const isMoving = feedbackLux > 0 && loads.isLightMoving(table, siemens);
  if (isLit) {
    if (follower.isPromptBehind(start, FOLLOWED_SHARE))
      return (STEP_SHARE * tau) / Math.min(1, follower.lagsBehind(start));
    return isMoving ? LEVEL_STEP : line(loads.isPartlyLit ? LIT_SHARE : STEP_SHARE);
  }
  // Behind a target that goes on evenly it may well be: what follows evenly too crosses each threshold once.
  const { prompt, tail } = follower.settling(start, (end - start) / whole);
  const isSettling = prompt > FOLLOWED_SHARE;
  if (!coupling) return isSettling ? tau : isMoving ? LEVEL_STEP : whole;
  return Math.min(
    line(STEP_SHARE),
    isMoving ? LEVEL_STEP : whole,
    isSettling ? (HEARD_SHARE * tau) / Math.min(1, prompt) : whole,
    // The memory of past light moves the midpoint too, and by less and less.
    tail > TAIL_SHARE ? (HEARD_SHARE * dynamics.tailSeconds) / Math.min(1, tail) : whole,
  );
}
