import { ldrOhmsAt } from '../ldr/curve';
import { ldrOhmsBand } from '../ldr/model';
import { logSpacedLux, type LightRange } from '../light/range';
import { isDividerPart } from '../stages/divider';
import type { LiveCircuit } from './liveCircuit';

/** How many lights the curves are drawn through, evenly on the axis and more closely where the load switches. */
const EVEN_COUNT = 121;
const CLOSE_COUNT = 41;

/** Curves over light, from dark to bright. Each array has the shape of `lux`: 121 or 162. */
export interface Sweep {
  readonly lux: Float64Array;
  readonly ldrOhms: Float64Array;
  readonly ldrOhmsLow: Float64Array;
  readonly ldrOhmsHigh: Float64Array;
  readonly midVolts: Float64Array;
  /** Voltage at the transistor's base; the same as the midpoint without a base resistor. */
  readonly baseVolts: Float64Array;
  readonly loadAmps: Float64Array;
  /** The most that each of these comes to anywhere on the axis. */
  readonly worst: {
    readonly ldrWatts: number;
    readonly ldrWattsLux: number;
    /** Voltage across the LDR. */
    readonly ldrVolts: number;
    readonly baseAmps: number;
    readonly baseAmpsLux: number;
    readonly transistorWatts: number;
    readonly transistorWattsLux: number;
    readonly seriesWatts: number;
    readonly supplyAmps: number;
  };
}

/**
 * Solves the circuit across the axis from dark to bright.
 * @param closely where the load switches, if it does
 * @returns `null` where one light has no operating point
 */
export function sweepLight(
  live: LiveCircuit,
  range: LightRange,
  closely: LightRange | null,
  seriesOhms: number,
): Sweep | null {
  const even = logSpacedLux(range, EVEN_COUNT);
  const lux = closely ? Float64Array.of(...even, ...logSpacedLux(closely, CLOSE_COUNT)).sort() : even;
  const curves = Array.from({ length: 6 }, () => new Float64Array(lux.length));
  const [ldrOhms, ldrOhmsLow, ldrOhmsHigh, midVolts, baseVolts, loadAmps] = curves as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const baseNode = live.description.testPoints.some((point) => point.id === 'B') ? 'base' : 'mid';
  const upper = live.description.parts.filter(
    (part) => isDividerPart(part) && part.a === live.description.supplyNode,
  );
  const worst = {
    ldrWatts: 0,
    ldrWattsLux: 0,
    ldrVolts: 0,
    baseAmps: 0,
    baseAmpsLux: 0,
    transistorWatts: 0,
    transistorWattsLux: 0,
    seriesWatts: 0,
    supplyAmps: 0,
  };
  for (let i = 0; i < lux.length; i++) {
    const light = lux[i] ?? range.leastLux;
    const volts = live.solve(light);
    if (!volts) return null;
    const ohms = ldrOhmsAt(live.ldr.curve, light);
    const band = ldrOhmsBand(live.ldr, light);
    ldrOhms[i] = ohms;
    ldrOhmsLow[i] = band.low;
    ldrOhmsHigh[i] = band.high;
    midVolts[i] = live.voltsIn(volts, 'mid');
    baseVolts[i] = live.voltsIn(volts, baseNode);
    const amps = live.loadAmpsIn(volts);
    loadAmps[i] = amps;

    const ldrWatts = live.wattsIn(volts, live.description.ldr, ohms);
    if (ldrWatts > worst.ldrWatts) Object.assign(worst, { ldrWatts, ldrWattsLux: light });
    worst.ldrVolts = Math.max(worst.ldrVolts, Math.sqrt(ldrWatts * ohms));
    const { baseAmps, watts } = live.transistorIn(volts);
    if (baseAmps > worst.baseAmps) Object.assign(worst, { baseAmps, baseAmpsLux: light });
    if (watts > worst.transistorWatts)
      Object.assign(worst, { transistorWatts: watts, transistorWattsLux: light });
    worst.seriesWatts = Math.max(worst.seriesWatts, amps * amps * seriesOhms);
    const dividerAmps = upper.reduce((total, { designator }) => total + live.ampsIn(volts, designator), 0);
    worst.supplyAmps = Math.max(worst.supplyAmps, amps + dividerAmps);
  }
  return { lux, ldrOhms, ldrOhmsLow, ldrOhmsHigh, midVolts, baseVolts, loadAmps, worst };
}
