import { parseQuantity } from '../quantity/parse';
import type { Ok, Refused } from '../result';
import { METER_LIMITS as LIMITS, type Meter, type MeterRange } from './meter';

/** A meter as its owner types it from the leaflet. */
export interface MeterText {
  readonly name: string;
  readonly counts: string;
  /** `400 4k 40k`; a range with an accuracy of its own as `40M:2:5` (% of reading, digits). */
  readonly ranges: string;
  readonly accuracyPercent: string;
  readonly accuracyDigits: string;
  readonly inputOhms: string;
  readonly autoRange: boolean;
}

type Field = Exclude<keyof MeterText, 'autoRange'>;

/** Reads a meter's leaflet figures. @returns the meter, or the first field that is not right */
export function ownMeter(
  id: string,
  text: MeterText,
): Ok<{ meter: Meter }> | Refused<'field', { field: Field }> {
  const wrong = (field: Field) => ({ ok: false, reason: 'field', field }) as const;
  const name = text.name.trim();
  if (name === '' || name.length > 60) return wrong('name');
  const counts = figure(text.counts);
  if (!Number.isInteger(counts) || counts < LIMITS.counts.min || counts > LIMITS.counts.max) {
    return wrong('counts');
  }
  const share = figure(text.accuracyPercent) / 100;
  if (!(share >= LIMITS.accuracyShare.min && share <= LIMITS.accuracyShare.max))
    return wrong('accuracyPercent');
  const digits = figure(text.accuracyDigits);
  if (!(digits >= LIMITS.accuracyDigits.min && digits <= LIMITS.accuracyDigits.max))
    return wrong('accuracyDigits');
  const ranges = text.ranges
    .trim()
    .split(/[\s;]+/)
    .map((range) => rangeFrom(range, share, digits));
  const known = ranges.filter((range) => range !== null);
  const rising = known.every(
    (range, index) => index === 0 || range.fullOhms > (known[index - 1]?.fullOhms ?? 0),
  );
  if (known.length < ranges.length || known.length > LIMITS.ranges || !rising) return wrong('ranges');
  const input = parseQuantity(text.inputOhms, 'Ω', LIMITS.inputOhms);
  if (!input.ok) return wrong('inputOhms');
  const meter = { id, name, counts, autoRange: text.autoRange, inputOhms: input.value, ranges: known };
  return { ok: true, meter };
}

function figure(text: string): number {
  const typed = text.trim().replace(/%$/, '').replaceAll(' ', '').replace(',', '.');
  return typed === '' ? NaN : Number(typed);
}

function rangeFrom(text: string, share: number, digits: number): MeterRange | null {
  const [full = '', ownPercent, ownDigits] = text.split(':');
  const parsed = parseQuantity(full, 'Ω', LIMITS.fullOhms);
  const accuracyShare = ownPercent === undefined ? share : figure(ownPercent) / 100;
  const accuracyDigits = ownDigits === undefined ? digits : figure(ownDigits);
  const within =
    accuracyShare >= 0 &&
    accuracyShare <= LIMITS.accuracyShare.max &&
    accuracyDigits >= 0 &&
    accuracyDigits <= LIMITS.accuracyDigits.max;
  return parsed.ok && within ? { fullOhms: parsed.value, accuracyShare, accuracyDigits } : null;
}
