import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellOhms, cellTime } from './cells';
import { guessMapping } from './guess';

const point = { decimal: '.', ohmsFactor: 1 } as const;
const comma = { decimal: ',', ohmsFactor: 1000 } as const;

describe('a cell of ohms', () => {
  it('is a plain figure in the unit of its column', () => {
    expect(cellOhms('4700', point)).toEqual({ ok: true, ohms: 4700, above: false });
    expect(cellOhms(' 4.7e3 ', point)).toMatchObject({ ohms: 4700 });
    expect(cellOhms('4,7', comma)).toMatchObject({ ohms: 4700 });
    expect(cellOhms('1.234,5', comma)).toMatchObject({ ohms: 1_234_500 });
  });

  it('is also as people write it, with its own prefix, and then not in the unit of the column', () => {
    expect(cellOhms('4k7', comma)).toMatchObject({ ohms: 4700 });
    expect(cellOhms('2M2', point)).toMatchObject({ ohms: 2_200_000 });
    expect(cellOhms('470R', point)).toMatchObject({ ohms: 470 });
  });

  it('may be over range', () => {
    expect(cellOhms('OL', point)).toEqual({ ok: true, ohms: 2e7, above: true });
    expect(cellOhms('>2M', point)).toEqual({ ok: true, ohms: 2e6, above: true });
  });

  it('is refused with its reason', () => {
    const reason = (text: string) => {
      const read = cellOhms(text, point);
      return read.ok ? null : read.reason;
    };
    expect(['', 'abc', '0', '-5', '0.2', '5e12', 'NaN', '4k7k'].map(reason)).toEqual([
      'empty',
      'no-number',
      'not-positive',
      'not-positive',
      'out-of-range',
      'out-of-range',
      'no-number',
      'no-number',
    ]);
  });

  it('reads back any figure as it was written, with either decimal sign', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 9e8, noNaN: true }), (value) => {
        const ohms = Number(value.toPrecision(6));
        const text = ohms.toString();
        expect(cellOhms(text, point)).toEqual({ ok: true, ohms, above: false });
        if (text.includes('e')) return;
        expect(cellOhms(text.replace('.', ','), { decimal: ',', ohmsFactor: 1 })).toEqual({
          ok: true,
          ohms,
          above: false,
        });
      }),
    );
  });
});

describe('a cell of time', () => {
  const at = (
    text: string,
    timeUnit: 'seconds' | 'milliseconds' | 'minutes' | 'clock',
    decimal: '.' | ',' = '.',
  ) => cellTime(text, { decimal, timeUnit })?.milliseconds ?? null;

  it('is in the unit of its column', () => {
    expect([at('1.5', 'seconds'), at('1,5', 'minutes', ','), at('250', 'milliseconds')]).toEqual([
      1500, 90_000, 250,
    ]);
    expect([at('', 'seconds'), at('x', 'seconds'), at('12:00', 'seconds')]).toEqual([null, null, null]);
  });

  it('is a time of day, or a date with one, the year or the day first', () => {
    expect(at('01:02:03.5', 'clock')).toBe(3_723_500);
    expect(at('23:59', 'clock')).toBe(86_340_000);
    const local = new Date(2026, 10, 25, 17, 30, 5).getTime();
    for (const text of [
      '2026-11-25 17:30:05',
      '2026-11-25T17:30:05',
      '25.11.2026 17:30:05',
      '25/11/2026 17:30:05',
    ]) {
      expect(at(text, 'clock')).toBe(local);
    }
    expect(at('2026-11-25T17:30:05Z', 'clock')).toBe(Date.UTC(2026, 10, 25, 17, 30, 5));
    expect([at('tomorrow', 'clock'), at('99.99.2026 10:00', 'clock')]).toEqual([null, null]);
  });
});

describe('a guess at the columns', () => {
  const guess = (...rows: string[][]) => guessMapping(rows, ',');
  it('goes by the names of the header', () => {
    expect(guess(['Resistance (MOhm)', 'lux'], ['0.01', '5'])).toMatchObject({
      ohms: 0,
      light: 1,
      ohmsFactor: 1_000_000,
      bare: 'lux',
    });
    expect(guess(['t (ms)', 'R'], ['0', '5'])).toMatchObject({ time: 0, ohms: 1, timeUnit: 'milliseconds' });
    expect(guess(['distance cm', 'kΩ'], ['50', '5'])).toMatchObject({
      light: 0,
      ohms: 1,
      bare: 'distance',
      ohmsFactor: 1000,
    });
    expect(guess(['minute', 'note', 'ohms'], ['1', 'x', '5'])).toMatchObject({
      time: 0,
      ohms: 2,
      timeUnit: 'minutes',
    });
  });

  it('goes by the cells where there is no header', () => {
    expect(guess(['17:00:01', '4700'], ['17:00:02', '4710'])).toMatchObject({
      hasHeader: false,
      time: 0,
      ohms: 1,
      timeUnit: 'clock',
    });
    expect(guess(['1', '50000'], ['10', '12000'])).toMatchObject({
      hasHeader: false,
      ohms: 1,
      light: 0,
      time: 0,
    });
    expect(guessMapping([['1,5', '4,7']], ';')).toMatchObject({ decimal: ',' });
    expect(guessMapping([], ',')).toMatchObject({ ohms: null, light: null, time: null });
  });
});

describe('times as spreadsheets write them', () => {
  const clock = (text: string) => cellTime(text, { decimal: '.', timeUnit: 'clock' });
  it('may be told by halves of the day', () => {
    expect(clock('6:00 PM')).toMatchObject({ milliseconds: 18 * 3_600_000, isClock: true });
    expect(clock('12:05:30 a.m.')).toMatchObject({ milliseconds: (5 * 60 + 30) * 1000 });
    expect(clock('13:00 PM')).toBeNull();
  });
  it('may have the month first, where the day cannot be', () => {
    const evening = Date.parse('2026-11-25T18:00');
    expect(clock('11/25/2026 6:00 PM')?.milliseconds).toBe(evening);
    expect(clock('25.11.2026 18:00')?.milliseconds).toBe(evening);
    expect(clock('2026-11-25 6:00 pm')?.milliseconds).toBe(evening);
  });
});
