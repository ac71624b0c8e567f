import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nearestIn, OFFERED_OHMS, stepIn, DEFAULT_STOCK, valuesIn } from './stock';
import { neighbours, seriesNames, seriesValues } from './series';

describe('every preferred series', () => {
  it('holds as many rising values as its name says, each coarser one’s values nearly among the finer ones', () => {
    for (const name of seriesNames) {
      const values = seriesValues[name];
      expect(values).toHaveLength(Number(name.slice(1)));
      expect([...values]).toEqual([...values].sort((one, other) => one - other));
    }
    for (const digit of seriesValues.E6) expect(seriesValues.E12).toContain(digit);
    for (const digit of seriesValues.E12) expect(seriesValues.E24).toContain(digit);
    expect(seriesValues.E96.slice(0, 4)).toEqual([1, 1.02, 1.05, 1.07]);
    expect(seriesValues.E96.at(-1)).toBe(9.76);
  });

  it('comes nearer the finer it is, and brackets every value', () => {
    fc.assert(
      fc.property(fc.double({ min: 12, max: 9e6, noNaN: true }), (ohms) => {
        const widths = seriesNames.map((name) => {
          const { below, above } = neighbours(ohms, name);
          expect(below).toBeLessThanOrEqual(ohms * (1 + 1e-9));
          expect(above).toBeGreaterThanOrEqual(ohms * (1 - 1e-9));
          return above / below;
        });
        const [e6 = 0, e12 = 0, e24 = 0, e96 = 0] = widths;
        expect(e6).toBeGreaterThanOrEqual(e12);
        expect(e12).toBeGreaterThanOrEqual(e24);
        expect(e96).toBeLessThan(1.032);
      }),
    );
  });
});

describe('a decade box on any drawer', () => {
  it('walks through all its values once, up and down', () => {
    for (const series of seriesNames) {
      const values = valuesIn({ ...DEFAULT_STOCK, series });
      let ohms: number = OFFERED_OHMS.min;
      const walked = [ohms];
      while (ohms < OFFERED_OHMS.max) walked.push((ohms = stepIn(values, ohms, 1)));
      expect(walked).toEqual([...values]);
      while (ohms > OFFERED_OHMS.min) ohms = stepIn(values, ohms, -1);
      expect(ohms).toBe(OFFERED_OHMS.min);
    }
  });

  it('offers what it steps to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...seriesNames),
        fc.double({ min: 20, max: 5e6, noNaN: true }),
        (series, ohms) => {
          const drawer = { ...DEFAULT_STOCK, series };
          const values = valuesIn(drawer);
          const nearest = nearestIn(drawer, ohms);
          if (!nearest.ok) throw new Error(nearest.reason);
          const offered = nearest.found.map((entry) => entry.ohms);
          // A value in stock itself is offered alone.
          if (offered.length > 1) {
            expect(offered).toContain(stepIn(values, ohms, 1));
            expect(offered).toContain(stepIn(values, ohms, -1));
          } else expect(offered[0]).toBeCloseTo(ohms, 3);
        },
      ),
    );
  });
});
