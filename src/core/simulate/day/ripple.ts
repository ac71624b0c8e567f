import type { RoomLamp } from './daySettings';
import type { Ripple } from './dayLight';
import { lampHours } from './disturbances';

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
