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
});
