import { isStarved } from '../operate/onAmps';
import type { CircuitAnalysis } from '../analyse/analysis';
import { elementNumber, nodeNumber, type Circuit } from '../circuit/circuit';
import { currentFrom, lampAmps, resistorAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import type { CircuitValues } from '../circuit/values';
import type { GoalEnd, Trip } from '../detectors/switching';
import { ldrLuxAt, ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { loadDefinition } from '../loads/registry';
import { fullPosition } from '../operate/fullDrive';
import { limitsOf, type Limit } from '../operate/limit';
import { Operation } from '../operate/operation';
import { findRoot } from '../numeric/findRoot';
import type { Project } from '../project/project';
import type { Factor } from './factors';
import { fullCurrentOver } from './fullCurrent';
import { madeOf, WARMTHS, type Made, type Plan } from './made';

/** One built circuit. Lights are NaN where it never switches. */
export interface Built {
  readonly onLux: number;
  /** The same as the other where it has no second light. */
  readonly offLux: number;
  /** Its load is fully on where it is on. */
  readonly isDriven: boolean;
  /** A trimmer in it can be set so that it turns on, or off, at the goal; `false` without one. */
  readonly canBeSet: boolean;
}

/** Where a light is looked for: the state that it is judged in, and what is compared there. */
interface Sought {
  readonly position: number;
  /** A detector's condition, or the loads' current against a level. */
  readonly trip: Trip | null;
  readonly levelAmps: number;
  /** The LDR's resistance where nothing is off, as ln Ω, and how fast what is compared goes with it there. */
  readonly lnOhms: number;
  readonly slope: number;
  /** The solution there: where every other is begun, so that each is the same whatever was solved before. */
  readonly start: Float64Array;
}

/** Steps of the secant, and how near it comes, in ln Ω. */
const STEPS = 12;
const NEAR = 1e-6;
/** No resistance of an LDR lies beyond, in ln Ω. */
const OHMS_RANGE = { min: Math.log(1), max: Math.log(1e9) } as const;
/** A load is fully on from this share of its full current. */
const FULLY = 0.9;
/** A project's circuit, ready to be built many times over, each time a little different. */
export class BuildBench {
  private readonly circuit: Circuit;
  private readonly plan: Plan;
  private readonly ldrIndex: number;
  private readonly on: Sought | null;
  private readonly off: Sought | null;
  private readonly curve: LdrCurve;
  private readonly onPosition: number;
  private readonly onEndLux: number;
  private readonly limits: readonly Limit[];
  private readonly fullAmps: (supplyShare: number) => number;
  /** Which of its lights the goal is about. */
  readonly goalEnd: GoalEnd;

  constructor(
    private readonly project: Project,
    private readonly analysis: CircuitAnalysis,
    factors: readonly Factor[],
  ) {
    const { assembly, ldr, range, action } = analysis;
    this.curve = ldr.curve;
    const warmth = factors.find((factor) => factor.of === 'warmth');
    const minCelsius = warmth?.of === 'warmth' ? warmth.minCelsius : 25;
    const maxCelsius = warmth?.of === 'warmth' ? warmth.maxCelsius : 25;
    const count = warmth ? WARMTHS : 1;
    const perStep = count > 1 ? (maxCelsius - minCelsius) / (count - 1) : 1;
    const operations = Array.from(
      { length: count },
      (_, index) => new Operation(assembly, { celsius: minCelsius + index * perStep, areLimited: false }),
    );
    const typical = new Operation(assembly, { areLimited: false });
    this.circuit = typical.circuit;
    const values = operations.map((operation) =>
      Array.from({ length: operation.positions }, (_, position) => operation.valuesOf(position)).filter(
        (figures) => figures !== null,
      ),
    );
    this.plan = {
      circuit: this.circuit,
      factors,
      values,
      curve: this.curve,
      minCelsius,
      perStep,
      hasLoadSupply: project.loadSupply !== null,
    };
    this.ldrIndex = elementNumber(this.circuit, assembly.ldr, 'resistors');
    const { switching } = assembly;
    this.onPosition = switching ? fullPosition(assembly) : 0;
    const isDarkOn = switching ? this.onPosition < switching.states.length / 2 : action === 'on-in-dark';
    this.onEndLux = isDarkOn ? range.minLux : range.maxLux;
    [this.on, this.off] = this.soughtOf(typical);
    this.goalEnd = analysis.thresholds?.goalEnd ?? 'on';
    this.limits = limitsOf(assembly.rails);
    this.fullAmps = fullCurrentOver(project, analysis, factors);
  }

  /** One build. @param draws a figure for each factor. Shape: factors */
  build(draws: ArrayLike<number>): Built {
    const { on, off, project } = this;
    const made = madeOf(this.plan, draws);
    const onLux = this.luxOf(on, made);
    const offLux = off ? this.luxOf(off, made) : onLux;
    return {
      onLux,
      offLux,
      isDriven: this.isDriven(made),
      canBeSet: this.canBeSet(made, project.goal.lux / made.lightTimes),
    };
  }

  /** The light alone at which a build turns on; NaN where it never does. @param draws a figure for each factor. Shape: factors */
  turnsOnAt(draws: ArrayLike<number>): number {
    return this.luxOf(this.on, madeOf(this.plan, draws));
  }

  private luxOf(sought: Sought | null, made: Made): number {
    const lnOhms = sought && this.crossing(sought, made);
    const lux = lnOhms === null ? null : ldrLuxAt(made.curve, Math.exp(lnOhms));
    return lux === null ? NaN : lux * made.lightTimes;
  }

  private soughtOf(typical: Operation): readonly [Sought | null, Sought | null] {
    const { assembly, half, thresholds, drive, loads } = this.analysis;
    const { switching } = assembly;
    const at = (lux: number, position: number, trip: Trip | null, levelAmps: number): Sought | null => {
      const lnOhms = Math.log(ldrOhmsAt(this.curve, lux));
      const solution = typical.solveIn(position, Math.exp(lnOhms));
      if (!solution) return null;
      const values = typical.valuesOf(position);
      if (!values) return null;
      const sought = { position, trip, levelAmps, lnOhms, slope: 1, start: solution.volts };
      const over = (shift: number) => this.over(sought, values, lnOhms + shift, 0, 0) ?? 0;
      return { ...sought, slope: (over(0.02) - over(-0.02)) / 0.04 };
    };
    if (!thresholds || !switching) {
      const coil = drive.isPullIn ? loads[0]?.lights : null;
      const { switchAmps } = drive;
      const off = coil?.off.ok && coil.on.ok ? at(coil.off.lux, 0, null, this.dropOutAmps()) : null;
      return [half.ok ? at(half.lux, 0, null, switchAmps) : null, off];
    }
    const { goalBoundary, isWindow, turnOn, turnOff } = thresholds;
    const boundary = switching.boundaries[goalBoundary];
    const next = switching.boundaries[goalBoundary + 1];
    if (!boundary) return [null, null];
    const isOnBelow = switching.isOn[goalBoundary] ?? false;
    const [onTrip, onState] = isOnBelow
      ? [boundary.falling, goalBoundary + 1]
      : [boundary.rising, goalBoundary];
    const [offTrip, offState] =
      isWindow && next
        ? isOnBelow
          ? [next.falling, goalBoundary + 2]
          : [next.rising, goalBoundary + 1]
        : isOnBelow
          ? [boundary.rising, goalBoundary]
          : [boundary.falling, goalBoundary + 1];
    const hasBand = turnOn.ok && turnOff.ok && Math.abs(Math.log(turnOn.lux / turnOff.lux)) > 1e-4;
    return [
      turnOn.ok ? at(turnOn.lux, onState, onTrip, 0) : null,
      turnOff.ok && hasBand ? at(turnOff.lux, offState, offTrip, 0) : null,
    ];
  }

  /** Current at which a coil by itself drops out, in A. */
  private dropOutAmps(): number {
    const { assembly, drive } = this.analysis;
    const [placed] = assembly.loads;
    const levels = placed && loadDefinition(placed.load).levels(placed.load, assembly.isHighSide);
    return levels?.off ?? drive.switchAmps;
  }

  /** How far what is compared is over, at a resistance of the LDR; `null` where there is no operating point. */
  private over(
    { trip, levelAmps, start }: Sought,
    values: CircuitValues,
    lnOhms: number,
    offset: number,
    warmKelvin: number,
  ): number | null {
    values.siemens[this.ldrIndex] = Math.exp(-lnOhms);
    const point = solveOperatingPoint(this.circuit, values, start);
    if (!point.ok) return null;
    const { volts } = point;
    if (!trip) return Math.log(Math.max(this.loadAmps(values, volts), 1e-15) / levelAmps);
    const at = (net: string) => volts[nodeNumber(this.circuit, net)] ?? 0;
    const share = trip.share * (1 + offset * (trip.shareSpread ?? 0));
    const drift = Math.sign(offset) * (trip.driftVoltsPerKelvin ?? 0) * warmKelvin;
    return (
      at(trip.plus) - share * at(trip.minus) + trip.offsetVolts + offset * (trip.offsetSpread ?? 0) + drift
    );
  }

  private loadAmps(values: CircuitValues, volts: Float64Array): number {
    const solution = { circuit: this.circuit, values, volts };
    let total = 0;
    for (const { sense } of this.analysis.assembly.loads)
      total += sense.kind === 'lamp' ? lampAmps(solution, sense.name) : resistorAmps(solution, sense.name);
    return total;
  }

  /** The LDR's resistance, as ln Ω, at which a build is level: by the secant from where nothing is off. */
  private crossing(sought: Sought, made: Made): number | null {
    const values = made.valuesOf(sought.position);
    if (!values) return null;
    let failed = false;
    const f = (lnOhms: number) => {
      const over = this.over(sought, values, lnOhms, made.offset, made.warmKelvin);
      if (over === null) failed = true;
      return over ?? 0;
    };
    let x0 = sought.lnOhms;
    let f0 = f(x0);
    let x1 = x0 - f0 / sought.slope;
    if (Number.isFinite(x1) && Math.abs(x1 - x0) < FAR) {
      for (let step = 0; step < STEPS && !failed; step++) {
        if (Math.abs(x1 - x0) < NEAR) return x1;
        const f1 = f(x1);
        if (f1 === f0) break;
        const next = x1 - (f1 * (x1 - x0)) / (f1 - f0);
        [x0, f0, x1] = [x1, f1, next];
        if (!(Math.abs(x1 - sought.lnOhms) < 2 * FAR)) break;
      }
    }
    failed = false;
    const root = findRoot(f, OHMS_RANGE.min, OHMS_RANGE.max, { tolerance: NEAR });
    return root.ok && !failed ? root.x : null;
  }

  /** Whether the load is fully on where it is on, and no supply lets its voltage down for it. */
  private isDriven(made: Made): boolean {
    // No switch makes anything of next to nothing.
    if (this.analysis.loads.some(isStarved)) return false;
    const values = made.valuesOf(this.onPosition);
    if (!values) return false;
    values.siemens[this.ldrIndex] = 1 / ldrOhmsAt(made.curve, this.onEndLux);
    const point = solveOperatingPoint(this.circuit, values, this.on?.start);
    if (!point.ok) return false;
    const solution = { circuit: this.circuit, values, volts: point.volts };
    if (this.limits.some(({ feed, amps }) => currentFrom(solution, feed) > amps)) return false;
    return this.loadAmps(values, point.volts) >= FULLY * this.fullAmps(made.supplyShare);
  }

  /** Whether a trimmer in R1's place can be turned so that this build is level at the goal. */
  private canBeSet(made: Made, goalLux: number): boolean {
    const { trimmer } = this.project.divider;
    const sought = this.goalEnd === 'off' ? (this.off ?? this.on) : this.on;
    if (!trimmer || !sought) return false;
    const values = made.valuesOf(sought.position);
    const { element } = this.analysis.assembly.fixed;
    if (!values) return false;
    const index = elementNumber(this.circuit, element, 'resistors');
    const present = values.siemens[index] ?? 0;
    const lnOhms = Math.log(ldrOhmsAt(made.curve, goalLux));
    const at = (ohms: number) => {
      values.siemens[index] = 1 / Math.max(ohms, 1e-3);
      return this.over(sought, values, lnOhms, made.offset, made.warmKelvin) ?? 0;
    };
    const [low, high] = [at(1e-3), at(trimmer.trackOhms)];
    values.siemens[index] = present;
    return low * high <= 0;
  }
}

/** Further than this from where nothing is off, in ln Ω, the secant is not trusted. */
const FAR = 2.5;
