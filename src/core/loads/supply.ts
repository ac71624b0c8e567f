import { exactly, oneOf, wholeWithin, within, withinOrNone, type Infer } from '../schema';

/** Where the current comes from. `plain` is any ideal supply of which nothing more is known. */
export const sourceKinds = ['ideal', 'battery', 'adapter', 'usb'] as const;
export type SourceKind = (typeof sourceKinds)[number];

/** Usual cells; `lostAYear` is the share of their charge that they lose in a year by themselves. */
export const batteryKinds = [
  {
    id: 'alkaline-aa',
    cellVolts: 1.5,
    freshShare: 1.07,
    flatShare: 0.67,
    cellOhms: 0.2,
    ampHours: 2.4,
    lostAYear: 0.03,
  },
  {
    id: 'alkaline-aaa',
    cellVolts: 1.5,
    freshShare: 1.07,
    flatShare: 0.67,
    cellOhms: 0.3,
    ampHours: 1.1,
    lostAYear: 0.03,
  },
  {
    id: 'nimh-aa',
    cellVolts: 1.2,
    freshShare: 1.15,
    flatShare: 0.83,
    cellOhms: 0.05,
    ampHours: 2,
    lostAYear: 0.3,
  },
  {
    id: 'block-9v',
    cellVolts: 9,
    freshShare: 1.05,
    flatShare: 0.67,
    cellOhms: 2,
    ampHours: 0.5,
    lostAYear: 0.04,
  },
  {
    id: 'coin-3v',
    cellVolts: 3,
    freshShare: 1.05,
    flatShare: 0.7,
    cellOhms: 15,
    ampHours: 0.22,
    lostAYear: 0.02,
  },
  {
    id: 'lead-12v',
    cellVolts: 12,
    freshShare: 1.06,
    flatShare: 0.92,
    cellOhms: 0.03,
    ampHours: 7,
    lostAYear: 0.4,
  },
] as const;
export type BatteryKindId = (typeof batteryKinds)[number]['id'];

/** What each figure of a supply may be. */
export const SUPPLY_LIMITS = {
  volts: { min: 0.9, max: 48 },
  cells: { min: 1, max: 16 },
  ohms: { min: 0, max: 1000 },
  share: { min: 0.3, max: 1.3 },
  limitAmps: { min: 0.001, max: 30 },
  ampHours: { min: 0.001, max: 500 },
  darkShare: { min: 0, max: 1 },
} as const;

export const sourceField = exactly({
  kind: oneOf(...sourceKinds),
  /** What the battery is made of, and how many of them in series; both matter for a battery alone. */
  battery: oneOf<BatteryKindId>(...batteryKinds.map(({ id }) => id)),
  cells: wholeWithin(SUPPLY_LIMITS.cells),
  /** Resistance inside, in Ω; 0 for an ideal supply. */
  ohms: within(SUPPLY_LIMITS.ohms),
  /** The open voltage when flat (or lowest) and when fresh (or highest), as shares of the nominal one. */
  lowShare: within(SUPPLY_LIMITS.share),
  highShare: within(SUPPLY_LIMITS.share),
  /** `null` where nothing limits it. */
  limitAmps: withinOrNone(SUPPLY_LIMITS.limitAmps),
  ampHours: withinOrNone(SUPPLY_LIMITS.ampHours),
});

/** What stands behind a supply's open voltage, which stands where it is used. */
export type Source = Infer<typeof sourceField>;

export const IDEAL_SOURCE: Source = {
  kind: 'ideal',
  battery: 'alkaline-aa',
  cells: 4,
  ohms: 0,
  lowShare: 0.95,
  highShare: 1.05,
  limitAmps: null,
  ampHours: null,
};

/** How many cells of a battery stay within the voltage that a supply may have. */
export function maxCells(battery: BatteryKindId): number {
  const made = batteryKinds.find(({ id }) => id === battery) ?? batteryKinds[0];
  return Math.min(SUPPLY_LIMITS.cells.max, Math.floor(SUPPLY_LIMITS.volts.max / made.cellVolts));
}

/** How many cells of another kind take the place of some: as many in the same holder, else as many as come nearest to their volts. */
export function cellsInPlace(from: BatteryKindId, to: BatteryKindId, cells: number): number {
  const madeOf = (battery: BatteryKindId) => batteryKinds.find(({ id }) => id === battery) ?? batteryKinds[0];
  const fitsHolder = (battery: BatteryKindId) => battery.endsWith('-aa') || battery.endsWith('-aaa');
  const same = fitsHolder(from) && fitsHolder(to);
  const wanted = same ? cells : Math.round((cells * madeOf(from).cellVolts) / madeOf(to).cellVolts);
  return Math.min(maxCells(to), Math.max(1, wanted));
}

/** A source of a kind with its usual figures, and the open voltage that goes with it; `volts` stays where none does. */
export function defaultSource(
  kind: SourceKind,
  volts: number,
  battery: BatteryKindId = 'alkaline-aa',
  wantedCells = 4,
): { readonly source: Source; readonly volts: number } {
  switch (kind) {
    case 'ideal':
      return { source: IDEAL_SOURCE, volts };
    case 'adapter':
      return { source: { ...IDEAL_SOURCE, kind, ohms: 0.1, limitAmps: 1 }, volts };
    case 'usb':
      return { source: { ...IDEAL_SOURCE, kind, ohms: 0.2, limitAmps: 0.5 }, volts: 5 };
    case 'battery': {
      const made = batteryKinds.find(({ id }) => id === battery) ?? batteryKinds[0];
      const cells = Math.min(wantedCells, maxCells(battery));
      const source = {
        kind,
        battery,
        cells,
        ohms: Number((made.cellOhms * cells).toPrecision(3)),
        lowShare: made.flatShare,
        highShare: made.freshShare,
        limitAmps: null,
        ampHours: made.ampHours,
      };
      return { source, volts: Number((made.cellVolts * cells).toPrecision(3)) };
    }
  }
}

const YEAR_HOURS = 8766;

/** What a battery loses by itself, in A: as if it were drawn; 0 for what is none. */
export function lostAmps({ kind, battery, ampHours }: Source): number {
  const made = kind === 'battery' ? batteryKinds.find(({ id }) => id === battery) : undefined;
  return made && ampHours !== null ? (made.lostAYear * ampHours) / YEAR_HOURS : 0;
}

/**
 * How long a battery lasts, in hours, when it gives one current for a share of the time and another for the rest.
 * @param darkShare 0–1, the share of the hours of the first, as of those in which it is dark
 * @param lost what it loses by itself, in A
 * @example batteryHours(2.4, 0.02, 0.001, 0.5) // 228.571
 */
export function batteryHours(
  ampHours: number,
  darkAmps: number,
  lightAmps: number,
  darkShare: number,
  lost = 0,
): number {
  return ampHours / Math.max(1e-9, darkShare * darkAmps + (1 - darkShare) * lightAmps + lost);
}
