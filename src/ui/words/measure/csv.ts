import type { CsvError, CsvMapping, CsvProblem, Delimiter, TimeUnit } from '@/workers/csv/csv';
import type { RunOutcome } from '@/workers/client';
import type { WriteOutcome } from '@/store/storage';
import { lightRefusal } from './readings';
import { workTrouble } from '../work';

export const delimiterNames: Readonly<Record<Delimiter, string>> = {
  ',': 'comma',
  ';': 'semicolon',
  '\t': 'tab',
  '|': 'bar |',
  ' ': 'spaces',
};

export const timeUnitNames: Readonly<Record<TimeUnit, string>> = {
  seconds: 'seconds',
  milliseconds: 'milliseconds',
  microseconds: 'microseconds',
  nanoseconds: 'nanoseconds',
  minutes: 'minutes',
  clock: 'date or time of day',
};

const problems: Readonly<Record<Exclude<CsvProblem['code'], 'light'>, string>> = {
  'no-number': 'no resistance can be read there',
  'not-positive': 'a resistance must be above zero',
  'out-of-range': 'outside 1 Ω to 1 GΩ',
  'no-time': 'no time can be read there',
  'not-later': 'not later than the row before',
  'far-time': 'this time lies beyond the year 2100: is the unit of time right?',
  levels: 'a project holds no more than 200 named lights',
  empty: 'the column of ohms is empty',
};

/** Why a row was left out, in one line. */
export function csvErrorSentence({ line, problem }: CsvError): string {
  const why = problem.code === 'light' ? lightRefusal(problem.refusal) : withStop(problems[problem.code]);
  return `Line ${line}: ${why}`;
}

const withStop = (sentence: string) => (sentence.endsWith('?') ? sentence : `${sentence}.`);

/** What is wrong with a mapping before anything is read; `null` where nothing is. */
export function mappingTrouble(
  mapping: CsvMapping,
  target: 'log' | 'readings',
  columns: number,
): string | null {
  if (columns < 2) {
    return 'There is only one column: is the delimiter right? A reading needs a light or a time, and a resistance.';
  }
  if (mapping.ohms === null) return 'Say which column holds the resistance.';
  if (target === 'log' && mapping.time === null) return 'Say which column holds the time.';
  if (target === 'readings' && mapping.light === null) return 'Say which column holds the light.';
  const other = target === 'log' ? mapping.time : mapping.light;
  return other === mapping.ohms ? 'One column cannot be both.' : null;
}

/** Why a CSV file was not read, in one sentence: the file is blamed only where it is to blame. */
export function csvFailure(outcome: RunOutcome<unknown>): string {
  if (!outcome.ok && outcome.reason !== 'failed') return `${workTrouble(outcome.reason)} Nothing was taken.`;
  return 'This file cannot be read. Nothing was taken.';
}

/** Why a log out of a file was not kept. */
export function csvNotKept(outcome: Exclude<WriteOutcome, 'saved'>): string {
  return outcome === 'full'
    ? 'The browser has no room left for this log. Nothing was kept: make room and take it again.'
    : 'The browser refuses to store this log. Nothing was kept; the file is as it was.';
}
