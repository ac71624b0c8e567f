import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A resistor track with a slider on it. */
export interface TrimmerPart extends PartBase {
  readonly kind: 'trimmer';
  /** The two ends of the track, and the slider. */
  readonly upper: Net;
  readonly slider: Net;
  readonly lower: Net;
  readonly trackOhms: number;
  /** 0 with the slider at the lower end, 1 at the upper. */
  readonly position: number;
  /** Travel of its screw from end to end. */
  readonly degrees: number;
}

/** No slider comes nearer to an end than this share of the track. */
const END_SHARE = 1e-4;
const TRACK_TOLERANCE = 0.2;

/** The two parts of a track: from the upper end to the slider, and from there to the lower end, in Ω. */
export function trackParts({ trackOhms, position }: Pick<TrimmerPart, 'trackOhms' | 'position'>) {
  const part = (share: number) => Math.max(END_SHARE, share) * trackOhms;
  return { upper: part(1 - position), lower: part(position) };
}

/** The least that is left of either part of a track, in Ω. */
export const leastPartOhms = ({ trackOhms }: Pick<TrimmerPart, 'trackOhms'>) => END_SHARE * trackOhms;

/** The part of the track between the upper end and the slider. */
export const upperTrackName = (designator: string) => `${designator}.upper`;

export const trimmerKind: PartKindDefinition<TrimmerPart> = {
  letter: 'RV',
  pins: ({ upper, slider, lower }) => [
    { name: '1', net: upper, isRequired: true },
    { name: 'slider', net: slider, isRequired: true },
    { name: '3', net: lower, isRequired: true },
  ],
  elements: (part) => {
    const { designator, upper, slider, lower } = part;
    const ohms = trackParts(part);
    const from = {
      kind: 'resistor',
      name: upperTrackName(designator),
      a: upper,
      b: slider,
      ohms: ohms.upper,
    } as const;
    const to = {
      kind: 'resistor',
      name: `${designator}.lower`,
      a: slider,
      b: lower,
      ohms: ohms.lower,
    } as const;
    // As a rheostat its slider is tied to an end: that part of the track carries nothing.
    return [from, to].filter(({ a, b }) => a !== b);
  },
  tolerance: () => ({ low: -TRACK_TOLERANCE, high: TRACK_TOLERANCE }),
  rating: () => NOT_RATED,
  outputs: () => [],
};
