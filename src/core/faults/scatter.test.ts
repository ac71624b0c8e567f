import { describe, expect, it } from 'vitest';
import { normals, uniforms } from '../numeric/random';
import { deviation, scatterOf } from './scatter';

const figures = (count: number, of: () => number) => Float64Array.from({ length: count }, of);

describe('how far what is found lies apart', () => {
  it('is told within the heap of each where an output is on in some builds and off in others', () => {
    const normal = normals(3);
    const off = figures(23, () => 0.078 + 0.001 * normal());
    const found = Float64Array.from([...off, 2.412]);
    const scatter = scatterOf(found);
    expect(scatter[0]).toBeCloseTo(deviation(off), 6);
    expect(scatter[23]).toBeCloseTo(deviation(off), 6);
    expect(deviation(found)).toBeGreaterThan(100 * (scatter[0] ?? 0));
    const on = figures(10, () => 5.9 + 0.2 * normal());
    const both = scatterOf(Float64Array.from([...off.slice(0, 13), ...on]));
    expect(both[0]).toBeLessThan(0.002);
    expect(both[20]).toBeCloseTo(deviation(on), 6);
  });

  it('is one and the same for what lies in one heap, even or normal, whatever its width', () => {
    const [normal, uniform] = [normals(7), uniforms(7)];
    let [whole, all] = [0, 0];
    for (let run = 0; run < 400; run++) {
      const width = 10 ** (4 * uniform() - 3);
      const found = figures(24, () => width * (run % 2 ? normal() : uniform()));
      all += 1;
      if (scatterOf(found).every((each) => Math.abs(each - deviation(found)) < 1e-9 * width)) whole += 1;
    }
    expect(whole / all).toBeGreaterThan(0.95);
  });

  it('tells three heaps apart, and what is not found as no figure', () => {
    const found = Float64Array.from([0, 0.01, 0.02, NaN, 3, 3.01, 3.02, 6, 6.01, 6.02]);
    const scatter = scatterOf(found);
    expect(scatter[3]).toBeNaN();
    for (const at of [0, 4, 9]) expect(scatter[at]).toBeCloseTo(0.01, 6);
    expect(scatterOf(new Float64Array(4).fill(2))).toEqual(new Float64Array(4));
    expect(scatterOf(new Float64Array(0))).toHaveLength(0);
  });
});
