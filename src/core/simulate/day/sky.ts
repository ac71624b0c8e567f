import { daylightLux, sunPosition } from '../../light/daylight';
import { midnightOf, type DaySettings } from './daySettings';

const DEGREE = Math.PI / 180;

/** Share of a clear sky's light that does not come from the sun itself: 0.2 with the sun high, all of it at the horizon. */
export function diffuseShare(altitude: number): number {
  return altitude <= 0 ? 1 : 0.2 + 0.8 * Math.exp(-altitude / 8);
}
/** The sun straight on gives no more than this, in lx. */
const MAX_SUN_LUX = 100_000;
/** A window sees half of the sky, and its glass takes a fifth. */
const WINDOW_SKY = 0.5;
const GLASS = 0.8;

/** Light at the spot in clear weather: what comes straight from the sun, and the rest, in lx. */
export interface ClearLight {
  readonly sun: number;
  readonly sky: number;
  /** What an overcast sky of the same sum would give. */
  readonly overcast: number;
}

/** Clear light at a moment of a day. @param seconds after midnight */
export function clearLight(day: DaySettings, seconds: number): ClearLight {
  const { latitude, longitude, spot, facing, shade } = day;
  const { altitude, azimuth } = sunPosition(midnightOf(day) + seconds * 1000, latitude, longitude);
  const whole = daylightLux(altitude);
  const diffuse = whole * diffuseShare(altitude);
  const left = 1 - shade;
  if (spot === 'outdoors')
    return { sun: (whole - diffuse) * left, sky: diffuse * left, overcast: whole * left };
  // What falls on level ground falls on a wall by the sun's angle to it.
  const onWall = Math.cos(altitude * DEGREE) * Math.cos((azimuth - facing) * DEGREE);
  const straight = Math.min(MAX_SUN_LUX, (whole - diffuse) / Math.max(Math.sin(altitude * DEGREE), 0.02));
  return {
    sun: altitude > 0 ? Math.max(0, onWall) * straight * GLASS * left : 0,
    sky: diffuse * WINDOW_SKY * GLASS * left,
    overcast: whole * WINDOW_SKY * GLASS * left,
  };
}

/** From one place of the sun to the next that is asked for, in s: between them light goes evenly in its logarithm. */
const SUN_SECONDS = 60;
const DAY_SECONDS = 86_400;
/** No light is less, in lx. */
const MIN_LUX = 1e-5;

/** Clear light of a whole day, quick to ask. */
export class ClearDay {
  /** Shape: places of the sun. */
  private readonly sun: Float64Array;
  private readonly lnSky: Float64Array;
  private readonly lnOvercast: Float64Array;

  constructor(day: DaySettings) {
    const count = DAY_SECONDS / SUN_SECONDS + 1;
    this.sun = new Float64Array(count);
    this.lnSky = new Float64Array(count);
    this.lnOvercast = new Float64Array(count);
    for (let index = 0; index < count; index++) {
      const { sun, sky, overcast } = clearLight(day, index * SUN_SECONDS);
      this.sun[index] = sun;
      this.lnSky[index] = Math.log(Math.max(sky, MIN_LUX));
      this.lnOvercast[index] = Math.log(Math.max(overcast, MIN_LUX));
    }
  }

  sunAt(seconds: number): number {
    return between(this.sun, seconds);
  }

  overcastAt(seconds: number): number {
    return Math.exp(between(this.lnOvercast, seconds));
  }

  skyAt(seconds: number): number {
    return Math.exp(between(this.lnSky, seconds));
  }
}

function between(column: Float64Array, seconds: number): number {
  const place = Math.min(column.length - 1.000001, Math.max(0, seconds / SUN_SECONDS));
  const left = Math.floor(place);
  const low = column[left] ?? 0;
  return low + (place - left) * ((column[left + 1] ?? low) - low);
}
