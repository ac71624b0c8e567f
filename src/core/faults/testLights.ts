import type { CircuitAnalysis } from '../analyse/analysis';
import type { Project } from '../project/project';

/** Two lights, or three where the load is on between two, that tell how a circuit does: each well beyond where it switches. */
export const testLightNames = ['dark', 'bright', 'between'] as const;
export type TestLightName = (typeof testLightNames)[number];

export interface TestLight {
  readonly name: TestLightName;
  readonly lux: number;
  /** One standard deviation of ln lux: how far the light that someone makes may be off. */
  readonly std: number;
  /** Someone has said it; else it is proposed. */
  readonly isOwn: boolean;
}

/** So far beyond its switching lights, as a ratio. */
const BEYOND = 20;
/** A light that is made by a hand, a cap or a lamp lies within a factor of 6 of what is asked for, in 95 of 100 tries. */
const BY_HAND_STD = Math.log(6) / 2;
/** A light that was read on a light meter, or off the LDR itself. */
const SAID_STD = Math.log(1.25) / 2;

/** What someone may have said of the lights that they test in; `null` for what is proposed. */
export interface OwnLights {
  readonly darkLux: number | null;
  readonly brightLux: number | null;
}

/**
 * The lights to test a circuit in, each at the same place in the list whatever the circuit: dark, bright, and between where that
 * counts. What was measured is kept by that place.
 */
export function testLightsOf(
  { goal }: Pick<Project, 'goal'>,
  { thresholds, half, range }: CircuitAnalysis,
  own: OwnLights,
): readonly TestLight[] {
  const switching = (
    thresholds ? thresholds.boundaries.flatMap(({ rising, falling }) => [rising, falling]) : [half]
  ).flatMap((point) => (point.ok ? [point.lux] : []));
  const lights = switching.length > 0 ? switching : [goal.lux];
  const [least, most] = [Math.min(...lights), Math.max(...lights)];
  const within = (lux: number) => Math.min(range.maxLux, Math.max(range.minLux, lux));
  const light = (name: TestLightName, said: number | null, proposed: number): TestLight => ({
    name,
    lux: said ?? within(proposed),
    std: said === null ? BY_HAND_STD : SAID_STD,
    isOwn: said !== null,
  });
  const between: TestLight[] = thresholds?.isWindow
    ? [{ ...light('between', null, Math.sqrt(least * most)), std: SAID_STD }]
    : [];
  return [
    light('dark', own.darkLux, least / BEYOND),
    light('bright', own.brightLux, most * BEYOND),
    ...between,
  ];
}

/** The places in the list of the light that is well in the dark, and of that well in the light. */
export const DARK = 0;
export const BRIGHT = 1;
