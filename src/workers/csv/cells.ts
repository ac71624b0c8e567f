import { LIMITS_OHMS } from '@/core/live/limits';
import { parseQuantity } from '@/core/quantity/parse';
import type { CsvMapping, CsvProblem } from './csv';

type CellOhms =
  | { readonly ok: true; readonly ohms: number; readonly above: boolean }
  | { readonly ok: false; readonly reason: Exclude<CsvProblem['code'], 'light'> };

const PLAIN = /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i;

/** A resistance: a plain figure in the column's unit, or as people write it: `4k7`, `>2M`, `OL`. */
export function cellOhms(
  text: string,
  { decimal, ohmsFactor }: Pick<CsvMapping, 'decimal' | 'ohmsFactor'>,
): CellOhms {
  let typed = text.trim();
  if (typed === '') return { ok: false, reason: 'empty' };
  if (/^o\.?l\.?$/i.test(typed)) return { ok: true, ohms: LIMITS_OHMS.overload, above: true };
  const above = typed.startsWith('>');
  if (above) typed = typed.slice(1).trim();
  if (decimal === ',') typed = typed.replaceAll('.', '').replace(',', '.');
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
const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/;
const DAY_FIRST = /^(\d{1,2})[./](\d{1,2})[./](\d{4})[ T]+(.+)$/;

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
  const clock = CLOCK.exec(typed);
  if (clock) {
    const [, hours = '', minutes = '', seconds = '0'] = clock;
    const total = (Number(hours) * 60 + Number(minutes)) * 60 + Number(seconds.replace(',', '.'));
    return { milliseconds: total * 1000, isDate: false, isClock: true };
  }
  const dayFirst = DAY_FIRST.exec(typed);
  const iso = dayFirst
    ? `${dayFirst[3]}-${dayFirst[2]?.padStart(2, '0')}-${dayFirst[1]?.padStart(2, '0')}T${dayFirst[4]}`
    : typed.replace(' ', 'T').replaceAll('/', '-');
  const milliseconds = /^\d{4}-\d{2}-\d{2}/.test(iso) ? Date.parse(iso.replace(',', '.')) : NaN;
  return Number.isNaN(milliseconds) ? null : { milliseconds, isDate: true, isClock: false };
}
