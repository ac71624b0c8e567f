import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { nodeVolts, setOhms } from '../circuit/circuit';
import { diodeAmps, npnCurrents, resistorAmps } from '../circuit/currents';
import { kirchhoffResidualAmps, solveOperatingPoint } from '../circuit/operatingPoint';
import { ldrOhmsAt } from '../ldr/curve';
import { LED_IDEALITY, LED_SERIES_OHMS } from '../loads/led';
import { circuitOf } from './description';
import { npnStage } from './npn';
import type { LdrSide } from './stage';

function expectClose(actual: number, expected: number, relative: number, absolute = 0) {
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(relative * Math.abs(expected) + absolute);
}

/** The check circuits are exactly the NPN stage with its own transistor figures and temperature. */
function checkCircuit(row: (typeof checks.npn)[number], lux: number) {
  expect(row.led.ideality).toBe(LED_IDEALITY);
  expect(row.led.seriesOhms).toBe(LED_SERIES_OHMS);
  const curve = {
    r10Ohms: row.ldr.r10,
    gamma: row.ldr.gamma,
    darkOhms: row.ldr.dark,
    brightOhms: row.ldr.bright,
  };
  const description = npnStage.describe({
    supplyVolts: row.supplyVolts,
    ldrSide: row.ldrSide as LdrSide,
    ldrOhms: ldrOhmsAt(curve, lux),
    fixedOhms: row.fixedOhms,
    ldrParallelOhms: null,
    ldrSeriesOhms: null,
    baseOhms: row.baseOhms === 0 ? null : row.baseOhms,
    beta: row.npn.forwardBeta,
    led: row.led,
    seriesOhms: row.loadOhms,
  });
  const base = row.baseOhms === 0 ? 'mid' : 'base';
  return { circuit: circuitOf(description, row.celsius), base };
}

describe('NPN stage', () => {
  it('agrees with an independent solver for LDR, NPN and LED at every temperature', () => {
    for (const row of checks.npn) {
      for (const expected of row.rows) {
        const { circuit, base } = checkCircuit(row, expected.lux);
        const point = solveOperatingPoint(circuit);
        if (!point.ok) throw new Error(point.reason);
        expectClose(nodeVolts(circuit, point.volts, 'mid'), expected.junctionVolts, 1e-4);
        expectClose(nodeVolts(circuit, point.volts, base), expected.baseVolts, 1e-4);
        expectClose(nodeVolts(circuit, point.volts, 'collector'), expected.collectorVolts, 1e-4);
        expectClose(diodeAmps(circuit, point.volts, 'D1'), expected.ledAmps, 1e-4, 1e-9);
      }
    }
  });

  const anyStage = fc.record({
    supplyVolts: fc.double({ min: 1, max: 24, noNaN: true }),
    ldrSide: fc.constantFrom<LdrSide>('top', 'bottom'),
    lnLdr: fc.double({ min: Math.log(50), max: Math.log(5e6), noNaN: true }),
    lnFixed: fc.double({ min: Math.log(50), max: Math.log(5e6), noNaN: true }),
    lnBase: fc.option(fc.double({ min: Math.log(100), max: Math.log(1e6), noNaN: true }), { nil: null }),
    lnParallel: fc.option(fc.double({ min: Math.log(1000), max: Math.log(1e7), noNaN: true }), { nil: null }),
    lnBeside: fc.option(fc.double({ min: Math.log(10), max: Math.log(1e5), noNaN: true }), { nil: null }),
    beta: fc.double({ min: 20, max: 800, noNaN: true }),
    forwardVolts: fc.double({ min: 1.2, max: 3.6, noNaN: true }),
    lnSeries: fc.double({ min: Math.log(10), max: Math.log(1e5), noNaN: true }),
    celsius: fc.double({ min: -20, max: 60, noNaN: true }),
  });
  const build = (input: typeof anyStage extends fc.Arbitrary<infer T> ? T : never) =>
    circuitOf(
      npnStage.describe({
        supplyVolts: input.supplyVolts,
        ldrSide: input.ldrSide,
        ldrOhms: Math.exp(input.lnLdr),
        fixedOhms: Math.exp(input.lnFixed),
        ldrParallelOhms: input.lnParallel === null ? null : Math.exp(input.lnParallel),
        ldrSeriesOhms: input.lnBeside === null ? null : Math.exp(input.lnBeside),
        baseOhms: input.lnBase === null ? null : Math.exp(input.lnBase),
        beta: input.beta,
        led: { forwardVolts: input.forwardVolts, atAmps: 0.01 },
        seriesOhms: Math.exp(input.lnSeries),
      }),
      input.celsius,
    );

  it('converges from nothing for any stage, and the currents at every node add up to under 1 nA', () => {
    fc.assert(
      fc.property(anyStage, (input) => {
        const circuit = build(input);
        const point = solveOperatingPoint(circuit);
        expect(point.ok).toBe(true);
        if (!point.ok) return;
        expect(kirchhoffResidualAmps(circuit, point.volts)).toBeLessThan(1e-9);
        const collector = npnCurrents(circuit, point.volts, 'Q1').collectorAmps;
        expectClose(collector, resistorAmps(circuit, point.volts, 'R2'), 1e-6, 1e-9);
      }),
      { numRuns: 2000, seed: 2 },
    );
  });

  it('passes more load current the higher a bottom LDR is, from whatever point the search starts', () => {
    fc.assert(
      fc.property(anyStage, (input) => {
        const circuit = build({ ...input, ldrSide: 'bottom' });
        let warm: Float64Array | undefined;
        let before = -1e-9;
        for (let step = 0; step <= 12; step++) {
          setOhms(circuit, 'LDR1', 50 * 10 ** (step * 0.4));
          const point = solveOperatingPoint(circuit, warm);
          const cold = solveOperatingPoint(circuit);
          if (!point.ok || !cold.ok) throw new Error('did not converge');
          const amps = resistorAmps(circuit, point.volts, 'R2');
          expectClose(amps, resistorAmps(circuit, cold.volts, 'R2'), 1e-6, 1e-10);
          expect(amps).toBeGreaterThanOrEqual(before - 1e-10);
          before = amps;
          warm = point.volts;
        }
      }),
      { numRuns: 200, seed: 3 },
    );
  });
});
