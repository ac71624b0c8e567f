import type { Ok, Refused } from '../result';
import { checked, exactly, idField, listOf, text, within, withinOrNone } from '../schema';
import { LOG_LIMITS, MAX_POINTS, markField, type LogChunk, type LogMark, type LogRecord } from './log';

/** The points of a log. Shape: three arrays of the same length, in order of time. */
export type LogPoints = Pick<LogChunk, 'at' | 'ohms' | 'above'>;

/** A time log as a file holds it. */
export interface FiledLog {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  /** Milliseconds since 1970. */
  readonly startedAt: number;
  readonly lastEvent: number | null;
  readonly note: string;
  readonly marks: readonly LogMark[];
  /** Milliseconds since 1970; shape: one for each point. */
  readonly at: readonly number[];
  /** In Ω; shape: one for each point. */
  readonly ohms: readonly number[];
  /** Positions of the points whose resistance lies above their `ohms`, in order. */
  readonly above: readonly number[];
}

/** A log with its points, as it goes from one place to another. */
export interface WholeLog {
  readonly record: LogRecord;
  readonly points: LogPoints;
}

const aboutField = exactly({
  id: idField,
  name: text(LOG_LIMITS.nameLength),
  source: text(LOG_LIMITS.nameLength),
  startedAt: within(LOG_LIMITS.milliseconds),
  lastEvent: withinOrNone(LOG_LIMITS.milliseconds),
  note: text(LOG_LIMITS.noteLength),
  marks: listOf(markField, { max: LOG_LIMITS.marks }),
});

/** The log as a file holds it. */
export function fileLog({ record, points: { at, ohms, above } }: WholeLog): FiledLog {
  const { id, name, source, startedAt, lastEvent, note, marks } = record;
  return {
    id,
    name,
    source,
    startedAt,
    lastEvent,
    note,
    marks,
    at: [...at],
    ohms: [...ohms],
    above: [...above.keys()].filter((position) => above[position] === 1),
  };
}

/** A log out of a file, ended. */
export function unfileLog(
  value: unknown,
  projectId: string,
): Ok<{ log: WholeLog }> | Refused<'damaged', { path: string }> {
  const damaged = (path: string) => ({ ok: false, reason: 'damaged', path }) as const;
  if (typeof value !== 'object' || value === null) return damaged('log');
  const { at, ohms, above, ...rest } = value as Partial<Record<string, unknown>>;
  const about = checked(aboutField, rest, 'log');
  if (!about.ok) return damaged(about.path);
  if (!isFigures(at, LOG_LIMITS.milliseconds.max) || at.length > MAX_POINTS) return damaged('at');
  if (at.some((time, index) => index > 0 && time <= (at[index - 1] ?? 0))) return damaged('at');
  if (!isFigures(ohms, 1e12) || ohms.length !== at.length) return damaged('ohms');
  if (!isFigures(above, at.length - 1) || !above.every(Number.isInteger)) return damaged('above');
  const limits = new Uint8Array(at.length);
  for (const position of above) limits[position] = 1;
  return {
    ok: true,
    log: {
      record: { ...about.value, projectId, state: 'stopped', count: at.length },
      points: { at: Float64Array.from(at), ohms: Float64Array.from(ohms), above: limits },
    },
  };
}

/** A log as one of its own, of another project. @param newId a fresh id at each call */
export function copyOfLog({ record, points }: WholeLog, projectId: string, newId: () => string): WholeLog {
  const marks = record.marks.map((mark) => ({ ...mark, id: newId() }));
  return { record: { ...record, id: newId(), projectId, marks, state: 'stopped' }, points };
}

function isFigures(value: unknown, max: number): value is readonly number[] {
  return (
    Array.isArray(value) &&
    value.every((figure) => typeof figure === 'number' && figure >= 0 && figure <= max)
  );
}
