import type { CircuitAnalysis } from '../analyse/analysis';
import { GROUND } from '../circuit/netlist';
import { stageInTime } from '../detectors/outputStage/inTime';
import type { Assembly } from '../operate/assembly';
import type { Net } from '../parts/base';
import type { Project } from '../project/project';

/**
 * Two lights that tell how a circuit does, each well beyond where it switches; a third where the load is on between two, and one in
 * which a detector that hears only changes is held fired, so that it can be measured.
 */
export const testLightNames = ['dark', 'bright', 'between', 'fired'] as const;
export type TestLightName = (typeof testLightNames)[number];

export interface TestLight {
  readonly name: TestLightName;
  readonly lux: number;
  /** One standard deviation of ln lux: how far the light that someone makes may be off. */
  readonly std: number;
  /** Someone has said it; else it is proposed. */
  readonly isOwn: boolean;
  /** A resistor that is held into the circuit by hand meanwhile. */
  readonly holds?: HeldResistor;
}

/** A resistor from a rail to a net, one such as stands in the circuit already. */
export interface HeldResistor {
  readonly rail: Net;
  readonly net: Net;
  readonly ohms: number;
  /** The resistor that it is like. */
  readonly like: string;
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

/**
 * How a detector that hears only changes is held fired: another resistor like the one behind its coupling capacitor, from plus to
 * there, puts half the supply before its amplifier. `null` for all others, and where what follows ends by itself or turns over.
 */
export function heldFired(
  { outputStage }: Pick<Project, 'outputStage'>,
  { parts, switching }: Pick<Assembly, 'parts' | 'switching'>,
): HeldResistor | null {
  const hears = switching?.hears;
  const { kind: inTime } = stageInTime(outputStage, null);
  if (!hears || inTime === 'pulse' || inTime === 'turns-over') return null;
  const { plus: net, top: rail } = hears.amplifier;
  for (const part of parts)
    if (part.kind === 'resistor' && part.a === net && part.b === GROUND)
      return { rail, net, ohms: part.ohms, like: part.designator };
  return null;
}

/** The places in the list of the light that is well in the dark, and of that well in the light. */
export const DARK = 0;
export const BRIGHT = 1;
