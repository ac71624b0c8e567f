import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from './curve';
import { dynamicsOf, lagSecondsOf, ohmsOfState, settledLdr, stepLdr, DEFAULT_DYNAMICS } from './dynamics';
import { TYPICAL_LDR } from './typical';

const ohmsAfter = (fromLux: number, toLux: number, steps: readonly number[]) =>
  ohmsOfState(
    steps.reduce(
      (state, seconds) => stepLdr(state, TYPICAL_LDR, DEFAULT_DYNAMICS, toLux, seconds),
      settledLdr(TYPICAL_LDR, fromLux),
    ),
    DEFAULT_DYNAMICS,
  );

describe('an LDR in changing light', () => {
  const light = fc.double({ min: 0.01, max: 50_000, noNaN: true });

  it('goes as far in two steps as in one, however they are cut', () => {
    fc.assert(
      fc.property(
        light,
        light,
        fc.double({ min: 0.001, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (from, to, seconds, share) => {
          const whole = ohmsAfter(from, to, [seconds]);
          expect(ohmsAfter(from, to, [seconds * share, seconds * (1 - share)]) / whole).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('nears its curve from its own side and never passes it', () => {
    fc.assert(
      fc.property(light, light, fc.double({ min: 0.001, max: 60, noNaN: true }), (from, to, seconds) => {
        const [start, now, end] = [
          ldrOhmsAt(TYPICAL_LDR, from),
          ohmsAfter(from, to, [seconds]),
          ldrOhmsAt(TYPICAL_LDR, to),
        ];
        expect(now).toBeGreaterThanOrEqual(Math.min(start, end) * (1 - 1e-9));
        expect(now).toBeLessThanOrEqual(Math.max(start, end) * (1 + 1e-9));
      }),
    );
  });

  it('nears each end by the time constant of that way, its tail four times as slowly toward light', () => {
    const dynamics = { riseSeconds: 0.02, fallSeconds: 0.08, tailShare: 0.1, tailSeconds: 3 };
    const siemens = (lux: number) => 1 / ldrOhmsAt(TYPICAL_LDR, lux);
    const [dark, bright] = [siemens(2), siemens(500)];
    const left = (from: number, to: number, seconds: number) => {
      const state = stepLdr(settledLdr(TYPICAL_LDR, from), TYPICAL_LDR, dynamics, to, seconds);
      const [start, end] = from < to ? [dark, bright] : [bright, dark];
      return { prompt: (state.prompt - end) / (start - end), tail: (state.tail - end) / (start - end) };
    };
    expect(left(2, 500, 0.02).prompt).toBeCloseTo(Math.exp(-1), 9);
    expect(left(2, 500, 0.08).tail).toBeCloseTo(Math.exp(-1), 9);
    expect(left(500, 2, 0.08).prompt).toBeCloseTo(Math.exp(-1), 9);
    expect(left(500, 2, 3).tail).toBeCloseTo(Math.exp(-1), 9);
  });

  it('has the times that are known of a part, and the usual ones for what is not', () => {
    expect(dynamicsOf({ riseSeconds: null, fallSeconds: null })).toEqual(DEFAULT_DYNAMICS);
    expect(dynamicsOf({ riseSeconds: 0.01, fallSeconds: 0.16 })).toEqual({
      ...DEFAULT_DYNAMICS,
      riseSeconds: 0.01,
      fallSeconds: 0.16,
    });
    expect(lagSecondsOf(dynamicsOf({ riseSeconds: 0.01, fallSeconds: 0.16 }))).toBeCloseTo(0.04, 12);
  });

  it('is quick toward light and slow toward dark', () => {
    expect(ohmsAfter(1, 1000, [0.3]) / ldrOhmsAt(TYPICAL_LDR, 1000)).toBeLessThan(1.02);
    expect(ohmsAfter(1000, 1, [0.3]) / ldrOhmsAt(TYPICAL_LDR, 1)).toBeLessThan(0.15);
    expect(ohmsAfter(1000, 1, [20]) / ldrOhmsAt(TYPICAL_LDR, 1)).toBeGreaterThan(0.98);
  });
});
