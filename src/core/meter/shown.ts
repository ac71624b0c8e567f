import { fixed } from '../quantity/notation';
import { parseQuantity, type ParsedQuantity, type QuantityLimits } from '../quantity/parse';
import type { Ok, Refused } from '../result';
import { bestRange, resolutionOhms, topOhms, type Meter, type MeterRange } from './meter';

/** How a range writes its figures: the unit's power of ten, and digits behind the point. */
export interface RangeFormat {
  readonly exponent: 0 | 3 | 6 | 9;
  readonly decimals: number;
}

/** `2 kΩ` reads in kΩ with three decimals on 2000 counts, `200 Ω` in Ω with one. */
export function rangeFormat(meter: Meter, range: MeterRange): RangeFormat {
  const exponent = range.fullOhms < 1000 ? 0 : range.fullOhms < 1e6 ? 3 : range.fullOhms < 1e9 ? 6 : 9;
  const step = resolutionOhms(meter, range) / 10 ** exponent;
  return { exponent, decimals: Math.max(0, Math.ceil(-Math.log10(step) - 1e-9)) };
}

/** A resistance as a range shows it: `12.34` on 20 kΩ; `OL` over its top. */
export function formatShown(meter: Meter, range: MeterRange, ohms: number): string {
  const { exponent, decimals } = rangeFormat(meter, range);
  const step = resolutionOhms(meter, range);
  const counts = Math.round(ohms / step);
  if (counts >= meter.counts) return 'OL';
  return fixed((counts * step) / 10 ** exponent, decimals);
}

export type ShownReading = Ok<{
  readonly ohms: number;
  /** Over the range: the resistance lies above `ohms`. */
  readonly above: boolean;
  /** Full scale of the range it was shown on, in Ω; `null` where the meter is unknown or the limit was typed. */
  readonly rangeOhms: number | null;
}>;

export type ShownRefusal =
  | Exclude<ParsedQuantity, Ok<unknown>>
  /**
   * The figure is more than the range can show. `ohms` is what it would be; `betterOhms` is the range that could show that, `null`
   * where none can; `plainOhms` is the figure taken for plain Ω, where the range can show those.
   */
  | Refused<
      'beyond-range',
      {
        readonly fullOhms: number;
        readonly ohms: number;
        readonly betterOhms: number | null;
        readonly plainOhms: number | null;
      }
    >;

/** What meters show over their range: `OL`, `0L`, `0.L`, `O.L`; old ones a lone `1` or `1.` */
const OVER = /^[o0]\.?l\.?$/i;
const LONE_ONE = /^1\.?$/;
const BARE = /^(\d+(?:[.,]\d*)?|[.,]\d+)$/;

/**
 * A reading as the meter shows it. A bare figure on a chosen range is in that range's unit (`12.34` on 20 kΩ is 12.34 kΩ, `>12` is
 * above 12 kΩ); with a prefix (`12k3`) it says so itself. `OL`, and a lone `1` on a chosen range, mean over the range; `>2M` says
 * its own limit.
 *
 * @param meter `null` where nothing is known of it: then `OL` says nothing that a fit could use and is refused
 * @param range the range the knob is on; `null` for auto range, or where it is not known
 */
export function parseShown(
  text: string,
  meter: Meter | null,
  range: MeterRange | null,
  limits: QuantityLimits,
): ShownReading | ShownRefusal {
  const typed = text.trim();
  if (meter && (OVER.test(typed) || (range && LONE_ONE.test(typed)))) {
    const fullOhms = range?.fullOhms ?? topOhms(meter);
    return { ok: true, ohms: fullOhms, above: true, rangeOhms: fullOhms };
  }
  const isLimit = typed.startsWith('>');
  const figure = isLimit ? typed.slice(1).trim() : typed;
  const isBare = BARE.test(figure);
  const exponent = meter && range && isBare ? rangeFormat(meter, range).exponent : null;
  const parsed =
    exponent === null
      ? parseQuantity(figure, 'Ω', limits)
      : parseQuantity(`${figure.replace(',', '.')}e${exponent}`, 'Ω', limits);
  if (!parsed.ok) return parsed;
  const ohms = parsed.value;
  if (isLimit) return { ok: true, ohms, above: true, rangeOhms: null };
  if (!meter) return { ok: true, ohms, above: false, rangeOhms: null };
  if (!range) return { ok: true, ohms, above: false, rangeOhms: bestRange(meter, ohms)?.fullOhms ?? null };
  const top = range.fullOhms - resolutionOhms(meter, range) / 2;
  if (ohms < top) return { ok: true, ohms, above: false, rangeOhms: range.fullOhms };
  const plain = exponent === null || exponent === 0 ? null : Number(figure.replace(',', '.'));
  return {
    ok: false,
    reason: 'beyond-range',
    fullOhms: range.fullOhms,
    ohms,
    betterOhms: bestRange(meter, ohms)?.fullOhms ?? null,
    plainOhms: plain !== null && plain >= (limits.min ?? 0) && plain < top ? plain : null,
  };
}

/** A range that would show a reading better than the one it was read on: the lowest that holds it; `null` where there is none. */
export function betterRange(meter: Meter, range: MeterRange, ohms: number): MeterRange | null {
  const best = bestRange(meter, ohms);
  return best && best.fullOhms < range.fullOhms ? best : null;
}

/** Fewer counts than this on the display are coarse: only the last two digits move. */
export const COARSE_COUNTS = 100;

/** Whether a reading lies within the last two digits of its range. */
export function isCoarse(meter: Meter, range: MeterRange, ohms: number): boolean {
  return ohms / resolutionOhms(meter, range) < COARSE_COUNTS;
}
