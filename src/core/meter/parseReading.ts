import { parseQuantity, type ParsedQuantity, type QuantityLimits } from '../quantity/parse';
import type { Ok } from '../result';
import { meterOf, topOhms, type MeterId } from './meter';

export type ParsedReading = Ok<{ ohms: number; above: boolean }> | Exclude<ParsedQuantity, Ok<unknown>>;

/**
 * A resistance as the meter shows it: a figure, `OL` for over the top of a known meter, or `>2M` for "above this".
 * @param meter `null` where nothing is known of it: then `OL` says nothing that a fit could use and is refused
 * @example parseReading('>2M', null, {}) // { ok: true, ohms: 2000000, above: true }
 * @example parseReading('OL', 'auto-6000', {}) // { ok: true, ohms: 60000000, above: true }
 */
export function parseReading(text: string, meter: MeterId | null, limits: QuantityLimits): ParsedReading {
  const typed = text.trim();
  if (/^o\.?l\.?$/i.test(typed) && meter !== null)
    return { ok: true, ohms: topOhms(meterOf(meter)), above: true };
  const above = typed.startsWith('>');
  const parsed = parseQuantity(above ? typed.slice(1) : typed, 'Ω', limits);
  return parsed.ok ? { ok: true, ohms: parsed.value, above } : parsed;
}
