import { describe, expect, it } from 'vitest';
import { findCrossing, overLevel } from '../light/crossing';
import { endsFor } from './fixed';
describe('crossings', () => {
  const range = { minLux: 0.1, maxLux: 1000 };
  it('are found where the current passes the level', () => {
    const found = findCrossing((lux) => overLevel(0.01 / lux, 0.001), range);
    expect(found.ok && found.lux).toBeCloseTo(10, 5);
  });

  it('are not made up where there is none', () => {
    expect(findCrossing(() => overLevel(0.01, 0.001), range)).toEqual({ ok: false, reason: 'stays-above' });
    expect(findCrossing(() => overLevel(0, 0.001), range)).toEqual({ ok: false, reason: 'stays-below' });
    expect(findCrossing(() => overLevel(null, 0.001), range)).toEqual({ ok: false, reason: 'not-converged' });
  });
});

describe('the ends of the axis', () => {
  it('are named by what the load does there', () => {
    const range = { minLux: 0.1, maxLux: 1000 };
    expect(endsFor('on-in-dark', range)).toEqual({ onLux: 0.1, offLux: 1000 });
    expect(endsFor('on-in-light', range)).toEqual({ onLux: 1000, offLux: 0.1 });
  });
});
