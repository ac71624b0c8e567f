import { useState } from 'react';
import { formatExact, formatQuantity } from '@/core/quantity/format';
import { parseQuantity, type QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { quantityRefusal } from '../words/refusals';

/** A value that is allowed, as it is read. */
export interface Nearest<T> {
  readonly text: string;
  readonly taken: T;
}

export interface QuantityText<T> {
  readonly text: string;
  readonly error: string | null;
  /** The nearest value that would be taken, where what was typed lies past a limit. */
  readonly nearest: Nearest<T> | null;
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
      : { ok: false, sentence: quantityRefusal(parsed, unit), nearest: nearestAllowed(parsed, limits, unit) };
  });
}

/** The limit that was passed; `null` where something else is wrong with what was typed. */
export function nearestAllowed(
  { reason }: { readonly reason: string },
  { min, max }: QuantityLimits,
  unit: Unit,
): Nearest<number> | null {
  const limit = reason === 'below-min' ? min : reason === 'above-max' ? max : undefined;
  return limit === undefined ? null : { text: formatQuantity(limit, unit, { trim: true }), taken: limit };
}

/** What a typed text is taken for, or the sentence that says why it is not. */
export type Taken<T> =
  | { readonly ok: true; readonly taken: T }
  | { readonly ok: false; readonly sentence: string; readonly nearest?: Nearest<T> | null };

/** As {@link useQuantityText}, for anything that can be read from a typed text. @param shown the stored value's text */
export function useTypedText<T>(shown: string, parse: (text: string) => Taken<T>): QuantityText<T> {
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<Extract<Taken<T>, { readonly ok: false }> | null>(null);
  const refusalOf = (taken: Taken<T>) => (taken.ok ? null : taken);
  return {
    text: typed ?? shown,
    error: refused?.sentence ?? null,
    nearest: refused?.nearest ?? null,
    isTyped: typed !== null && typed !== shown,
    type: (text) => {
      setTyped(text);
      if (refused !== null) setRefused(refusalOf(parse(text)));
    },
    reset: () => {
      setTyped(null);
      setRefused(null);
    },
    read: () => {
      const taken = parse(typed ?? shown);
      setRefused(refusalOf(taken));
      return taken.ok ? taken.taken : null;
    },
  };
}
