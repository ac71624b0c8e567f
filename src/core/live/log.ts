import {
  exactly,
  idField,
  listOf,
  oneOf,
  someOf,
  text,
  wholeWithin,
  within,
  withinOrNone,
  type Infer,
} from '../schema';
import type { MeterSample } from './sample';

/** What a log may hold. */
export const LOG_LIMITS = {
  nameLength: 80,
  noteLength: 2000,
  markLength: 200,
  marks: 2000,
  milliseconds: { min: 0, max: 1e14 },
} as const;

export const markField = exactly({
  id: idField,
  at: within(LOG_LIMITS.milliseconds),
  text: text(LOG_LIMITS.markLength),
});

/** Something that happened while a log ran. */
export type LogMark = Infer<typeof markField>;

const logFields = {
  name: text(LOG_LIMITS.nameLength),
  /** What it is recorded from: a source that can be joined again is, after a reload. */
  source: text(LOG_LIMITS.nameLength),
  /** Milliseconds since 1970. */
  startedAt: within(LOG_LIMITS.milliseconds),
  state: oneOf('running', 'paused', 'stopped'),
  count: wholeWithin({ min: 0, max: 1e9 }),
  marks: listOf(markField, { max: LOG_LIMITS.marks }),
  /** Time of the last sample that was taken: from there a source that keeps samples goes on. */
  lastEvent: withinOrNone(LOG_LIMITS.milliseconds),
  note: text(LOG_LIMITS.noteLength),
};

export const logRecordField = exactly({ id: idField, projectId: idField, ...logFields });

/** Some of what is known of a log, as a change of it. */
export const logPartField = someOf(logFields);

/** What is known of a time log; its points stand in chunks. */
export type LogRecord = Infer<typeof logRecordField>;

/** A stretch of a log. Shape: three arrays of the same length. */
export interface LogChunk {
  readonly logId: string;
  readonly seq: number;
  readonly at: Float64Array;
  readonly ohms: Float64Array;
  /** 1 where the resistance lies above `ohms`. */
  readonly above: Uint8Array;
}

export const CHUNK_POINTS = 2000;
/** More points than this one log does not take: at five a second, more than four days. */
export const MAX_POINTS = 2_000_000;

/** The points of a log in memory, in order of time: growing arrays without holes. */
export class LogSeries {
  private times: Float64Array = new Float64Array(1024);
  private values: Float64Array = new Float64Array(1024);
  private limits: Uint8Array = new Uint8Array(1024);
  length = 0;

  static of(chunks: readonly LogChunk[]): LogSeries {
    const series = new LogSeries();
    for (const chunk of [...chunks].sort((one, other) => one.seq - other.seq)) {
      for (let i = 0; i < chunk.at.length; i++) {
        series.push(chunk.at[i] ?? 0, chunk.ohms[i] ?? 0, chunk.above[i] === 1);
      }
    }
    return series;
  }

  /** The points of three arrays of the same length, already in order of time; not copied. */
  static ofArrays({ at, ohms, above }: Pick<LogChunk, 'at' | 'ohms' | 'above'>): LogSeries {
    const series = new LogSeries();
    [series.times, series.values, series.limits, series.length] = [at, ohms, above, at.length];
    return series;
  }

  /** Adds a point. @returns whether it was taken: one that is not later than the last, or beyond the most, is not */
  push(at: number, ohms: number, above: boolean): boolean {
    if (this.length >= MAX_POINTS) return false;
    if (this.length > 0 && at <= (this.times[this.length - 1] ?? 0)) return false;
    if (this.length === this.times.length) this.grow();
    this.times[this.length] = at;
    this.values[this.length] = ohms;
    this.limits[this.length] = above ? 1 : 0;
    this.length += 1;
    return true;
  }

  add({ at, ohms, above }: MeterSample): boolean {
    return this.push(at, ohms, above);
  }

  /** Milliseconds since 1970; shape: `length`. */
  get at(): Float64Array {
    return this.times.subarray(0, this.length);
  }

  get ohms(): Float64Array {
    return this.values.subarray(0, this.length);
  }

  get above(): Uint8Array {
    return this.limits.subarray(0, this.length);
  }

  /** The chunks from a point on, the one it lies in included. */
  chunksFrom(logId: string, first: number): readonly LogChunk[] {
    const chunks: LogChunk[] = [];
    for (let seq = Math.floor(first / CHUNK_POINTS); seq * CHUNK_POINTS < this.length; seq++) {
      const [from, to] = [seq * CHUNK_POINTS, Math.min(this.length, (seq + 1) * CHUNK_POINTS)];
      chunks.push({
        logId,
        seq,
        at: this.times.slice(from, to),
        ohms: this.values.slice(from, to),
        above: this.limits.slice(from, to),
      });
    }
    return chunks;
  }

  private grow() {
    const size = Math.max(1024, this.times.length * 2);
    const [times, values, limits] = [new Float64Array(size), new Float64Array(size), new Uint8Array(size)];
    times.set(this.times);
    values.set(this.values);
    limits.set(this.limits);
    [this.times, this.values, this.limits] = [times, values, limits];
  }
}
