import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { ldrOhmsAt } from '../ldr/curve';
import { followed, Follower } from './follow';

const lag = { tailShare: 0, tailSeconds: 1 };

describe('an LDR that follows the light', () => {
  it('agrees with the check figures after a step, in one step of time or in many', () => {
    for (const row of checks.lag) {
      const { r10: r10Ohms, gamma, dark: darkOhms, bright: brightOhms, fromLux, toLux } = row;
      const { riseSeconds, fallSeconds } = row;
      const curve = { r10Ohms, gamma, darkOhms, brightOhms };
      const target = 1 / ldrOhmsAt(curve, toLux);
      for (const parts of [1, 7, 100]) {
        let before = 0;
        const follower = new Follower({ riseSeconds, fallSeconds, ...lag }, 1 / ldrOhmsAt(curve, fromLux));
        for (const { seconds, ohms } of row.rows) {
          const step = (seconds - before) / parts;
          for (let index = 0; index < parts; index++) follower.advance(step, target, target, step);
          expect(1 / follower.siemens / ohms).toBeCloseTo(1, 4);
          before = seconds;
        }
      }
    }
  });

  it('comes to the same in one step as in two, while the light goes up or down evenly', () => {
    const any = fc.double({ min: 0.01, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.tuple(any, any, any),
        fc.tuple(any, any, any),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        ([from, start, end], [whole, rise, fall], share) => {
          const once = followed(from, start, end, whole, whole, rise, fall);
          const at = share * whole;
          const half = followed(from, start, end, whole, at, rise, fall);
          const middle = start + share * (end - start);
          const twice = followed(half, middle, end, whole - at, whole - at, rise, fall);
          expect(twice / once).toBeCloseTo(1, 7);
        },
      ),
      { numRuns: 2000, seed: 5 },
    );
  });

  it('lags a long even ramp by the slope times its time constant', () => {
    const there = followed(1, 1, 101, 100, 100, 0.5, 2);
    expect(there).toBeCloseTo(101 - 0.5, 6);
    expect(followed(101, 101, 1, 100, 100, 0.5, 2)).toBeCloseTo(1 + 2, 6);
  });
});
