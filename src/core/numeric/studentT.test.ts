import { describe, expect, it } from 'vitest';
import { studentT975 } from './studentT';

describe('Student’s t', () => {
  it('has the 97.5 % points of the standard table', () => {
    expect([1, 2, 5, 10, 30, 120].map((degrees) => Number(studentT975(degrees).toFixed(3)))).toEqual([
      12.706, 4.303, 2.571, 2.228, 2.042, 1.98,
    ]);
  });

  it('has its share of the area under the curve to 1e-9, for every count of readings that a project holds', () => {
    // With t = √ν·tan θ the density is cos^(ν − 1) θ, up to a factor that the whole area takes out again.
    for (let degrees = 1; degrees <= 2000; degrees += degrees < 70 ? 1 : 37) {
      const area = (from: number, to: number) =>
        simpson((angle) => Math.cos(angle) ** (degrees - 1), from, to, 4000);
      const point = studentT975(degrees);
      const beyond = area(Math.atan(point / Math.sqrt(degrees)), Math.PI / 2);
      const share = beyond / area(0, Math.PI / 2) / 2;
      // So far off in t as the density there says.
      const density = (angle: number) => Math.cos(angle) ** (degrees + 1) / Math.sqrt(degrees);
      const slope = density(Math.atan(point / Math.sqrt(degrees))) / area(0, Math.PI / 2) / 2;
      expect(Math.abs(share - 0.025) / slope, `${degrees}`).toBeLessThan(2e-9);
    }
  });
});

/** Area under a curve, to 1e-12 where it is smooth. @param steps even */
function simpson(curve: (x: number) => number, from: number, to: number, steps: number): number {
  const step = (to - from) / steps;
  const inner = Array.from(
    { length: steps - 1 },
    (_, index) => (index % 2 === 0 ? 4 : 2) * curve(from + (index + 1) * step),
  );
  return (inner.reduce((sum, one) => sum + one, curve(from) + curve(to)) * step) / 3;
}
