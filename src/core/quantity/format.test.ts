import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatExact, formatPercentOff, formatQuantity } from './format';
import { parseQuantity } from './parse';

const plain = (text: string) => text.replaceAll('\u00a0', ' ');

describe('formatQuantity', () => {
  it.each([
    [12_345, 'Ω', '12.3 kΩ'],
    [999.6, 'Ω', '1.00 kΩ'],
    [0.0142, 'A', '14.2 mA'],
    [-0.0142, 'A', '−14.2 mA'],
    [4.7e6, 'Ω', '4.70 MΩ'],
    [0, 'V', '0 V'],
    [0.05, 'lx', '0.0500 lx'],
    [2500, 'lx', '2500 lx'],
    [25_000, 'lx', '25.0 klx'],
  ] as const)('writes %f %s as %s', (value, unit, text) => {
    expect(plain(formatQuantity(value, unit))).toBe(text);
  });

  it('drops the zeros of a part that one can buy', () => {
    expect(plain(formatQuantity(15_000, 'Ω', { trim: true }))).toBe('15 kΩ');
    expect(plain(formatQuantity(470, 'Ω', { trim: true }))).toBe('470 Ω');
  });

  it('is within half a unit of the last digit', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1e9, noNaN: true }), (value) => {
        const [figure = '', unit = ''] = plain(formatQuantity(value, 'Ω')).split(' ');
        const prefix = { n: 1e-9, µ: 1e-6, m: 1e-3, k: 1e3, M: 1e6, G: 1e9 }[unit.replace('Ω', '')] ?? 1;
        expect(Math.abs((Number(figure) * prefix) / value - 1)).toBeLessThan(0.0051);
      }),
    );
  });
});

describe('formatExact', () => {
  it('writes nothing as 0', () => {
    expect(formatExact(0, 'V')).toBe('0');
    expect(formatExact(-0, 'A')).toBe('0');
  });

  it('is read back as the same number, under 0 too', () => {
    const limits = { min: -1e9, max: 1e9 };
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
        fc.pre(Math.abs(value) > 1e-9);
        expect(parseQuantity(formatExact(value, 'V'), 'V', limits)).toEqual({ ok: true, value });
      }),
    );
  });

  it('writes what a field shows', () => {
    expect(formatExact(4700, 'Ω')).toBe('4.7 k');
    expect(formatExact(470, 'Ω')).toBe('470');
    expect(formatExact(0.01, 'A')).toBe('10 m');
    expect(formatExact(0.3, 'lx')).toBe('0.3');
    expect(formatExact(6, 'V')).toBe('6');
  });
});

describe('formatQuantity without its last zeros', () => {
  it('keeps those within: 1.05 is not 15, 10.5 not 15, 100 not 1', () => {
    const trimmed = (value: number) => plain(formatQuantity(value, 'V', { digits: 3, trim: true }));
    expect([1.05, 10.5, 100, 1.5, 2].map(trimmed)).toEqual(['1.05 V', '10.5 V', '100 V', '1.5 V', '2 V']);
  });

  it('says the same number with as without them', () => {
    fc.assert(
      fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (power) => {
        const figure = (trim: boolean) => formatQuantity(10 ** power, 'Ω', { digits: 3, trim });
        const valueOf = (text: string) => parseQuantity(text, 'Ω', { min: 1e-12, max: 1e12 });
        expect(valueOf(figure(true))).toEqual(valueOf(figure(false)));
      }),
    );
  });
});

describe('formatPercentOff', () => {
  it('always tells the sign', () => {
    expect(plain(formatPercentOff(0.0312))).toBe('+3.1 %');
    expect(plain(formatPercentOff(-0.004))).toBe('−0.4 %');
    expect(plain(formatPercentOff(0.0001))).toBe('±0 %');
    expect(plain(formatPercentOff(4.2))).toBe('+420 %');
    expect(plain(formatPercentOff(8.99))).toBe('+899 %');
    expect(plain(formatPercentOff(9))).toBe('×10');
    expect(plain(formatPercentOff(10_571.6))).toBe('×11000');
  });
});
