import { LogSeries, type LogMark, type LogRecord } from '@/core/live/log';
import type { MeterSample } from '@/core/live/sample';
import type { LogStorage, WriteOutcome } from './storage';

/** Points wait no longer than this before they are stored. */
export const FLUSH_MILLISECONDS = 250;

/** Calls once after a time; returns how not to. */
export type After = (milliseconds: number, call: () => void) => () => void;

/** A log that is being recorded: points and marks go to memory at once and to the browser's store within a quarter second. */
export class LogRecorder {
  /** First point that may not be stored yet. */
  private unsaved: number;
  private waiting: (() => void) | null = null;
  private writing: Promise<WriteOutcome> = Promise.resolve('saved');

  constructor(
    public record: LogRecord,
    readonly series: LogSeries,
    private readonly logs: LogStorage,
    private readonly after: After,
    private readonly onWritten: (outcome: WriteOutcome) => void,
  ) {
    this.unsaved = series.length;
  }

  /** @returns whether the point was taken: not while paused, and none twice */
  add(sample: MeterSample): boolean {
    if (this.record.state !== 'running' || !this.series.add(sample)) return false;
    this.record = { ...this.record, count: this.series.length, lastEvent: sample.at };
    this.soon();
    return true;
  }

  mark(mark: LogMark): void {
    this.change({ marks: [...this.record.marks, mark].sort((one, other) => one.at - other.at) });
  }

  change(change: Partial<Pick<LogRecord, 'state' | 'marks' | 'note' | 'name'>>): void {
    this.record = { ...this.record, ...change };
    this.soon();
  }

  /** Stores what is not stored yet. What a refused write held goes with the next one. */
  flush(): Promise<WriteOutcome> {
    this.waiting?.();
    this.waiting = null;
    this.writing = this.writing.then(async () => {
      const [from, to] = [this.unsaved, this.series.length];
      const outcome = await this.logs
        .write(this.record, from < to ? this.series.chunksFrom(this.record.id, from) : [])
        .catch((): WriteOutcome => 'refused');
      if (outcome === 'saved') this.unsaved = to;
      this.onWritten(outcome);
      return outcome;
    });
    return this.writing;
  }

  private soon(): void {
    this.waiting ??= this.after(FLUSH_MILLISECONDS, () => void this.flush());
  }
}
