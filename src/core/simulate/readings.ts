import type { Sampling } from '../detectors/definition';

/** A program's readings of the midpoint: taken one by one while they may decide something, and meant in so many. */
export class Readings {
  /** When the next is taken, in s; `Infinity` while none is. */
  nextAt = Infinity;
  private count = 0;
  private sum = 0;

  constructor(readonly sampling: Sampling) {}

  /** Whether they are taken at all: where a threshold is near. Those of another stretch do not count. */
  listen(isNear: boolean, time: number): boolean {
    if (!isNear) {
      this.nextAt = Infinity;
      this.count = this.sum = 0;
    } else if (this.nextAt === Infinity) this.nextAt = time + this.sampling.readingSeconds;
    return isNear;
  }

  /** Takes one. @returns the mean, in V, where there are enough of them to decide by; `null` until then */
  take(volts: number, time: number): number | null {
    this.nextAt = time + this.sampling.readingSeconds;
    this.count += 1;
    this.sum += volts;
    if (this.count < this.sampling.samples) return null;
    const mean = this.sum / this.count;
    this.count = this.sum = 0;
    return mean;
  }
}
