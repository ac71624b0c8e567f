import { fixed, inNotation, shortest } from './notation';
import { prefixSymbols, type Unit } from './unit';

export interface FormatOptions {
  /** Significant digits, 1 to 15. */
  readonly digits?: number;
  /** Drop zeros at the end of the decimals: `15 kΩ` rather than `15.0 kΩ`. */
  readonly trim?: boolean;
}

/** No-break space: keeps figure and unit on one line. */
export const GAP = '\u00a0';

/**
 * Engineering form with a fixed number of significant digits: `4.70 kΩ`, `12.3 mA`, `0.35 lx`.
 * Light is never given in millilux and only above 10 000 lx with a k, as people speak of it.
 *
 * @param value in the plain unit, any sign; zero and values under 1e-12 are told as 0
 * @example formatQuantity(12345, 'Ω') // '12.3 kΩ'
 * @example formatQuantity(0.0142, 'A') // '14.2 mA'
 */
export function formatQuantity(value: number, unit: Unit, options: FormatOptions = {}): string {
  const { figure, prefix } = engineering(value, unit, options);
  return `${figure}${GAP}${prefix}${unit}`;
}

function engineering(value: number, unit: Unit, { digits = 3, trim = false }: FormatOptions) {
  const size = Math.abs(value);
  if (!(size >= 1e-12)) return { figure: '0', prefix: '' };
  const rounded = Number(size.toPrecision(digits));
  const exponent = prefixExponentFor(rounded, unit);
  const scaled = rounded / 10 ** exponent;
  const decimals = Math.max(0, digits - 1 - Math.floor(Math.log10(scaled) + 1e-9));
  const fixed = scaled.toFixed(Math.min(decimals, 12));
  const figure = trim && fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return { figure: `${value < 0 ? '−' : ''}${inNotation(figure)}`, prefix: prefixSymbols[exponent] ?? '' };
}

function prefixExponentFor(size: number, unit: Unit): number {
  if (unit === '°C' || unit === 'dB' || unit === 'min') return 0;
  if (unit === 'lx' || unit === '×') return size >= 10_000 ? 3 : 0;
  const exponent = Math.floor(Math.log10(size) / 3 + 1e-9) * 3;
  return Math.min(9, Math.max(-12, exponent));
}

/**
 * The shortest text that {@link parseQuantity} reads back as exactly the same number: what a field shows for a
 * stored value. Moves the decimal point in the digits themselves, so nothing is rounded.
 *
 * @example formatExact(4700, 'Ω') // '4.7 k'
 * @example formatExact(0.3, 'lx') // '0.3'
 */
export function formatExact(value: number, unit: Unit): string {
  if (value < 0) return `−${formatExact(-value, unit)}`;
  if (value === 0) return '0';
  const [mantissa = '0', power = '0'] = value.toExponential().split('e');
  const exponent = prefixExponentFor(value, unit);
  const digits = mantissa.replace('.', '');
  const point = Number(power) - exponent + 1;
  const text =
    point <= 0
      ? `0.${'0'.repeat(-point)}${digits}`
      : digits.length <= point
        ? digits + '0'.repeat(point - digits.length)
        : `${digits.slice(0, point)}.${digits.slice(point)}`;
  const prefix = prefixSymbols[exponent] ?? '';
  return prefix === '' ? inNotation(text) : `${inNotation(text)} ${prefix}`;
}

/** From so many times on it is shown as a ratio. */
const MANY_TIMES = 10;

/** A share as a signed percentage: `+3.1 %`, `−0.4 %`, `±0 %`; what is many times as much as that: `×25`. */
export function formatPercentOff(share: number, digits = 1): string {
  if (1 + share >= MANY_TIMES) return `×${shortest(1 + share, 2)}`;
  const percent = share * 100;
  const size = Number(Math.abs(percent).toFixed(Math.abs(percent) >= 100 ? 0 : digits));
  const text = fixed(size, Math.abs(percent) >= 100 ? 0 : digits);
  if (size === 0) return `±0${GAP}%`;
  return `${percent < 0 ? '−' : '+'}${text}${GAP}%`;
}
