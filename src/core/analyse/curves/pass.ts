import type { DesignCircuit } from '../designCircuit';
import type { Worst } from './worst';

/** Curves over light. Each array has the shape of `lux`. */
export interface Curves {
  readonly lux: Float64Array;
  readonly midVolts: Float64Array;
  /** Voltage at the base or gate; the same as the midpoint without a resistor before it. */
  readonly baseVolts: Float64Array;
  /** Current through all loads together. */
  readonly loadAmps: Float64Array;
  /** Voltage that the midpoint is held against; `null` without one. */
  readonly referenceVolts: Float64Array | null;
}

/** A pass's curves, and the detector's state at each light. */
export interface Passed {
  readonly curves: Curves;
  /** Shape: as the curves. */
  readonly positions: Uint8Array;
}

/** How a pass goes over its lights. */
interface Pass {
  /** As it gets brighter, or darker: what a detector does hangs on the state that it comes from. */
  readonly way: 'rising' | 'falling';
  /** The pass before it over the same lights: where the detector stands in the same state at a light, all is as it was then. */
  readonly other?: Passed;
  /** Keeps the most that anything comes to. */
  readonly worst?: Worst;
}

/**
 * Solves a circuit at one light after another, each in the state that the one before left.
 * @param lux from dark to bright, whichever way it goes
 * @returns `null` where one light has no operating point
 */
export function passOver(live: DesignCircuit, lux: Float64Array, { way, other, worst }: Pass): Passed | null {
  const empty = () => new Float64Array(lux.length);
  const [midVolts, baseVolts, loadAmps] = [empty(), empty(), empty()];
  const { control } = live.assembly.switchNets;
  const hasReference = live.assembly.testPoints.some(({ net }) => net === 'ref');
  const referenceVolts = hasReference ? empty() : null;
  const positions = new Uint8Array(lux.length);
  const last = lux.length - 1;
  let position = way === 'rising' ? 0 : live.brightest;
  for (let step = 0; step <= last; step++) {
    const i = way === 'rising' ? step : last - step;
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
    worst?.see(light, readout, position);
  }
  return { curves: { lux, midVolts, baseVolts, loadAmps, referenceVolts }, positions };
}

/** How near before and after a jump the lights lie that a circuit is solved at, as a ratio of light. */
const STEP_RATIO = 1 + 1e-5;

/** Lights, and two beside each at which a detector is passed; from dark to bright. */
export const withSteps = (lights: Iterable<number>, steps: readonly number[]) =>
  Float64Array.of(...lights, ...steps.flatMap((lux) => [lux / STEP_RATIO, lux * STEP_RATIO])).sort();
