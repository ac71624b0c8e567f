import { ldrOhmsAt } from '../ldr/curve';
import { logSpacedLux, type LightRange } from '../light/range';
import type { LiveCircuit } from './liveCircuit';

/** How many lights the curves are drawn through, evenly on the axis and more closely where the load switches. */
const EVEN_COUNT = 65;
/** Behind a decider the curves are a divider's, smooth between its steps: lines through so many are off by a few thousandths at most. */
const DETECTOR_COUNT = 41;
const CLOSE_COUNT = 33;

/** Curves over light, from dark to bright. Each array has the shape of `lux`: 65 or 98; behind a decider 41 and two for each step. */
export interface Sweep {
  readonly lux: Float64Array;
  readonly midVolts: Float64Array;
  /** Voltage at the base or gate; the same as the midpoint without a resistor before it. */
  readonly baseVolts: Float64Array;
  readonly loadAmps: Float64Array;
  /** Voltage that the midpoint is held against; `null` without one. */
  readonly referenceVolts: Float64Array | null;
  /** The same curves as it gets darker, where a decider is passed elsewhere then; the others are as it gets brighter. */
  readonly falling: Pick<Sweep, 'midVolts' | 'baseVolts' | 'loadAmps' | 'referenceVolts'> | null;
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
    readonly maxAmps: number;
  }[];
}

/** The curves of one pass over light. */
type Curves = Pick<Sweep, 'midVolts' | 'baseVolts' | 'loadAmps' | 'referenceVolts'>;

/** A sweep on its way: solved evenly across the axis. */
export interface EvenSweep extends Curves {
  readonly lux: Float64Array;
  readonly seen: Worst;
}

/** Solves a transistor's circuit evenly across the axis, which is enough to see where it climbs. `null` as {@link sweepDecided}. */
export function sweepEvenly(live: LiveCircuit, range: LightRange): EvenSweep | null {
  const lux = Float64Array.from(logSpacedLux(range, EVEN_COUNT));
  const seen = new Worst(live, lux);
  const curves = curvesOf(live, lux, (index) => index, seen);
  return curves && { lux, ...curves, seen };
}

/** The same with more lights in between where it switches, if it does. */
export function sweepClosely(
  live: LiveCircuit,
  { seen, ...even }: EvenSweep,
  closely: LightRange | undefined,
): Sweep | null {
  const lux = Float64Array.from(closely ? logSpacedLux(closely, CLOSE_COUNT) : []);
  const close = curvesOf(live, lux, (index) => index, seen);
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
    worst: seen.worst,
    supplies: seen.supplies,
  };
}

/**
 * Solves a decider's circuit across the axis from dark to bright, and back where it may stand otherwise then.
 * @param steps lights at which it is passed: the curves jump there
 * @param hasBand they are not the same as it gets brighter and as it gets darker
 * @returns `null` where one light has no operating point
 */
export function sweepDetector(
  live: LiveCircuit,
  range: LightRange,
  steps: readonly number[],
  hasBand: boolean,
): Sweep | null {
  const beside = steps.flatMap((lux) => [lux / STEP_RATIO, lux * STEP_RATIO]);
  const lux = Float64Array.of(...logSpacedLux(range, DETECTOR_COUNT), ...beside).sort();
  const seen = new Worst(live, lux);
  live.startFrom('dark');
  const rising = curvesOf(live, lux, (index) => index, seen);
  if (!rising) return null;
  live.startFrom('bright');
  const last = lux.length - 1;
  const falling = hasBand ? curvesOf(live, lux, (index) => last - index, seen) : null;
  if (hasBand && !falling) return null;
  return { lux, ...rising, falling, worst: seen.worst, supplies: seen.supplies };
}

/** How near before and after a jump the curves are drawn through, as a ratio of light. */
const STEP_RATIO = 1 + 1e-5;

function curvesOf(
  live: LiveCircuit,
  lux: Float64Array,
  order: (index: number) => number,
  seen: Worst,
): Curves | null {
  const empty = () => new Float64Array(lux.length);
  const [midVolts, baseVolts, loadAmps] = [empty(), empty(), empty()];
  const { control } = live.assembly.switchNodes;
  const hasReference = live.assembly.testPoints.some(({ node }) => node === 'ref');
  const referenceVolts = hasReference ? empty() : null;
  for (let step = 0; step < lux.length; step++) {
    const i = order(step);
    const light = lux[i] ?? 1;
    const volts = live.solve(light);
    if (!volts) return null;
    midVolts[i] = live.voltsIn(volts, 'mid');
    baseVolts[i] = live.voltsIn(volts, control);
    loadAmps[i] = live.loadAmpsIn(volts);
    if (referenceVolts) referenceVolts[i] = live.voltsIn(volts, 'ref');
    seen.see(light, volts);
  }
  return { midVolts, baseVolts, loadAmps, referenceVolts };
}

/** The most that everything comes to while a circuit is solved at one light after another. */
class Worst {
  private readonly figures: { -readonly [K in Exclude<keyof Sweep['worst'], 'partWatts'>]: number };
  readonly supplies: { darkAmps: number; brightAmps: number; maxAmps: number }[];
  /** Most heat in each of the plain parts so far. Shape: as they are. */
  private readonly plainWatts: Float64Array;
  private readonly plain: readonly { readonly designator: string; readonly ohms: number }[];
  private readonly reference: string;
  private readonly darkLux: number;
  private readonly brightLux: number;

  constructor(
    private readonly live: LiveCircuit,
    lux: Float64Array,
  ) {
    this.darkLux = lux[0] ?? 0;
    this.brightLux = lux.at(-1) ?? 0;
    const { parts, transistor, rails } = live.assembly;
    this.plain = parts.flatMap((part) => (part.kind === 'resistor' || part.kind === 'device' ? [part] : []));
    this.plainWatts = new Float64Array(this.plain.length);
    this.reference = transistor
      ? transistor.kind === 'nmos'
        ? transistor.source
        : transistor.emitter
      : live.assembly.switchNodes.control;
    this.supplies = rails.map(() => ({ darkAmps: 0, brightAmps: 0, maxAmps: 0 }));
    this.figures = {
      ldrWatts: 0,
      ldrWattsLux: 0,
      ldrVolts: 0,
      baseAmps: 0,
      baseAmpsLux: 0,
      transistorWatts: 0,
      transistorWattsLux: 0,
      switchVolts: 0,
      controlVolts: 0,
    };
  }

  /** What has been seen so far. */
  get worst(): Sweep['worst'] {
    const perPart = this.plain.map(({ designator }, index) => [designator, this.plainWatts[index]!] as const);
    return { ...this.figures, partWatts: Object.fromEntries(perPart) };
  }

  see(light: number, volts: Float64Array): void {
    const { live, figures, plainWatts } = this;
    const ohms = ldrOhmsAt(live.ldr.curve, light);
    const ldrWatts = live.wattsIn(volts, live.assembly.ldr, ohms);
    if (ldrWatts > figures.ldrWatts) Object.assign(figures, { ldrWatts, ldrWattsLux: light });
    figures.ldrVolts = Math.max(figures.ldrVolts, Math.sqrt(ldrWatts * ohms));
    const { baseAmps, watts } = live.transistorIn(volts);
    if (baseAmps > figures.baseAmps) Object.assign(figures, { baseAmps, baseAmpsLux: light });
    if (watts > figures.transistorWatts)
      Object.assign(figures, { transistorWatts: watts, transistorWattsLux: light });
    figures.switchVolts = Math.max(figures.switchVolts, Math.abs(live.switchVoltsIn(volts)));
    const { control } = live.assembly.switchNodes;
    const controlVolts = Math.abs(live.voltsIn(volts, control) - live.voltsIn(volts, this.reference));
    figures.controlVolts = Math.max(figures.controlVolts, controlVolts);
    for (let index = 0; index < this.plain.length; index++) {
      const { designator, ohms: resistance } = this.plain[index]!;
      const here = live.wattsIn(volts, designator, resistance);
      if (here > plainWatts[index]!) plainWatts[index] = here;
    }
    for (let index = 0; index < this.supplies.length; index++) {
      const supply = this.supplies[index];
      if (!supply) continue;
      const given = live.supplyAmpsIn(volts, index);
      if (light === this.darkLux) supply.darkAmps = given;
      if (light === this.brightLux) supply.brightAmps = given;
      supply.maxAmps = Math.max(supply.maxAmps, given);
    }
  }
}
