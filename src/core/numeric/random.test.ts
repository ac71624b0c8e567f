import { describe, expect, it } from 'vitest';
import { normals, uniforms } from './random';

const take = (draw: () => number, count: number) => Array.from({ length: count }, draw);

describe('random numbers', () => {
  it('are the same for the same seed and stream, and others for another', () => {
    expect(take(uniforms(7, 3), 50)).toEqual(take(uniforms(7, 3), 50));
    expect(take(uniforms(7, 3), 5)).not.toEqual(take(uniforms(7, 4), 5));
    expect(take(uniforms(7), 5)).not.toEqual(take(uniforms(8), 5));
  });

  it('lie from 0 up to 1, evenly, in streams that say nothing of each other', () => {
    const [one, other] = [take(uniforms(3, 0), 20_000), take(uniforms(3, 1), 20_000)];
    const mean = (list: readonly number[]) => list.reduce((sum, value) => sum + value, 0) / list.length;
    expect(mean(one)).toBeCloseTo(0.5, 1);
    expect(Math.min(...one)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...one)).toBeLessThan(1);
    const together = mean(one.map((value, index) => (value - 0.5) * ((other[index] ?? 0) - 0.5)));
    expect(Math.abs(together)).toBeLessThan(3 / (12 * Math.sqrt(20_000)));
  });

  it('are normal with mean 0 and deviation 1', () => {
    const list = take(normals(5), 20_000);
    const mean = list.reduce((sum, value) => sum + value, 0) / list.length;
    const variance = list.reduce((sum, value) => sum + value * value, 0) / list.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(variance).toBeCloseTo(1, 1);
  });
});
