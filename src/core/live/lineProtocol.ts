import { LIMITS_OHMS } from './limits';
import type { MeterFigure, MeterSample } from './sample';
import { assert, type Ok, type Refused } from '../result';

/** How a board on the serial port tells its readings. */
export type LineFormat =
  | { readonly kind: 'ohms' }
  /** Codes of an analogue input whose reference is the divider's own supply. */
  | {
      readonly kind: 'adc';
      readonly bits: number;
      readonly fixedOhms: number;
      /** Where the LDR stands: above the midpoint or below it. */
      readonly ldrSide: 'top' | 'bottom';
    };

export const ADC_LIMITS = { bits: { min: 6, max: 24 } } as const;

export type LineRefusal =
  | 'torn'
  | 'not-a-number'
  | 'not-positive'
  | 'impossible'
  | 'beyond-codes'
  | 'at-rail';

export type ParsedLine =
  | Ok<{ sample: MeterSample }>
  /** An empty line or a remark: nothing to say. */
  | Ok<{ sample: null }>
  /** A line with a unit of its own: no resistance. */
  | Ok<{ sample: null; figure: MeterFigure }>
  | Refused<LineRefusal, { line: string }>;

/** More volts or amperes no bench of this sort has. */
const MOST_FIGURE = 1000;
/** Longer than this no line is: noise, or a wrong baud rate. */
const LONGEST_LINE = 120;

/**
 * One line of the protocol (docs/meter-lines.md): `12345`, `1.2e4`, `OL`, `>2000000`; with seconds before it as
 * `1.25,12345`; or an ADC code; or with its unit a voltage or a current, `4.998 V`, `12.3 mA`. `#` starts a remark.
 * @param now milliseconds since 1970, for lines without a time; @param startedAt what their seconds count from
 * @example parseLine('2.5,4700', { kind: 'ohms' }, 0, 1000) // { ok: true, sample: { at: 3500, ohms: 4700, above: false, rangeOhms: null, lux: null } }
 * @example parseLine('nan', { kind: 'ohms' }, 0, 0) // { ok: false, reason: 'not-a-number', line: 'nan' }
 */
export function parseLine(line: string, format: LineFormat, now: number, startedAt: number): ParsedLine {
  const text = line.trim();
  const refuse = (reason: LineRefusal): ParsedLine => ({ ok: false, reason, line: text.slice(0, 40) });
  if (text === '' || text.startsWith('#')) return { ok: true, sample: null };
  if (text.length > LONGEST_LINE || /[^\x20-\x7e]/.test(text)) return refuse('torn');
  const parts = text.split(/[,;\t]\s*/);
  if (parts.length > 2) return refuse('torn');
  const [seconds, value = ''] = parts.length === 2 ? parts : [undefined, parts[0]];
  const elapsed = seconds === undefined ? null : plain(seconds);
  if (elapsed !== null && !(elapsed >= 0)) return refuse('torn');
  const at = elapsed === null ? now : startedAt + Math.round(elapsed * 1000);
  const figure = figureOf(value, at);
  if (figure) return { ok: true, sample: null, figure };
  const read = format.kind === 'adc' ? adcOhms(value, format) : ohmsOf(value);
  if (!read.ok) return refuse(read.reason);
  if (read.ohms < LIMITS_OHMS.min || read.ohms > LIMITS_OHMS.max) return refuse('impossible');
  return { ok: true, sample: { at, ohms: read.ohms, above: read.above, rangeOhms: null, lux: null } };
}

const FIGURE = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)\s*([mu]?)([VA])(?:\s*DC)?$/;
const PREFIXES: Readonly<Record<string, number>> = { '': 1, m: 1e-3, u: 1e-6 };

/** A figure with V or A behind it, with m or u before that; `null` for anything else. */
function figureOf(text: string, at: number): MeterFigure | null {
  const [, digits, prefix = '', unit] = FIGURE.exec(text.trim()) ?? [];
  if (digits === undefined || (unit !== 'V' && unit !== 'A')) return null;
  const value = Number(digits) * (PREFIXES[prefix] ?? NaN);
  return Math.abs(value) <= MOST_FIGURE ? { at, value, unit } : null;
}

type OhmsRead = Ok<{ ohms: number; above: boolean }> | Refused<LineRefusal>;

function ohmsOf(text: string): OhmsRead {
  if (/^o\.?l\.?$/i.test(text)) return { ok: true, ohms: LIMITS_OHMS.overload, above: true };
  const above = text.startsWith('>');
  const ohms = plain(above ? text.slice(1) : text);
  if (Number.isNaN(ohms)) return { ok: false, reason: 'not-a-number' };
  return ohms > 0 ? { ok: true, ohms, above } : { ok: false, reason: 'not-positive' };
}

/** A plain decimal; NaN for anything else, `nan` and `inf` among it. */
function plain(text: string): number {
  return /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(text.trim()) ? Number(text) : NaN;
}

/**
 * The LDR from a code: with it above, `R = Rfixed·(full/code − 1)`; below, the inverse. The code at the end toward which
 * the LDR's resistance grows says only "above what half a code less would be"; the other end says nothing.
 */
function adcOhms(text: string, format: Extract<LineFormat, { kind: 'adc' }>): OhmsRead {
  const code = plain(text);
  if (Number.isNaN(code)) return { ok: false, reason: 'not-a-number' };
  const full = 2 ** format.bits - 1;
  assert(full > 0, 'an ADC has bits');
  if (code < 0 || code > full) return { ok: false, reason: 'beyond-codes' };
  const counts = format.ldrSide === 'top' ? full - code : code;
  if (counts === 0) return { ok: false, reason: 'at-rail' };
  if (counts < full) return { ok: true, ohms: (format.fixedOhms * counts) / (full - counts), above: false };
  return { ok: true, ohms: format.fixedOhms * (2 * full - 1), above: true };
}

/** Cuts a stream of text into lines; what follows the last line end is kept for the next piece. */
export class LineSplitter {
  private rest = '';

  feed(piece: string): readonly string[] {
    const lines = (this.rest + piece).split(/\r\n|\n|\r/);
    this.rest = lines.pop() ?? '';
    // A stream without line ends must not grow for ever.
    if (this.rest.length <= 4 * LONGEST_LINE) return lines;
    const torn = this.rest;
    this.rest = '';
    return [...lines, torn];
  }
}
