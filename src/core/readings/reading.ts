import type { MeterRef } from '../meter/meter';

/** Kinds of lamp that a reading may be taken under: an LDR sees each a little differently. */
export const lampKinds = ['daylight', 'warm-lamp', 'white-led', 'torch', 'coloured'] as const;
export type LampKind = (typeof lampKinds)[number];

/** How the light of a reading is known. */
export type ReadingLight =
  | { readonly kind: 'lux'; readonly lux: number }
  /** A level by its name; whether it has lux stands with the level. */
  | { readonly kind: 'level'; readonly level: string }
  /** The one lamp of the ladder at a distance, through so many layers of paper or film (0 for none). */
  | { readonly kind: 'lamp'; readonly metres: number; readonly layers: number }
  /** The ladder's lamp is off: only the background is left. */
  | { readonly kind: 'lamp-off' };

/** One light and the resistance read at it. */
export interface Reading {
  readonly id: string;
  readonly light: ReadingLight;
  /** The resistance read, or the limit that it lies above. */
  readonly ohms: number;
  /** The meter was over its range: all that is known is R > `ohms`. */
  readonly above: boolean;
  /** Full scale of the range it was read on, in Ω; `null` where it is not known. */
  readonly rangeOhms: number | null;
  readonly lamp: LampKind | null;
  /** Milliseconds since 1970; `null` where it was not noted. */
  readonly takenAt: number | null;
  readonly note: string;
  /** Left out of the fit by the user; it stays listed. */
  readonly setAside: boolean;
}

/** A light that the user knows by name, such as "hall, evening". */
export interface Level {
  readonly id: string;
  readonly name: string;
  /** `null` while nobody has measured it. */
  readonly lux: number | null;
}

/** All that was measured of one LDR, and with what. A project holds one; so does each LDR in the drawer. */
export interface Measurement {
  readonly readings: readonly Reading[];
  /** The meter the readings are from; `null` where nothing is known of it. */
  readonly meter: MeterRef | null;
  /** What the light meter may be off by, as a share: taken as two standard deviations. 0 trusts it wholly. */
  readonly lightTolerance: number;
  readonly levels: readonly Level[];
  /** Largest dimension of the ladder's lamp, in m: nearer than ten of it the inverse square law fails. */
  readonly lampMetres: number;
  /** Lights still to be read, in order: a ladder's rungs, or the lights of the LDR before. */
  readonly plan: readonly ReadingLight[];
}

/** Whether two lights are told the same. */
export function sameLight(one: ReadingLight, other: ReadingLight): boolean {
  if (one.kind === 'lux') return other.kind === 'lux' && one.lux === other.lux;
  if (one.kind === 'level') return other.kind === 'level' && one.level === other.level;
  if (one.kind === 'lamp') {
    return other.kind === 'lamp' && one.metres === other.metres && one.layers === other.layers;
  }
  return other.kind === 'lamp-off';
}
