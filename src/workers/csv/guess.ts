import { cellTime } from './cells';
import { mapValues } from '@/core/record';
import { restNames } from './rest';
import type { CsvMapping, Delimiter, TimeUnit } from './csv';

const FIGURE = /^[+-]?\d+([.,]\d+)?(e[+-]?\d+)?$/i;
const names = {
  ohms: /ohm|Ω|ω|resist|widerst|^r(\b|_|$)/i,
  light: /lux|\blx\b|light|licht|illum|distance|cm\b|level/i,
  time: /time|zeit|date|datum|second|minute|^t(\b|_|$)|\bms\b/i,
} as const;

/** How a file seems to be meant, from its first rows: header, decimal sign, which column is which, in which units. */
export function guessMapping(rows: readonly (readonly string[])[], delimiter: Delimiter): CsvMapping {
  const first = rows[0] ?? [];
  const hasHeader = first.length > 0 && !first.some((text) => FIGURE.test(text.trim()));
  const body = hasHeader ? rows.slice(1) : rows;
  const cells = body.flat().map((text) => text.trim());
  const commas = cells.filter((text) => /^[+-]?(\d+|\d{1,3}(\.\d{3})+),\d+$/.test(text)).length;
  const points = cells.filter((text) => /^[+-]?(\d+|\d{1,3}(,\d{3})+)\.\d+$/.test(text)).length;
  const decimal = delimiter !== ',' && commas > points ? ',' : '.';
  const width = Math.max(0, ...rows.slice(0, 20).map((row) => row.length));
  const named = (pattern: RegExp) => {
    const found = hasHeader ? first.findIndex((text) => pattern.test(text.trim())) : -1;
    return found < 0 ? null : found;
  };
  const time = named(names.time) ?? clockColumn(body, width, decimal);
  const light = named(names.light);
  const free = Array.from({ length: width }, (_, column) => column).filter(
    (column) => column !== time && column !== light,
  );
  const ohms = named(names.ohms) ?? free[free.length - 1] ?? null;
  const bareTime = time ?? (width === 2 && light === null && ohms === 1 ? 0 : null);
  const title = (column: number | null) => (hasHeader && column !== null ? (first[column] ?? '') : '');
  return {
    delimiter,
    hasHeader,
    decimal,
    ohms,
    light: light ?? (width === 2 && ohms === 1 ? 0 : null),
    time: bareTime,
    rest: restGuess(hasHeader ? first : []),
    ohmsFactor: /k\s*(ohm|Ω)/i.test(title(ohms)) ? 1000 : /M\s*([Oo]hm|Ω)/.test(title(ohms)) ? 1_000_000 : 1,
    timeUnit: timeUnitOf(title(bareTime), body[0]?.[bareTime ?? -1] ?? '', decimal),
    bare: /distance|cm\b/i.test(title(light)) ? 'distance' : 'lux',
  };
}

/** The other columns of a file that Yemko wrote itself, by their names. */
function restGuess(header: readonly string[]): CsvMapping['rest'] {
  const titles = header.map((text) => text.trim().toLowerCase());
  return mapValues<typeof restNames, CsvMapping['rest']>(restNames, (column) => {
    const found = titles.indexOf(restNames[column]);
    return found < 0 ? null : found;
  });
}

function clockColumn(body: readonly (readonly string[])[], width: number, decimal: '.' | ','): number | null {
  for (let column = 0; column < width; column++) {
    if (cellTime(body[0]?.[column] ?? '', { decimal, timeUnit: 'clock' })) return column;
  }
  return null;
}

function timeUnitOf(title: string, sample: string, decimal: '.' | ','): TimeUnit {
  if (cellTime(sample, { decimal, timeUnit: 'clock' })) return 'clock';
  if (/milli|\bms\b/i.test(title)) return 'milliseconds';
  return /minute|\bmin\b/i.test(title) ? 'minutes' : 'seconds';
}
