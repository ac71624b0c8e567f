import { METER_LIMITS, meterRefField } from '../meter/meter';
import {
  byKind,
  exactly,
  flag,
  idField,
  listOf,
  nullOr,
  oneOf,
  text,
  wholeWithin,
  within,
  withinOrNone,
  type Infer,
} from '../schema';
import { ldrLuxAt } from '../ldr/curve';
import { lightLdrField } from './lightLdr';
import { MEASUREMENT_LIMITS as LIMITS } from './limits';

/** Kinds of lamp that a reading may be taken under: an LDR sees each a little differently. */
export const lampKinds = ['daylight', 'warm-lamp', 'white-led', 'torch', 'coloured'] as const;
export type LampKind = (typeof lampKinds)[number];

export const lightField = byKind({
  lux: exactly({ kind: oneOf('lux'), lux: within(LIMITS.lux) }),
  /** A level by its name; whether it has lux stands with the level. */
  level: exactly({ kind: oneOf('level'), level: idField }),
  /** The one lamp of the ladder at a distance, through so many layers of paper or film (0 for none). */
  lamp: exactly({ kind: oneOf('lamp'), metres: within(LIMITS.metres), layers: wholeWithin(LIMITS.layers) }),
  /** The ladder's lamp is off: only the background is left. */
  'lamp-off': exactly({ kind: oneOf('lamp-off') }),
  /** Told by the resistance, in Ω, of the LDR that serves as light meter. */
  ldr: exactly({ kind: oneOf('ldr'), ohms: within(LIMITS.readingOhms) }),
});

/** How the light of a reading is known. */
export type ReadingLight = Infer<typeof lightField>;

export const readingField = exactly({
  id: idField,
  light: lightField,
  /** The resistance read, or the limit that it lies above. */
  ohms: within(LIMITS.readingOhms),
  /** The meter was over its range: all that is known is R > `ohms`. */
  above: flag(),
  /** Full scale of the range it was read on, in Ω; `null` where it is not known. */
  rangeOhms: withinOrNone(METER_LIMITS.fullOhms),
  lamp: nullOr(oneOf<LampKind>(...lampKinds)),
  /** Milliseconds since 1970; `null` where it was not noted. */
  takenAt: nullOr(wholeWithin(LIMITS.milliseconds)),
  note: text(LIMITS.noteLength),
  /** Left out of the fit by the user; it stays listed. */
  setAside: flag(),
  /** The user stands by it, whatever the others say: no mistake is thought of. */
  trusted: flag(),
  /** What an LDR that was still settling adds to the error: standard deviation of ln R; 0 for a settled figure. */
  unsettledStd: within(LIMITS.unsettledStd),
});

/** One light and the resistance read at it. */
export type Reading = Infer<typeof readingField>;

/** A reading as it is typed: what is not said is not known. */
export type NewReading = Pick<Reading, 'id' | 'light' | 'ohms'> & Partial<Reading>;

/** A reading with nothing known of it but what is said. */
export const wholeReading = (reading: NewReading): Reading => ({
  above: false,
  rangeOhms: null,
  lamp: null,
  takenAt: null,
  note: '',
  setAside: false,
  trusted: false,
  unsettledStd: 0,
  ...reading,
});

export const levelField = exactly({
  id: idField,
  name: text(LIMITS.levelNameLength, 1),
  /** `null` while nobody has measured it. */
  lux: withinOrNone(LIMITS.lux),
});

/** A light that the user knows by name, such as "hall, evening". */
export type Level = Infer<typeof levelField>;

/** The keys of a measurement, to stand among those of a larger document. */
export const measurementFields = {
  readings: listOf(readingField, { max: LIMITS.readings, unique: true }),
  /** The meter the readings are from; `null` where nothing is known of it. */
  meter: nullOr(meterRefField),
  /** What the light meter may be off by, as a share: taken as two standard deviations. 0 trusts it wholly. */
  lightTolerance: within(LIMITS.lightTolerance),
  levels: listOf(levelField, { max: LIMITS.levels, unique: true }),
  /** Largest dimension of the ladder's lamp, in m: nearer than ten of it the inverse square law fails. */
  lampMetres: within(LIMITS.lampMetres),
  /** The LDR that serves as light meter; `null` for none. */
  lightLdr: nullOr(lightLdrField),
  /** Lights still to be read, in order: a ladder's rungs, or the lights of the LDR before. */
  plan: listOf(lightField, { max: LIMITS.readings }),
};

export const measurementField = exactly(measurementFields);

/** All that was measured of one LDR, and with what. A project holds one; so does each saved LDR. */
export type Measurement = Infer<typeof measurementField>;

/** Whether two lights are given the same. */
export function sameLight(one: ReadingLight, other: ReadingLight): boolean {
  if (one.kind === 'lux') return other.kind === 'lux' && one.lux === other.lux;
  if (one.kind === 'ldr') return other.kind === 'ldr' && one.ohms === other.ohms;
  if (one.kind === 'level') return other.kind === 'level' && one.level === other.level;
  if (one.kind === 'lamp') {
    return other.kind === 'lamp' && one.metres === other.metres && one.layers === other.layers;
  }
  return other.kind === 'lamp-off';
}

/** What of a larger document is the measurement. */
export const measurementOf = ({
  readings,
  meter,
  lightTolerance,
  levels,
  lampMetres,
  lightLdr,
  plan,
}: Measurement): Measurement => ({ readings, meter, lightTolerance, levels, lampMetres, lightLdr, plan });

/** Lux of a reading that has them, by itself, by its level or by the LDR that serves as light meter. */
export function luxOf(
  { light }: Pick<Reading, 'light'>,
  { levels, lightLdr }: Pick<Measurement, 'levels' | 'lightLdr'>,
): number | null {
  if (light.kind === 'lux') return light.lux;
  if (light.kind === 'ldr') return lightLdr && ldrLuxAt(lightLdr.curve, light.ohms);
  if (light.kind !== 'level') return null;
  return levels.find((level) => level.id === light.level)?.lux ?? null;
}
