import { getPosition } from 'suncalc';

/** Where the sun stands, in degrees: its true altitude, and its azimuth from north over east. */
export interface SunPosition {
  readonly altitude: number;
  readonly azimuth: number;
}

const DEGREE = Math.PI / 180;

/**
 * Where the sun stands. The library tells the altitude as it seems, lifted by the air; light goes by the true one, so that is
 * taken back (Sæmundsson's formula, as the library uses it; under the horizon it lifts by a constant).
 * @param time in ms since 1970, UTC
 * @param latitude in degrees, north positive; −90…90
 * @param longitude in degrees, east positive; −180…180
 */
export function sunPosition(time: number, latitude: number, longitude: number): SunPosition {
  const { altitude: seeming, azimuth } = getPosition(new Date(time), latitude, longitude);
  let altitude = seeming;
  for (let pass = 0; pass < 4; pass++) altitude = seeming - refraction(altitude);
  return { altitude, azimuth };
}

/** How far the air lifts the sun, in degrees. @param altitude true, in degrees */
function refraction(altitude: number): number {
  const h = Math.max(0, altitude) * DEGREE;
  return 0.0002967 / Math.tan(h + 0.00312536 / (h + 0.08901179)) / DEGREE;
}

/** `log10 E = a + bx + cx² + dx³`, x = h/90: from each altitude up (Janiczek and DeYoung 1987). */
const TABLE = [
  { from: 20, of: [3.74, 3.97, -4.07, 1.47] },
  { from: 5, of: [3.05, 13.28, -45.98, 64.33] },
  { from: -0.8, of: [2.88, 22.26, -207.64, 1034.3] },
  { from: -5, of: [2.88, 21.81, -258.11, -858.36] },
  { from: -12, of: [2.7, 12.17, -431.69, -1899.83] },
  { from: -18, of: [13.84, 262.72, 1447.42, 2797.93] },
] as const;

/** A night without moon, in lx. */
export const NIGHT_LUX = 0.0006;

/**
 * Light of a clear sky on the level ground, in lx.
 * @param altitude of the sun, in degrees; −90…90
 * @example daylightLux(-3.187) // 66.396
 */
export function daylightLux(altitude: number): number {
  const row = TABLE.find(({ from }) => altitude >= from);
  if (!row) return NIGHT_LUX;
  const x = altitude / 90;
  const [a, b, c, d] = row.of;
  return Math.max(NIGHT_LUX, 10 ** (a + x * (b + x * (c + x * d))));
}
