import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimate, indexAt, rateAt, ratesOver } from './decimate';
import { LineSplitter, parseLine, type LineFormat } from './lineProtocol';
import { CHUNK_POINTS, LogSeries } from './log';
import type { MeterSample } from './sample';
import { SettlingTracker } from './settling';

const sampleAt = (at: number, ohms: number, above = false): MeterSample => ({
  at,
  ohms,
  above,
  rangeOhms: null,
  lux: null,
});
const track = (ohmsAt: (seconds: number) => number, seconds: number, step = 0.2) => {
  const tracker = new SettlingTracker();
  let last = tracker.push(sampleAt(0, ohmsAt(0)));
  for (let t = step; t <= seconds + 1e-9; t += step)
    last = tracker.push(sampleAt(Math.round(t * 1000), ohmsAt(t)));
  return last;
};

describe('the settled mark', () => {
  it('comes after three seconds under half a per cent a second', () => {
    expect(track(() => 1000, 2.8).settled).toBe(false);
    expect(track(() => 1000, 3).settled).toBe(true);
    expect(track((t) => 1000 * Math.exp(0.0049 * t), 5).settled).toBe(true);
    expect(track((t) => 1000 * Math.exp(0.0051 * t), 5)).toMatchObject({ settled: false });
    expect(track((t) => 1000 * Math.exp(-0.02 * t), 5).ratePerSecond).toBeCloseTo(-0.02, 6);
  });

  it('starts anew after an overrange figure and after a gap', () => {
    const tracker = new SettlingTracker();
    for (let t = 0; t <= 4000; t += 200) tracker.push(sampleAt(t, 500));
    expect(tracker.push(sampleAt(4200, 500)).settled).toBe(true);
    expect(tracker.push(sampleAt(4400, 2000, true)).settled).toBe(false);
    expect(tracker.push(sampleAt(4600, 500)).settled).toBe(false);
    for (let t = 4800; t <= 8000; t += 200) tracker.push(sampleAt(t, 500));
    expect(tracker.push(sampleAt(11_000, 500)).settled).toBe(false);
  });
});

describe('a line from the serial port', () => {
  const ohms: LineFormat = { kind: 'ohms' };
  const adc = (ldrSide: 'top' | 'bottom'): LineFormat => ({
    kind: 'adc',
    bits: 10,
    fixedOhms: 10_000,
    ldrSide,
  });
  const read = (line: string, format: LineFormat = ohms) => parseLine(line, format, 50, 1000);

  it('is plain ohms, with its time or without', () => {
    expect(read('12345')).toMatchObject({ ok: true, sample: { at: 50, ohms: 12_345, above: false } });
    expect(read(' 1.2e4\r')).toMatchObject({ sample: { ohms: 12_000 } });
    expect(read('0.5, 4700')).toMatchObject({ sample: { at: 1500, ohms: 4700 } });
    expect(read('>2000000')).toMatchObject({ sample: { ohms: 2e6, above: true } });
    expect(read('OL')).toMatchObject({ sample: { ohms: 2e7, above: true } });
    expect(read('# remark')).toEqual({ ok: true, sample: null });
  });

  it('is an ADC code with the divider’s constants, whichever side the LDR is on', () => {
    expect(read('341', adc('top'))).toMatchObject({ sample: { ohms: 20_000, above: false } });
    expect(read('682', adc('bottom'))).toMatchObject({ sample: { ohms: 20_000 } });
    expect(read('0', adc('top'))).toMatchObject({ sample: { ohms: 20_450_000, above: true } });
    expect(read('1023', adc('top'))).toMatchObject({ ok: false, reason: 'at-rail' });
    expect(read('1024', adc('top'))).toMatchObject({ ok: false, reason: 'beyond-codes' });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1022 }), (code) => {
        const [top, bottom] = [read(String(code), adc('top')), read(String(1023 - code), adc('bottom'))];
        if (!top.ok || !bottom.ok || !top.sample || !bottom.sample) throw new Error('refused');
        expect(top.sample.ohms / bottom.sample.ohms).toBeCloseTo(1, 9);
        // Forth through the divider: the midpoint share is the code's.
        expect(10_000 / (10_000 + top.sample.ohms)).toBeCloseTo(code / 1023, 9);
      }),
    );
  });

  it('is a voltage or a current where it has that unit, whatever the port is set to', () => {
    const figure = (line: string, format: LineFormat = ohms) => {
      const parsed = read(line, format);
      return parsed.ok && 'figure' in parsed ? parsed.figure : null;
    };
    expect(figure('4.998 V')).toEqual({ at: 50, value: 4.998, unit: 'V' });
    expect(figure('0.5, -12 mV DC')).toEqual({ at: 1500, value: -0.012, unit: 'V' });
    expect(figure('12.3mA', adc('top'))?.value).toBeCloseTo(0.0123, 12);
    expect(figure('0 V')?.value).toBe(0);
    expect(figure('120 uA')).toMatchObject({ unit: 'A' });
    for (const no of ['4.998', '4.9.8 V', 'V', '5 kV', '1e9 V', 'OL V']) expect(figure(no)).toBeNull();
    expect(read('5 kV')).toMatchObject({ ok: false, reason: 'not-a-number' });
  });

  it('is refused where it is torn, no number, or impossible', () => {
    expect(read('NaN')).toMatchObject({ reason: 'not-a-number' });
    expect(read('12a4')).toMatchObject({ reason: 'not-a-number' });
    expect(read('-5')).toMatchObject({ reason: 'not-positive' });
    expect(read('1,2,3')).toMatchObject({ reason: 'torn' });
    expect(read('12\u0000\ufffd')).toMatchObject({ reason: 'torn' });
    expect(read('9'.repeat(200))).toMatchObject({ reason: 'torn' });
    expect(read('1e12')).toMatchObject({ reason: 'impossible' });
  });

  it('comes whole however the stream is cut', () => {
    const text = '100\r\n200\n300\r400\n';
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: text.length }), { maxLength: 6 }), (cuts) => {
        const splitter = new LineSplitter();
        const places = [0, ...cuts.sort((one, other) => one - other), text.length];
        const lines = places.slice(1).flatMap((to, index) => splitter.feed(text.slice(places[index], to)));
        expect(lines.filter((line) => line !== '')).toEqual(['100', '200', '300', '400']);
      }),
    );
    expect(new LineSplitter().feed('x'.repeat(1000))).toHaveLength(1);
  });
});

describe('a log in memory', () => {
  it('takes points in order of time alone, and comes back from its chunks', () => {
    const series = new LogSeries();
    for (let i = 0; i < 4500; i++) expect(series.push(i * 10, 1000 + i, i % 7 === 0)).toBe(true);
    expect(series.push(100, 5, false)).toBe(false);
    const chunks = series.chunksFrom('log', 0);
    expect(chunks.map(({ at }) => at.length)).toEqual([CHUNK_POINTS, CHUNK_POINTS, 500]);
    expect(series.chunksFrom('log', 4100).map(({ seq }) => seq)).toEqual([2]);
    const again = LogSeries.of([...chunks].reverse());
    expect([...again.at]).toEqual([...series.at]);
    expect([...again.ohms]).toEqual([...series.ohms]);
    expect([...again.above]).toEqual([...series.above]);
  });
});

describe('the picture of a log', () => {
  const n = 100_000;
  const at = Float64Array.from({ length: n }, (_, index) => index * 100);
  const ohms = Float64Array.from({ length: n }, (_, index) => (index === 54_321 ? 9e6 : 1000));

  it('keeps every spike and few points', () => {
    const points = decimate(at, ohms, 0, at[n - 1] ?? 0, 800);
    expect(points.length).toBeLessThanOrEqual(3300);
    expect(points.some(({ y }) => y === 9e6)).toBe(true);
    expect(points.every(({ x }, index) => index === 0 || x >= (points[index - 1]?.x ?? 0))).toBe(true);
  });

  it('shows all points of a short stretch, and one on each side of it', () => {
    expect(decimate(at, ohms, 1000, 2000, 100).map(({ x }) => x)).toEqual([
      900, 1000, 1100, 1200, 1300, 1400, 1500, 1600, 1700, 1800, 1900, 2000, 2100,
    ]);
    expect(indexAt(at, 1e12)).toBe(n);
  });

  it('tells the rate in % per minute', () => {
    const falling = at.map((ms) => 50_000 * Math.exp((-0.03 * ms) / 60_000));
    const none = new Uint8Array(n);
    expect(rateAt(at, falling, none, 0, 60_000)).toBeCloseTo(-3, 6);
    expect(rateAt(at, falling, none, 0, 250)).toBeCloseTo(-3, 6);
    expect(rateAt(at, falling, none, 0, 150)).toBeNull();
    for (const { y } of ratesOver(at, falling, none, 0, 1e7, 50, 60_000)) expect(y).toBeCloseTo(-3, 6);
    expect(rateAt(at, falling, none.fill(1), 0, 60_000)).toBeNull();
  });
});
