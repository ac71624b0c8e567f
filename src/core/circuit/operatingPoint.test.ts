import { describe, expect, it } from 'vitest';
import checks from '../checkFigures.json';
import { compileCircuit, nodeVolts } from './circuit';
import { resistorAmps } from './currents';
import { GROUND } from './netlist';
import { solveOperatingPoint } from './operatingPoint';

function expectClose(actual: number, expected: number, relative: number) {
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(relative * Math.abs(expected));
}

describe('operating point', () => {
  it('agrees with the plain divider when nothing is connected', () => {
    for (const row of checks.divider) {
      const ldrOnTop = row.ldrSide === 'top';
      const circuit = compileCircuit({
        supplies: [{ node: 'supply', volts: row.supplyVolts }],
        elements: [
          {
            kind: 'resistor',
            name: 'top',
            a: 'supply',
            b: 'mid',
            ohms: ldrOnTop ? row.ldrOhms : row.fixedOhms,
          },
          {
            kind: 'resistor',
            name: 'bottom',
            a: 'mid',
            b: GROUND,
            ohms: ldrOnTop ? row.fixedOhms : row.ldrOhms,
          },
        ],
      });
      const point = solveOperatingPoint(circuit);
      if (!point.ok) throw new Error(point.reason);
      expectClose(nodeVolts(circuit, point.volts, 'mid'), row.junctionVolts, 1e-4);
      expectClose(
        resistorAmps({ circuit, values: circuit.nominal, volts: point.volts }, 'top') ** 2 * row.ldrOhms,
        row.ldrWatts,
        1e-4,
      );
    }
  });

  it('says that a node without any path has no answer', () => {
    const circuit = compileCircuit({
      supplies: [{ node: 'supply', volts: 5 }],
      elements: [
        { kind: 'current', name: 'I', from: GROUND, to: 'floating', amps: 0.001 },
        { kind: 'resistor', name: 'R', a: 'supply', b: GROUND, ohms: 100 },
      ],
    });
    expect(solveOperatingPoint(circuit)).toMatchObject({ ok: false, reason: 'singular' });
  });
});
