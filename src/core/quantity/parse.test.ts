import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatExact } from './format';
import { parseList } from './parseList';
import { parseQuantity } from './parse';
import type { Unit } from './unit';

const valueOf = (text: string, unit: Unit) => {
  const parsed = parseQuantity(text, unit);
  return parsed.ok ? parsed.value : parsed.reason;
};

describe('parseQuantity', () => {
  it.each([
    ['4700', 4700],
    ['4k7', 4700],
    ['4K7', 4700],
    ['4.7k', 4700],
    ['4,7k', 4700],
    ['4.7 kΩ', 4700],
    ['4.7kohm', 4700],
    ['470R', 470],
    ['4R7', 4.7],
    ['2M2', 2.2e6],
    ['1e3', 1000],
    ['10 000', 10_000],
    [' 0,5 ', 0.5],
    ['.5', 0.5],
    ['+12', 12],
  ])('reads %s as ohms', (text, ohms) => {
    expect(valueOf(text, 'Ω')).toBe(ohms);
  });

  it('reads the units of other fields', () => {
    expect(valueOf('12 lx', 'lx')).toBe(12);
    expect(valueOf('12 LUX', 'lx')).toBe(12);
    expect(valueOf('10m', 'A')).toBe(0.01);
    expect(valueOf('10 mA', 'A')).toBe(0.01);
    expect(valueOf('100n', 'F')).toBe(1e-7);
    expect(valueOf('47u', 'F')).toBe(4.7e-5);
    expect(valueOf('47µF', 'F')).toBe(4.7e-5);
  });

  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'not-a-number'],
    ['--5', 'not-a-number'],
    ['4k7k', 'unknown-suffix'],
    ['4x', 'unknown-suffix'],
    ['4 V', 'wrong-unit'],
    ['4mA', 'wrong-unit'],
    ['4 m A', 'wrong-unit'],
    ['4 xA', 'unknown-suffix'],
    ['4 mx', 'unknown-suffix'],
    ['4 z', 'unknown-suffix'],
    ['0', 'zero'],
    ['0.000', 'zero'],
    ['-3', 'negative'],
    ['−3', 'negative'],
    ['Infinity', 'infinite'],
    ['∞', 'infinite'],
    ['1e999', 'infinite'],
    ['NaN', 'not-a-number'],
    ['1,000', 'ambiguous-comma'],
    ['10,000', 'ambiguous-comma'],
    ['470,125', 'ambiguous-comma'],
    ['OL', 'over-range'],
    ['>2M', 'over-range'],
  ])('refuses %s because it is %s', (text, reason) => {
    expect(valueOf(text, 'Ω')).toBe(reason);
  });

  it('takes what is not above 0 where the limits reach under it', () => {
    const limits = { min: -60, max: 60 };
    expect(parseQuantity('-10.1', 'V', limits)).toEqual({ ok: true, value: -10.1 });
    expect(parseQuantity('−250 mV', 'V', limits)).toEqual({ ok: true, value: -0.25 });
    expect(parseQuantity('0', 'V', limits)).toEqual({ ok: true, value: 0 });
    expect(parseQuantity('-61', 'V', limits)).toMatchObject({ ok: false, reason: 'below-min' });
    expect(parseQuantity('-1', 'V', { min: 0 })).toMatchObject({ ok: false, reason: 'negative' });
    expect(parseQuantity(formatExact(-10.09, 'V'), 'V', limits)).toEqual({ ok: true, value: -10.09 });
  });

  it('does not take R as a decimal point outside ohms', () => {
    expect(valueOf('4R7', 'V')).toBe('wrong-unit');
  });

  it('keeps to the limits and tells them', () => {
    const limits = { min: 1, max: 10 };
    expect(parseQuantity('0.5', 'V', limits)).toMatchObject({
      ok: false,
      reason: 'below-min',
      min: 1,
      max: 10,
    });
    expect(parseQuantity('11', 'V', limits)).toMatchObject({ ok: false, reason: 'above-max' });
    expect(parseQuantity('10', 'V', limits)).toEqual({ ok: true, value: 10 });
    expect(parseQuantity('1', 'V', limits)).toEqual({ ok: true, value: 1 });
  });

  it('reads back exactly what formatExact writes, for every double in reach', () => {
    const value = fc.double({ min: 1e-13, max: 1e13, noNaN: true });
    fc.assert(
      fc.property(value, fc.constantFrom<Unit>('Ω', 'lx', 'V', 'A', 'F'), (number, unit) => {
        expect(parseQuantity(formatExact(number, unit), unit)).toEqual({ ok: true, value: number });
      }),
      { numRuns: 2000 },
    );
  });

  it('never throws and never lets a bad number through, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12, unit: 'grapheme' }), (text) => {
        const parsed = parseQuantity(text, 'Ω');
        if (parsed.ok) expect(parsed.value > 0 && Number.isFinite(parsed.value)).toBe(true);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('parseList', () => {
  it('reads a box of resistors, each once and rising, or says which word is none', () => {
    expect(parseList('4k7  1k;2M2 1000', {}, 10)).toEqual({ ok: true, values: [1000, 4700, 2_200_000] });
    expect(parseList('', {}, 10)).toEqual({ ok: true, values: [] });
    expect(parseList('1k 2 k2', {}, 10)).toEqual({ ok: false, reason: 'not-a-value', text: 'k2' });
    expect(parseList('1k 0', {}, 10)).toEqual({ ok: false, reason: 'not-a-value', text: '0' });
    expect(parseList('1 2 3', {}, 2)).toEqual({ ok: false, reason: 'too-many' });
  });
});
