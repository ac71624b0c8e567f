import { ledColors, ledVoltsAt as oneLedVoltsAt, type LedColor } from '../parts/kinds/led';
import { exactly, oneOf, wholeWithin, within, withinOrNone, type Infer } from '../schema';
import { atOrAbove } from '../series/stock';
import type { LoadDefinition, LoadFacts, LoadSaying, LoadSetting } from './definition';
import type { LoadFix } from './finding';
import { LOAD_LIMITS as LIMITS } from './limits';
import { LED_REVERSE_VOLTS, PLAIN_LOAD, SEEN } from './ratedLoad';

/** Kinds of indicator LED, by colour; typical forward voltages at 10 mA, so check the one in hand. */
export const ledKinds = [
  { id: 'infrared', forwardVolts: 1.25, atAmps: 0.01 },
  { id: 'red', forwardVolts: 1.9, atAmps: 0.01 },
  { id: 'amber', forwardVolts: 2.0, atAmps: 0.01 },
  { id: 'green', forwardVolts: 2.1, atAmps: 0.01 },
  { id: 'blue', forwardVolts: 3.0, atAmps: 0.01 },
  { id: 'white', forwardVolts: 3.0, atAmps: 0.01 },
  { id: 'warm-white', forwardVolts: 2.9, atAmps: 0.01 },
] as const;

export type LedKindId = LedColor;

export const ledField = exactly({
  kind: oneOf('led'),
  led: oneOf<LedKindId>(...ledColors),
  /** The LED's forward voltage at `atAmps`. */
  forwardVolts: within(LIMITS.forwardVolts),
  atAmps: within(LIMITS.ratedAmps),
  /** The most that an own one takes for long, by its datasheet; `null` where that is not said. */
  maxAmps: withinOrNone(LIMITS.ledAmps),
  /** The current that each string should have when fully on. */
  wantedAmps: within(LIMITS.ledAmps),
  /** Of each string. */
  seriesOhms: within(LIMITS.seriesOhms),
  /** `inSeries` LEDs in a row, `strings` such rows side by side. */
  inSeries: wholeWithin(LIMITS.inSeries),
  strings: wholeWithin(LIMITS.strings),
});

/** LEDs with a resistor each string. */
export type LedLoad = Infer<typeof ledField>;

/** Forward voltage of so many LEDs in a row at a current, in V. */
export function ledVoltsAt(load: LedLoad, amps: number): number {
  return load.inSeries * oneLedVoltsAt(load, amps);
}

/** What a 5 mm indicator LED takes for long, in A (usual of its kind). */
const MAX_INDICATOR_AMPS = 0.03;
/** LED current this much over or under the wanted one is said. */
const OVER = 1.15;
/** With less than this share of what is wanted an LED gets little. */
export const UNDER = 0.7;

export const ledLoad: LoadDefinition<LedLoad> = {
  ...PLAIN_LOAD,
  inTime: SEEN,
  dims: true,
  reverseVolts: ({ inSeries }) => inSeries * LED_REVERSE_VOLTS,
  // It shines a little from its first milliamperes on.
  showsShare: 0.02,
  field: ledField,
  defaults: {
    kind: 'led',
    led: 'red',
    forwardVolts: 1.9,
    atAmps: 0.01,
    maxAmps: null,
    wantedAmps: 0.005,
    seriesOhms: 680,
    inSeries: 1,
    strings: 1,
  },
  parts: (load, { hot, cold, index }) => {
    const { inSeries, strings, seriesOhms } = load;
    const between = index === 0 ? 'anode' : `anode${index + 1}`;
    return [
      {
        kind: 'led',
        role: 'load',
        index,
        anode: between,
        cathode: cold,
        led: { forwardVolts: load.forwardVolts, atAmps: load.atAmps },
        color: load.led,
        inSeries,
        strings,
      },
      {
        kind: 'resistor',
        role: 'series',
        index,
        a: hot,
        b: between,
        ohms: seriesOhms / strings,
        count: strings,
      },
    ];
  },
  sense: (designator, series) => ({ name: series ?? designator, kind: 'resistor' }),
  nominalAmps: ({ wantedAmps, strings }) => wantedAmps * strings,
  volts: () => null,
  findings: sayLed,
};

/** A resistor is too large from so many times the exact one. */
const LARGER = 1.01;

function sayLed(load: LedLoad, facts: LoadFacts, setting: LoadSetting): readonly LoadSaying[] {
  const { wantedAmps } = load;
  if (facts.lacksVolts && facts.series?.ok === false) {
    const { supplyVolts } = setting;
    const { neededVolts } = facts.series;
    return [{ state: 'cannot', finding: { code: 'supply-below-led', supplyVolts, neededVolts } }];
  }
  const amps = facts.amps / load.strings;
  const isOwn = load.led === 'own';
  const maxAmps = isOwn ? (load.maxAmps ?? Infinity) : MAX_INDICATOR_AMPS;
  // Where all of them together are within it, one by itself may not be.
  const aloneAmps = (facts.alone?.amps ?? 0) / load.strings;
  const mostOver = (limit: number) =>
    amps > limit ? { amps, isAlone: false } : aloneAmps > limit ? { amps: aloneAmps, isAlone: true } : null;
  const [overMaximum, overWanted] = [mostOver(maxAmps * (1 + 1e-6)), mostOver(wantedAmps * OVER)];
  if (overMaximum) {
    const finding = { code: 'led-over-maximum', ...overMaximum, maxAmps, wantedAmps, isOwn } as const;
    return [{ state: 'cannot', finding, fix: betterFix(load, facts, setting) }];
  }
  if (overWanted) {
    const finding = { code: 'led-over-current', ...overWanted, wantedAmps } as const;
    return [{ state: 'cannot', finding, fix: betterFix(load, facts, setting) }];
  }
  if (amps >= wantedAmps * UNDER) return [];
  const isByResistor = isTooLarge(load, facts.series);
  const fix = isByResistor ? betterFix(load, facts, setting) : null;
  // Of less than it counts as on by nothing is to be seen, or hardly anything.
  const isDark = facts.amps < facts.onAmps;
  const finding = { code: 'led-under-current', amps, wantedAmps, isByResistor, isDark } as const;
  return [{ state: isDark ? 'cannot' : 'look', finding, fix }];
}

/** The resistor in stock that comes nearest to the exact one from above, where it is another than the present one. */
function betterFix({ seriesOhms }: LedLoad, { series }: LoadFacts, setting: LoadSetting): LoadFix | null {
  if (!series?.ok) return null;
  const better = atOrAbove(setting.stock, series.exactOhms)?.ohms;
  return better === undefined || better === seriesOhms
    ? null
    : { kind: 'take-series', ohms: better, index: setting.index };
}

const isTooLarge = ({ seriesOhms }: LedLoad, series: LoadFacts['series']): boolean =>
  series?.ok === true && !series.isHeldBack && seriesOhms > series.exactOhms * LARGER;
