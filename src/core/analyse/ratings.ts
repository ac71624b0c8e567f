import { resistorRatingFor } from '../loads/powerRating';
import { isFiredOn } from '../operate/assembly';
import type { CircuitAnalysis } from './analysis';

/** How warm one part gets at worst over the whole axis, and what it is rated. */
export interface PartRating {
  readonly designator: string;
  readonly watts: number;
  /** What it is rated, in W: of a resistor the smallest standard rating that stays cool; `null` where that is not known. */
  readonly ratedWatts: number | null;
  /** A resistor's is to be bought; the others are given. */
  readonly isToBuy: boolean;
  /** The light at which it is warmest; `null` where it is so whenever it is on. */
  readonly lux: number | null;
  readonly ok: boolean;
}

/** Power of every part against its rating: the LDR, the transistor, every resistor, LEDs and coils. */
export function ratingsOf({
  extremes,
  loads,
  assembly,
}: Pick<CircuitAnalysis, 'extremes' | 'loads' | 'assembly'>): readonly PartRating[] {
  const { worst } = extremes;
  const given = (
    designator: string,
    watts: number,
    ratedWatts: number | null,
    lux: number | null,
  ): PartRating => ({
    designator,
    watts,
    ratedWatts,
    isToBuy: false,
    lux,
    ok: ratedWatts === null || watts <= ratedWatts,
  });
  const perString = new Map(
    loads.flatMap(({ resistor, seriesWatts }) => (resistor ? [[resistor, seriesWatts] as const] : [])),
  );
  const rows = assembly.parts.flatMap((part): PartRating[] => {
    // A tone’s own resistors carry a swing that is averaged here; any rating covers it.
    if (part.role === 'tone-upper' || part.role === 'tone-lower') return [];
    const { designator } = part;
    const watts = perString.get(designator) ?? worst.partWatts[designator] ?? 0;
    switch (part.kind) {
      case 'ldr':
        return [given(designator, worst.ldrWatts, part.rating.watts, worst.ldrWattsLux)];
      case 'bipolar':
      case 'mosfet':
        // What a change fires is as warm in any light.
        return [
          given(
            designator,
            worst.transistorWatts,
            part.model.maxWatts,
            isFiredOn(assembly) ? null : worst.transistorWattsLux,
          ),
        ];
      case 'resistor':
      case 'trimmer': {
        const rating = resistorRatingFor(watts);
        return [
          {
            designator,
            watts,
            ratedWatts: rating.ok ? rating.watts : null,
            isToBuy: true,
            lux: null,
            ok: rating.ok,
          },
        ];
      }
      default:
        return [];
    }
  });
  return [...rows, ...loads.map(({ designator, watts }) => given(designator, watts, null, null))];
}
