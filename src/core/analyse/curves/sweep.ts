import { logSpacedLux, type LightRange } from '../../light/range';
import type { DesignCircuit } from '../designCircuit';
import { Worst, type SupplyFigures, type WorstFigures } from './worst';

/** How many lights the curves are drawn through, evenly on the axis and more closely where the load switches. */
const EVEN_COUNT = 65;
/** Behind a detector the curves are a divider's, smooth between its steps: lines through so many are off by a few thousandths at most. */
const DETECTOR_COUNT = 41;
const CLOSE_COUNT = 33;

/** Curves over light, from dark to bright. Each array has the shape of `lux`: 65 or 98; behind a detector 41 and two for each step. */
export interface Sweep {
  readonly lux: Float64Array;
  readonly midVolts: Float64Array;
  /** Voltage at the base or gate; the same as the midpoint without a resistor before it. */
  readonly baseVolts: Float64Array;
  readonly loadAmps: Float64Array;
  /** Voltage that the midpoint is held against; `null` without one. */
  readonly referenceVolts: Float64Array | null;
  /** The same curves as it gets darker, where a detector is passed elsewhere then; the others are as it gets brighter. */
  readonly falling: Pick<Sweep, 'midVolts' | 'baseVolts' | 'loadAmps' | 'referenceVolts'> | null;
  /** The most that everything comes to anywhere on the axis. */
  readonly worst: WorstFigures;
  /** What each supply gives; the sensor's first. */
  readonly supplies: readonly SupplyFigures[];
}

/** The curves of one pass over light. */
type Curves = Pick<Sweep, 'midVolts' | 'baseVolts' | 'loadAmps' | 'referenceVolts'>;

/** A sweep on its way: solved evenly across the axis. */
export interface EvenSweep extends Curves {
  readonly lux: Float64Array;
  readonly seen: Worst;
}

/** Solves a transistor's circuit evenly across the axis, which is enough to see where it climbs. `null` as {@link sweepDecided}. */
export function sweepEvenly(live: DesignCircuit, range: LightRange): EvenSweep | null {
  const lux = Float64Array.from(logSpacedLux(range, EVEN_COUNT));
  const seen = new Worst(live, lux);
  const passed = curvesOf(live, lux, { from: 0, order: (index) => index }, seen);
  return passed && { lux, ...passed.curves, seen };
}

/** The same with more lights in between where it switches, if it does. */
export function sweepClosely(
  live: DesignCircuit,
  { seen, ...even }: EvenSweep,
  range: LightRange,
  closely: LightRange | undefined,
): Sweep | null {
  const lux = Float64Array.from(closely ? logSpacedLux(closely, CLOSE_COUNT) : []);
  const close = curvesOf(live, lux, { from: 0, order: (index) => index }, seen)?.curves;
  if (!close) return null;
  const all = [...even.lux, ...lux];
  const order = all.map((_, index) => index).sort((one, other) => all[one]! - all[other]!);
  const sorted = (one: Float64Array, other: Float64Array) =>
    Float64Array.from(order, (index) => one[index] ?? other[index - one.length]!);
  return {
    lux: sorted(even.lux, lux),
    midVolts: sorted(even.midVolts, close.midVolts),
    baseVolts: sorted(even.baseVolts, close.baseVolts),
    loadAmps: sorted(even.loadAmps, close.loadAmps),
    referenceVolts: null,
    falling: null,
    worst: seen.atPeaks(range),
    supplies: seen.supplies,
  };
}

/**
 * Solves a detector's circuit across the axis from dark to bright, and back where it may stand otherwise then.
 * @param steps lights at which it is passed: the curves jump there
 * @param hasBand they are not the same as it gets brighter and as it gets darker
 * @returns `null` where one light has no operating point
 */
export function sweepDetector(
  live: DesignCircuit,
  range: LightRange,
  steps: readonly number[],
  hasBand: boolean,
): Sweep | null {
  const beside = steps.flatMap((lux) => [lux / STEP_RATIO, lux * STEP_RATIO]);
  const lux = Float64Array.of(...logSpacedLux(range, DETECTOR_COUNT), ...beside).sort();
  const seen = new Worst(live, lux);
  const up = curvesOf(live, lux, { from: 0, order: (index) => index }, seen);
  if (!up) return null;
  const last = lux.length - 1;
  const back = { from: live.brightest, order: (index: number) => last - index, other: up };
  const down = hasBand ? curvesOf(live, lux, back, seen) : null;
  if (hasBand && !down) return null;
  if (!seeFired(live, lux, seen)) return null;
  return {
    lux,
    ...up.curves,
    falling: down && down.curves,
    worst: seen.atPeaks(range),
    supplies: seen.supplies,
  };
}

/** What hears changes is fired by one for a moment, in whatever light: no steady light shows what that asks of its parts. */
function seeFired(live: DesignCircuit, lux: Float64Array, seen: Worst): boolean {
  const fired = live.switching?.hears?.fired;
  if (fired === undefined) return true;
  return lux.every((light) => {
    const readout = live.solveIn(fired, light);
    if (readout) seen.see(light, readout, fired, false);
    return readout !== null;
  });
}

/** How near before and after a jump the curves are drawn through, as a ratio of light. */
const STEP_RATIO = 1 + 1e-5;

/** How a pass goes over the lights: from which state of the detector, and in which order. */
interface Pass {
  readonly from: number;
  readonly order: (index: number) => number;
  /** The pass before it: where the detector stands in the same state at the same light, all is as it was then. */
  readonly other?: Passed;
}

/** A pass's curves, and the detector's state at each light. */
interface Passed {
  readonly curves: Curves;
  /** Shape: as `lux`. */
  readonly positions: Uint8Array;
}

function curvesOf(
  live: DesignCircuit,
  lux: Float64Array,
  { from, order, other }: Pass,
  seen: Worst,
): Passed | null {
  const empty = () => new Float64Array(lux.length);
  const [midVolts, baseVolts, loadAmps] = [empty(), empty(), empty()];
  const { control } = live.assembly.switchNets;
  const hasReference = live.assembly.testPoints.some(({ net }) => net === 'ref');
  const referenceVolts = hasReference ? empty() : null;
  const positions = new Uint8Array(lux.length);
  let position = from;
  for (let step = 0; step < lux.length; step++) {
    const i = order(step);
    const light = lux[i] ?? 1;
    if (other?.positions[i] === position) {
      positions[i] = position;
      const { curves } = other;
      midVolts[i] = curves.midVolts[i]!;
      baseVolts[i] = curves.baseVolts[i]!;
      loadAmps[i] = curves.loadAmps[i]!;
      if (referenceVolts) referenceVolts[i] = curves.referenceVolts?.[i] ?? 0;
      continue;
    }
    const settled = live.settle(position, light);
    if (!settled) return null;
    const { readout } = settled;
    position = settled.position;
    positions[i] = position;
    midVolts[i] = readout.volts('mid');
    baseVolts[i] = readout.volts(control);
    loadAmps[i] = readout.loadAmps();
    if (referenceVolts) referenceVolts[i] = readout.volts('ref');
    seen.see(light, readout, position);
  }
  return { curves: { midVolts, baseVolts, loadAmps, referenceVolts }, positions };
}
