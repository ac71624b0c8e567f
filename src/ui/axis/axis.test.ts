import { describe, expect, it } from 'vitest';
import { DEFAULT_LIGHT } from '@/core/light/range';
import { lightGradient, wantsInk } from './lightColors';
import { luxAfterKey, roundGoal } from './lightKeys';
import {
  decadeLabel,
  decadesOf,
  fineTicksOf,
  majorTicksOf,
  minorTicksOf,
  niceCeiling,
  withRoom,
} from './ticks';

describe('ticks of the light axis', () => {
  it('stand at the decades and between them', () => {
    expect(decadesOf(DEFAULT_LIGHT)).toEqual([0.1, 1, 10, 100, 1000, 10_000, 100_000]);
    expect(minorTicksOf(DEFAULT_LIGHT)).toHaveLength(48);
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

describe('an axis without lux', () => {
  const range = { minLux: 0.1, maxLux: 1000 };
  it('has its ticks at decades of resistance, from high to low', () => {
    const majors = majorTicksOf(range, 'ohms');
    expect(majors.map(({ label }) => label)).toEqual(['100\u00a0k', '10\u00a0k', '1\u00a0k']);
    expect(majors.map(({ light }) => light)).toEqual(
      [...majors.map(({ light }) => light)].sort((one, other) => one - other),
    );
    for (const light of fineTicksOf(range, 'ohms')) {
      expect(light > range.minLux && light < range.maxLux).toBe(true);
    }
    expect(majorTicksOf(range, 'relative').map(({ light }) => light)).toEqual(decadesOf(range));
  });

  it('shows as many names as have room, the earlier first', () => {
    const names = [
      { light: 10, text: 'hall, evening' },
      { light: 11, text: 'kitchen' },
      { light: 500, text: 'desk' },
      { light: 1000, text: 'window' },
    ];
    expect(withRoom(names, range).map(({ text }) => text)).toEqual(['hall, evening', 'desk']);
  });

  it('has the colours of its share of the axis', () => {
    expect(lightGradient(range, 'ohms')).toBe(lightGradient(DEFAULT_LIGHT));
    expect(wantsInk(1000, range, 'relative')).toBe(true);
    expect(wantsInk(0.1, range, 'relative')).toBe(false);
  });
});

describe('keys on the light axis', () => {
  it('move by small steps, there and back', () => {
    const up = luxAfterKey('ArrowRight', 50, DEFAULT_LIGHT) ?? 0;
    expect(up / 50).toBeCloseTo(10 ** (1 / 48), 9);
    expect(luxAfterKey('ArrowLeft', up, DEFAULT_LIGHT)).toBeCloseTo(50, 9);
    expect((luxAfterKey('ArrowRight', 50, DEFAULT_LIGHT, true) ?? 0) / 50).toBeCloseTo(10 ** (1 / 480), 9);
  });

  it('stop at the ends and leave other keys alone', () => {
    expect(luxAfterKey('End', 50, DEFAULT_LIGHT)).toBe(100_000);
    expect(luxAfterKey('Home', 50, DEFAULT_LIGHT)).toBe(0.1);
    expect(luxAfterKey('ArrowRight', 100_000, DEFAULT_LIGHT)).toBe(100_000);
    expect(luxAfterKey('a', 50, DEFAULT_LIGHT)).toBeNull();
  });

  it('give goals of three figures', () => {
    expect(roundGoal(12.3457)).toBe(12.3);
    expect(roundGoal(0.012345)).toBe(0.0123);
  });
});

describe('the colours of light', () => {
  it('belong to the light, not to the width of the axis', () => {
    expect(lightGradient(DEFAULT_LIGHT)).toContain('#171A33 0.00%');
    expect(lightGradient({ minLux: 0.01, maxLux: 100_000 })).toContain('#171A33 14.29%');
  });
});
