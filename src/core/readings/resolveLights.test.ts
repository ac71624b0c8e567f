import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normals } from '../numeric/random';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { ldrOf, measuredLdr } from './ldrOf';
import { namedLightOf, namedOhmsAt } from './named';
import { fitErrors } from '../ldr/model';
import type { Measurement, Reading, ReadingLight } from './reading';
import { resolveLights } from './resolveLights';
import { lux, measurementOf, readingOf, rung } from './testMeasurement';

const curve: LdrCurve = { r10Ohms: 12_000, gamma: 0.72, darkOhms: null, brightOhms: 0 };
const named = (level: string): ReadingLight => ({ kind: 'level', level });

/** A lamp of so many lux at 1 m in a room with some light, and an LDR that sees layers of paper. */
const scene = { lampLux: 20, roomLux: 0.35, layerShare: 0.45 };
const lightAt = (light: ReadingLight): number => {
  if (light.kind === 'lamp') {
    return (scene.lampLux / light.metres ** 2 + scene.roomLux) * scene.layerShare ** light.layers;
  }
  return light.kind === 'lamp-off' ? scene.roomLux : light.kind === 'lux' ? light.lux : NaN;
};
const readAt = (light: ReadingLight, id: string, noise = 0): Reading =>
  readingOf(id, light, ldrOhmsAt(curve, lightAt(light)) * Math.exp(noise));
const rungs = [0.3, 0.42, 0.6, 0.85, 1.2, 1.7].map((metres, i) => readAt(rung(metres), `rung${i}`));
const off = readAt({ kind: 'lamp-off' }, 'off');

/** Half of the 95 % interval of γ. */
function gammaBand(measurement: Measurement): number {
  const model = ldrOf(measurement);
  if (model.source !== 'measured') throw new Error(model.source);
  return fitErrors(model.fit).gamma;
}

describe('readings in lux', () => {
  it('stay as they are, by themselves or by their level', () => {
    const levels = [
      { id: 'hall', name: 'hall, evening', lux: 60 },
      { id: 'attic', name: 'attic', lux: null },
    ];
    const readings = [
      readingOf('a', lux(5), 20_000),
      readingOf('b', named('hall'), 3500),
      readingOf('c', named('attic'), 9e4),
    ];
    const resolved = resolveLights(measurementOf(readings, { levels, lightTolerance: 0.1 }));
    expect(resolved.scale).toBe('lux');
    expect(resolved.lights).toEqual([5, 60, null]);
  });

  it('with a poor light meter leave more doubt', () => {
    const readings = [2, 9, 40, 170, 700].map((light, i) => readAt(lux(light), `r${i}`));
    const errorOf = (lightTolerance: number) => {
      const { model } = measuredLdr(measurementOf([...readings], { lightTolerance }));
      return model.source === 'measured' ? model.fit : null;
    };
    const observed = errorOf(0.4);
    expect(observed?.curve.gamma).toBeCloseTo(0.72, 2);
  });
});

describe('a distance ladder', () => {
  it('gives γ, and light relative to the lamp at 1 m', () => {
    const measurement = measurementOf([...rungs, off]);
    const { scale, lights, background, lampLux } = resolveLights(measurement);
    expect(scale).toBe('relative');
    expect(lampLux).toBeNull();
    expect(background).toBeCloseTo(scene.roomLux / scene.lampLux, 5);
    expect(lights[0]).toBeCloseTo(1 / 0.09 + scene.roomLux / scene.lampLux, 4);
    expect(Math.abs(ldrOf(measurement).curve.gamma - 0.72)).toBeLessThan(gammaBand(measurement));
  });

  it('is bent by background light that was not read, and straightened by the lamp-off reading', () => {
    const missAt = (measurement: Measurement) =>
      Math.abs(Math.log(ldrOhmsAt(ldrOf(measurement).curve, 0.05) / ldrOhmsAt(curve, 0.05 * scene.lampLux)));
    // Light that is left looks like a dark floor.
    expect(missAt(measurementOf(rungs))).toBeGreaterThan(5 * missAt(measurementOf([...rungs, off])));
  });

  it('in a dark room needs no more than an overrange lamp-off reading', () => {
    const dark = readingOf('off', { kind: 'lamp-off' }, 2e7, { above: true });
    const { background } = measuredLdr(measurementOf([...rungs, dark])).resolved;
    expect(background).toBeGreaterThan(0);
    expect(background).toBeLessThan(0.05 / 1.7 ** 2);
    expect(resolveLights(measurementOf(rungs)).background).toBeNull();
  });

  it('is tied to lux by one lux reading', () => {
    const measurement = measurementOf([...rungs, off, readAt(lux(33), 'lux')]);
    const { scale, lights, lampLux } = resolveLights(measurement);
    expect(scale).toBe('lux');
    expect((lampLux ?? 0) / scene.lampLux).toBeCloseTo(1, 3);
    expect((lights[0] ?? 0) / lightAt(rung(0.3))).toBeCloseTo(1, 3);
    expect(lights.at(-1)).toBe(33);
    const { r10Ohms } = ldrOf(measurement).curve;
    expect(r10Ohms / 12_000).toBeCloseTo(1, 2);
  });

  it('finds any background and any lamp', () => {
    const anyScene = fc.record({
      room: fc.double({ min: 0.001, max: 3, noNaN: true }),
      gamma: fc.double({ min: 0.5, max: 0.95, noNaN: true }),
      lamp: fc.double({ min: 1, max: 500, noNaN: true }),
    });
    fc.assert(
      fc.property(anyScene, ({ room, gamma, lamp }) => {
        const own = { ...curve, gamma };
        const read = (light: ReadingLight, lit: number, id: string) =>
          readingOf(id, light, ldrOhmsAt(own, lit));
        const readings = [0.3, 0.42, 0.6, 0.85, 1.2, 1.7].map((d, i) =>
          read(rung(d), lamp / d ** 2 + room * lamp, `r${i}`),
        );
        const { background } = resolveLights(
          measurementOf([...readings, read({ kind: 'lamp-off' }, room * lamp, 'off')]),
        );
        expect((background ?? 0) / room).toBeGreaterThan(0.9);
        expect((background ?? 0) / room).toBeLessThan(1.1);
      }),
      { numRuns: 60 },
    );
  });
});

describe('layers', () => {
  const stack = [0, 1, 2, 3, 4].map((layers) => readAt(rung(0.3, layers), `layer${layers}`));

  it('are tied down by rungs at other distances', () => {
    const measurement = measurementOf([...stack, ...rungs.slice(1), off]);
    const { layerShare, assumesGamma } = resolveLights(measurement);
    expect(layerShare).toBeCloseTo(scene.layerShare, 3);
    expect(assumesGamma).toBe(false);
    expect(Math.abs(ldrOf(measurement).curve.gamma - 0.72)).toBeLessThan(gammaBand(measurement));
  });

  it('alone tell only γ·ln k: γ is assumed, said to be, and as unsure as LDRs are', () => {
    const measurement = measurementOf(stack);
    const resolved = resolveLights(measurement);
    expect(resolved.assumesGamma).toBe(true);
    expect(resolved.layerShare).toBeCloseTo(scene.layerShare ** (0.72 / 0.7), 2);
    const model = ldrOf(measurement);
    if (model.source !== 'measured') throw new Error(model.source);
    expect(model.fit.gammaStdError).toBeGreaterThan(0.14);
  });
});

describe('readings by name only', () => {
  it('are told in ohms, exactly', () => {
    const readings = [readingOf('a', named('dark'), 240_000), readingOf('b', named('hall'), 8200)];
    const { scale, lights } = resolveLights(measurementOf(readings));
    expect(scale).toBe('ohms');
    expect(lights.map((light) => namedOhmsAt(light ?? NaN))).toEqual([
      expect.closeTo(240_000, 6),
      expect.closeTo(8200, 6),
    ]);
    expect(ldrOf(measurementOf(readings)).source).toBe('named');
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1e9, noNaN: true }), (ohms) => {
        expect(namedOhmsAt(namedLightOf(ohms)) / ohms).toBeCloseTo(1, 9);
      }),
    );
  });

  it('come onto lux as soon as two of them have some', () => {
    const readings = [
      readingOf('a', named('dark'), 240_000),
      readingOf('b', named('hall'), 8200),
      readingOf('c', named('desk'), 1500),
    ];
    const level = (id: string, value: number | null) => ({ id, name: id, lux: value });
    const one = measurementOf(readings, {
      levels: [level('dark', null), level('hall', 40), level('desk', null)],
    });
    expect(resolveLights(one).scale).toBe('ohms');
    const two = { ...one, levels: [level('dark', null), level('hall', 40), level('desk', 400)] };
    expect(resolveLights(two)).toMatchObject({ scale: 'lux', lights: [null, 40, 400] });
  });
});

describe('a measured curve on lux with the light meter’s tolerance', () => {
  it('weighs a level by name less than a reading in lux', () => {
    const noise = normals(4);
    const exact = [2, 9, 40, 170].map((light, i) => readAt(lux(light), `r${i}`, 0.01 * noise()));
    const levels = [{ id: 'l', name: 'l', lux: 700 }];
    const wrong = readingOf('l', named('l'), ldrOhmsAt(curve, 700) * 1.09);
    const without = ldrOf(measurementOf(exact)).curve.gamma;
    const byName = ldrOf(measurementOf([...exact, wrong], { levels })).curve.gamma;
    const byLux = ldrOf(measurementOf([...exact, { ...wrong, light: lux(700) }])).curve.gamma;
    expect(Math.abs(byName - without)).toBeLessThan(Math.abs(byLux - without) / 2);
  });
});
