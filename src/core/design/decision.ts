import type { GoalEnd, Trip } from '../stages/decider';
import type { ComparatorBlock } from '../stages/description';
import type { LightRange } from '../light/range';
import { ldrLuxAt } from '../ldr/curve';
import { luxBand } from '../ldr/model';
import { ldrOhmsAtMid } from '../stages/bareDivider';
import type { SwitchPoint } from './analysis';
import { around, findCrossing, type Crossing } from './crossing';
import type { LiveCircuit } from './liveCircuit';

/** A border between two states of a decider: the lights at which it is passed, and the midpoint there. */
export interface BoundaryFacts {
  /** As it gets brighter, and as it gets darker. */
  readonly rising: SwitchPoint;
  readonly falling: SwitchPoint;
  /** Voltage of the midpoint at each, in V; `null` where it is not passed. */
  readonly risingVolts: number | null;
  readonly fallingVolts: number | null;
}

/** An input of a comparator that leaves the range in which it works. */
export interface InputTrouble {
  readonly designator: string;
  readonly input: 'plus' | 'minus';
  /** Which end of its range, that limit and the voltage at the threshold, against 0 V. */
  readonly end: 'low' | 'high';
  readonly volts: number;
  readonly limitVolts: number;
}

/** What a decider makes of the light. */
export interface Thresholds {
  /** From dark to bright; shape: states − 1. */
  readonly boundaries: readonly BoundaryFacts[];
  /** Whether the load is on in each state, from dark to bright. */
  readonly isOn: readonly boolean[];
  /** The load is on between two lights (or outside them), not on one side of one. */
  readonly isWindow: boolean;
  /** Which end of its band the goal's light is. */
  readonly goalEnd: GoalEnd;
  /** Which boundary the goal is about. */
  readonly goalBoundary: number;
  readonly turnOn: SwitchPoint;
  readonly turnOff: SwitchPoint;
  /** The midpoint at either, in V; `null` where it is not reached. */
  readonly turnOnVolts: number | null;
  readonly turnOffVolts: number | null;
  /** Ratio of the lights of turning off and on, 1 without hysteresis; `null` where one is not reached. */
  readonly bandRatio: number | null;
  /** It would have to turn off where it is not yet on: it swings to and fro instead. */
  readonly isInverted: boolean;
  /** What drives switch or loads, when the load is on and when it is off, in V. */
  readonly onVolts: number;
  readonly offVolts: number;
  /** What the load still takes when it is off, as a share of its full current. */
  readonly offShare: number;
  /** Most current out of or into the output, in A, and what its part bears. */
  readonly outputAmps: number;
  readonly maxOutputAmps: number;
  readonly inputs: readonly InputTrouble[];
}

/** Wider apart than rounding: the band really is the wrong way round. */
const INVERTED_RATIO = 1.0001;

/**
 * Both lights of every boundary, and what the outputs and inputs come to there; each by solving the whole circuit in the
 * state it is in. `null` where the transistor decides by itself, or no operating point was found.
 */
export function thresholdsOf(live: LiveCircuit, range: LightRange, fullAmps: number): Thresholds | null {
  const { switching } = live;
  if (!switching) return null;
  const crossings = switching.boundaries.map((_, index) => {
    const find = (way: 'rising' | 'falling') =>
      withBand(
        live,
        findCrossing((lux) => flipped(live, index, way, lux), range, guess(live, index, way, range)),
      );
    const rising = find('rising');
    const up = solvedAt(live, index, rising);
    // Without feedback the way back is the same, which one solution tells.
    const back = solvedAt(live, index + 1, rising);
    if (back && Math.abs(live.overIn(back, index, 'falling')) < SAME_VOLTS)
      return { rising, falling: rising, up, down: back };
    const falling = find('falling');
    return { rising, falling, up, down: solvedAt(live, index + 1, falling) };
  });
  const boundaries = crossings.map(({ rising, falling, up, down }): BoundaryFacts => ({
    rising,
    falling,
    risingVolts: up && live.voltsIn(up, 'mid'),
    fallingVolts: down && live.voltsIn(down, 'mid'),
  }));
  const { goalBoundary } = live;
  const isOnBelow = switching.isOn[goalBoundary] ?? false;
  const own = boundaries[goalBoundary];
  if (!own) return null;
  // A window's other edge is where it turns off on the way on; else it is the way back over the same boundary.
  const next = boundaries[goalBoundary + 1];
  const isWindow = live.assembly.testPoints.some(({ node }) => node === 'ref.high') && next !== undefined;
  const [turnOn, back] = isOnBelow ? [own.falling, own.rising] : [own.rising, own.falling];
  const turnOff = isWindow ? next.rising : back;
  const [turnOnVolts, backVolts] = isOnBelow
    ? [own.fallingVolts, own.risingVolts]
    : [own.risingVolts, own.fallingVolts];
  const turnOffVolts = isWindow ? next.risingVolts : backVolts;
  const [onState, offState] = isOnBelow ? [goalBoundary, goalBoundary + 1] : [goalBoundary + 1, goalBoundary];
  const [darkEnd, brightEnd] = [range.minLux, range.maxLux];
  const on = live.solveIn(onState, isOnBelow ? darkEnd : brightEnd);
  const onVolts = on && live.voltsIn(on, switching.out);
  const onAmps = on && live.outputAmpsIn(on);
  const off = live.solveIn(offState, isOnBelow ? brightEnd : darkEnd);
  if (!on || !off) return null;
  const bandRatio =
    turnOn.ok && turnOff.ok ? Math.max(turnOn.lux, turnOff.lux) / Math.min(turnOn.lux, turnOff.lux) : null;
  const isInverted = boundaries.some(
    ({ rising, falling }) => rising.ok && falling.ok && falling.lux > rising.lux * INVERTED_RATIO,
  );
  return {
    boundaries,
    isOn: switching.isOn,
    isWindow,
    goalEnd: switching.goalEnd ?? 'on',
    goalBoundary,
    turnOn,
    turnOff,
    turnOnVolts,
    turnOffVolts,
    bandRatio,
    isInverted,
    onVolts: onVolts ?? 0,
    offVolts: live.voltsIn(off, switching.out),
    offShare: fullAmps > 0 ? live.loadAmpsIn(off) / fullAmps : 0,
    outputAmps: Math.max(Math.abs(onAmps ?? 0), Math.abs(live.outputAmpsIn(off))),
    maxOutputAmps: maxOutputAmps(live),
    inputs: crossings.flatMap(({ up, down }, index) => inputTroubles(live, index, [up, down])),
  };
}

/** How far the whole circuit's light may lie from a guess by the bare divider, either way. */
const GUESS_RATIO = 1.04;

/**
 * Where a boundary is likely passed: at the light that puts the bare divider's midpoint level with what it is held against,
 * which one solution tells. None where the midpoint itself is not compared.
 */
function guess(live: LiveCircuit, index: number, way: 'rising' | 'falling', range: LightRange) {
  const trip = live.switching?.boundaries[index]?.[way];
  const volts =
    trip && live.solveIn(way === 'rising' ? index : index + 1, Math.sqrt(range.minLux * range.maxLux));
  if (!trip || !volts || (trip.plus === 'mid') === (trip.minus === 'mid')) return undefined;
  const { plus, minus, share, offsetVolts } = trip;
  const midVolts =
    plus === 'mid'
      ? share * live.voltsIn(volts, minus) - offsetVolts
      : (live.voltsIn(volts, plus) + offsetVolts) / share;
  const ohms = ldrOhmsAtMid(live.divider, midVolts);
  const lux = ohms === null ? null : ldrLuxAt(live.ldr.curve, ohms);
  return lux === null ? undefined : around(lux, GUESS_RATIO, range);
}

/** What a light found to 1e-7 leaves of the condition, in V, with room. */
const SAME_VOLTS = 3e-6;

/** Above 0 where the state after the boundary holds less light's worth: as {@link findCrossing} names its ends. */
function flipped(live: LiveCircuit, index: number, way: 'rising' | 'falling', lux: number): number | null {
  const over = live.overBoundary(index, way, lux);
  if (over === null) return null;
  // "Stays above" shall mean that the load stays on.
  return live.switching?.isOn[index] ? -over : over;
}

function withBand(live: LiveCircuit, crossing: Crossing): SwitchPoint {
  if (!crossing.ok) return crossing;
  const band = luxBand(live.ldr, crossing.lux);
  return { ok: true, lux: crossing.lux, lowLux: band.low, highLux: band.high };
}

/** Node voltages where a boundary is passed, in the state that it is passed from. */
function solvedAt(live: LiveCircuit, state: number, point: SwitchPoint): Float64Array | null {
  return point.ok ? live.solveIn(state, point.lux) : null;
}

function comparatorsOf(live: LiveCircuit) {
  return live.assembly.parts.flatMap((part) => (part.kind === 'comparator' ? [part] : []));
}

function maxOutputAmps(live: LiveCircuit): number {
  return Math.min(Infinity, ...comparatorsOf(live).map(({ part }) => part.maxAmps));
}

/** Whether a comparator is the one that has the two nodes of a trip at its inputs, either way round. */
function comparesNodes({ plus, minus }: ComparatorBlock, trip: Trip): boolean {
  return (plus === trip.plus && minus === trip.minus) || (plus === trip.minus && minus === trip.plus);
}

/** Inputs that are out of their range just where they must decide. */
function inputTroubles(
  live: LiveCircuit,
  index: number,
  solved: readonly (Float64Array | null)[],
): readonly InputTrouble[] {
  const found = new Map<string, InputTrouble>();
  const boundary = live.switching?.boundaries[index];
  for (const volts of solved) {
    if (!volts) continue;
    for (const block of comparatorsOf(live)) {
      if (boundary && !comparesNodes(block, boundary.rising)) continue;
      const { designator, part } = block;
      const lowLimit = live.voltsIn(volts, block.bottom) + part.inputLowVolts;
      const highLimit = live.voltsIn(volts, block.top) - part.inputHighVolts;
      for (const input of ['plus', 'minus'] as const) {
        const here = live.voltsIn(volts, block[input]);
        if (here < lowLimit - 1e-9)
          found.set(`${designator} ${input} low`, { designator, input, end: 'low', volts: here, limitVolts: lowLimit }); // prettier-ignore
        if (here > highLimit + 1e-9)
          found.set(`${designator} ${input} high`, { designator, input, end: 'high', volts: here, limitVolts: highLimit }); // prettier-ignore
      }
    }
  }
  return [...found.values()];
}
