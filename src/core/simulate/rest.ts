/** How finely the time of an event is found, in s. */
const EVENT_SECONDS = 1e-7;

/** How long a detector rests in a state, by how often it has moved in quick succession, in s; the first is that of a real one. */
const DWELLS = [
  { upTo: 100, seconds: 0.001 },
  { upTo: 1000, seconds: 0.05 },
  { upTo: Infinity, seconds: 1 },
] as const;
/** Within so many of these it is in quick succession. */
const SWING_TIMES = 20;

/** A detector's rest where it is before it can turn back: longer where it has swung to and fro for long, so that this does not take for ever. */
export class Rest {
  private movedAt = -Infinity;
  private swings = 0;

  /** When it can move again, in s. */
  get endsAt(): number {
    return this.movedAt + this.seconds();
  }

  /** It has moved. */
  begin(time: number): void {
    const isSwinging = time - this.movedAt < SWING_TIMES * this.seconds();
    this.swings = isSwinging ? this.swings + 1 : 0;
    this.movedAt = time;
  }

  private seconds(): number {
    return DWELLS.find(({ upTo }) => this.swings < upTo)?.seconds ?? 0;
  }
}

/** The first time at which something holds that holds at the end and not at the start, by halving. */
export function firstTime(step: number, holds: (seconds: number) => boolean): number {
  let [before, after] = [0, step];
  while (after - before > EVENT_SECONDS) {
    const middle = (before + after) / 2;
    if (holds(middle)) after = middle;
    else before = middle;
  }
  return after;
}
