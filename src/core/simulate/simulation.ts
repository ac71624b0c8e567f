import { NIGHT_LUX } from '../light/daylight';
import { Coupled } from './coupled';
import { Follower } from './follow';
import { LightAtLdr } from './lightAtLdr';
import { LoadsInTime, type LoadState } from './loadsInTime';
import { longestStep, SHORTEST_STEP } from './longestStep';
import { litIn, type Machine } from './machine';
import { NO_TIME, OutputInTime } from './outputInTime';
import { Readings } from './readings';
import { firstTime, Rest } from './rest';
import type { SimEvent } from './simEvent';
import type { StateTable } from './stateTable';

/** The midpoints, in V, at which a detector goes on to the next brighter state, and to the next darker; `null` where none does. */
export interface Thresholds {
  readonly brighterVolts: number | null;
  readonly darkerVolts: number | null;
}

/** Nearer than this to a threshold a program’s readings are taken one by one. */
const NEAR_SHARE = 0.02;
/**
 * A design in time: LDR, detector, output, loads and their own light, each by its own law, with every crossing found where it is
 * and not at the end of a step. The same calls give the same events, however the time is cut.
 */
export class Simulation {
  /** Seconds since the start. */
  time = 0;
  /** The detector's state, 0 for the darkest. */
  position: number;
  /** Time so far with the loads driven, and partly on, in s. */
  onSeconds = 0;
  partlySeconds = 0;
  /** The time so far that each load has been on, added up over all, in s. */
  loadSeconds = 0;
  private lit = 0;
  /** Charge so far out of each supply, in A·s. */
  readonly coulombs: Float64Array;
  private readonly follower: Follower;
  private readonly onPosition: number;
  private readonly offPosition: number;
  private readonly rest = new Rest();
  private readonly output: OutputInTime;
  private readonly readings: Readings | null;
  private readonly coupled: Coupled | null;
  private readonly inTime: LoadsInTime;
  private readonly light: LightAtLdr;
  /** What the LDR would settle at in the room's light alone, in S. */
  private ambient: number;
  /** Coils on a transistor beside other loads: each goes by its own current on the way. */
  private readonly hasFreeCoils: boolean;

  /** @param lux the light that it has been in for ever, coming from the dark */
  constructor(
    private readonly machine: Machine,
    lux: number,
    private readonly onEvent: (event: SimEvent) => void = () => undefined,
  ) {
    const { isOn, tables, loads } = machine;
    this.inTime = new LoadsInTime(loads);
    this.output = new OutputInTime(machine.stage, (isNew) => this.driven(isNew));
    this.hasFreeCoils = machine.isSoft && !machine.isCoilAlone && loads.some(({ pull }) => pull);
    this.light = new LightAtLdr(machine, this.inTime);
    this.ambient = this.light.siemensIn(lux);
    this.onPosition = Math.max(0, isOn.indexOf(true));
    this.offPosition = Math.max(0, isOn.indexOf(false));
    this.coulombs = new Float64Array(tables[0]?.supplies ?? 0);
    this.readings = machine.sampling && new Readings(machine.sampling);
    this.coupled = machine.coupling && new Coupled(machine.coupling);
    this.position = 0;
    this.follower = new Follower(machine.dynamics, this.ambient);
    this.settle();
  }

  /** Whether the loads are driven. */
  get isOn(): boolean {
    return this.output.isOn;
  }

  /** Switchings of the loads so far. */
  get switchings(): number {
    return this.output.switchings;
  }

  /** What each load does. */
  get loads(): readonly LoadState[] {
    return this.inTime.states;
  }

  /** Moves of each load's contact so far. */
  get contactMoves(): readonly number[] {
    return this.inTime.moves;
  }

  private get table(): StateTable | undefined {
    return this.machine.tables[this.tablePosition];
  }

  /** The LDR's conductance, in S. */
  get siemens(): number {
    return this.follower.siemens;
  }

  /** The room's light, without the loads' own, in lx. */
  get ambientLux(): number {
    return this.light.luxOf(this.ambient);
  }

  /** Light of the loads that reaches the LDR, in lx. */
  get ownLux(): number {
    return this.light.ownLux;
  }

  /** The state whose table holds: a pulse keeps the loads on though the detector is off again. */
  get tablePosition(): number {
    if (this.machine.isSoft) return 0;
    if (this.isOn === (this.machine.isOn[this.position] ?? false)) return this.position;
    return this.isOn ? this.onPosition : this.offPosition;
  }

  /** Current through a load, with what it takes more of when it starts, in A. */
  loadAmps(index: number): number {
    const amps = this.table?.load(index, this.siemens) ?? 0;
    const { inrushTimes = 1 } = this.machine.loads[index] ?? {};
    return amps * (1 + (inrushTimes - 1) * (this.loads[index]?.inrush ?? 0));
  }

  get midVolts(): number {
    return this.table?.mid(this.siemens) ?? 0;
  }

  /** Where the midpoint stands when the detector goes on from the state it is in. */
  get thresholds(): Thresholds {
    return { brighterVolts: this.midAt(this.up), darkerVolts: this.midAt(this.down) };
  }

  private midAt(siemens: number): number | null {
    if (siemens <= 0 || siemens === Infinity) return null;
    return this.table?.mid(siemens) ?? null;
  }

  /** How far a load's light or speed has come, 0–1. */
  levelOf(index: number): number {
    const [load, state] = [this.machine.loads[index], this.loads[index]];
    if (!load || !state) return 0;
    return load.followSeconds > 0 ? state.level : this.inTime.wantedLevel(index, this.table, this.siemens);
  }

  /** Until a pulse or a counted time ends, in s; `null` where none runs. */
  get pulseLeft(): number | null {
    const { pulseEndsAt } = this.output;
    return pulseEndsAt > this.time ? pulseEndsAt - this.time : null;
  }

  /**
   * Lets the time pass while the room's light goes to another: so that the conductance at which the LDR would settle goes evenly,
   * which for lights near to each other is as good as any other way.
   */
  run(seconds: number, toLux: number): void {
    const [from, to] = [this.ambient, this.light.siemensIn(toLux)];
    const startedAt = this.time;
    const endsAt = startedAt + seconds;
    const ambientAt = (time: number) => from + ((to - from) * (time - startedAt)) / seconds;
    while (endsAt - this.time > NO_TIME) {
      const whole = Math.min(endsAt, this.nextStop()) - this.time;
      const start = this.target(this.ambient);
      const last = this.target(ambientAt(this.time + whole));
      const longest = this.longestStep(whole, start, last);
      const step = Math.max(Math.min(whole, longest), Math.min(whole, SHORTEST_STEP));
      const end = step < whole ? this.target(ambientAt(this.time + step)) : last;
      const passed = this.toFirstCrossing(step, start, end);
      this.pass(passed, start, end, step);
      this.time += passed;
      this.ambient = ambientAt(this.time);
      this.decide();
    }
    this.time = endsAt;
    this.ambient = to;
  }

  /** Jumps to another light at once. */
  jump(lux: number): void {
    this.ambient = this.light.siemensIn(lux);
  }

  /** The LDR's conductance from which the detector goes on to the next brighter state, and under which to the next darker. */
  private get up(): number {
    return this.machine.boundaries[this.position]?.upSiemens ?? Infinity;
  }

  private get down(): number {
    return this.machine.boundaries[this.position - 1]?.downSiemens ?? 0;
  }

  /** Where the LDR would settle in the room's light and the loads' own together, in S. */
  private target(ambient: number): number {
    return this.light.target(ambient, this.table);
  }

  /** Comes from the dark to where this light and its own hold it, border by border, without telling. */
  private settle(): void {
    const { boundaries } = this.machine;
    this.follower.settle(this.light.siemensIn(NIGHT_LUX));
    this.settleIn(0);
    // What finds no rest stays at a border.
    for (let moves = 0; moves < 4 * (boundaries.length + 1); moves++) {
      const target = this.target(this.ambient);
      const { up, down } = this;
      const isOver = target >= up || target < down;
      const border = target >= up ? up : down;
      this.follower.settle(isOver && border > 0 ? border : target);
      // A coil that has moved lights the LDR otherwise.
      if (!isOver && !this.settleLoads()) return;
      if (!isOver) continue;
      this.settleIn(this.position + (target >= up ? 1 : -1));
    }
  }

  private settleIn(position: number): void {
    this.position = position;
    this.output.rest(this.machine.isOn[position] ?? false);
    if (this.machine.hasSteps) this.lit = litIn(this.machine, position, this.siemens);
    this.settleLoads();
  }

  private settleLoads(): boolean {
    return this.inTime.settle(this.table, this.siemens, this.machine.isCoilAlone ? this.isOn : null);
  }

  /** The next moment at which something happens by itself. */
  private nextStop(): number {
    const { pulseEndsAt } = this.output;
    let next = pulseEndsAt > this.time ? pulseEndsAt : Infinity;
    next = Math.min(next, this.inTime.nextMove(this.time));
    const readingAt = this.readings?.nextAt ?? Infinity;
    if (readingAt > this.time && readingAt < next) next = readingAt;
    return next;
  }

  /** So long may be gone at once: a program's readings are taken one by one where they are near a threshold. */
  private longestStep(whole: number, start: number, end: number): number {
    const { machine, inTime, table, siemens } = this;
    if (machine.sampling && this.hearsReadings()) return machine.sampling.readingSeconds;
    return longestStep(machine, this.follower, inTime, { whole, start, end, table, siemens });
  }

  /** Whether a program's readings are near enough to a threshold to be taken one by one. */
  private hearsReadings(): boolean {
    if (!this.readings) return false;
    const { up, down } = this;
    const target = this.target(this.ambient);
    const [low, high] = [Math.min(this.siemens, target), Math.max(this.siemens, target)];
    const isNear = high >= up * (1 - NEAR_SHARE) || low <= down * (1 + NEAR_SHARE);
    return this.readings.listen(isNear, this.time);
  }

  /** How long until the first crossing within a step; the whole step where there is none. */
  private toFirstCrossing(step: number, start: number, end: number): number {
    const { machine, follower, inTime, table } = this;
    if (this.coupled) return this.toTrigger(this.coupled, step, start, end);
    if (machine.sampling) return step;
    const { up, down } = this;
    const there = follower.siemensAfter(step, start, end, step);
    // Level with a threshold is on its bright side: what turns on and off at one light does not swing.
    const isOver = (siemens: number) =>
      siemens >= up || siemens < down || (this.hasFreeCoils && inTime.asksToMove(table, siemens));
    const rests = this.restsFor(step);
    if (isOver(follower.siemensAfter(rests, start, end, step))) return rests;
    if (!isOver(there)) return step;
    return firstTime(step, (seconds) => isOver(follower.siemensAfter(seconds, start, end, step)));
  }

  /** It cannot turn back at once: so much of a step it only goes on. */
  private restsFor(step: number): number {
    return Math.min(step, Math.max(0, this.rest.endsAt - this.time));
  }

  /** The same of what a change makes behind its capacitor. */
  private toTrigger(coupled: Coupled, step: number, start: number, end: number): number {
    const from = this.siemens;
    const isOver = (seconds: number) => {
      const to = this.follower.siemensAfter(seconds, start, end, step);
      return coupled.isTriggered(coupled.after(seconds, from, to), to);
    };
    const { raw } = this.output;
    const rests = this.restsFor(step);
    if (isOver(rests) !== raw) return rests;
    if (isOver(step) === raw) return step;
    return firstTime(step, (seconds) => isOver(seconds) !== raw);
  }

  /** Lets everything that goes by itself go on. */
  private pass(seconds: number, start: number, end: number, step: number): void {
    const { machine, follower, coulombs } = this;
    const { table } = this;
    const before = follower.siemens;
    follower.advance(seconds, start, end, step);
    if (this.coupled) this.coupled.across = this.coupled.after(seconds, before, follower.siemens);
    if (seconds <= 0 || !table) return;
    const middle = (before + follower.siemens) / 2;
    for (let index = 0; index < coulombs.length; index++)
      coulombs[index]! += seconds * table.supply(index, middle);
    if (this.isOn) this.onSeconds += seconds;
    if (machine.hasSteps) this.loadSeconds += seconds * this.lit;
    else if (this.isOn) this.loadSeconds += seconds * machine.loads.length;
    if (machine.isSoft) {
      const share = table.allLoads(middle) / machine.fullAmps;
      if (share > PARTLY.from && share < PARTLY.to) this.partlySeconds += seconds;
    }
    this.inTime.pass(seconds, table, follower.siemens, machine.feedbackLux > 0);
  }

  /** What follows from where it is now. */
  private decide(): void {
    if (this.coupled) this.decideChange(this.coupled);
    else if (this.readings) this.decideReadings(this.readings);
    else this.decideLevel();
    if (this.hasFreeCoils) this.inTime.moveContacts(this.time, this.table, this.siemens, null);
    if (this.output.isDue(this.time)) this.output.drive(this.time);
    const arrived = this.inTime.arrived(this.time + NO_TIME);
    for (const { index, isClosed } of arrived) this.tell('contact', isClosed, index);
    if (this.machine.feedbackLux > 0 || arrived.length > 0)
      this.inTime.followAtOnce(this.table, this.siemens);
  }

  private decideLevel(): void {
    if (this.time < this.rest.endsAt - NO_TIME) return;
    for (let way = 0; ;) {
      const { siemens, up, down } = this;
      const next = siemens >= up ? 1 : siemens < down ? -1 : 0;
      // Several steps at once all lie one way.
      if (next === 0 || way === -next) return;
      way = next;
      this.moveTo(this.position + next);
    }
  }

  private decideChange(coupled: Coupled): void {
    if (this.time < this.rest.endsAt - NO_TIME) return;
    const fired = coupled.isTriggered(coupled.across, this.siemens);
    if (fired !== this.output.raw) this.moveTo(fired ? this.onPosition : this.offPosition);
  }

  private decideReadings(readings: Readings): void {
    if (this.time < readings.nextAt - NO_TIME) return;
    const mean = readings.take(this.midVolts, this.time);
    const { table } = this;
    if (mean === null || !table) return;
    const { up, down } = this;
    const rises = table.mid(1e-3) > table.mid(1e-7);
    const isPast = (siemens: number) => mean >= table.mid(siemens) === rises;
    if (up < Infinity && isPast(up)) this.moveSlowly(this.position + 1);
    else if (down > 0 && !isPast(down)) this.moveSlowly(this.position - 1);
  }

  /** As a program moves: not off before its time. */
  private moveSlowly(position: number): void {
    const { sampling, isOn } = this.machine;
    const turnsOff = this.isOn && !(isOn[position] ?? false);
    if (turnsOff && this.time - this.output.onSince < (sampling?.minOnSeconds ?? 0) - NO_TIME) return;
    this.moveTo(position);
  }

  private moveTo(position: number): void {
    const before = this.position;
    this.rest.begin(this.time);
    this.position = position;
    if (this.machine.hasSteps) {
      this.lit = litIn(this.machine, position, this.siemens);
      this.tell('step', this.lit > litIn(this.machine, before, this.siemens), 0);
    }
    this.output.hear(this.machine.isOn[position] ?? false, this.time);
  }

  /** The output drives the loads, or no longer. */
  private driven(isNew: boolean): void {
    const { isOn } = this;
    if (isNew) {
      this.tell('loads', isOn, 0);
      if (isOn) this.inTime.switchedOn();
      this.inTime.followAtOnce(this.table, this.siemens);
    }
    this.inTime.moveContacts(this.time, this.table, this.siemens, this.machine.isCoilAlone ? isOn : null);
  }

  private tell(what: SimEvent['what'], isOn: boolean, load: number): void {
    this.onEvent({ at: this.time, what, isOn, position: this.position, load, lux: this.ambientLux });
  }
}

/** A load is partly on between these shares of its full current. */
const PARTLY = { from: 0.01, to: 0.9 } as const;
