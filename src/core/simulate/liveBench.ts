import { AFTER_SUNSET, isGone, LASTING, lightUnder, type Gesture, type Hand, type HandsIn } from './hands';
import type { Machine } from './machine';
import type { SimEvent } from './simEvent';
import { Simulation, type Thresholds } from './simulation';

/** What was seen at a moment. */
export interface BenchSample {
  readonly time: number;
  /** The room's light at the LDR, in lx, and the LDR's own resistance. */
  readonly lux: number;
  readonly ohms: number;
  readonly midVolts: number;
  /** Midpoint at which the first design's detector goes on to its next state, and back to the one before; `null` where none does. */
  readonly thresholds: Thresholds;
  /** The state whose circuit held for the first design: in a pulse that of the load on, whatever the detector says. */
  readonly tablePosition: number;
  /** Current through all loads as a share of their full one, of each design. */
  readonly shares: readonly number[];
}

/** An event of one of the designs. */
export interface BenchEvent extends SimEvent {
  readonly design: number;
}

/** So long is kept to look back on, in s, and so often it is looked at. */
export const KEPT_SECONDS = 60;
const SAMPLE_SECONDS = 1 / 60;
const KEPT_EVENTS = 100;
/** The light is asked so often: a lamp's ripple at 100 Hz still shows. */
const LIGHT_SECONDS = 0.002;
/** Without anything that moves quickly this is enough. */
const CALM_SECONDS = 1 / 120;

/** One or two designs under the same hand, in time. */
export class LiveBench {
  time = 0;
  /** The steady light that hands go over, in lx. */
  lux: number;
  readonly samples: BenchSample[] = [];
  readonly events: BenchEvent[] = [];
  gestures: readonly Gesture[] = [];
  readonly simulations: readonly Simulation[];
  private lastSample = -Infinity;
  /** The steady light goes to another within a moment, as a hand turns it. */
  private turning: { readonly from: number; readonly to: number; readonly at: number } | null = null;

  constructor(
    private readonly machines: readonly Machine[],
    lux: number,
    private readonly handsIn: HandsIn,
  ) {
    this.lux = lux;
    this.simulations = machines.map(
      (machine, design) =>
        new Simulation(machine, lux, (event) => {
          this.events.push({ ...event, design });
          if (this.events.length > KEPT_EVENTS) this.events.shift();
        }),
    );
    this.sample();
  }

  /** The steady light that is meant: where it is being turned to. */
  get aimLux(): number {
    return this.turning?.to ?? this.lux;
  }

  /** Turns the steady light to another. */
  turnTo(lux: number): void {
    this.turning = { from: this.lux, to: lux, at: this.time };
  }

  /** Does something to the light; what stays is taken away by doing it again. */
  tap(hand: Hand): void {
    const present = this.gestures.find((gesture) => gesture.hand === hand && gesture.endedAt === null);
    if (present && LASTING.includes(hand)) {
      this.gestures = this.gestures.map((one) => (one === present ? { ...one, endedAt: this.time } : one));
      return;
    }
    this.gestures = [
      ...this.gestures.filter((gesture) => gesture.hand !== hand),
      { hand, from: this.time, endedAt: null },
    ];
  }

  isUp(hand: Hand): boolean {
    return this.gestures.some((gesture) => gesture.hand === hand && gesture.endedAt === null);
  }

  /** Lets the time pass. */
  advance(seconds: number): void {
    const end = this.time + seconds;
    while (end - this.time > 1e-9) {
      const step = Math.min(end - this.time, this.gestures.length > 0 ? LIGHT_SECONDS : CALM_SECONDS);
      this.time += step;
      this.turn();
      const light = lightUnder(this.lux, this.gestures, this.time, this.handsIn);
      for (const simulation of this.simulations) simulation.run(step, light);
      if (this.time - this.lastSample >= SAMPLE_SECONDS - 1e-6) this.sample();
      this.clear();
    }
  }

  /** The sample at or before a moment; the last where there is none. */
  at(time: number): BenchSample | undefined {
    return this.samples.findLast((sample) => sample.time <= time) ?? this.samples[0];
  }

  private turn(): void {
    if (!this.turning) return;
    const { from, to, at } = this.turning;
    const share = Math.min(1, (this.time - at) / TURN_SECONDS);
    this.lux = from * (to / from) ** share;
    if (share === 1) this.turning = null;
  }

  private clear(): void {
    const gone = this.gestures.filter((gesture) => isGone(gesture, this.time));
    if (gone.length === 0) return;
    if (gone.some(({ hand }) => hand === 'sunset')) this.lux *= AFTER_SUNSET;
    this.gestures = this.gestures.filter((gesture) => !gone.includes(gesture));
  }

  private sample(): void {
    const [first] = this.simulations;
    if (!first) return;
    this.lastSample = this.time;
    this.samples.push({
      time: this.time,
      lux: first.ambientLux,
      ohms: 1 / first.siemens,
      midVolts: first.midVolts,
      thresholds: first.thresholds,
      tablePosition: first.tablePosition,
      shares: this.simulations.map((simulation, index) => this.shareOf(simulation, index)),
    });
    if (this.samples.length > KEPT_SECONDS / SAMPLE_SECONDS) this.samples.shift();
  }

  private shareOf(simulation: Simulation, index: number): number {
    const machine = this.machines[index];
    if (!machine || machine.fullAmps <= 0) return 0;
    const amps = machine.tables[simulation.tablePosition]?.allLoads(simulation.siemens) ?? 0;
    return Math.min(1.2, amps / machine.fullAmps);
  }
}

/** A hand turns the light within so long, in s. */
const TURN_SECONDS = 0.12;
