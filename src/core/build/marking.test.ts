import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seriesValues } from '../series/series';
import { bandColors, bandsOf, capacitorCode, type BandColor } from './marking';

/** A value as someone reads it off the bands. */
function read(bands: readonly BandColor[]): number {
  const digits = bands.slice(0, -2).map((color) => bandColors.indexOf(color));
  const multiplier = bands.at(-2)!;
  const power = multiplier === 'gold' ? -1 : multiplier === 'silver' ? -2 : bandColors.indexOf(multiplier);
  return Number(digits.join('')) * 10 ** power;
}

describe('what is marked on a part', () => {
  it('are bands that read back as the value, for every value of every series', () => {
    for (const [series, tolerance] of [
      ['E6', 0.1],
      ['E12', 0.05],
      ['E24', 0.05],
      ['E96', 0.01],
    ] as const)
      for (const digit of seriesValues[series])
        for (let power = 0; power <= 6; power++) {
          const ohms = Number(`${digit}e${power}`);
          const bands = bandsOf(ohms, tolerance)!;
          expect(bands).toHaveLength(tolerance < 0.05 ? 5 : 4);
          expect(read(bands) / ohms).toBeCloseTo(1, 9);
        }
  });

  it('are as the standard has them', () => {
    expect(bandsOf(4700, 0.05)).toEqual(['yellow', 'violet', 'red', 'gold']);
    expect(bandsOf(4.7, 0.05)).toEqual(['yellow', 'violet', 'gold', 'gold']);
    expect(bandsOf(100, 0.01)).toEqual(['brown', 'black', 'black', 'black', 'brown']);
    expect(bandsOf(1_000_000, 0.1)).toEqual(['brown', 'black', 'green', 'silver']);
    expect(bandsOf(1.2345, 0.05)).toBeNull();
    expect(capacitorCode(1e-7)).toBe('104');
    expect(capacitorCode(2.2e-9)).toBe('222');
    expect(capacitorCode(4.7e-11)).toBe('470');
    expect(capacitorCode(1.234e-9)).toBeNull();
  });

  it('are codes that read back as the capacitance', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 99 }), fc.integer({ min: 0, max: 6 }), (digits, power) => {
        const code = capacitorCode(digits * 10 ** power * 1e-12)!;
        expect(Number(code.slice(0, 2)) * 10 ** Number(code.slice(2))).toBe(digits * 10 ** power);
      }),
    );
  });
});
