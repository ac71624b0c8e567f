import { keysOf } from '../record';
import { notation } from './notation';
import type { Ok, Refused } from '../result';
import { prefixExponents, unitSpellings, type Unit } from './unit';

export type QuantityRefusal =
  | 'empty'
  | 'not-a-number'
  | 'unknown-suffix'
  | 'wrong-unit'
  | 'infinite'
  | 'zero'
  | 'negative'
  | 'ambiguous-comma'
  | 'over-range'
  | 'below-min'
  | 'above-max';

export type ParsedQuantity =
  | Ok<{ value: number }>
  | Refused<QuantityRefusal, { suffix?: string; min?: number; max?: number }>;

export interface QuantityLimits {
  /** Smallest value taken, in the plain unit. */
  readonly min?: number;
  /** Largest value taken, in the plain unit. */
  readonly max?: number;
}

const PLAIN = /^([+-]?)(\d+(?: \d{3})*(?:[.,]\d*)?|[.,]\d+)(?:e([+-]?\d+))?\s*(.*)$/;
const INFIX = /^([+-]?)(\d+)([pnuµμmkKMGRr])(\d+)\s*(.*)$/;

/**
 * Reads a value as it is written on a part, a schematic or a notebook page.
 *
 * Takes `4700`, `4.7k`, `4,7k`, `4k7`, `470R`, `2M2`, `100n`, `4.7 kΩ`, `1e3`; the letters are case-sensitive where
 * case has a meaning (`m` is milli, `M` is mega). A comma before exactly three digits (`1,000`) could mean two
 * things a thousand apart and is refused rather than guessed; where the page writes its decimals with a comma, it is a decimal,
 * and a point before three digits (`1.000`) is refused.
 *
 * @param text what was typed
 * @param unit the unit the field is in; its own name may follow the figure, another's may not
 * @param limits least and most value taken, in the plain unit; only a least one under 0 lets 0 and less through
 * @returns the value in the plain unit (Ω, lx, V, A …), exact to the nearest double; or why not
 * @example parseQuantity('4k7', 'Ω') // { ok: true, value: 4700 }
 * @example parseQuantity('12 lx', 'lx') // { ok: true, value: 12 }
 * @example parseQuantity('4x7', 'Ω') // { ok: false, reason: 'unknown-suffix', suffix: 'x7' }
 */
export function parseQuantity(text: string, unit: Unit, limits: QuantityLimits = {}): ParsedQuantity {
  const typed = text
    .trim()
    .replaceAll(/[\u00a0\u2009\u202f]/g, ' ')
    .replaceAll('−', '-');
  if (typed === '') return { ok: false, reason: 'empty' };
  if (/^[+-]?(∞|inf(inity)?)$/i.test(typed)) return { ok: false, reason: 'infinite' };
  if (/^(ol|o\.l|>.*)$/i.test(typed)) return { ok: false, reason: 'over-range' };

  const decimal = readInfix(typed, unit) ?? readPlain(typed, unit);
  if (!decimal.ok) return decimal;
  const value = Number(decimal.digits);
  if (!Number.isFinite(value)) return { ok: false, reason: 'infinite' };
  const takesBelow = limits.min !== undefined && limits.min < 0;
  if (value < 0 && !takesBelow) return { ok: false, reason: 'negative' };
  if (value === 0 && !takesBelow) return { ok: false, reason: 'zero' };
  if (limits.min !== undefined && value < limits.min) {
    return { ok: false, reason: 'below-min', min: limits.min, max: limits.max };
  }
  if (limits.max !== undefined && value > limits.max) {
    return { ok: false, reason: 'above-max', min: limits.min, max: limits.max };
  }
  return { ok: true, value };
}

type Decimal = Ok<{ digits: string }> | Refused<QuantityRefusal, { suffix?: string }>;

/** `4k7`, `2M2`, `4R7`: the prefix stands where the decimal point would. */
function readInfix(typed: string, unit: Unit): Decimal | undefined {
  const match = INFIX.exec(typed);
  if (!match) return undefined;
  const [, sign = '', whole = '', letter = '', fraction = '', rest = ''] = match;
  const isRadix = letter === 'R' || letter === 'r';
  if (isRadix && unit !== 'Ω') return { ok: false, reason: 'wrong-unit', suffix: letter };
  const unitIsRight = rest === '' || isUnit(rest, unit);
  if (!unitIsRight) return { ok: false, reason: 'unknown-suffix', suffix: rest };
  const exponent = isRadix ? 0 : (prefixExponents[letter] ?? 0);
  return { ok: true, digits: `${sign}${whole}.${fraction}e${exponent}` };
}

function readPlain(typed: string, unit: Unit): Decimal {
  const match = PLAIN.exec(typed);
  if (!match) return { ok: false, reason: 'not-a-number' };
  const [, sign = '', figure = '', power = '0', suffix = ''] = match;
  const thousands = notation().decimal === 'comma' ? /^\d+\.\d{3}$/ : /^\d+,\d{3}$/;
  if (thousands.test(figure) && !figure.startsWith('0')) return { ok: false, reason: 'ambiguous-comma' };
  const exponent = suffixExponent(suffix.trim(), unit);
  if (!exponent.ok) return exponent;
  const mantissa = figure.replaceAll(' ', '').replace(',', '.');
  return { ok: true, digits: `${sign}${mantissa}e${Number(power) + exponent.exponent}` };
}

function suffixExponent(
  suffix: string,
  unit: Unit,
): Ok<{ exponent: number }> | Refused<QuantityRefusal, { suffix?: string }> {
  if (suffix === '' || isUnit(suffix, unit)) return { ok: true, exponent: 0 };
  const exponent = prefixExponents[suffix.charAt(0)];
  const rest = suffix.slice(1).trim();
  if (exponent !== undefined && (rest === '' || isUnit(rest, unit))) return { ok: true, exponent };
  const otherUnit = keysOf(unitSpellings).some(
    (other) =>
      other !== unit &&
      (isUnit(suffix, other) || (exponent !== undefined && rest !== '' && isUnit(rest, other))),
  );
  return { ok: false, reason: otherUnit ? 'wrong-unit' : 'unknown-suffix', suffix };
}

function isUnit(text: string, unit: Unit): boolean {
  return unitSpellings[unit].some((spelling) => spelling.toLowerCase() === text.toLowerCase());
}
