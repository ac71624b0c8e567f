/** How a load is seen to be. */
export const seenStates = ['off', 'dim', 'on'] as const;
export type Seen = (typeof seenStates)[number];

/** A load below and from these shares of its full current is off and on. */
const OFF_BELOW = 0.04;
const ON_FROM = 0.6;
/** How often someone sees a load as it is; and who looks again. */
const SEEN_RIGHT = 0.97;
const SEEN_RIGHT_TWICE = 0.9995;

export const loadSeen = (share: number): Seen =>
  share >= ON_FROM ? 'on' : share < OFF_BELOW ? 'off' : 'dim';

/** How all loads are, as one figure: a digit to base 3 for each, the first load's the lowest. */
export const patternOf = (seen: readonly Seen[]): number =>
  seen.reduce((sum, one, index) => sum + seenStates.indexOf(one) * 3 ** index, 0);

/** The other way. @param loads how many there are */
export const seenIn = (pattern: number, loads: number): readonly Seen[] =>
  Array.from({ length: loads }, (_, index) => seenStates[Math.floor(pattern / 3 ** index) % 3] ?? 'off');

/** How likely one pattern is seen where another is there. */
export function patternLikelihood(there: number, seen: number, loads: number, isTwice = false): number {
  const right = isTwice ? SEEN_RIGHT_TWICE : SEEN_RIGHT;
  let likelihood = 1;
  const [is, looks] = [seenIn(there, loads), seenIn(seen, loads)];
  for (let index = 0; index < loads; index++)
    likelihood *= is[index] === looks[index] ? right : (1 - right) / 2;
  return likelihood;
}
