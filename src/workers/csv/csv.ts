import type { LogMark } from '@/core/live/log';
import type { Reading } from '@/core/readings/reading';
import type { LightRefusal, TypedLight } from '@/core/readings/parseLight';

export const delimiters = [',', ';', '\t', '|', ' '] as const;
export type Delimiter = (typeof delimiters)[number];

export const timeUnits = [
  'seconds',
  'milliseconds',
  'microseconds',
  'nanoseconds',
  'minutes',
  'clock',
] as const;
/** `clock`: a date with a time, or a time of day. */
export type TimeUnit = (typeof timeUnits)[number];

/** Columns beside light and resistance that a reading takes with it. */
export const restColumns = [
  'lamp',
  'taken',
  'note',
  'setAside',
  'rangeOhms',
  'trusted',
  'unsettledStd',
  'levelLux',
] as const;
export type RestColumn = (typeof restColumns)[number];

/** How the columns of a file are to be read. Columns count from 0; `null` for one that is not there. */
export interface CsvMapping {
  readonly delimiter: Delimiter;
  readonly hasHeader: boolean;
  readonly decimal: '.' | ',';
  readonly ohms: number | null;
  readonly light: number | null;
  readonly time: number | null;
  /** What else of a reading stands in the file, as Yemko writes it. */
  readonly rest: Readonly<Record<RestColumn, number | null>>;
  /** What a figure in the column of ohms is multiplied by: 1, 1000 for kΩ, 1e6 for MΩ. */
  readonly ohmsFactor: 1 | 1000 | 1_000_000;
  readonly timeUnit: TimeUnit;
  /** What a bare figure in the column of light means. */
  readonly bare: 'lux' | 'distance';
}

/** The first rows of a file, and how it seems to be meant. */
export interface CsvPreview {
  readonly rows: readonly (readonly string[])[];
  readonly mapping: CsvMapping;
  /** Lines of the whole file, told from its beginning. */
  readonly aboutRows: number;
}

export type CsvProblem =
  | {
      readonly code:
        | 'no-number'
        | 'not-positive'
        | 'out-of-range'
        | 'no-time'
        | 'not-later'
        | 'far-time'
        | 'levels'
        | 'empty';
    }
  | { readonly code: 'light'; readonly refusal: LightRefusal };

/** A row that was left out: its line in the file, what stood there, and why. */
export interface CsvError {
  readonly line: number;
  readonly text: string;
  readonly problem: CsvProblem;
}

/** Errors beyond these are counted, not listed. */
export const LISTED_ERRORS = 50;

interface Taken {
  readonly errors: readonly CsvError[];
  readonly errorCount: number;
  readonly rows: number;
  /** Rows beyond the most that the target holds: they were not read. */
  readonly cut: number;
}

export interface TakenLog extends Taken {
  /** Milliseconds; shape of all three: points. */
  readonly at: Float64Array;
  readonly ohms: Float64Array;
  readonly above: Uint8Array;
}

/** What a row may tell beside light and resistance. */
export interface RestOfReading extends Partial<
  Pick<Reading, 'lamp' | 'takenAt' | 'note' | 'setAside' | 'rangeOhms' | 'trusted' | 'unsettledStd'>
> {
  readonly levelLux?: number;
}

export interface TakenReadings extends Taken {
  readonly readings: readonly {
    readonly light: Extract<TypedLight, { ok: true }>;
    readonly ohms: number;
    readonly above: boolean;
    /** What else the row told; not there where it told nothing that can be taken. */
    readonly rest: RestOfReading;
  }[];
}

export type CsvInput =
  /** @property delimiter as someone has chosen it; guessed where it is not given */
  | { readonly kind: 'preview'; readonly file: Blob; readonly delimiter?: Delimiter | undefined }
  /** @property startAt where relative times begin, in ms since 1970 */
  | {
      readonly kind: 'log';
      readonly file: Blob;
      readonly mapping: CsvMapping;
      readonly max: number;
      readonly startAt: number;
    }
  /** @property known names that lights have already; @property maxLevels how many more may be named */
  | {
      readonly kind: 'readings';
      readonly file: Blob;
      readonly mapping: CsvMapping;
      readonly max: number;
      readonly known: readonly string[];
      readonly maxLevels: number;
    }
  | {
      readonly kind: 'write-log';
      readonly at: Float64Array;
      readonly ohms: Float64Array;
      readonly above: Uint8Array;
      readonly marks: readonly LogMark[];
    };

export type CsvOutput =
  | ({ readonly kind: 'preview' } & CsvPreview)
  | ({ readonly kind: 'log' } & TakenLog)
  | ({ readonly kind: 'readings' } & TakenReadings)
  | { readonly kind: 'write-log'; readonly text: string };
