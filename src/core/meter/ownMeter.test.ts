import { describe, expect, it } from 'vitest';
import { ownMeter, type MeterText } from './ownMeter';

const text: MeterText = {
  name: 'Yellow one',
  counts: '4 000',
  ranges: '400 4k 40k 400k 4M 40M:2:5',
  accuracyPercent: '0,8',
  accuracyDigits: '2',
  inputOhms: '10M',
  autoRange: true,
};
const wrongField = (change: Partial<MeterText>) => {
  const read = ownMeter('m', { ...text, ...change });
  return read.ok ? null : read.field;
};

describe('an own meter', () => {
  it('is read from its leaflet, a range with an accuracy of its own too', () => {
    const read = ownMeter('m', text);
    if (!read.ok) throw new Error(read.field);
    expect(read.meter).toMatchObject({ name: 'Yellow one', counts: 4000, inputOhms: 1e7, autoRange: true });
    expect(read.meter.ranges).toHaveLength(6);
    expect(read.meter.ranges[0]).toEqual({ fullOhms: 400, accuracyShare: 0.008, accuracyDigits: 2 });
    expect(read.meter.ranges[5]).toEqual({ fullOhms: 4e7, accuracyShare: 0.02, accuracyDigits: 5 });
  });

  it('is refused at the field that is wrong', () => {
    expect(wrongField({ name: ' ' })).toBe('name');
    expect(wrongField({ counts: '12.5' })).toBe('counts');
    expect(wrongField({ counts: '' })).toBe('counts');
    expect(wrongField({ ranges: '4k 400' })).toBe('ranges');
    expect(wrongField({ ranges: '' })).toBe('ranges');
    expect(wrongField({ ranges: '400 x' })).toBe('ranges');
    expect(wrongField({ ranges: '400:99' })).toBe('ranges');
    expect(wrongField({ accuracyPercent: '-1' })).toBe('accuracyPercent');
    expect(wrongField({ accuracyDigits: 'two' })).toBe('accuracyDigits');
    expect(wrongField({ inputOhms: '0' })).toBe('inputOhms');
    expect(wrongField({})).toBeNull();
  });

  it('takes each figure up to its limits and not beyond, and an empty one for none', () => {
    expect(wrongField({ name: 'x'.repeat(60) })).toBeNull();
    expect(wrongField({ name: 'x'.repeat(61) })).toBe('name');
    const counts = ['199', '200', '10000000', '10000001'].map((typed) => wrongField({ counts: typed }));
    expect(counts).toEqual(['counts', null, null, 'counts']);
    const percents = ['', '0', ' 50 % ', '50.1', '1%1'].map((typed) =>
      wrongField({ accuracyPercent: typed }),
    );
    expect(percents).toEqual(['accuracyPercent', null, null, 'accuracyPercent', 'accuracyPercent']);
    const digits = ['', '-1', '0', '1000', '1001'].map((typed) => wrongField({ accuracyDigits: typed }));
    expect(digits).toEqual(['accuracyDigits', 'accuracyDigits', null, null, 'accuracyDigits']);
  });

  it('has up to sixteen ranges, each larger than the one before, however they are set apart', () => {
    const rising = (count: number) => Array.from({ length: count }, (_, index) => 10 + index).join(' ');
    const typed = [
      rising(16),
      rising(17),
      ' 400;  4k ',
      '400 400',
      '400:0:0',
      '400:-1',
      '400:50:1000',
      '400:51',
    ];
    expect(typed.map((ranges) => wrongField({ ranges }))).toEqual([
      ...[null, 'ranges', null, 'ranges', null, 'ranges', null, 'ranges'],
    ]);
    expect(['400:1:-1', '400:1:1001', '400::2'].map((ranges) => wrongField({ ranges }))).toEqual([
      ...['ranges', 'ranges', 'ranges'],
    ]);
  });
});
