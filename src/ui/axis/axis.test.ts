import { describe, expect, it } from 'vitest';
import { USUAL_LIGHT } from '@/core/light/range';
import { lightGradient } from './lightColors';
import { luxAfterKey, roundGoal } from './lightKeys';
import { decadeLabel, decadesOf, minorTicksOf, niceCeiling } from './ticks';

describe('ticks of the light axis', () => {
  it('stand at the decades and between them', () => {
    expect(decadesOf(USUAL_LIGHT)).toEqual([0.1, 1, 10, 100, 1000, 10_000, 100_000]);
    expect(minorTicksOf(USUAL_LIGHT)).toHaveLength(48);
    expect(decadeLabel(0.1)).toBe('0.1');
    expect(decadeLabel(10_000)).toBe('10\u00a0k');
  });

  it('leave room above the highest value', () => {
    for (const value of [0.64, 0.0099, 4.61, 1, 12.3]) {
      expect(niceCeiling(value)).toBeGreaterThan(value);
      expect(niceCeiling(value)).toBeLessThan(value * 1.7);
    }
  });
});

describe('keys on the light axis', () => {
  it('move by small steps, there and back', () => {
    const up = luxAfterKey('ArrowRight', 50, USUAL_LIGHT) ?? 0;
    expect(up / 50).toBeCloseTo(10 ** (1 / 48), 9);
    expect(luxAfterKey('ArrowLeft', up, USUAL_LIGHT)).toBeCloseTo(50, 9);
    expect((luxAfterKey('ArrowRight', 50, USUAL_LIGHT, true) ?? 0) / 50).toBeCloseTo(10 ** (1 / 480), 9);
  });

  it('stop at the ends and leave other keys alone', () => {
    expect(luxAfterKey('End', 50, USUAL_LIGHT)).toBe(100_000);
    expect(luxAfterKey('Home', 50, USUAL_LIGHT)).toBe(0.1);
    expect(luxAfterKey('ArrowRight', 100_000, USUAL_LIGHT)).toBe(100_000);
    expect(luxAfterKey('a', 50, USUAL_LIGHT)).toBeNull();
  });

  it('give goals of three figures', () => {
    expect(roundGoal(12.3457)).toBe(12.3);
    expect(roundGoal(0.012345)).toBe(0.0123);
  });
});

describe('the colours of light', () => {
  it('belong to the light, not to the width of the axis', () => {
    expect(lightGradient(USUAL_LIGHT)).toContain('#171A33 0.00%');
    expect(lightGradient({ leastLux: 0.01, mostLux: 100_000 })).toContain('#171A33 14.29%');
  });
});
