import { exactly, flag, listOf, oneOf, text, wholeWithin, within, withTest, type Infer } from '../../schema';

/** What each figure of a day may be. */
export const DAY_LIMITS = {
  latitude: { min: -90, max: 90 },
  longitude: { min: -180, max: 180 },
  utcHours: { min: -12, max: 14 },
  facing: { min: 0, max: 360 },
  shade: { min: 0, max: 0.999 },
  perHour: { min: 0, max: 60 },
  minutes: { min: 0, max: 1440 },
  lampLux: { min: 0.1, max: 20_000 },
  ripple: { min: 0, max: 1 },
  seed: { min: 1, max: 1_000_000 },
  lamps: 8,
} as const;

export const weathers = ['clear', 'broken', 'overcast', 'thunderstorm'] as const;
export type Weather = (typeof weathers)[number];

const lampField = withTest(
  exactly({
    /** Minutes after midnight at which it is switched on and off. */
    fromMinutes: within(DAY_LIMITS.minutes),
    toMinutes: within(DAY_LIMITS.minutes),
    /** At the LDR, in lx. */
    lux: within(DAY_LIMITS.lampLux),
    /** Peak to peak, as a share of its light: 0.05–0.15 of a filament, up to 1 of an LED lamp. */
    rippleShare: within(DAY_LIMITS.ripple),
  }),
  'from-to',
  ({ fromMinutes, toMinutes }) => fromMinutes !== toMinutes,
);
export type RoomLamp = Infer<typeof lampField>;

const DATE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** Whether a text is a day of the calendar, `2026-02-28`, from 1900 to 2100. */
export function isDate(value: string): boolean {
  const [, year, month, day] = DATE.exec(value) ?? [];
  if (!year || !month || !day || Number(year) < 1900 || Number(year) > 2100) return false;
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
  return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day);
}

/** Where and when a day is, and what makes its light unsteady. */
export const dayField = exactly({
  latitude: within(DAY_LIMITS.latitude),
  longitude: within(DAY_LIMITS.longitude),
  /** The clock's time against UTC, in hours. */
  utcHours: within(DAY_LIMITS.utcHours),
  date: withTest(text(10), 'date', isDate),
  /** Under the open sky, or behind a window. */
  spot: oneOf('outdoors', 'window'),
  /** Where the window looks: degrees from north over east. */
  facing: within(DAY_LIMITS.facing),
  /** Share of the light that walls, trees or curtains keep off; a design's own window or tube is said where it goes. */
  shade: within(DAY_LIMITS.shade),
  weather: oneOf(...weathers),
  /** Leaves move between sun and LDR. */
  leaves: flag(),
  /** Cars that pass in the dark, an hour. */
  headlights: within(DAY_LIMITS.perHour),
  lamps: listOf(lampField, { max: DAY_LIMITS.lamps }),
  mainsHertz: oneOf('50', '60'),
  seed: wholeWithin(DAY_LIMITS.seed),
});
export type DaySettings = Infer<typeof dayField>;

export const DEFAULT_DAY: DaySettings = {
  latitude: 50,
  longitude: 10,
  utcHours: 1,
  date: '2026-03-20',
  spot: 'window',
  facing: 180,
  shade: 0.8,
  weather: 'broken',
  leaves: false,
  headlights: 0,
  lamps: [],
  mainsHertz: '50',
  seed: 1,
};

/** Midnight of the day by its clock, in ms since 1970. */
export function midnightOf({ date, utcHours }: Pick<DaySettings, 'date' | 'utcHours'>): number {
  return Date.parse(`${date}T00:00:00Z`) - utcHours * 3_600_000;
}
