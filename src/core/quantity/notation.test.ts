import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { parseDistance, planLadder } from '../light/ladder';
import { lightAsTyped, parseLight } from '../readings/parseLight';
import type { ReadingLight } from '../readings/reading';
import { runs } from '../testRuns';
import { formatExact, formatPercentOff, formatQuantity } from './format';
import {
  decimalMarks,
  distanceUnits,
  fixed,
  inNotation,
  PLAIN_NOTATION,
  plainly,
  precise,
  setNotation,
  shortest,
} from './notation';
import { parseQuantity } from './parse';

const commas = () => setNotation({ decimal: 'comma', distance: 'metric' });
const inches = () => setNotation({ decimal: 'point', distance: 'inches' });
afterEach(() => setNotation(PLAIN_NOTATION));

const plain = (text: string) => text.replaceAll('\u00a0', ' ');

describe('decimals with a comma', () => {
  it('stand in every figure that is written', () => {
    commas();
    expect(plain(formatQuantity(4700, 'Ω'))).toBe('4,70 kΩ');
    expect(plain(formatPercentOff(0.0312))).toBe('+3,1 %');
    expect([fixed(0.7, 2), precise(1.5, 3), shortest(1.5, 3)]).toEqual(['0,70', '1,50', '1,5']);
    expect(inNotation('Vf of 1.9 V. Then 3.')).toBe('Vf of 1,9 V. Then 3.');
  });

  it('are read back as the same number, in either notation', () => {
    const limits = { min: -1e9, max: 1e9 };
    fc.assert(
      fc.property(
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        fc.constantFrom('point' as const, 'comma' as const),
        (value, decimal) => {
          fc.pre(Math.abs(value) > 1e-9);
          setNotation({ decimal, distance: 'metric' });
          expect(parseQuantity(formatExact(value, 'V'), 'V', limits)).toEqual({ ok: true, value });
        },
      ),
      { numRuns: 500 },
    );
  });

  it('make of 1,000 a one, and of 1.000 what could be either', () => {
    expect(parseQuantity('1,000', 'Ω')).toMatchObject({ reason: 'ambiguous-comma' });
    commas();
    expect(parseQuantity('1,000', 'Ω')).toEqual({ ok: true, value: 1 });
    expect(parseQuantity('1.000', 'Ω')).toMatchObject({ reason: 'ambiguous-comma' });
    expect(parseQuantity('4,7k', 'Ω')).toEqual({ ok: true, value: 4700 });
  });
});

describe('distances in inches', () => {
  it('are read with and without their sign, in either unit', () => {
    expect(parseDistance('10 in')).toEqual({ ok: true, metres: 0.254 });
    expect(parseDistance('2ft')).toEqual({ ok: true, metres: 0.6096 });
    expect(parseDistance('50')).toEqual({ ok: true, metres: 0.5 });
    inches();
    expect(parseDistance('10')).toEqual({ ok: true, metres: 0.254 });
    expect(parseDistance('50 cm')).toEqual({ ok: true, metres: 0.5 });
    expect(parseLight('20"', { bare: 'lux', levels: [], previous: null })).toEqual({
      ok: true,
      light: { kind: 'lamp', metres: 0.508, layers: 0 },
    });
  });

  it('are planned on eighths of an inch', () => {
    for (const metres of planLadder(0.254, 8, 0.01, 'inches').metres) {
      const eighths = (metres / 0.0254) * 8;
      expect(Math.abs(eighths - Math.round(eighths))).toBeLessThan(1e-6);
    }
  });
});

describe('a light as it is typed', () => {
  const lights: fc.Arbitrary<ReadingLight> = fc.oneof(
    fc.double({ min: 0.001, max: 1e6, noNaN: true }).map((lux) => ({
      kind: 'lux' as const,
      lux: Number(lux.toPrecision(6)),
    })),
    fc
      .tuple(fc.double({ min: 0.02, max: 50, noNaN: true }), fc.integer({ min: 0, max: 5 }))
      .map(([metres, layers]) => ({ kind: 'lamp' as const, metres: Number(metres.toPrecision(5)), layers })),
    fc.integer({ min: 1, max: 5_000_000 }).map((ohms) => ({ kind: 'ldr' as const, ohms })),
  );
  const notations = fc.record({
    decimal: fc.constantFrom(...decimalMarks),
    distance: fc.constantFrom(...distanceUnits),
  });

  it('is read back as the same light in every notation', () => {
    fc.assert(
      fc.property(lights, notations, (light, notation) => {
        setNotation(notation);
        const read = parseLight(lightAsTyped(light, []), { bare: 'lux', levels: [], previous: null });
        expect(read).toEqual({ ok: true, light });
      }),
      { numRuns: runs(20_000) },
    );
  });

  it('is the plain one in what is plainly written, and the page’s again after it, whatever happens there', () => {
    setNotation({ decimal: 'comma', distance: 'inches' });
    expect(plainly(() => lightAsTyped({ kind: 'lux', lux: 12.5 }, []))).toBe('12.5 lx');
    expect(() =>
      plainly(() => {
        throw new Error('no');
      }),
    ).toThrow('no');
    expect(fixed(1.5, 1)).toBe('1,5');
  });
});
