import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { nodeVolts } from '../circuit/circuit';
import { diodeAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { ldrOhmsAt } from '../ldr/curve';
import { LED_IDEALITY, LED_SERIES_OHMS } from '../loads/led';
import { circuitOf } from './description';
import { defaultLoads } from '../loads/load';
import { npnDriver } from './npn';
import type { LdrSide } from './stage';
import { plainInput } from './testStage';
import { REVERSE_BETA, defaultPart, type BipolarPart } from './transistors';

const ledOf = ({ forwardVolts, atAmps }: { forwardVolts: number; atAmps: number }) => ({
  forwardVolts,
  atAmps,
});

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
  const { forwardBeta: beta, saturationAmps, reverseBeta } = row.npn;
  expect(reverseBeta).toBe(REVERSE_BETA);
  const assembly = npnDriver.describe({
    ...plainInput,
    supply: { volts: row.supplyVolts, ohms: 0 },
    ldrSide: row.ldrSide as LdrSide,
    ldrOhms: ldrOhmsAt(curve, lux),
    fixedOhms: row.fixedOhms,
    baseOhms: row.baseOhms === 0 ? null : row.baseOhms,
    part: { ...(defaultPart('npn') as BipolarPart), saturationAmps, typicalBeta: beta },
    loads: [{ ...defaultLoads.led, ...ledOf(row.led), seriesOhms: row.loadOhms }],
  });
  const base = row.baseOhms === 0 ? 'mid' : 'base';
  return { circuit: circuitOf(assembly, row.celsius), base };
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
});
