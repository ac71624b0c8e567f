import { LogSeries, type LogMark, type LogRecord } from '@/core/live/log';
import type { MeterSample } from '@/core/live/sample';
import type { LogStorage, WriteOutcome } from './storage';

/** A write that failed is tried again after this long. */
export const RETRY_MILLISECONDS = 5000;

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
  /** What has changed of the record since it was last stored. */
  private changed: Partial<LogRecord> = {};
  /** Called when everything up to then is stored. */
  onStored: (() => void) | null = null;
  /** How the last write went. */
  outcome: WriteOutcome = 'saved';

  constructor(
    public record: LogRecord,
    readonly series: LogSeries,
    private readonly logs: LogStorage,
    private readonly after: After,
    private readonly onWritten: (outcome: WriteOutcome) => void,
    /** It is not stored yet: the first write puts it there. Later ones do not bring back what has been deleted. */
    private isNew = false,
  ) {
    this.unsaved = series.length;
  }

  /** @returns whether the point was taken: not while paused, and none twice */
  add(sample: MeterSample): boolean {
    if (this.record.state !== 'running' || !this.series.add(sample)) return false;
    this.change({ count: this.series.length, lastEvent: sample.at });
    return true;
  }

  mark(mark: LogMark): void {
    this.change({ marks: [...this.record.marks, mark].sort((one, other) => one.at - other.at) });
  }

  change(change: Partial<Omit<LogRecord, 'id' | 'projectId'>>): void {
    this.record = { ...this.record, ...change };
    this.changed = { ...this.changed, ...change };
    this.soon();
  }

  /** Stores what is not stored yet. What a refused write held goes with the next one. */
  flush(): Promise<WriteOutcome> {
    this.waiting?.();
    this.waiting = null;
    this.writing = this.writing.then(async () => {
      const [from, to] = [this.unsaved, this.series.length];
      const { id } = this.record;
      const part = this.changed;
      this.changed = {};
      const chunks = from < to ? this.series.chunksFrom(id, from) : [];
      const outcome = await (
        this.isNew ? this.logs.write(this.record, chunks) : this.logs.extend(id, part, chunks)
      ).catch((): WriteOutcome => 'refused');
      if (outcome === 'saved') {
        this.unsaved = to;
        this.isNew = false;
        this.onStored?.();
      } else {
        this.changed = { ...part, ...this.changed };
        if (outcome === 'full' || outcome === 'refused')
          this.waiting ??= this.after(RETRY_MILLISECONDS, () => void this.flush());
      }
      this.outcome = outcome;
      this.onWritten(outcome);
      return outcome;
    });
    return this.writing;
  }

  private soon(): void {
    this.waiting ??= this.after(FLUSH_MILLISECONDS, () => void this.flush());
  }
}
