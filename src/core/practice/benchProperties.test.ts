import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { shippedMeters, topOhms, type MeterId } from '../meter/meter';
import { Bench, BENCH_LIMITS, FIRST_CONTROLS, hiddenLdr, type BenchControls } from './bench';

const anyControls: fc.Arbitrary<BenchControls> = fc.record({
  lampOn: fc.boolean(),
  lampMetres: fc.double({
    min: BENCH_LIMITS.lampMetres.min,
    max: BENCH_LIMITS.lampMetres.max,
    noNaN: true,
  }),
  dimShare: fc.double({ min: 0.01, max: 1, noNaN: true }),
  roomLux: fc.double({ min: 0, max: 2000, noNaN: true }),
  covered: fc.boolean(),
  screenOn: fc.boolean(),
  difficulty: fc.constantFrom('lab' as const, 'dusk' as const, 'worn-meter' as const),
  meter: fc.constantFrom<MeterId>('manual-2000', 'auto-6000', 'bench-20000'),
  rangeOhms: fc.constantFrom(null, 200, 20_000, 2e6),
});

describe('any bench', () => {
  it('shows a figure that its meter can show, or that it is over range', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        anyControls,
        fc.double({ min: 0.01, max: 30, noNaN: true }),
        (seed, controls, seconds) => {
          const bench = new Bench(seed);
          bench.controls = controls;
          bench.advance(seconds);
          const { ohms, above, rangeOhms, lux } = bench.read();
          const meter = shippedMeters.find(({ id }) => id === controls.meter);
          if (!meter) throw new Error(controls.meter);
          expect(ohms).toBeGreaterThan(0);
          expect(ohms).toBeLessThanOrEqual(topOhms(meter));
          expect(meter.ranges.map(({ fullOhms }) => fullOhms)).toContain(rangeOhms);
          if (above) expect(ohms).toBe(rangeOhms);
          else expect(ohms).toBeLessThan(rangeOhms);
          expect(lux).toBeGreaterThan(0);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('comes to rest on the curve of what it hides', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (seed, lampMetres) => {
          const bench = new Bench(seed);
          bench.controls = { ...FIRST_CONTROLS, meter: 'bench-20000', lampMetres };
          bench.advance(60);
          const { ohms, above } = bench.read();
          if (!above) expect(ohms / ldrOhmsAt(bench.hidden.curve, bench.luxNow())).toBeCloseTo(1, 1);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is darker the farther the lamp, and never quite dark', () => {
    fc.assert(
      fc.property(anyControls, fc.double({ min: 1.01, max: 3, noNaN: true }), (controls, factor) => {
        const bench = new Bench(1);
        bench.controls = { ...controls, lampMetres: 1 };
        const near = bench.luxNow();
        bench.controls = { ...controls, lampMetres: factor };
        expect(bench.luxNow()).toBeLessThanOrEqual(near);
        expect(bench.luxNow()).toBeGreaterThan(0);
      }),
    );
  });

  it('hides an LDR such as one can buy', () => {
    for (let seed = 0; seed < 500; seed++) {
      const { r10Ohms, gamma, darkOhms, brightOhms } = hiddenLdr(seed).curve;
      expect(r10Ohms).toBeGreaterThanOrEqual(7000);
      expect(r10Ohms).toBeLessThanOrEqual(30_000);
      expect(gamma).toBeGreaterThanOrEqual(0.58);
      expect(gamma).toBeLessThanOrEqual(0.85);
      expect(darkOhms).toBeGreaterThan(r10Ohms * 50);
      expect(brightOhms).toBeLessThan(100);
    }
  });
});
