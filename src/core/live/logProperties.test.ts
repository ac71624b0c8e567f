import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimate, rateAt } from './decimate';
import { CHUNK_POINTS, LogSeries } from './log';

/** A log of rising times with any gaps, and any resistances. */
const anyLog = fc
  .array(
    fc.record({ gap: fc.integer({ min: 1, max: 5000 }), ohms: fc.double({ min: 1, max: 1e8, noNaN: true }) }),
    {
      minLength: 2,
      maxLength: 400,
    },
  )
  .map((steps) => {
    let time = 0;
    const at = Float64Array.from(steps, ({ gap }) => (time += gap));
    return { at, ohms: Float64Array.from(steps, ({ ohms }) => ohms) };
  });

describe('the picture of any log', () => {
  it('keeps the least, the most, the first and the last, and invents nothing', () => {
    fc.assert(
      fc.property(anyLog, fc.integer({ min: 3, max: 40 }), ({ at, ohms }, columns) => {
        const points = decimate(at, ohms, at[0] ?? 0, at[at.length - 1] ?? 0, columns);
        const real = new Set([...at].map((time, index) => `${time} ${ohms[index]}`));
        for (const { x, y } of points) expect(real.has(`${x} ${y}`)).toBe(true);
        const shown = points.map(({ y }) => y);
        expect(Math.max(...shown)).toBe(Math.max(...ohms));
        expect(Math.min(...shown)).toBe(Math.min(...ohms));
        expect(points[0]?.x).toBe(at[0]);
        expect(points.at(-1)?.x).toBe(at[at.length - 1]);
        expect(points.length).toBeLessThanOrEqual(4 * columns + 8);
      }),
    );
  });

  it('has the rate of the inverse where time is run the other way through the values', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.integer({ min: 5, max: 200 }),
        (percent, count) => {
          const at = Float64Array.from({ length: count }, (_, index) => index * 200);
          const rising = at.map((ms) => 10_000 * Math.exp((percent / 100) * (ms / 60_000)));
          const none = new Uint8Array(count);
          const end = count * 200;
          expect(rateAt(at, rising, none, 0, end)).toBeCloseTo(percent, 6);
          expect(
            rateAt(
              at,
              [...rising]
                .reverse()
                .reduce((all, value, index) => ((all[index] = value), all), new Float64Array(count)),
              none,
              0,
              end,
            ),
          ).toBeCloseTo(-percent, 6);
        },
      ),
    );
  });
});

describe('a log in chunks', () => {
  it('comes back the same from any point that was stored last', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 * CHUNK_POINTS }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (length, share) => {
          const series = new LogSeries();
          for (let i = 0; i < length; i++) series.push(i, i + 1, i % 5 === 0);
          const cut = Math.floor(share * length);
          const early = new LogSeries();
          for (let i = 0; i < cut; i++) early.push(i, i + 1, i % 5 === 0);
          // What was stored up to the cut, overwritten by what a flush from the cut on brings.
          const stored = new Map(early.chunksFrom('l', 0).map((chunk) => [chunk.seq, chunk]));
          for (const chunk of series.chunksFrom('l', cut)) stored.set(chunk.seq, chunk);
          const back = LogSeries.of([...stored.values()]);
          expect(back.length).toBe(length);
          expect(back.at[length - 1]).toBe(length - 1);
          expect([...back.above.subarray(0, 11)]).toEqual([...series.above.subarray(0, 11)]);
        },
      ),
      { numRuns: 40 },
    );
  });
});
