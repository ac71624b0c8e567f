import { ldrOhmsAt } from '../ldr/curve';
import { logSpacedLux, type LightRange } from '../light/range';
import type { LiveCircuit } from './liveCircuit';

/** How many lights the curves are drawn through, evenly on the axis and more closely where the load switches. */
const EVEN_COUNT = 65;
const CLOSE_COUNT = 33;

/** Curves over light, from dark to bright. Each array has the shape of `lux`: 65 or 98. */
export interface Sweep {
  readonly lux: Float64Array;
  readonly midVolts: Float64Array;
  /** Voltage at the base or gate; the same as the midpoint without a resistor before it. */
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
    /** Heat in each resistor, coil or other plain part, by designator. */
    readonly partWatts: Readonly<Record<string, number>>;
    /** Across the switch when it is off, in V. */
    readonly switchVolts: number;
    /** Between control and reference: base or gate against emitter or source, either way, in V. */
    readonly controlVolts: number;
  };
  /** What each supply gives at the dark and at the bright end, and at most, in A; the sensor's first. */
  readonly supplies: readonly {
    readonly darkAmps: number;
    readonly brightAmps: number;
    readonly mostAmps: number;
  }[];
}

/**
 * Solves the circuit across the axis from dark to bright.
 * @param closely where the load switches, if it does
 * @returns `null` where one light has no operating point
 */
export function sweepLight(live: LiveCircuit, range: LightRange, closely: LightRange | null): Sweep | null {
  const even = logSpacedLux(range, EVEN_COUNT);
  const lux = closely ? Float64Array.of(...even, ...logSpacedLux(closely, CLOSE_COUNT)).sort() : even;
  const [midVolts, baseVolts, loadAmps] = [
    new Float64Array(lux.length),
    new Float64Array(lux.length),
    new Float64Array(lux.length),
  ];
  const { control } = live.description.switchNodes;
  const { transistor } = live.description;
  const reference = transistor.kind === 'nmos' ? transistor.source : transistor.emitter;
  const plain = live.description.parts.filter((part) => part.kind === 'resistor' || part.kind === 'device');
  const partWatts: Record<string, number> = Object.fromEntries(
    plain.map(({ designator }) => [designator, 0]),
  );
  const supplies = live.description.rails.map(() => ({ darkAmps: 0, brightAmps: 0, mostAmps: 0 }));
  const worst = {
    ldrWatts: 0,
    ldrWattsLux: 0,
    ldrVolts: 0,
    baseAmps: 0,
    baseAmpsLux: 0,
    transistorWatts: 0,
    transistorWattsLux: 0,
    partWatts,
    switchVolts: 0,
    controlVolts: 0,
  };
  for (let i = 0; i < lux.length; i++) {
    const light = lux[i] ?? range.leastLux;
    const volts = live.solve(light);
    if (!volts) return null;
    const ohms = ldrOhmsAt(live.ldr.curve, light);
    midVolts[i] = live.voltsIn(volts, 'mid');
    baseVolts[i] = live.voltsIn(volts, control);
    const amps = live.loadAmpsIn(volts);
    loadAmps[i] = amps;

    const ldrWatts = live.wattsIn(volts, live.description.ldr, ohms);
    if (ldrWatts > worst.ldrWatts) Object.assign(worst, { ldrWatts, ldrWattsLux: light });
    worst.ldrVolts = Math.max(worst.ldrVolts, Math.sqrt(ldrWatts * ohms));
    const { baseAmps, watts } = live.transistorIn(volts);
    if (baseAmps > worst.baseAmps) Object.assign(worst, { baseAmps, baseAmpsLux: light });
    if (watts > worst.transistorWatts)
      Object.assign(worst, { transistorWatts: watts, transistorWattsLux: light });
    worst.switchVolts = Math.max(worst.switchVolts, Math.abs(live.switchVoltsIn(volts)));
    const controlVolts = Math.abs(live.voltsIn(volts, control) - live.voltsIn(volts, reference));
    worst.controlVolts = Math.max(worst.controlVolts, controlVolts);
    for (const { designator, ohms: resistance } of plain) {
      partWatts[designator] = Math.max(
        partWatts[designator] ?? 0,
        live.wattsIn(volts, designator, resistance),
      );
    }
    supplies.forEach((supply, index) => {
      const given = live.supplyAmpsIn(volts, index);
      if (i === 0) supply.darkAmps = given;
      if (i === lux.length - 1) supply.brightAmps = given;
      supply.mostAmps = Math.max(supply.mostAmps, given);
    });
  }
  return { lux, midVolts, baseVolts, loadAmps, worst, supplies };
}
