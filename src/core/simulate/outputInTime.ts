import type { Machine } from './machine';

/** What is left of a time is none, in s. */
export const NO_TIME = 1e-12;

/** What a detector's output and what follows it make of the detector in time: as it says, a pulse, or over at each start. */
export class OutputInTime {
  /** Whether the loads are driven. */
  isOn = false;
  /** Switchings of the loads so far. */
  switchings = 0;
  /** When the loads were driven last, in s. */
  onSince = -Infinity;
  /** When the pulse that runs ends, in s; before everything where none does. */
  pulseEndsAt = -Infinity;
  /** The detector's own being on. */
  raw = false;
  /** Until when its output stays on though the light has gone back, in s. */
  private heldUntil = -Infinity;

  /** @param onDriven called whenever the loads are to be driven or not, with whether that is new */
  constructor(
    private readonly stage: Machine['stage'],
    private readonly onDriven: (isNew: boolean) => void,
  ) {}

  /** Stands as it does after the detector has been in a state for ever. */
  rest(raw: boolean): void {
    this.raw = raw;
    this.isOn = raw && (this.stage.kind === 'follows' || this.stage.kind === 'held-pulse');
  }

  /** The detector turned on or off, or stays as it is. */
  hear(raw: boolean, time: number): void {
    const { stage } = this;
    const turnsOn = raw && !this.raw && time >= this.heldUntil - NO_TIME;
    this.raw = raw;
    if (turnsOn && 'heldSeconds' in stage) this.heldUntil = time + stage.heldSeconds;
    if (stage.kind === 'turns-over') {
      if (turnsOn) this.set(!this.isOn, time);
      return;
    }
    const isRunning = time < this.pulseEndsAt - NO_TIME;
    if (stage.kind !== 'follows' && turnsOn && !isRunning) this.pulseEndsAt = time + stage.seconds;
    this.drive(time);
  }

  /** Whether a pulse has come to its end and not been heard of. */
  isDue(time: number): boolean {
    return this.pulseEndsAt > -Infinity && time >= this.pulseEndsAt - NO_TIME;
  }

  /** Drives the loads as the detector and the time say. */
  drive(time: number): void {
    const { kind } = this.stage;
    const isTimed = time < this.pulseEndsAt - NO_TIME;
    if (kind === 'follows') this.set(this.raw, time);
    if (kind === 'held-pulse') this.set(this.raw || isTimed, time);
    if (kind === 'pulse') this.set(isTimed, time);
    if (!isTimed) this.pulseEndsAt = -Infinity;
  }

  private set(isOn: boolean, time: number): void {
    const isNew = isOn !== this.isOn;
    this.isOn = isOn;
    if (isNew) {
      this.switchings += 1;
      if (isOn) this.onSince = time;
    }
    this.onDriven(isNew);
  }
}
