import type { Hearing, Trip } from '../../detectors/switching';
import type { LoadSwitching } from '../../operate/assembly';
import type { Net } from '../../parts/base';
import type { Part } from '../../parts/part';

/** A detector's conditions on a net, as they are where its part's pin has come off it. */
export function withTrips(switching: LoadSwitching, part: Part, net: Net, loose: Net): LoadSwitching {
  const to = (each: Net) => (each === net ? loose : each);
  const isIts = ({ plus, minus }: Trip): boolean => {
    if ('units' in part)
      return part.units.some(
        (unit) =>
          (unit.plus === plus && unit.minus === minus) || (unit.plus === minus && unit.minus === plus),
      );
    return part.kind === 'timer' || part.kind === 'controller';
  };
  const change = (trip: Trip): Trip =>
    isIts(trip) ? { ...trip, plus: to(trip.plus), minus: to(trip.minus) } : trip;
  return withEachTrip(switching, change);
}

const withEachTrip = (switching: LoadSwitching, change: (trip: Trip) => Trip): LoadSwitching => ({
  ...switching,
  boundaries: switching.boundaries.map((boundary) => ({
    ...boundary,
    rising: change(boundary.rising),
    falling: change(boundary.falling),
  })),
  ...(switching.hears ? { hears: withHearing(switching.hears, change) } : {}),
});

function withHearing(hears: Hearing, change: (trip: Trip) => Trip): Hearing {
  const { plus, minus } = change({ ...hears.amplifier, share: 1, offsetVolts: 0 });
  return { ...hears, amplifier: { ...hears.amplifier, plus, minus }, trip: change(hears.trip) };
}
