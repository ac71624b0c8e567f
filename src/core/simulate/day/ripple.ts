import type { RoomLamp } from './daySettings';
import { lampHours } from './disturbances';

/** A ripple on the light for a time. */
export interface Ripple {
  readonly from: number;
  readonly to: number;
  /** Light that ripples, in lx, and by how much peak to peak. */
  readonly lux: number;
  readonly share: number;
  readonly hertz: number;
}

/** When lamps ripple in a stretch of time: at twice the mains' frequency. */
export function mainsRippleOf(
  lamps: readonly RoomLamp[],
  mainsHertz: '50' | '60',
  { from, to }: { readonly from: number; readonly to: number },
): readonly Ripple[] {
  return lamps
    .filter(({ rippleShare }) => rippleShare > 0)
    .flatMap((lamp) =>
      lampHours(lamp)
        .filter((hours) => hours.to > from && hours.from < to)
        .map((hours) => ({
          ...{ from: hours.from, to: hours.to, lux: lamp.lux, share: lamp.rippleShare },
          hertz: 2 * Number(mainsHertz),
        })),
    );
}
