import { useState } from 'react';
import { formatExact } from '@/core/quantity/format';
import { parseQuantity, type QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { quantityRefusal } from '../words/refusals';

export interface QuantityText<T> {
  readonly text: string;
  readonly error: string | null;
  /** Holds text that has not been taken. */
  readonly isTyped: boolean;
  readonly type: (text: string) => void;
  /** Forgets what was typed and shows the stored value again. */
  readonly reset: () => void;
  /** The typed value; on a refusal `null`, with the sentence in `error` and the typed text kept. */
  readonly read: () => T | null;
}

/**
 * A typed quantity: what stands in the field, and what is wrong with it once someone has tried to leave it.
 * @param value the stored value, or `null` for a field that starts empty
 */
export function useQuantityText(
  value: number | null,
  unit: Unit,
  limits: QuantityLimits,
): QuantityText<number> {
  return useTypedText(value === null ? '' : formatExact(value, unit), (text) => {
    const parsed = parseQuantity(text, unit, limits);
    return parsed.ok
      ? { ok: true, taken: parsed.value }
      : { ok: false, sentence: quantityRefusal(parsed, unit) };
  });
}

/** What a typed text is taken for, or the sentence that says why it is not. */
export type Taken<T> =
  { readonly ok: true; readonly taken: T } | { readonly ok: false; readonly sentence: string };

/** As {@link useQuantityText}, for anything that can be read from a typed text. @param shown the stored value's text */
export function useTypedText<T>(shown: string, parse: (text: string) => Taken<T>): QuantityText<T> {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const sentenceOf = (taken: Taken<T>) => (taken.ok ? null : taken.sentence);
  return {
    text: typed ?? shown,
    error,
    isTyped: typed !== null && typed !== shown,
    type: (text) => {
      setTyped(text);
      if (error !== null) setError(sentenceOf(parse(text)));
    },
    reset: () => {
      setTyped(null);
      setError(null);
    },
    read: () => {
      const taken = parse(typed ?? shown);
      setError(sentenceOf(taken));
      return taken.ok ? taken.taken : null;
    },
  };
}
