import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { nodeVolts } from '../circuit/circuit';
import { diodeAmps } from '../circuit/currents';
import { ldrOhmsAt } from '../ldr/curve';
import { LED_IDEALITY, LED_SERIES_OHMS } from '../parts/kinds/led';
import { defaultLoads } from '../loads/registry';
import { assemble } from '../operate/assemble';
import { Operation } from '../operate/operation';
import { simpleInput } from '../operate/testCircuits';
import { REVERSE_BETA } from '../parts/kinds/bipolar';
import { npnDriver } from './npn';

const ledOf = ({ forwardVolts, atAmps }: { forwardVolts: number; atAmps: number }) => ({
  forwardVolts,
  atAmps,
});

function expectClose(actual: number, expected: number, relative: number, absolute = 0) {
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(relative * Math.abs(expected) + absolute);
}

/** The check circuits are exactly an NPN's circuit with its own transistor figures and temperature. */
function checkCircuit(row: (typeof checks.npn)[number], lux: number) {
  expect(row.led.ideality).toBe(LED_IDEALITY);
  expect(row.led.seriesOhms).toBe(LED_SERIES_OHMS);
  const curve = {
    r10Ohms: row.ldr.r10,
    gamma: row.ldr.gamma,
    darkOhms: row.ldr.dark,
    brightOhms: row.ldr.bright,
  };
  const { forwardBeta: beta, saturationAmps, reverseBeta } = row.npn;
  expect(reverseBeta).toBe(REVERSE_BETA);
  const [small] = npnDriver.shipped;
  const assembly = assemble({
    ...simpleInput,
    supply: { volts: row.supplyVolts, ohms: 0 },
    ldrSide: row.ldrSide === 'top' ? 'top' : 'bottom',
    ldrOhms: ldrOhmsAt(curve, lux),
    fixedOhms: row.fixedOhms,
    baseOhms: row.baseOhms === 0 ? null : row.baseOhms,
    transistor: { ...small, saturationAmps, typicalBeta: beta },
    loads: [{ ...defaultLoads.led, ...ledOf(row.led), seriesOhms: row.loadOhms }],
  });
  const base = row.baseOhms === 0 ? 'mid' : 'base';
  const solution = new Operation(assembly, { celsius: row.celsius }).solveIn(0, ldrOhmsAt(curve, lux));
  if (!solution) throw new Error('no operating point');
  return { solution, base, led: assembly.loads[0]?.designator ?? '' };
}

describe('an NPN with LDR and LED', () => {
  it('agrees with an independent solver for LDR, NPN and LED at every temperature', () => {
    for (const row of checks.npn) {
      for (const expected of row.rows) {
        const { solution, base, led } = checkCircuit(row, expected.lux);
        const at = (net: string) => nodeVolts(solution.circuit, solution.volts, net);
        expectClose(at('mid'), expected.junctionVolts, 1e-4);
        expectClose(at(base), expected.baseVolts, 1e-4);
        expectClose(at('collector'), expected.collectorVolts, 1e-4);
        expectClose(diodeAmps(solution, led), expected.ledAmps, 1e-4, 1e-9);
      }
    }
  });
});
