/** Something that comes, stays and goes: from nothing to its depth and back, evenly on either side. */
export interface Passing {
  readonly from: number;
  /** When it is wholly there, and until when, in s. */
  readonly fullFrom: number;
  readonly fullTo: number;
  readonly to: number;
  /** What it is when it is wholly there. */
  readonly depth: number;
}

/** How much of its depth something has at a moment. */
function depthAt({ from, fullFrom, fullTo, to, depth }: Passing, time: number): number {
  if (time <= from || time >= to) return 0;
  if (time < fullFrom) return (depth * (time - from)) / (fullFrom - from);
  return time <= fullTo ? depth : (depth * (to - time)) / (to - fullTo);
}

/** Things that pass one after another, asked at times that only go on. */
export class Passings {
  private next = 0;

  /** @param all none begins before the one before it has gone */
  constructor(readonly all: readonly Passing[]) {}

  at(time: number): number {
    while (this.next < this.all.length && (this.all[this.next]?.to ?? 0) <= time) this.next += 1;
    const present = this.all[this.next];
    return present ? depthAt(present, time) : 0;
  }

  /** Begins anew. */
  rewind(): void {
    this.next = 0;
  }
}

/** The moments between which a passing is a line; `step` apart on its sides, which bend the conductance. */
export function momentsOf({ from, fullFrom, fullTo, to }: Passing, steps: number): readonly number[] {
  const side = (a: number, b: number) =>
    Array.from({ length: steps + 1 }, (_, index) => a + ((b - a) * index) / steps);
  return [...side(from, fullFrom), ...side(fullTo, to)];
}
