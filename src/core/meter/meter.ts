import { propertyOf } from '../record';
import { assert } from '../result';
import {
  choose,
  exactly,
  flag,
  idField,
  listOf,
  oneOf,
  text,
  wholeWithin,
  within,
  withTest,
  type Infer,
} from '../schema';

/** The kinds of meter that ship. */
export const shippedMeterIds = ['manual-2000', 'auto-6000', 'bench-20000'] as const;
export type MeterId = (typeof shippedMeterIds)[number];

/** What the figures of an own meter may be. */
export const METER_LIMITS = {
  counts: { min: 200, max: 10_000_000 },
  fullOhms: { min: 1, max: 1e10 },
  accuracyShare: { min: 0, max: 0.5 },
  accuracyDigits: { min: 0, max: 1000 },
  inputOhms: { min: 1000, max: 1e12 },
  ranges: 16,
  nameLength: 60,
} as const;

const rangeField = exactly({
  /** Full scale in Ω: what the range is called. */
  fullOhms: within(METER_LIMITS.fullOhms),
  /** Accuracy: share of the reading … */
  accuracyShare: within(METER_LIMITS.accuracyShare),
  /** … plus this many counts of the last digit. */
  accuracyDigits: within(METER_LIMITS.accuracyDigits),
});

/** One resistance range of a meter. */
export type MeterRange = Infer<typeof rangeField>;

/** An own meter, with all its figures; its ranges rise. */
export const meterField = exactly({
  id: idField,
  /** What its owner calls it; empty for those that ship, whose names stand with the words. */
  name: text(METER_LIMITS.nameLength, 1),
  /** How many steps a full range has: a 2000-count meter shows 0 to 1999. */
  counts: wholeWithin(METER_LIMITS.counts),
  /** Whether it chooses its range by itself. */
  autoRange: flag(),
  /** Resistance of its voltage ranges, in Ω: what it loads a midpoint with. */
  inputOhms: within(METER_LIMITS.inputOhms),
  /** From the lowest to the highest. */
  ranges: withTest(listOf(rangeField, { min: 1, max: METER_LIMITS.ranges }), 'rising', isRising),
});

/** A meter as its leaflet gives it: what it can show and how far to trust it. */
export type Meter = Infer<typeof meterField>;

/** A meter as a document names it: one that ships by its id, an own one with all its figures. */
export const meterRefField = choose<MeterId | Meter>((value) =>
  typeof value === 'string' ? oneOf<MeterId>(...shippedMeterIds) : meterField,
);
export type MeterRef = Infer<typeof meterRefField>;

function isRising(ranges: unknown): boolean {
  const tops = Array.isArray(ranges)
    ? ranges.map((range: unknown) => Number(propertyOf(range, 'fullOhms')))
    : [];
  return tops.every((top, index) => index === 0 || top > (tops[index - 1] ?? 0));
}

const decades = (first: number, count: number, accuracyShare: number, accuracyDigits: number): MeterRange[] =>
  Array.from({ length: count }, (_, index) => ({
    fullOhms: Number(`${first}e${index}`),
    accuracyShare,
    accuracyDigits,
  }));

/** The cheap one on every bench: 200 Ω to 20 MΩ by a knob. */
const manual2000: Meter = {
  id: 'manual-2000',
  name: '',
  counts: 2000,
  autoRange: false,
  inputOhms: 1e6,
  ranges: [...decades(200, 5, 0.008, 2), { fullOhms: 2e7, accuracyShare: 0.01, accuracyDigits: 5 }],
};

/** A better one: 600 Ω to 60 MΩ, finds its range itself. */
const auto6000: Meter = {
  id: 'auto-6000',
  name: '',
  counts: 6000,
  autoRange: true,
  inputOhms: 1e7,
  ranges: [...decades(600, 5, 0.005, 3), { fullOhms: 6e7, accuracyShare: 0.015, accuracyDigits: 5 }],
};

/** A bench meter: 200 Ω to 100 MΩ, more digits than an LDR deserves. */
const bench20000: Meter = {
  id: 'bench-20000',
  name: '',
  counts: 20_000,
  autoRange: true,
  inputOhms: 1e7,
  ranges: [...decades(200, 6, 0.001, 3), { fullOhms: 1e8, accuracyShare: 0.02, accuracyDigits: 5 }],
};

/** The meters that ship, by kind; figures usual for the kind. */
export const shippedMeters: readonly Meter[] = [manual2000, auto6000, bench20000];

/** The step of the last digit on a range, in Ω. */
export function resolutionOhms(meter: Meter, range: MeterRange): number {
  return range.fullOhms / meter.counts;
}

/** The lowest range that can show a resistance, which is the one that shows it best; `null` above the highest. */
export function bestRange(meter: Meter, ohms: number): MeterRange | null {
  return meter.ranges.find((range) => ohms <= range.fullOhms - resolutionOhms(meter, range)) ?? null;
}

/**
 * How far off a reading may be, by the leaflet: ± (share of reading + digits), taken as two standard deviations.
 * @returns standard deviation of ln R: the relative error that a fit weighs the reading by
 */
export function readingSigma(meter: Meter, range: MeterRange, ohms: number): number {
  const band = range.accuracyShare + (range.accuracyDigits * resolutionOhms(meter, range)) / ohms;
  return band / 2;
}

/** The part of {@link readingSigma} that is a reading's own: its digits, without the gain that a whole range shares. */
export function digitsSigma(meter: Meter, range: MeterRange, ohms: number): number {
  return readingSigma(meter, { ...range, accuracyShare: 0 }, ohms);
}

/** ± of a reading by the leaflet, in Ω: share of the reading plus digits. */
export function uncertaintyOhms(meter: Meter, range: MeterRange, ohms: number): number {
  return range.accuracyShare * ohms + range.accuracyDigits * resolutionOhms(meter, range);
}

/** The highest resistance that a meter can show, in Ω: what `OL` lies above. */
export function topOhms(meter: Meter): number {
  return Math.max(...meter.ranges.map((range) => range.fullOhms));
}

/** The meter that a document names. */
export function meterOf(ref: MeterRef): Meter {
  if (typeof ref !== 'string') return ref;
  const found = shippedMeters.find((meter) => meter.id === ref);
  assert(found !== undefined, () => `no meter ${ref}`);
  return found;
}

/** The range of a full scale; `null` where the meter has none such. */
export function rangeOf(meter: Meter, fullOhms: number | null): MeterRange | null {
  return meter.ranges.find((range) => range.fullOhms === fullOhms) ?? null;
}

/** The range that a reading was taken on: the one noted, or else the best for it; `null` above the highest. */
export function usedRange(
  ref: MeterRef,
  { ohms, rangeOhms }: { readonly ohms: number; readonly rangeOhms: number | null },
): MeterRange | null {
  const meter = meterOf(ref);
  return rangeOf(meter, rangeOhms) ?? bestRange(meter, ohms);
}
