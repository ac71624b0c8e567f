import type { LightRange } from '../../light/range';
import type { Readout } from '../../operate/read';
import { elementsOf } from '../../parts/registry';
import type { DesignCircuit } from '../designCircuit';

/** The most that each of these comes to anywhere on the axis. */
export interface WorstFigures {
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
}

/** What a supply gives at the dark and at the bright end, and at most, in A. */
export interface SupplyFigures {
  readonly darkAmps: number;
  readonly brightAmps: number;
  readonly maxAmps: number;
  /** Below 0 where current flows into it. */
  readonly minAmps: number;
  /** The lowest that its limit lets its open voltage down to, in V; `null` where it does not. */
  readonly foldedVolts: number | null;
}

/** A resistance of the netlist whose heat is that of a part. */
interface HotElement {
  readonly designator: string;
  readonly name: string;
  readonly ohms: number;
}

const TYPICAL = { celsius: 25, grade: 'typical' } as const;

/** Resistors, coils and the like: all that is a resistance and no more; a trimmer's track counts as one. */
function hotElements({ assembly }: DesignCircuit): readonly HotElement[] {
  return assembly.parts.flatMap((part) =>
    part.kind === 'resistor' || part.kind === 'device' || part.kind === 'trimmer'
      ? elementsOf(part, TYPICAL).flatMap((element): HotElement[] =>
          element.kind === 'resistor'
            ? [{ designator: part.designator, name: element.name, ohms: element.ohms }]
            : [],
        )
      : [],
  );
}

/** Steps about a peak end here, in ln of light: finer ones change nothing that is shown. */
const SMOOTH_STEP = 0.03;
/** A transistor’s peak is as narrow as the light that moves its base by a few millivolts. */
const SHARP_STEP = 0.002;

/** The most that everything comes to while a circuit is solved at one light after another. */
export class Worst {
  private readonly figures: { -readonly [K in Exclude<keyof WorstFigures, 'partWatts'>]: number };
  readonly supplies: { -readonly [K in keyof SupplyFigures]: SupplyFigures[K] }[];
  /** Most heat in each of the hot elements so far. Shape: as they are. */
  private readonly hotWatts: Float64Array;
  private readonly hot: readonly HotElement[];
  /** The detector's state at either peak. */
  private readonly positions = { ldrWattsLux: 0, transistorWattsLux: 0 };

  constructor(
    private readonly live: DesignCircuit,
    private readonly range: LightRange,
  ) {
    this.hot = hotElements(live);
    this.hotWatts = new Float64Array(this.hot.length);
    this.supplies = live.assembly.rails.map(() => ({
      ...{ darkAmps: 0, brightAmps: 0, maxAmps: 0, minAmps: 0 },
      foldedVolts: null,
    }));
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

  /**
   * What has been seen so far, with the heat of LDR and transistor solved on at their peaks: between the lights that were seen
   * either passes more.
   * @param count how many lights were seen, evenly on the axis
   */
  atPeaks(count: number): WorstFigures {
    const { minLux, maxLux } = this.range;
    const firstStep = Math.log(maxLux / minLux) / (count - 1) / 2;
    this.climb('ldrWatts', 'ldrWattsLux', firstStep, SMOOTH_STEP);
    if (this.figures.transistorWatts > 0)
      this.climb('transistorWatts', 'transistorWattsLux', firstStep, SHARP_STEP);
    return this.worst;
  }

  /** Steps of half the size on either side of a peak, until they are too small to matter. */
  private climb(
    figure: 'ldrWatts' | 'transistorWatts',
    at: 'ldrWattsLux' | 'transistorWattsLux',
    firstStep: number,
    lastStep: number,
  ) {
    const { figures, live, range } = this;
    for (let step = firstStep; step > lastStep; step /= 2) {
      const here = figures[at];
      for (const way of [-1, 1]) {
        const lux = here * Math.exp(way * step);
        if (lux < range.minLux || lux > range.maxLux) continue;
        // In the state in which it is that warm, and no other.
        const settled = live.settle(this.positions[at], lux);
        if (settled && settled.position === this.positions[at])
          this.see(lux, settled.readout, settled.position);
      }
      if (figures[figure] === 0) return;
    }
  }

  private get worst(): WorstFigures {
    const partWatts: Record<string, number> = {};
    this.hot.forEach(({ designator }, index) => {
      partWatts[designator] = (partWatts[designator] ?? 0) + (this.hotWatts[index] ?? 0);
    });
    return { ...this.figures, partWatts };
  }

  /** @param isSteady so it stays in that light, and not for a moment only */
  see(light: number, readout: Readout, position: number, isSteady = true): void {
    const { live, figures, hotWatts } = this;
    const { minLux, maxLux } = this.range;
    const ohms = live.ldrOhms(light);
    const ldrWatts = readout.watts(live.assembly.ldr, ohms);
    if (ldrWatts > figures.ldrWatts) {
      [figures.ldrWatts, figures.ldrWattsLux] = [ldrWatts, light];
      this.positions.ldrWattsLux = position;
    }
    figures.ldrVolts = Math.max(figures.ldrVolts, Math.sqrt(ldrWatts * ohms));
    const { baseAmps, watts } = readout.driver();
    if (baseAmps > figures.baseAmps) [figures.baseAmps, figures.baseAmpsLux] = [baseAmps, light];
    if (watts > figures.transistorWatts) {
      [figures.transistorWatts, figures.transistorWattsLux] = [watts, light];
      this.positions.transistorWattsLux = position;
    }
    figures.switchVolts = Math.max(figures.switchVolts, Math.abs(readout.switchVolts()));
    figures.controlVolts = Math.max(figures.controlVolts, Math.abs(readout.controlVolts()));
    for (let index = 0; index < this.hot.length; index++) {
      const { name, ohms: resistance } = this.hot[index]!;
      const here = readout.watts(name, resistance);
      if (here > hotWatts[index]!) hotWatts[index] = here;
    }
    for (let index = 0; index < this.supplies.length; index++) {
      const supply = this.supplies[index]!;
      const given = readout.supplyAmps(index);
      if (isSteady && light === minLux) supply.darkAmps = given;
      if (isSteady && light === maxLux) supply.brightAmps = given;
      supply.maxAmps = Math.max(supply.maxAmps, readout.askedAmps(index));
      const folded = readout.foldedVolts(index);
      if (folded !== null) supply.foldedVolts = Math.min(supply.foldedVolts ?? Infinity, folded);
      supply.minAmps = Math.min(supply.minAmps, given);
    }
  }
}
