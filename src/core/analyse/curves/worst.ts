import { bisectLeft, bisectRight } from 'd3-array';
import type { LightRange } from '../../light/range';
import { findPeak } from '../../numeric/findPeak';
import type { Readout } from '../../operate/read';
import { partIn } from '../../parts/find';
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
  /** The transistor's heat at lights where its base takes no more than it may: of its load, and not of its base. */
  readonly loadWatts: number;
  readonly loadWattsLux: number;
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

/** Figures that have a peak between the lights that are looked at. */
type Climbed = 'ldrWatts' | 'transistorWatts' | 'loadWatts';

/** So near a peak is found, in ln of light. */
const SMOOTH = 0.02;
/** A transistor’s peak is as narrow as the light that moves its base by a few millivolts. */
const SHARP = 0.001;
/** A share of a figure that is not shown. */
const LEAST_GAIN = 1e-5;
/** What is more by less than this share is the same in all but a solution's last digits: the first light keeps it. */
const SAME_SHARE = 1e-7;
/** Whether a figure is more than before. */
const isMore = (figure: number, before: number) => figure > before * (1 + SAME_SHARE);

/** The most that everything comes to while a circuit is solved at one light after another. */
export class Worst {
  private readonly figures: { -readonly [K in Exclude<keyof WorstFigures, 'partWatts'>]: number };
  readonly supplies: { -readonly [K in keyof SupplyFigures]: SupplyFigures[K] }[];
  /** Most heat in each of the hot elements so far. Shape: as they are. */
  private readonly hotWatts: Float64Array;
  private readonly hot: readonly HotElement[];
  /** At the light that was seen last. */
  private readonly last = { ldrWatts: 0, transistorWatts: 0, loadWatts: 0 };
  /** The detector's state at either peak. */
  private readonly positions = { ldrWattsLux: 0, transistorWattsLux: 0, loadWattsLux: 0 };
  /** What the transistor's base may take, in A. */
  private readonly maxBaseAmps: number;

  constructor(
    private readonly live: DesignCircuit,
    private readonly range: LightRange,
  ) {
    this.hot = hotElements(live);
    this.maxBaseAmps = partIn(live.assembly.parts, 'bipolar', 'driver')?.model.maxBaseAmps ?? Infinity;
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
      loadWatts: 0,
      loadWattsLux: 0,
      switchVolts: 0,
      controlVolts: 0,
    };
  }

  /**
   * What has been seen so far, with the heat of LDR and transistor solved on at their peaks: between the lights that were seen
   * either passes more.
   * @param lux those lights, from dark to bright
   */
  atPeaks(lux: Float64Array): WorstFigures {
    this.climb('ldrWatts', lux, SMOOTH);
    this.climb('transistorWatts', lux, SHARP);
    // Where its base takes too much somewhere the heat of its load may have a peak of its own.
    if (this.figures.loadWatts < this.figures.transistorWatts) this.climb('loadWatts', lux, SHARP);
    return this.worst;
  }

  /** The top of a figure between the lights on either side of the one at which it was most. */
  private climb(figure: Climbed, lux: Float64Array, tolerance: number) {
    const { figures, live } = this;
    const value = figures[figure];
    if (value === 0) return;
    const [most, position] = [figures[`${figure}Lux`], this.positions[`${figure}Lux`]];
    // It may have been seen on the way to another peak.
    const x = Math.log(most);
    const left = Math.log(lux[bisectLeft(lux, most) - 1] ?? most);
    const right = Math.log(lux[bisectRight(lux, most)] ?? most);
    const valueAt = (lnLux: number) => {
      const light = Math.exp(lnLux);
      const settled = live.settle(position, light);
      // In the state in which it is that warm, and no other.
      if (settled?.position !== position) return 0;
      this.see(light, settled.readout, position);
      return this.last[figure];
    };
    const options = { tolerance, leastGain: LEAST_GAIN };
    // At an end of the axis, or where the detector goes on to its next state, it may fall from there on.
    const inwards = x - left < tolerance ? tolerance : right - x < tolerance ? -tolerance : 0;
    if (inwards === 0) findPeak(valueAt, [left, right], { x, value }, options);
    else {
      const top = { x: x + inwards, value: valueAt(x + inwards) };
      if (isMore(top.value, value)) findPeak(valueAt, [left, right], top, options);
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
    this.last.ldrWatts = ldrWatts;
    if (isMore(ldrWatts, figures.ldrWatts)) {
      [figures.ldrWatts, figures.ldrWattsLux] = [ldrWatts, light];
      this.positions.ldrWattsLux = position;
    }
    figures.ldrVolts = Math.max(figures.ldrVolts, Math.sqrt(ldrWatts * ohms));
    const { baseAmps, watts } = readout.driver();
    if (isMore(baseAmps, figures.baseAmps)) [figures.baseAmps, figures.baseAmpsLux] = [baseAmps, light];
    this.last.transistorWatts = watts;
    if (isMore(watts, figures.transistorWatts)) {
      [figures.transistorWatts, figures.transistorWattsLux] = [watts, light];
      this.positions.transistorWattsLux = position;
    }
    const loadWatts = baseAmps <= this.maxBaseAmps ? watts : 0;
    this.last.loadWatts = loadWatts;
    if (isMore(loadWatts, figures.loadWatts)) {
      [figures.loadWatts, figures.loadWattsLux] = [loadWatts, light];
      this.positions.loadWattsLux = position;
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
