import type { OnFrom } from '../loads/definition';
import { loadDefinition } from '../loads/registry';
import type { Assembly } from '../operate/assembly';
import { rowsOf } from '../parts/registry';

/** How a load is seen to be. */
export const seenStates = ['off', 'dim', 'on'] as const;
export type Seen = (typeof seenStates)[number];

/** A load below and from these shares of its full current is off and on. */
const OFF_BELOW = 0.04;
const ON_FROM = 0.6;
/** How often someone sees a load as it is; and who looks again. */
const SEEN_RIGHT = 0.97;
const SEEN_RIGHT_TWICE = 0.9995;

/** By what a load is seen to be on. */
export interface SeenBy {
  /** What it takes when it is on, in A. */
  readonly fullAmps: number;
  /** `null` of what is on by degrees. */
  readonly onFrom: OnFrom | null;
}

/** How a load is seen to be with a current through it, in A. */
export function loadSeen({ fullAmps, onFrom }: SeenBy, amps: number): Seen {
  if (onFrom) return (onFrom.isEitherWay ? Math.abs(amps) : amps) >= onFrom.amps ? 'on' : 'off';
  const share = Math.abs(amps) / fullAmps;
  return share >= ON_FROM ? 'on' : share < OFF_BELOW ? 'off' : 'dim';
}

/** A load that someone looks at, and whether it may be partly on. */
export interface ToSee {
  readonly designator: string;
  readonly isByDegrees: boolean;
  /** Of rows side by side one may be dark: then it is on in part. */
  readonly hasRows: boolean;
}

export const loadsToSee = ({
  loads,
  parts,
  isHighSide,
}: Pick<Assembly, 'loads' | 'parts' | 'isHighSide'>): readonly ToSee[] =>
  loads.map(({ load, designator }) => ({
    designator,
    isByDegrees: loadDefinition(load).onFrom(load, isHighSide) === null,
    hasRows: parts.some((part) => part.designator === designator && rowsOf(part) > 1),
  }));

/** Whether any load is on, or partly so, with a current through each. */
export const isAnyOn = (seenBy: readonly SeenBy[], amps: readonly number[]): boolean =>
  seenBy.some((by, index) => loadSeen(by, amps[index] ?? 0) !== 'off');

/** Whether any load is seen to be more on than it was. */
export const comesOn = (
  seenBy: readonly SeenBy[],
  before: readonly number[],
  amps: readonly number[],
): boolean => {
  const rank = (by: SeenBy, each = 0) => seenStates.indexOf(loadSeen(by, each));
  return seenBy.some((by, index) => rank(by, amps[index]) > rank(by, before[index]));
};

/** How the loads are seen to be with a current through each. */
export const patternIn = (seenBy: readonly SeenBy[], amps: readonly number[]): number =>
  patternOf(seenBy.map((by, index) => loadSeen(by, amps[index] ?? 0)));

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
