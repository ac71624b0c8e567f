import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { daylightLux, NIGHT_LUX, sunPosition } from './daylight';

describe('daylight', () => {
  it('agrees with the check figures by the sun’s altitude', () => {
    for (const { altitudeDegrees, lux } of checks.solar)
      expect(daylightLux(altitudeDegrees) / lux).toBeCloseTo(1, 4);
  });

  it('passes each light at the time of the check figures, to five seconds', () => {
    const DAY = 86_400_000;
    for (const { latitude, longitude, date, lux, brightensUtc, darkensUtc } of checks.dusk) {
      const at = (time: number) => daylightLux(sunPosition(time, latitude, longitude).altitude);
      // The day is the place's own: its evening may be the next day's morning elsewhere.
      const midnight = Date.parse(`${date}T00:00:00Z`) - (longitude / 360) * DAY;
      for (const [told, way] of [
        [brightensUtc, 1],
        [darkensUtc, -1],
      ] as const) {
        if (told === null) continue;
        const clock = Date.parse(`${date}T${told}Z`);
        const time = [-DAY, 0, DAY].map((shift) => clock + shift).find((one) => one >= midnight) ?? clock;
        expect(at(time - way * 5000)).toBeLessThan(lux);
        expect(at(time + way * 5000)).toBeGreaterThan(lux);
      }
    }
  });

  it('never ends on a polar day', () => {
    const polar = checks.dusk.find(({ brightensUtc }) => brightensUtc === null);
    if (!polar) throw new Error('no polar day among the check figures');
    const noon = Date.parse(`${polar.date}T12:00:00Z`);
    for (let hour = -12; hour <= 12; hour++) {
      const { altitude } = sunPosition(noon + hour * 3_600_000, polar.latitude, polar.longitude);
      expect(daylightLux(altitude)).toBeGreaterThan(polar.lux);
    }
  });

  it('rises with the sun, with no step of more than a twentieth between the table’s rows', () => {
    let before = NIGHT_LUX;
    for (let altitude = -20; altitude <= 90; altitude += 0.05) {
      const here = daylightLux(altitude);
      expect(here).toBeGreaterThan(before * 0.93);
      before = here;
    }
    expect(daylightLux(-40)).toBe(NIGHT_LUX);
  });
});
