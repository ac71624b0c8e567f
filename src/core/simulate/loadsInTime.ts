import type { MachineLoad } from './machine';
import type { StateTable } from './stateTable';

/** What one load does. */
export interface LoadState {
  /** How far its light or speed has come, 0–1. */
  level: number;
  isClosed: boolean;
  /** When its contact arrives, in s; `Infinity` while it does not move. */
  movesAt: number;
  /** Inrush left, as a share of what was above its full current. */
  inrush: number;
}

/** The loads as they follow their currents: light and speed with a lag, contacts after a while, inrush that falls. */
export class LoadsInTime {
  readonly states: readonly LoadState[];
  /** Moves of each contact so far. */
  readonly moves: number[];

  constructor(private readonly loads: readonly MachineLoad[]) {
    this.states = loads.map(() => ({ level: 0, isClosed: false, movesAt: Infinity, inrush: 0 }));
    this.moves = loads.map(() => 0);
  }

  /**
   * As they are where they have been driven so for ever; a coil between its two currents stays as it was.
   * @param isDriven as in {@link moveContacts}
   * @returns whether a contact has moved
   */
  settle(table: StateTable | undefined, siemens: number, isDriven: boolean | null): boolean {
    let hasMoved = false;
    this.loads.forEach((load, index) => {
      const state = this.states[index]!;
      const isClosed = load.pull !== null && (isDriven ?? this.isHeld(index, table, siemens));
      if (isClosed !== state.isClosed) hasMoved = true;
      state.isClosed = isClosed;
      state.level = this.wantedLevel(index, table, siemens);
    });
    return hasMoved;
  }

  /** How far a load should come: with a contact by where that is, else by its current. */
  wantedLevel(index: number, table: StateTable | undefined, siemens: number): number {
    const load = this.loads[index];
    if (!load) return 0;
    if (load.pull) return this.states[index]!.isClosed ? 1 : 0;
    const amps = table?.load(index, siemens) ?? 0;
    return load.fullAmps > 0 ? Math.min(1, Math.max(0, amps / load.fullAmps)) : 0;
  }

  /** Whether the first one's light is on its way. */
  isLightMoving(table: StateTable | undefined, siemens: number): boolean {
    const wanted = this.wantedLevel(0, table, siemens);
    return Math.abs((this.states[0]?.level ?? wanted) - wanted) > 0.001;
  }

  /** Whether the first one is neither dark nor at its full light. */
  get isPartlyLit(): boolean {
    const level = this.states[0]?.level ?? 0;
    return level > 0.002 && level < 0.998;
  }

  /** Lets the time pass. @param followsAll even those that follow at once, for whose light is asked for */
  pass(seconds: number, table: StateTable | undefined, siemens: number, followsAll: boolean): void {
    for (let index = 0; index < this.loads.length; index++) {
      const [load, state] = [this.loads[index]!, this.states[index]!];
      if (state.inrush > 0) state.inrush = toward(state.inrush, 0, seconds, load.inrushSeconds);
      if (followsAll || load.followSeconds > 0)
        state.level = toward(
          state.level,
          this.wantedLevel(index, table, siemens),
          seconds,
          load.followSeconds,
        );
    }
  }

  /** They are switched on: they take their inrush. */
  switchedOn(): void {
    for (const state of this.states) state.inrush = 1;
  }

  /** What follows at once is there at once: in the state that the detector is in now, and with the contacts as they stand now. */
  followAtOnce(table: StateTable | undefined, siemens: number): void {
    this.loads.forEach((load, index) => {
      if (load.followSeconds === 0) this.states[index]!.level = this.wantedLevel(index, table, siemens);
    });
  }

  /** Whether a coil’s current would send its contact on its way, or stop it there. */
  asksToMove(table: StateTable | undefined, siemens: number): boolean {
    return this.states.some(({ isClosed, movesAt }, index) => {
      const goesTo = movesAt === Infinity ? isClosed : !isClosed;
      return this.isHeld(index, table, siemens) !== goesTo;
    });
  }

  private isHeld(index: number, table: StateTable | undefined, siemens: number): boolean {
    const { pull } = this.loads[index]!;
    if (!pull || !table) return false;
    const amps = table.load(index, siemens);
    return this.states[index]!.isClosed ? amps > pull.outAmps : amps >= pull.inAmps;
  }

  /**
   * Sends contacts on their way where their coils ask for it, or stops them where those have changed their mind.
   * @param isDriven for a coil that a transistor drives alone: the level itself was the event; else `null`
   */
  moveContacts(time: number, table: StateTable | undefined, siemens: number, isDriven: boolean | null): void {
    this.loads.forEach((load, index) => {
      if (!load.pull || !load.contact || !table) return;
      const state = this.states[index]!;
      const isPulled = isDriven ?? this.isHeld(index, table, siemens);
      if (isPulled === state.isClosed) state.movesAt = Infinity;
      else if (state.movesAt === Infinity)
        state.movesAt = time + (isPulled ? load.contact.operateSeconds : load.contact.releaseSeconds);
    });
  }

  /** When the next contact arrives, in s; `Infinity` where none moves. */
  nextMove(after: number): number {
    let next = Infinity;
    for (const { movesAt } of this.states) if (movesAt > after && movesAt < next) next = movesAt;
    return next;
  }

  /** Contacts that have arrived by now: where each is then. */
  arrived(time: number): readonly { readonly index: number; readonly isClosed: boolean }[] {
    let found: { readonly index: number; readonly isClosed: boolean }[] = NONE;
    for (let index = 0; index < this.states.length; index++) {
      const state = this.states[index]!;
      if (time < state.movesAt) continue;
      state.movesAt = Infinity;
      state.isClosed = !state.isClosed;
      this.moves[index]! += 1;
      found = [...found, { index, isClosed: state.isClosed }];
    }
    return found;
  }
}

const NONE: { readonly index: number; readonly isClosed: boolean }[] = [];

function toward(from: number, to: number, seconds: number, tau: number): number {
  return tau <= 0 ? to : to + (from - to) * Math.exp(-seconds / tau);
}
