import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { POSSIBLE_LIGHT } from '../light/range';
import { measuredLdr } from './ldrOf';
import { lightsAtHand } from './lightsAtHand';
import { luxOf, sameLight, type Measurement, type ReadingLight } from './reading';
import { lux, measurementOf, readCurve, readingOf, rung } from './testMeasurement';

const curve: LdrCurve = { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 };
const atHand = (measurement: Measurement, goalLux: number) =>
  lightsAtHand(measurement, measuredLdr(measurement), goalLux);
const luxes = (measurement: Measurement, goalLux: number) =>
  atHand(measurement, goalLux).map((each) => each.lux);
const read = readCurve(curve, [20, 60, 200, 800], (index) => [0.01, -0.02, 0.02, -0.01][index]!);

describe('lights that someone can make', () => {
  it('reach a little beyond what was read and the goal with a light meter, four or more to each doubling', () => {
    const found = luxes(read, 100);
    expect(Math.min(...found)).toBeGreaterThanOrEqual(20 / 1.5);
    expect(Math.min(...found)).toBeLessThan(17);
    expect(Math.max(...found)).toBeLessThanOrEqual(800 * 1.5);
    expect(Math.max(...found)).toBeGreaterThan(1100);
    found.forEach((one, index) => {
      if (index > 0) expect(one / found[index - 1]!).toBeLessThan(1.25);
    });
    // Figures that can be said.
    expect(found.every((one) => Number(one.toPrecision(2)) === one)).toBe(true);
    expect(atHand(read, 100).every(({ light, lux: its }) => light.kind === 'lux' && light.lux === its)).toBe(
      true,
    );
  });

  it('lie about the goal alone where that is outside of what was read', () => {
    for (const goal of [3, 5000]) {
      const found = luxes(read, goal);
      expect(found.length).toBeGreaterThan(2);
      expect(Math.min(...found)).toBeGreaterThanOrEqual(goal / 1.5);
      expect(Math.max(...found)).toBeLessThanOrEqual(goal * 1.5);
    }
    // Within it they are not.
    expect(Math.max(...luxes(read, 25))).toBeGreaterThan(900);
  });

  it('are there for an LDR that nobody has read, and never beyond what light can be', () => {
    expect(luxes(measurementOf([]), 20).length).toBeGreaterThan(2);
    const dark = readCurve(curve, [0.02, 1, 50], () => 0);
    for (const each of luxes(dark, 0.02)) expect(each).toBeGreaterThanOrEqual(POSSIBLE_LIGHT.minLux);
    const bright = readCurve(curve, [100, 5000, 90_000], () => 0);
    for (const each of luxes(bright, 90_000)) expect(each).toBeLessThanOrEqual(POSSIBLE_LIGHT.maxLux);
  });

  it('are levels that have lux besides, and those alone where no light meter was used', () => {
    const levels = [
      { id: 'hall', name: 'hall', lux: 60 },
      { id: 'attic', name: 'attic', lux: null },
      { id: 'porch', name: 'porch', lux: 90 },
    ];
    const byLevel = measurementOf(
      ['hall', 'porch'].map((level, index) =>
        readingOf(level, { kind: 'level', level }, ldrOhmsAt(curve, [60, 90][index]!)),
      ),
      { levels },
    );
    expect(atHand(byLevel, 70)).toEqual([
      { light: { kind: 'level', level: 'hall' }, lux: 60 },
      { light: { kind: 'level', level: 'porch' }, lux: 90 },
    ]);
    const both = atHand({ ...read, levels }, 100);
    expect(both.filter(({ light }) => light.kind === 'level').map((each) => each.lux)).toEqual([60, 90]);
    expect(both.some(({ light }) => light.kind === 'lux')).toBe(true);
    // A reading that is set aside was not taken with anything.
    const aside = {
      ...byLevel,
      readings: [...byLevel.readings, readingOf('aside', lux(5), 20_000, { setAside: true })],
    };
    expect(atHand(aside, 70).every(({ light }) => light.kind === 'level')).toBe(true);
  });

  it('are the lamp at distances that can be set, no nearer than ten of its size, as long as it outshines what is left', () => {
    const metres = [0.3, 0.5, 0.8, 1.2];
    const ladder = (background: number) =>
      measurementOf([
        ...metres.map((each) =>
          readingOf(`m${each}`, rung(each), ldrOhmsAt(curve, 20 * (1 / each ** 2 + background))),
        ),
        readingOf('off', { kind: 'lamp-off' }, ldrOhmsAt(curve, 20 * background)),
        readingOf('tied', lux(20 * (1 + background)), ldrOhmsAt(curve, 20 * (1 + background))),
      ]);
    const measurement = { ...ladder(0.05), lampMetres: 0.02 };
    const found = atHand(measurement, 60);
    const set = found.flatMap(({ light }) => (light.kind === 'lamp' ? [light] : []));
    expect(set.length).toBe(found.length);
    expect(set.length).toBeGreaterThan(6);
    for (const { metres: each, layers } of set) {
      expect(layers).toBe(0);
      expect(each).toBeGreaterThanOrEqual(0.2);
      expect(each).toBeLessThanOrEqual(3);
      // By half centimetres.
      expect(each * 200).toBeCloseTo(Math.round(each * 200), 9);
    }
    // Nearer is brighter, by the square of it and what is left.
    const [one, other] = [found[0]!, found.at(-1)!];
    const distance = ({ light }: typeof one) => (light.kind === 'lamp' ? light.metres : NaN);
    expect(one.lux / other.lux).toBeCloseTo(
      (1 / distance(one) ** 2 + 0.05) / (1 / distance(other) ** 2 + 0.05),
      0,
    );
    // With much light left the far ones are none.
    const lit = atHand({ ...ladder(4), lampMetres: 0.02 }, 120);
    const farthest = (lights: typeof found) => Math.max(...lights.map(distance));
    expect(farthest(lit)).toBeLessThan(1.2);
    expect(farthest(lit)).toBeGreaterThan(0.6);
  });

  it('are none where lights are only resistances', () => {
    const named = measurementOf([readingOf('a', { kind: 'level', level: 'gone' }, 4000)]);
    expect(atHand(named, 50)).toEqual([]);
  });
});

const anyLight: fc.Arbitrary<ReadingLight> = fc.oneof(
  fc.constantFrom(1, 2).map((value) => lux(value)),
  fc.constantFrom(1, 2).map((ohms) => ({ kind: 'ldr' as const, ohms })),
  fc.constantFrom('1', '2').map((level) => ({ kind: 'level' as const, level })),
  fc.record({ metres: fc.constantFrom(1, 2), layers: fc.constantFrom(0, 1) }).map(({ metres, layers }) => rung(metres, layers)),
  fc.constant({ kind: 'lamp-off' as const }),
); // prettier-ignore

describe('the light of a reading', () => {
  it('is the same as another just where nothing of the two differs', () => {
    fc.assert(
      fc.property(anyLight, anyLight, (one, other) => {
        expect(sameLight(one, other)).toBe(JSON.stringify(one) === JSON.stringify(other));
      }),
      { numRuns: 600 },
    );
  });

  it('has lux by itself, by its level, or by the LDR that measures it', () => {
    const levels = [
      { id: 'hall', name: 'hall', lux: 60 },
      { id: 'attic', name: 'attic', lux: null },
    ];
    const lightLdr = { name: 'First', curve, pivotLux: 30, pivotStd: 0.1, tiltStd: 0.05 };
    const of = (light: ReadingLight, meter: typeof lightLdr | null = null) =>
      luxOf({ light }, { levels, lightLdr: meter });
    expect(of(lux(7))).toBe(7);
    expect([of({ kind: 'level', level: 'hall' }), of({ kind: 'level', level: 'attic' })]).toEqual([60, null]);
    expect([of({ kind: 'level', level: 'gone' }), of(rung(1)), of({ kind: 'lamp-off' })]).toEqual([
      null,
      null,
      null,
    ]);
    expect(of({ kind: 'ldr', ohms: ldrOhmsAt(curve, 44) }, lightLdr)).toBeCloseTo(44, 9);
    expect(of({ kind: 'ldr', ohms: 5000 })).toBeNull();
  });
});
