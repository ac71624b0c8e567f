import { describe, expect, it } from 'vitest';
import { normals, uniforms } from './random';

const seeds = Array.from({ length: 400 }, (_, seed) => seed);
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('seeded randomness', () => {
  it('is ordinary from the first draw on, for small seeds too', () => {
    for (const skip of [0, 1, 2]) {
      const uniform = seeds.map((seed) => {
        const next = uniforms(seed);
        for (let i = 0; i < skip; i++) next();
        return next();
      });
      expect(mean(uniform)).toBeGreaterThan(0.43);
      expect(mean(uniform)).toBeLessThan(0.57);
      expect(uniform.filter((value) => value < 0.1).length).toBeGreaterThan(20);
    }
    const first = seeds.map((seed) => normals(seed)());
    expect(Math.abs(mean(first))).toBeLessThan(0.2);
    expect(mean(first.map((value) => value * value))).toBeGreaterThan(0.7);
    expect(mean(first.map((value) => value * value))).toBeLessThan(1.4);
  });

  it('is the same for the same seed, and another for another stream', () => {
    const draw = (seed: number, stream: number) => {
      const next = uniforms(seed, stream);
      return [next(), next(), next()];
    };
    expect(draw(7, 0)).toEqual(draw(7, 0));
    expect(draw(7, 1)).not.toEqual(draw(7, 0));
    expect(draw(8, 0)).not.toEqual(draw(7, 0));
  });
});
