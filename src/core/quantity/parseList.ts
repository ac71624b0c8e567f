import type { Ok, Refused } from '../result';
import { parseQuantity, type QuantityLimits } from './parse';

/**
 * Several resistances in one line, as one reads them off a box: apart by blanks or semicolons; each once, rising.
 * @example parseList('4k7 1k 2M2', {}, 10) // { ok: true, values: [1000, 4700, 2200000] }
 * @example parseList('1k x', {}, 10) // { ok: false, reason: 'not-a-value', text: 'x' }
 */
export function parseList(
  text: string,
  limits: QuantityLimits,
  max: number,
): Ok<{ values: readonly number[] }> | Refused<'not-a-value', { text: string }> | Refused<'too-many'> {
  const words = text.split(/[\s;]+/).filter((word) => word !== '');
  const values: number[] = [];
  for (const word of words) {
    const parsed = parseQuantity(word, 'Ω', limits);
    if (!parsed.ok) return { ok: false, reason: 'not-a-value', text: word.slice(0, 20) };
    values.push(parsed.value);
  }
  const unique = [...new Set(values)].sort((one, other) => one - other);
  return unique.length > max ? { ok: false, reason: 'too-many' } : { ok: true, values: unique };
}
