import { describe, expect, it } from 'vitest';
import { computeCsv } from './compute';
import type { CsvInput, CsvMapping, CsvOutput } from './csv';
import { passedOff } from '@/core/testRecord';

const file = (text: string) => new Blob([text]);
const quiet = () => undefined;
type Kind = CsvInput['kind'];
async function run<K extends Kind>(input: Extract<CsvInput, { kind: K }>) {
  return passedOff<Extract<CsvOutput, { kind: K }>>(await computeCsv(passedOff<CsvInput>(input), quiet));
}
const preview = (text: string) => run<'preview'>({ kind: 'preview', file: file(text) });
const log = async (text: string, change: Partial<CsvMapping> = {}) => {
  const { mapping } = await preview(text);
  return run<'log'>({
    kind: 'log',
    file: file(text),
    mapping: { ...mapping, ...change },
    max: 1000,
    startAt: 5000,
  });
};
const readings = async (text: string, change: Partial<CsvMapping> = {}) => {
  const { mapping } = await preview(text);
  return run<'readings'>({
    kind: 'readings',
    file: file(text),
    mapping: { ...mapping, ...change },
    max: 3,
    known: ['Hall'],
    maxLevels: 1,
  });
};

describe('a CSV file', () => {
  it('is understood by its header, its delimiter and its decimal sign', async () => {
    const { mapping, rows } = await preview('Zeit (s);Widerstand (kOhm)\n0,5;12,4\n1,0;12,5\n');
    expect(mapping).toMatchObject({
      delimiter: ';',
      hasHeader: true,
      decimal: ',',
      time: 0,
      ohms: 1,
      ohmsFactor: 1000,
      timeUnit: 'seconds',
    });
    expect(rows[1]).toEqual(['0,5', '12,4']);
    expect((await preview('lux,ohms\n1,50000\n')).mapping).toMatchObject({ light: 0, ohms: 1, time: null });
    expect((await preview('2026-11-25 17:00:00\t4700\n')).mapping).toMatchObject({
      delimiter: '\t',
      hasHeader: false,
      time: 0,
      ohms: 1,
      timeUnit: 'clock',
    });
  });

  it('loses its byte order mark, whichever encoding it is in', async () => {
    const bytes = new Uint8Array([0xef, 0xbb, 0xbf, ...new TextEncoder().encode('time,ohms\n1,2\n')]);
    expect((await run<'preview'>({ kind: 'preview', file: new Blob([bytes]) })).rows[0]).toEqual([
      'time',
      'ohms',
    ]);
    const wide = Uint8Array.from(
      [...'\ufefftime,ohms\n1,2\n'].flatMap((letter) => [
        letter.charCodeAt(0) & 255,
        letter.charCodeAt(0) >> 8,
      ]),
    );
    expect((await run<'preview'>({ kind: 'preview', file: new Blob([wide]) })).rows[0]).toEqual([
      'time',
      'ohms',
    ]);
    const latin = Uint8Array.from([0x5a, 0xe4, 0x68, 0x6c, 0x2c, 0x6f, 0x68, 0x6d, 0x0a]);
    expect((await run<'preview'>({ kind: 'preview', file: new Blob([latin]) })).rows[0]?.[0]).toBe('Zähl');
  });
});

describe('a log from a CSV file', () => {
  it('takes times and ohms, and tells each row that it leaves out with its line', async () => {
    const taken = await log('time,ohms\n0,1000\n1,1k2\n1,1300\n2,OL\n\n3,nan\n4,-5\n5,>2M\nx,5\n');
    expect([...taken.at]).toEqual([5000, 6000, 7000, 10_000]);
    expect([...taken.ohms]).toEqual([1000, 1200, 2e7, 2e6]);
    expect([...taken.above]).toEqual([0, 0, 1, 1]);
    expect(taken.errors.map(({ line, problem }) => [line, problem.code])).toEqual([
      [4, 'not-later'],
      [7, 'no-number'],
      [8, 'not-positive'],
      [10, 'no-time'],
    ]);
    expect(taken.errorCount).toBe(4);
  });

  it('reads dates with the year or the day first, and times of day past midnight', async () => {
    const dated = await log('when time;ohms\n25.11.2026 17:00:00;100\n25.11.2026 17:00:02,5;101\n');
    expect((dated.at[1] ?? 0) - (dated.at[0] ?? 0)).toBeCloseTo(2500, 6);
    const night = await log('time;ohms\n23:59:59;100\n00:00:01;101\n', { timeUnit: 'clock' });
    expect((night.at[1] ?? 0) - (night.at[0] ?? 0)).toBe(2000);
  });

  it('with a wrong delimiter yields errors, not wrong figures', async () => {
    const taken = await log('0;1000\n1;1001\n', { delimiter: ',', ohms: 1, time: 0 });
    expect(taken.at).toHaveLength(0);
    expect(taken.errorCount).toBe(2);
  });

  it('holds as many points as fit, says how many it has cut, and tells how far it is', async () => {
    const rows = Array.from({ length: 50_000 }, (_, index) => `${index},${1000 + index}`).join('\n');
    const { mapping } = await preview(rows);
    const shares: number[] = [];
    const taken = await computeCsv(
      { kind: 'log', file: file(rows), mapping, max: 30_000, startAt: 0 },
      (share) => shares.push(share),
    );
    expect(taken).toMatchObject({ cut: 20_000, rows: 50_000, errorCount: 0 });
    expect(shares.length).toBeGreaterThan(1);
    expect([...shares].sort((one, other) => one - other)).toEqual(shares);
  });
});

describe('readings from a CSV file', () => {
  it('take lux, names and distances, and refuse a light of zero', async () => {
    const taken = await readings('light;ohms\n0,5;90000\nhall;12000\n0;5\n');
    expect(taken.readings).toEqual([
      { light: { ok: true, light: { kind: 'lux', lux: 0.5 } }, ohms: 90_000, above: false, rest: {} },
      { light: { ok: true, newLevel: 'hall' }, ohms: 12_000, above: false, rest: {} },
    ]);
    expect(taken.errors).toMatchObject([{ line: 4, problem: { code: 'light', refusal: { reason: 'lux' } } }]);
    const ladder = await readings('distance cm,ohms\n50,1000\n70.5,1500\n');
    expect(ladder.readings[1]?.light).toEqual({
      ok: true,
      light: { kind: 'lamp', metres: 0.705, layers: 0 },
    });
  });

  it('stop at the most that a project holds', async () => {
    expect(await readings('lux,ohms\n1,1\n2,2\n3,3\n4,4\n5,5\n')).toMatchObject({ cut: 2 });
  });
});

describe('a log as CSV', () => {
  const points = {
    at: Float64Array.of(0, 1500),
    ohms: Float64Array.of(1000, 2e6),
    above: Uint8Array.of(0, 1),
  };
  it('has one row a point, marks beside them, and no cell that could be a formula', async () => {
    const marks = [
      { id: 'm', at: 700, text: '=HYPERLINK("x")' },
      { id: 'n', at: 9000, text: '@late' },
    ];
    const { text } = await run<'write-log'>({ kind: 'write-log', ...points, marks });
    expect(text.split('\r\n')).toEqual([
      'time,seconds,ohms,over range,mark',
      '1970-01-01T00:00:00.000Z,0,1000,,',
      `1970-01-01T00:00:01.500Z,1.5,2000000,above,"'=HYPERLINK(""x"")"`,
      `1970-01-01T00:00:09.000Z,9,,,"'@late"`,
    ]);
  });
});

describe('what a project cannot hold', () => {
  it('is left out line by line: named lights beyond the most, and no name counted twice', async () => {
    const { readings: taken, errors } = await readings(
      'light,ohms\nhall,1000\nporch,2000\nshed,3000\nPorch,4000\n',
    );
    expect(taken.map(({ ohms }) => ohms)).toEqual([1000, 2000, 4000]);
    expect(errors).toMatchObject([{ line: 4, problem: { code: 'levels' } }]);
  });

  it('is not taken as a time: nanoseconds since 1970 are read as such, and nothing lies beyond the year 2100', async () => {
    const rows = 'time,ohms\n1700000000000000000,1000\n1700000000200000000,2000\n';
    const wrong = await log(rows, { timeUnit: 'milliseconds' });
    expect(wrong.errors).toMatchObject([
      { problem: { code: 'far-time' } },
      { problem: { code: 'far-time' } },
    ]);
    const right = await log(rows, { timeUnit: 'nanoseconds' });
    expect([...right.at]).toEqual([1_700_000_000_000, 1_700_000_000_200]);
  });
});
