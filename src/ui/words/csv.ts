import type { CsvError, CsvMapping, CsvProblem, Delimiter, TimeUnit } from '@/workers/csv/csv';
import { lightRefusal } from './readings';

export const delimiterNames: Readonly<Record<Delimiter, string>> = {
  ',': 'comma',
  ';': 'semicolon',
  '\t': 'tab',
  '|': 'bar |',
};

export const timeUnitNames: Readonly<Record<TimeUnit, string>> = {
  seconds: 'seconds',
  milliseconds: 'milliseconds',
  minutes: 'minutes',
  clock: 'date or time of day',
};

const problems: Readonly<Record<Exclude<CsvProblem['code'], 'light'>, string>> = {
  'no-number': 'no resistance can be read there',
  'not-positive': 'a resistance must be above zero',
  'out-of-range': 'outside 1 Ω to 1 GΩ',
  'no-time': 'no time can be read there',
  'not-later': 'not later than the row before',
  empty: 'the column of ohms is empty',
};

/** Why a row was left out, in one line. */
export function csvErrorSentence({ line, problem }: CsvError): string {
  const why = problem.code === 'light' ? lightRefusal(problem.refusal) : `${problems[problem.code]}.`;
  return `Line ${line}: ${why}`;
}

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
