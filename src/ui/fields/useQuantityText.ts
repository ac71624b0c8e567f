import { useState } from 'react';
import { formatExact } from '@/core/quantity/format';
import { parseQuantity, type QuantityLimits } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import { quantityRefusal } from '../words/refusals';

export interface QuantityText {
  readonly text: string;
  readonly error: string | null;
  readonly type: (text: string) => void;
  /** Forgets what was typed and shows the stored value again. */
  readonly reset: () => void;
  /** The typed value; on a refusal `null`, with the sentence in `error` and the typed text kept. */
  readonly read: () => number | null;
}

/**
 * A typed quantity: what stands in the field, and what is wrong with it once someone has tried to leave it.
 * @param value the stored value, or `null` for a field that starts empty
 */
export function useQuantityText(value: number | null, unit: Unit, limits: QuantityLimits): QuantityText {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const shown = value === null ? '' : formatExact(value, unit);
  return {
    text: typed ?? shown,
    error,
    type: (text) => {
      setTyped(text);
      if (error !== null) setError(sentence(text, unit, limits));
    },
    reset: () => {
      setTyped(null);
      setError(null);
    },
    read: () => {
      const parsed = parseQuantity(typed ?? shown, unit, limits);
      setError(parsed.ok ? null : quantityRefusal(parsed, unit));
      return parsed.ok ? parsed.value : null;
    },
  };
}

function sentence(text: string, unit: Unit, limits: QuantityLimits): string | null {
  const parsed = parseQuantity(text, unit, limits);
  return parsed.ok ? null : quantityRefusal(parsed, unit);
}
