import type { BoundaryFacts, InputTrouble, Thresholds } from '../detectors/thresholds';
import type { Trip } from '../detectors/switching';
import { ldrOhmsAtMid } from '../detectors/bareDivider';
import type { LightRange } from '../light/range';
import { around, findCrossing, type Crossing, type SwitchPoint } from '../light/crossing';
import { ldrLuxAt } from '../ldr/curve';
import { luxBand } from '../ldr/model';
import { loadDefinition } from '../loads/registry';
import type { Readout } from '../operate/read';
import type { Part } from '../parts/part';
import type { ComparatorUnit } from '../parts/kinds/comparator';
import { partsOfKind } from '../parts/find';
import { outputsOf } from '../parts/registry';
import type { DesignCircuit } from './designCircuit';

/** Less the wrong way round is no band at all: it chatters there as what has none. */
const INVERTED_RATIO = 1.005;

/**
 * Both lights of every boundary, and what the outputs and inputs come to there; each by solving the whole circuit in the
 * state it is in. `null` where the transistor decides by itself, or no operating point was found.
 */
export function thresholdsOf(live: DesignCircuit, range: LightRange, onAmps: number): Thresholds | null {
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
    risingVolts: up && up.volts('mid'),
    fallingVolts: down && down.volts('mid'),
  }));
  const { goalBoundary } = live;
  const isOnBelow = switching.isOn[goalBoundary] ?? false;
  const own = boundaries[goalBoundary];
  if (!own) return null;
  // A window's other edge is where it turns off on the same way; else it is the way back over the same boundary.
  const next = boundaries[goalBoundary + 1];
  const isWindow =
    switching.isOn.length === 3 && switching.isOn[0] === switching.isOn[2] && next !== undefined;
  const [turnOn, back] = isOnBelow ? [own.falling, own.rising] : [own.rising, own.falling];
  const turnOff = !isWindow ? back : isOnBelow ? next.falling : next.rising;
  const [turnOnVolts, backVolts] = isOnBelow
    ? [own.fallingVolts, own.risingVolts]
    : [own.risingVolts, own.fallingVolts];
  const turnOffVolts = !isWindow ? backVolts : isOnBelow ? next.fallingVolts : next.risingVolts;
  const [onState, offState] = isOnBelow ? [goalBoundary, goalBoundary + 1] : [goalBoundary + 1, goalBoundary];
  const [darkEnd, brightEnd] = [range.minLux, range.maxLux];
  const on = live.solveIn(onState, isOnBelow ? darkEnd : brightEnd);
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
    goalEnd: switching.goalEnd,
    goalBoundary,
    turnOn,
    turnOff,
    turnOnVolts,
    turnOffVolts,
    bandRatio,
    isInverted,
    onVolts: on.volts(switching.out),
    offVolts: off.volts(switching.out),
    offShare: onAmps > 0 ? Math.min(1, Math.abs(off.loadAmps()) / onAmps) : 0,
    besideShare: live.assembly.isOneAtATime ? besideShare(live, boundaries, range, onAmps) : 0,
    // Between its ends each state is worst at one of them.
    outputAmps: Math.max(
      ...[on, off, ...crossings.flatMap(({ up, down }) => [up, down])].map((at) => at?.outputAmps() ?? 0),
    ),
    maxOutputAmps: maxOutputAmps(live.assembly.parts),
    inputs: crossings.flatMap(({ up, down }, index) => inputTroubles(live, index, [up, down])),
  };
}

/** The most that a load takes beside the one that is on, as a share of that one's current. What is read as a pin takes none. */
function besideShare(
  live: DesignCircuit,
  boundaries: readonly BoundaryFacts[],
  range: LightRange,
  onAmps: number,
): number {
  const { loads, isHighSide } = live.assembly;
  const shown = loads.flatMap(({ load }, index) =>
    loadDefinition(load).levels(load, isHighSide)?.by === 'volts' ? [] : [index],
  );
  const lights = boundaries.map(({ rising }, index) =>
    rising.ok ? rising.lux : index < boundaries.length / 2 ? range.minLux : range.maxLux,
  );
  let most = 0;
  for (const position of boundaries.keys()) {
    // The state on the bright side of each edge and, of the first, on its dark side: all but one of them have a load on.
    for (const state of position === 0 ? [0, 1] : [position + 1]) {
      const [from, to] = [lights[state - 1] ?? range.minLux, lights[state] ?? range.maxLux];
      const readout = live.solveIn(state, Math.sqrt(from * to));
      const amps = shown
        .map((index) => Math.abs(readout?.loadAmpsOf(index) ?? 0))
        .sort((one, other) => other - one);
      const [own = 0, beside = 0] = amps;
      if (own > 0 && own * loads.length > IS_ON_SHARE * onAmps) most = Math.max(most, beside / own);
    }
  }
  return most;
}

/** Less of its full current is no load that is on. */
const IS_ON_SHARE = 0.02;

/** How far the whole circuit's light may lie from a guess by the bare divider, either way. */
const GUESS_RATIO = 1.04;

/**
 * Where a boundary is likely passed: at the light that puts the bare divider's midpoint level with what it is held against,
 * which one solution tells. None where the midpoint itself is not compared.
 */
function guess(live: DesignCircuit, index: number, way: 'rising' | 'falling', range: LightRange) {
  const trip = live.switching?.boundaries[index]?.[way];
  const readout =
    trip && live.solveIn(way === 'rising' ? index : index + 1, Math.sqrt(range.minLux * range.maxLux));
  if (!trip || !readout || (trip.plus === 'mid') === (trip.minus === 'mid')) return undefined;
  const { plus, minus, share, offsetVolts } = trip;
  const midVolts =
    plus === 'mid' ? share * readout.volts(minus) - offsetVolts : (readout.volts(plus) + offsetVolts) / share;
  const ohms = ldrOhmsAtMid(live.divider, midVolts);
  const lux = ohms === null ? null : ldrLuxAt(live.ldr.curve, ohms);
  return lux === null ? undefined : around(lux, GUESS_RATIO, range);
}

/** What a light found to 1e-7 leaves of the condition, in V, with room. */
const SAME_VOLTS = 3e-6;

/** Above 0 where the state after the boundary holds less light's worth: as {@link findCrossing} names its ends. */
function flipped(live: DesignCircuit, index: number, way: 'rising' | 'falling', lux: number): number | null {
  const over = live.overBoundary(index, way, lux);
  if (over === null) return null;
  // "Stays above" should mean that the load stays on.
  return live.switching?.isOn[index] ? -over : over;
}

function withBand(live: DesignCircuit, crossing: Crossing): SwitchPoint {
  if (!crossing.ok) return crossing;
  const band = luxBand(live.ldr, crossing.lux);
  return { ok: true, lux: crossing.lux, lowLux: band.low, highLux: band.high };
}

/** The circuit where a boundary is crossed, in the state that it is crossed from. */
function solvedAt(live: DesignCircuit, position: number, point: SwitchPoint): Readout | null {
  return point.ok ? live.solveIn(position, point.lux) : null;
}

/** The least that any of the outputs is rated for, in A. */
function maxOutputAmps(parts: readonly Part[]): number {
  const rated = parts.flatMap(outputsOf).map(({ figures }) => figures.maxAmps);
  return Math.min(Infinity, ...rated);
}

/** Whether a comparator is the one that has the two nets of a trip at its inputs, either way round. */
function compares({ plus, minus }: ComparatorUnit, trip: Trip): boolean {
  return (plus === trip.plus && minus === trip.minus) || (plus === trip.minus && minus === trip.plus);
}

/** Inputs that are out of their range just where they must switch. */
function inputTroubles(
  live: DesignCircuit,
  index: number,
  solved: readonly (Readout | null)[],
): readonly InputTrouble[] {
  const trip = live.switching?.boundaries[index]?.rising;
  const found = new Map<string, InputTrouble>();
  for (const readout of solved) {
    for (const part of readout ? partsOfKind(live.assembly.parts, 'comparator') : []) {
      const { designator, model, units } = part;
      for (const unit of units) {
        if (!readout || (trip && !compares(unit, trip))) continue;
        const lowLimit = readout.volts(part.bottom) + model.inputLowVolts;
        const highLimit = readout.volts(part.top) - model.inputHighVolts;
        for (const input of ['plus', 'minus'] as const) {
          const volts = readout.volts(unit[input]);
          const key = `${designator} ${unit.key} ${input}`;
          if (volts < lowLimit - 1e-9)
            found.set(`${key} low`, {
              designator,
              unit: unit.key,
              input,
              end: 'low',
              volts,
              limitVolts: lowLimit,
            });
          if (volts > highLimit + 1e-9)
            found.set(`${key} high`, {
              designator,
              unit: unit.key,
              input,
              end: 'high',
              volts,
              limitVolts: highLimit,
            });
        }
      }
    }
  }
  return [...found.values()];
}
