import { Bench, controlsFrom, type BenchControls, type HiddenLdr } from '@/core/practice/bench';
import type { MeterSample } from '@/core/live/sample';
import type { Every } from './replaySource';

/** What a reader of a bench is told. A sample's own time is its number: later ones are higher, even after a restart. */
export type BenchEvent =
  | { readonly kind: 'sample'; readonly sample: MeterSample }
  | { readonly kind: 'controls'; readonly controls: BenchControls };

export const BENCH_TICK_MILLISECONDS = 200;
/** A bench goes on for this long after its last reader has left, so that one who comes back misses nothing. */
export const LINGER_MILLISECONDS = 90_000;
/** Samples that are kept for those who come back: ten minutes. */
export const KEPT_SAMPLES = 3000;
/** A bench that nobody reads is forgotten after this long. */
const FORGET_MILLISECONDS = 30 * 60_000;
export const MAX_BENCHES = 64;
/** More readers than this are not served at once, on all benches together. */
export const MAX_READERS = 256;

interface Entry {
  readonly bench: Bench;
  readonly readers: Set<(event: BenchEvent) => void>;
  readonly kept: MeterSample[];
  lastTick: number;
  leftAt: number;
  stop: (() => void) | null;
}

/** The simulated benches of this server: each ticks only while someone reads it, or has just left. */
export class BenchHub {
  private readonly entries = new Map<string, Entry>();

  constructor(
    private readonly clock: () => number,
    private readonly every: Every,
  ) {}

  /**
   * Joins a bench: what came after `since` is told at once, then every new sample.
   * @returns how to leave, or `null` where no more benches fit
   */
  join(id: string, since: number | null, reader: (event: BenchEvent) => void): (() => void) | null {
    if (this.load.readers >= MAX_READERS) return null;
    const entry = this.entryOf(id);
    if (!entry) return null;
    reader({ kind: 'controls', controls: entry.bench.controls });
    for (const sample of entry.kept) {
      if (since !== null && sample.at > since) reader({ kind: 'sample', sample });
    }
    entry.readers.add(reader);
    this.start(entry);
    return () => {
      if (!entry.readers.delete(reader) || entry.readers.size > 0) return;
      entry.leftAt = this.clock();
    };
  }

  /** Whether a bench of that name is there, or there is room for it. */
  has(id: string): boolean {
    return this.entryOf(id) !== null;
  }

  /** Changes the controls and tells every reader. @returns `null` where the change is not what it should be */
  control(id: string, change: unknown): BenchControls | null {
    const entry = this.entryOf(id);
    const controls = entry && controlsFrom(change, entry.bench.controls);
    if (!entry || !controls) return null;
    this.catchUp(entry);
    entry.bench.controls = controls;
    for (const reader of entry.readers) reader({ kind: 'controls', controls });
    return controls;
  }

  /** What the bench hides: for those who want to know how near they came. */
  hidden(id: string): HiddenLdr | null {
    return this.entryOf(id)?.bench.hidden ?? null;
  }

  /** How many benches tick, and how many read: for tests that nothing is left over. */
  get load(): { readonly ticking: number; readonly readers: number } {
    const all = [...this.entries.values()];
    return {
      ticking: all.filter(({ stop }) => stop !== null).length,
      readers: all.reduce((total, { readers }) => total + readers.size, 0),
    };
  }

  private entryOf(id: string): Entry | null {
    const known = this.entries.get(id);
    if (known) return known;
    this.forget();
    if (this.entries.size >= MAX_BENCHES) return null;
    const now = this.clock();
    const entry: Entry = {
      bench: new Bench(seedOf(id)),
      readers: new Set(),
      kept: [],
      lastTick: now,
      leftAt: now,
      stop: null,
    };
    this.entries.set(id, entry);
    return entry;
  }

  /** Drops benches that nobody has read for long; when there are too many, the one left longest ago. */
  private forget(): void {
    const now = this.clock();
    const idle = [...this.entries].filter(([, { readers }]) => readers.size === 0);
    idle.sort(([, one], [, other]) => one.leftAt - other.leftAt);
    idle.forEach(([id, entry], index) => {
      const isTooMany = index === 0 && this.entries.size >= MAX_BENCHES;
      if (!isTooMany && now - entry.leftAt < FORGET_MILLISECONDS) return;
      entry.stop?.();
      this.entries.delete(id);
    });
  }

  private start(entry: Entry): void {
    if (entry.stop) return;
    this.catchUp(entry);
    entry.stop = this.every(BENCH_TICK_MILLISECONDS, () => this.tick(entry));
  }

  private catchUp(entry: Entry): void {
    const now = this.clock();
    if (now > entry.lastTick) entry.bench.advance((now - entry.lastTick) / 1000);
    entry.lastTick = Math.max(now, entry.lastTick);
  }

  private tick(entry: Entry): void {
    const before = entry.lastTick;
    this.catchUp(entry);
    if (entry.readers.size === 0 && entry.lastTick - entry.leftAt > LINGER_MILLISECONDS) {
      entry.stop?.();
      entry.stop = null;
      return;
    }
    if (entry.lastTick === before) return;
    const shown = entry.bench.read();
    const sample: MeterSample = { at: entry.lastTick, ...shown };
    entry.kept.push(sample);
    if (entry.kept.length > KEPT_SAMPLES) entry.kept.shift();
    for (const reader of [...entry.readers]) reader({ kind: 'sample', sample });
  }
}

/** A seed from a bench's name (FNV-1a). */
function seedOf(id: string): number {
  let hash = 2166136261;
  for (const letter of id) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 16777619);
  return hash >>> 0;
}
