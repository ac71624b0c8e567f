import { useMemo } from 'react';
import { meterOf, rangeOf, uncertaintyOhms, type Meter, type MeterRange } from '@/core/meter/meter';
import { betterRange, formatShown, parseShown, type ShownReading } from '@/core/meter/shown';
import { LIMITS } from '@/core/project/project';
import { formatExact } from '@/core/quantity/format';
import { useTypedText, type QuantityText } from '@/ui/fields/useQuantityText';
import { useEntry, useProject } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';
import { shownRefusal } from '@/ui/words/measure/readings';

/** A change that makes a refused figure one that can be taken. */
export interface ShownFix {
  readonly label: string;
  readonly use: () => void;
}

/** A field for what the meter shows, with what the figure means so far. */
export interface Shown {
  readonly field: QuantityText<ShownReading>;
  readonly meter: Meter | null;
  /** The range that the knob is on; `null` for a meter that finds its own, or an unknown one. */
  readonly range: MeterRange | null;
  readonly setRange: (fullOhms: number | null) => void;
  readonly hint: ShownHint | null;
  readonly fixes: readonly ShownFix[];
}

export interface ShownHint {
  readonly ohms: number;
  readonly above: boolean;
  /** ± of the figure by the meter's leaflet, in Ω; `null` where nothing is known of it. */
  readonly offOhms: number | null;
  /** A range that would show more digits, with what it would show. */
  readonly better: { readonly fullOhms: number; readonly shows: string } | null;
}

/**
 * Everything that takes a meter's figure takes it in this one way: what is on the display, on the chosen range, in that
 * range's unit.
 */
export function useShown(): Shown {
  const { meter: ref } = useProject();
  const [entry, change] = useEntry();
  const meter = ref && meterOf(ref);
  const range = meter && !meter.autoRange ? (rangeOf(meter, entry.rangeOhms) ?? defaultRange(meter)) : null;
  const field = useTypedText<ShownReading>('', (text) => {
    const parsed = parseShown(text, meter, range, LIMITS.readingOhms);
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: shownRefusal(parsed) };
  });
  const { text } = field;
  const setRange = (rangeOhms: number | null) => change({ rangeOhms });
  const hint = useMemo(() => hintOf(text, meter, range), [text, meter, range]);
  return { field, meter, range, setRange, hint, fixes: fixesOf(field, meter, range, setRange) };
}

/** 20 kΩ, or what comes nearest: where an LDR in a room is read. */
function defaultRange(meter: Meter): MeterRange | null {
  return (
    meter.ranges.find(({ fullOhms }) => fullOhms >= 10_000) ?? meter.ranges[meter.ranges.length - 1] ?? null
  );
}

/** What the figure means so far, and the range that would show more. */
export function hintOf(text: string, meter: Meter | null, range: MeterRange | null): ShownHint | null {
  const parsed = parseShown(text, meter, range, LIMITS.readingOhms);
  if (!parsed.ok) return null;
  const { ohms, above } = parsed;
  const used = meter && rangeOf(meter, parsed.rangeOhms);
  if (above || !meter || !used) return { ohms, above, offOhms: null, better: null };
  const better = range && betterRange(meter, range, ohms);
  return {
    ohms,
    above,
    offOhms: uncertaintyOhms(meter, used, ohms),
    better: better && { fullOhms: better.fullOhms, shows: formatShown(meter, better, ohms) },
  };
}

/** What would make a figure that the range cannot show one that can be taken. */
function fixesOf(
  { text, type, error }: QuantityText<ShownReading>,
  meter: Meter | null,
  range: MeterRange | null,
  setRange: (fullOhms: number) => void,
): readonly ShownFix[] {
  if (error === null) return [];
  const parsed = parseShown(text, meter, range, LIMITS.readingOhms);
  if (parsed.ok || parsed.reason !== 'beyond-range') return [];
  const { plainOhms, betterOhms } = parsed;
  return [
    ...(plainOhms === null
      ? []
      : [{ label: `It is ${partOhms(plainOhms)}`, use: () => type(formatExact(plainOhms, 'Ω')) }]),
    ...(betterOhms === null
      ? []
      : [{ label: `The knob is on ${partOhms(betterOhms)}`, use: () => setRange(betterOhms) }]),
  ];
}
