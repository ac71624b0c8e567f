import { LIMITS_OHMS } from '@/core/live/limits';
import { parseQuantity } from '@/core/quantity/parse';
import type { CsvMapping, CsvProblem } from './csv';

type CellOhms =
  | { readonly ok: true; readonly ohms: number; readonly above: boolean }
  | { readonly ok: false; readonly reason: Exclude<CsvProblem['code'], 'light'> };

const PLAIN = /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i;

/** Thousands grouped by points or commas, as spreadsheets write them. */
const GROUPED = {
  '.': /^([+-]?\d{1,3}(?:,\d{3})+)(\.\d+)?(?=$|\s|[a-zµΩω])/i,
  ',': /^([+-]?\d{1,3}(?:\.\d{3})+)(,\d+)?(?=$|\s|[a-zµΩω])/i,
};

/** A figure at the front of a text with a decimal point and no grouping, whatever comes after it. */
export function withPoint(text: string, decimal: '.' | ','): string {
  const typed = text.trim();
  const grouped = GROUPED[decimal].exec(typed);
  const plain = grouped
    ? `${grouped[1]?.replaceAll(/[.,]/g, '')}${grouped[2] ?? ''}${typed.slice(grouped[0].length)}`
    : typed;
  return decimal === ',' ? plain.replace(/^([+-]?\d*),(\d)/, '$1.$2') : plain;
}

/** A resistance: a plain figure in the column's unit, or as people write it: `4k7`, `>2M`, `OL`. */
export function cellOhms(
  text: string,
  { decimal, ohmsFactor }: Pick<CsvMapping, 'decimal' | 'ohmsFactor'>,
): CellOhms {
  let typed = text.trim();
  if (typed === '') return { ok: false, reason: 'empty' };
  if (/^[o0]\.?l\.?$/i.test(typed)) return { ok: true, ohms: LIMITS_OHMS.overload, above: true };
  const above = typed.startsWith('>');
  if (above) typed = typed.slice(1).trim();
  typed = withPoint(typed, decimal);
  let ohms: number;
  if (PLAIN.test(typed)) ohms = Number(typed) * ohmsFactor;
  else {
    const parsed = parseQuantity(typed, 'Ω');
    if (!parsed.ok) {
      const isLow = parsed.reason === 'zero' || parsed.reason === 'negative';
      return { ok: false, reason: isLow ? 'not-positive' : 'no-number' };
    }
    ohms = parsed.value;
  }
  if (!(ohms > 0)) return { ok: false, reason: 'not-positive' };
  const isReal = ohms >= LIMITS_OHMS.min && ohms <= LIMITS_OHMS.max;
  return isReal ? { ok: true, ohms, above } : { ok: false, reason: 'out-of-range' };
}

interface CellTime {
  readonly milliseconds: number;
  /** Since 1970, not since the start. */
  readonly isDate: boolean;
  readonly isClock: boolean;
}

const FACTORS = {
  seconds: 1000,
  milliseconds: 1,
  microseconds: 1e-3,
  nanoseconds: 1e-6,
  minutes: 60_000,
} as const;
/** A count of time beyond this, in ms, is since 1970 and not since the start: nothing is logged for ten years. */
const SINCE_1970 = 3e11;
const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?(?:\s*([ap])\.?m\.?)?$/i;
/** Day and month, or month and day, before the year. */
const YEAR_LAST = /^(\d{1,2})[./](\d{1,2})[./](\d{4})[ T,]+(.+)$/;
const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[ T]+([^a-z]*(?:[ap]\.?m\.?))$/i;

/** A time in the column's unit, a date with a time (year first, or day first with dots), or a time of day. */
export function cellTime(
  text: string,
  { decimal, timeUnit }: Pick<CsvMapping, 'decimal' | 'timeUnit'>,
): CellTime | null {
  const typed = text.trim();
  if (timeUnit !== 'clock') {
    const plain = decimal === ',' ? typed.replace(',', '.') : typed;
    if (!PLAIN.test(plain)) return null;
    const milliseconds = Number(plain) * FACTORS[timeUnit];
    return { milliseconds, isDate: milliseconds >= SINCE_1970, isClock: false };
  }
  const clock = clockMilliseconds(typed);
  if (clock !== null) return { milliseconds: clock, isDate: false, isClock: true };
  const milliseconds = dateMilliseconds(typed);
  return Number.isNaN(milliseconds) ? null : { milliseconds, isDate: true, isClock: false };
}

/** `18:00`, `18:00:02,5`, `6:00 PM` as ms since midnight. */
function clockMilliseconds(text: string): number | null {
  const match = CLOCK.exec(text.trim());
  if (!match) return null;
  const [, hour = '', minutes = '', seconds = '0', half] = match;
  if (half && (Number(hour) < 1 || Number(hour) > 12)) return null;
  const hours = half ? (Number(hour) % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : Number(hour);
  return ((hours * 60 + Number(minutes)) * 60 + Number(seconds.replace(',', '.'))) * 1000;
}

/** A date with a time of day as ms since 1970; of `3/11/2026` the day is first unless that cannot be. */
function dateMilliseconds(text: string): number {
  const last = YEAR_LAST.exec(text);
  const first = YEAR_FIRST.exec(text);
  if (last) {
    const [, one = '', two = '', year = '', rest = ''] = last;
    const [day, month] = Number(two) > 12 ? [two, one] : [one, two];
    return withClock(year, month, day, rest);
  }
  if (first) return withClock(first[1] ?? '', first[2] ?? '', first[3] ?? '', first[4] ?? '');
  const iso = text.replace(' ', 'T').replaceAll('/', '-');
  return /^\d{4}-\d{2}-\d{2}/.test(iso) ? Date.parse(iso.replace(',', '.')) : NaN;
}

function withClock(year: string, month: string, day: string, rest: string): number {
  const midnight = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const clock = clockMilliseconds(rest);
  if (clock === null) return Date.parse(`${midnight}T${rest.replace(',', '.')}`);
  return Date.parse(`${midnight}T00:00`) + clock;
}
